import { WORTH_MS } from '../../core/calendar/spans.ts';
import type pg from 'pg';
import { randomUUID } from 'node:crypto';
import { data, redirect } from 'react-router';
import { formatDay } from '../../core/calendar/day.ts';
import { localDate } from '../../core/calendar/release.ts';
import { kitPieces } from '../../core/movement/kit.ts';
import { listCoachNames } from '../../db/queries/doors/coach.ts';
import { insertMessage } from '../../db/queries/messages/lay-messages.ts';
import { getEnrolment, insertParticipant } from '../../db/queries/person.ts';
import { insertPersonalLink } from '../../db/queries/doors/link.ts';
import type { Programme } from '../../db/queries/programme.ts';
import { getProgrammeOfRun, lockRun, listDayPlaces } from '../../db/queries/programme.ts';
import { nowMs } from '../config.ts';
import { readJoinForm } from './join-form.ts';
import { ownStart } from '../people/roster-defaults.ts';
import { hashToken, makeToken } from '../doors/token.ts';
import { loadWorkspaceBook } from '../write/workspace-book.ts';

/** Kit that is asked for here; the rest on their own page. */
const MOST_KIT = 10;

const isOver = ({ run }: Programme, today: string): boolean =>
  run.archivedAtMs !== null || (run.endedOn !== null && run.endedOn < today);

/** When it begins for who joins now, in a sentence. */
function beginWords({ run: { rules, joinsLate } }: Programme): string {
  const today = localDate(nowMs(), 'UTC');
  if (rules.startsOn > today) return `It begins on ${formatDay(rules.startsOn)}.`;
  return rules.calendar === 'own' || joinsLate === 'from-day-1'
    ? 'Your day 1 is the day you join.'
    : `It began on ${formatDay(rules.startsOn)}; you come in with the rest.`;
}

const doorState = (programme: Programme, today: string): 'open' | 'closed' | 'full' => {
  const { join } = programme.run;
  if (!join.isOpen || isOver(programme, today)) return 'closed';
  return join.limit !== null && programme.people >= join.limit ? 'full' : 'open';
};

export async function loadJoin(db: pg.PoolClient, runId: number) {
  const programme = await getProgrammeOfRun(db, runId, new Date(nowMs()));
  const { library } = await loadWorkspaceBook(db);
  const { rules } = programme.run;
  return {
    title: programme.title,
    run: programme.run.title,
    words: programme.run.join.words,
    state: doorState(programme, localDate(nowMs(), 'UTC')),
    weeks: programme.weeks,
    sessions: (await listDayPlaces(db, programme.id)).length,
    begins: beginWords(programme),
    isOwn: rules.calendar === 'own',
    coach: (await listCoachNames(db)).join(' and '),
    pieces: kitPieces(library.movements).slice(0, MOST_KIT),
  };
}

/** Joins somebody: a person, their place, their link, and where they gave an address, a message that asks whether it is theirs. */
export async function takeJoin(db: pg.PoolClient, runId: number, form: FormData, workspaceId: number) {
  // Of several who take the last place at once one gets it.
  await lockRun(db, runId);
  const programme = await getProgrammeOfRun(db, runId, new Date(nowMs()));
  const { library } = await loadWorkspaceBook(db);
  const read = await readJoinForm(form, kitPieces(library.movements));
  if (doorState(programme, localDate(nowMs(), 'UTC')) !== 'open')
    return data({ errors: { form: 'The door has closed in the meantime.' }, said: {} }, { status: 409 });
  if (read.status === 'error') return data({ errors: read.errors, said: read.said }, { status: 400 });
  const { values } = read;
  const now = new Date(nowMs());
  const joinedOn = localDate(nowMs(), values.timeZone);
  const enrolmentId = await insertParticipant(db, {
    workspaceId,
    runId,
    name: values.name,
    detail: '',
    timeZone: values.timeZone,
    joinedOn,
    startsOn: ownStart(programme.run, joinedOn),
    weekdays: programme.run.rules.calendar === 'own' ? values.weekdays : null,
    addressState: values.channel === 'none' ? 'given' : 'asked',
    profile: {
      address: values.address,
      channel: values.channel,
      spares: values.spares,
      care: values.care,
      ...(values.kit && { kit: values.kit }),
    },
  });
  const { personId } = await getEnrolment(db, enrolmentId);
  if (values.channel !== 'none')
    await insertMessage(db, {
      workspaceId,
      kind: 'confirm',
      channel: values.channel,
      address: values.address,
      personId,
      enrolmentId,
      runId,
      expiresAt: new Date(nowMs() + WORTH_MS.confirm),
      now,
      extra: { salt: randomUUID() },
    });
  const token = makeToken();
  await insertPersonalLink(db, { workspaceId, personId, tokenHash: hashToken(token), now });
  return redirect(`/p/${token}?new=yes`);
}
