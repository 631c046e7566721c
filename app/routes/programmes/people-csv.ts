import { data } from 'react-router';
import { readPeopleCsv } from '../../../core/exchange/people-csv.ts';
import { insertParticipant, listParticipants, updateProfile } from '../../../db/queries/person.ts';
import { coachForm, withProgramme } from '../../../server/coach-scope.ts';
import { BODY_BYTES } from '../../../server/limits.ts';
import { coachZone } from '../../../server/coach-zone.ts';
import { formText } from '../../../server/form-text.ts';
import { rosterDefaults } from '../../../server/roster-defaults.ts';
import { loadWorkspaceBook } from '../../../server/workspace-book.ts';
import type { Route } from './+types/people-csv';

/** Brings a roster in, all of it or nothing; rows with an error are left out only where that was said. */
export async function action({ request, params }: Route.ActionArgs) {
  const form = await coachForm(request, BODY_BYTES.roster);
  return withProgramme(request, params.programmeId, async (db, { coach, programme }) => {
    const people = await listParticipants(db, programme.runId);
    const csv = readPeopleCsv(
      formText(form, 'text'),
      rosterDefaults(programme.startsOn, people, coachZone(request)),
      people.map((p) => p.name),
      (await loadWorkspaceBook(db)).library,
    );
    const wrong = csv.rows.filter((r) => !r.person).length;
    if (csv.error || csv.rows.length === 0)
      return data({ error: csv.error ?? 'There is no row in it.', added: null }, { status: 400 });
    // Swaps are judged here alone: the page has no shelf to hold them against.
    const [unknown] = csv.rows.flatMap((r) =>
      r.errors.filter((e) => e.column === 'swaps').map((e) => `Line ${r.line}: ${e.message}`),
    );
    if (wrong > 0 && formText(form, 'skip') !== 'yes')
      return data(
        {
          error: `${wrong === 1 ? 'One row has' : `${wrong} rows have`} an error; nothing was written.${unknown ? ` ${unknown}` : ''}`,
          added: null,
        },
        { status: 400 },
      );
    let added = 0;
    for (const { person } of csv.rows) {
      if (!person) continue;
      const { name, detail, timeZone, joinedOn, ...profile } = person;
      const enrolmentId = await insertParticipant(db, {
        workspaceId: coach.workspaceId,
        runId: programme.runId,
        name,
        detail,
        timeZone,
        joinedOn,
      });
      await updateProfile(db, enrolmentId, profile);
      added++;
    }
    return data({ error: '', added });
  });
}
