import type pg from 'pg';
import { data } from 'react-router';
import type { DayDate } from '../../core/calendar/day.ts';
import { parseDayDate } from '../../core/calendar/day.ts';
import { isTimeZone } from '../../core/calendar/release.ts';
import { readPeople } from '../../core/exchange/people/read-people.ts';
import { insertParticipants, listRoster } from '../../db/queries/person.ts';
import { note } from '../doors/audit.ts';
import { type ProgrammeScope } from '../doors/coach-scope.ts';
import { coachZone } from '../doors/coach-zone.ts';
import { formLines, formText } from '../http/form-text.ts';
import { ownStart, rosterDefaults } from './roster-defaults.ts';
import { decideSend } from '../send/send-decision.ts';
import { loadWorkspaceBook } from '../write/workspace-book.ts';

const refused = (error: string) => data({ error, added: null, ids: [] as number[] }, { status: 400 });

/** Adds people, all of those that were pasted or none; lines with an error are left out only where that was said. */
export async function addPeople(
  db: pg.PoolClient,
  { coach, programme }: ProgrammeScope,
  request: Request,
  form: FormData,
) {
  const people = await listRoster(db, programme.runId);
  const usual = rosterDefaults(programme.startsOn, people, coachZone(request));
  const timeZone = formText(form, 'timeZone') || usual.timeZone;
  const joinedOn = formText(form, 'joinedOn') || usual.joinedOn;
  if (!isTimeZone(timeZone)) return refused('That is no time zone known here.');
  if (!parseDayDate(joinedOn)) return refused('Say since when they take part.');
  const read = readPeople(
    formLines(form, 'text'),
    { timeZone, joinedOn: joinedOn as DayDate },
    people.map((p) => p.name),
    (await loadWorkspaceBook(db)).library,
  );
  const wrong = read.rows.filter((r) => !r.person).length;
  if (read.error) return refused(read.error);
  // Swaps are judged here alone: the page has no shelf to hold them against.
  const [unknown] = read.rows.flatMap((r) =>
    r.errors.filter((e) => e.column === 'swaps').map((e) => `Line ${r.line}: ${e.message}`),
  );
  if (wrong > 0 && formText(form, 'skip') !== 'yes')
    return refused(
      `${wrong === 1 ? 'One line has' : `${wrong} lines have`} an error; nobody was added.${unknown ? ` ${unknown}` : ''}`,
    );
  const added = read.rows.flatMap((r) => r.person ?? []);
  return decideSend(db, { ...coach, runIds: [programme.runId] }, form, async () => {
    const ids = await insertParticipants(db, {
      workspaceId: coach.workspaceId,
      runId: programme.runId,
      people: added.map(({ name, detail, timeZone, joinedOn: since, ...profile }) => ({
        name,
        detail,
        timeZone,
        joinedOn: since,
        startsOn: ownStart(programme.run, since),
        profile,
      })),
    });
    await note(db, coach, 'people-added', { programmeId: programme.id, detail: String(added.length) });
    return data({ error: '', added: added.length, ids: [...ids.values()] });
  });
}
