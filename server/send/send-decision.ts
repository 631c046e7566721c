import { GRACE_MS } from '../../db/queries/messages/lay-messages.ts';
import { data } from 'react-router';
import type pg from 'pg';
import { sessionTitle, UNREAD_TITLE } from '../../core/session/session-title.ts';
import { formatDay } from '../../core/calendar/day.ts';
import type { Programme } from '../../db/queries/programme.ts';
import { findDay, getProgrammeOfRun } from '../../db/queries/programme.ts';
import { listRunNames } from '../../db/queries/run.ts';
import { upsertStops } from '../../db/queries/messages/stop.ts';
import type { ToldBy } from '../../core/channels/channels.ts';
import { countTold, sumTold } from '../../core/channels/channels.ts';
import { plural } from '../../core/words/words.ts';
import { note } from '../doors/audit.ts';
import { nowMs } from '../config.ts';
import { formText } from '../http/form-text.ts';
import { leavingNow } from '../jobs/release-run.ts';
import { planText } from '../write/session-view.ts';
import { loadWorkspaceBook } from '../write/workspace-book.ts';

/** What a coach says to a change by which sessions leave at once. */
export const LEAVING_CHOICES = ['send', 'next', 'hold'] as const;
export type LeavingChoice = (typeof LEAVING_CHOICES)[number];

/** What would leave at once by a change, in counts of people. */
export interface Leaving {
  readonly people: number;
  readonly told: ToldBy;
  /** Reached by no message of ours: they find it on their page. */
  readonly byPage: number;
  readonly days: readonly { readonly title: string; readonly words: string; readonly people: number }[];
}

/** The answer to a change that wasn't carried out, because sessions would have left by it. */
export interface LeavingAsked {
  readonly leaving: Leaving;
}

interface DecisionScope {
  readonly workspaceId: number;
  readonly coachId: number;
  /** The runs that the change has to do with. */
  readonly runIds: readonly number[];
}

interface Pair {
  readonly enrolmentId: number;
  readonly dayId: number;
}
const keyOf = ({ enrolmentId, dayId }: Pair): string => `${enrolmentId} ${dayId}`;

/** The runs that a change of a programme's plan reaches. */
export async function runsOfPlan(db: pg.PoolClient, { id }: Pick<Programme, 'id'>): Promise<number[]> {
  return (await listRunNames(db, id)).filter((r) => !r.isArchived).map((r) => r.id);
}

async function leavingOf(db: pg.PoolClient, { runIds }: Pick<DecisionScope, 'runIds'>) {
  const found = [];
  for (const runId of runIds) {
    const programme = await getProgrammeOfRun(db, runId, new Date(nowMs()));
    for (const leaving of await leavingNow(db, programme, nowMs())) found.push({ programme, ...leaving });
  }
  return found;
}

/**
 * Carries out a change of a coach's, unless sessions would leave at once by it of which the form says nothing: then nothing is changed,
 * and the answer tells how many people, by which way, which day. `leaving` of the form decides: `send` now, which can be stopped for
 * some minutes where more than one message would leave; from their `next` session on; `hold` until the coach lets it go.
 */
export async function decideSend<T>(
  db: pg.PoolClient,
  scope: DecisionScope,
  form: FormData,
  change: () => Promise<T>,
): Promise<T | ReturnType<typeof data<LeavingAsked>>> {
  const before = new Set(
    (await leavingOf(db, scope)).flatMap(({ day, people }) =>
      people.map(({ enrolmentId }) => keyOf({ enrolmentId, dayId: day.dayId })),
    ),
  );
  await db.query('savepoint before_change');
  const answer = await change();
  const fresh = (await leavingOf(db, scope)).flatMap(({ people, ...one }) => {
    const own = people.filter((p) => !before.has(keyOf({ ...p, dayId: one.day.dayId })));
    return own.length === 0 ? [] : [{ ...one, people: own }];
  });
  const choice = LEAVING_CHOICES.find((c) => c === formText(form, 'leaving'));
  if (fresh.length > 0 && !choice) {
    const leaving = await describeLeaving(db, fresh);
    await db.query('rollback to savepoint before_change');
    return data({ leaving }, { status: 409 });
  }
  await db.query('release savepoint before_change');
  if (!choice) return answer;
  if (choice === 'send' && fresh.length > 0) {
    const people = fresh.reduce((n, f) => n + f.people.length, 0);
    await note(db, scope, 'sent', { detail: `at once, to ${plural(people, 'person', 'people')}` });
  }
  const pairs = fresh.flatMap(({ day, people }) => people.map((p): Pair => ({ ...p, dayId: day.dayId })));
  const now = new Date(nowMs());
  const stop = {
    send: { kind: 'grace', until: new Date(nowMs() + GRACE_MS) },
    hold: { kind: 'held', until: null },
    next: { kind: 'left-out', until: null },
  } as const;
  // One message is soon written; several are worth the minutes in which they can be stopped.
  const told = fresh.flatMap(({ people }) => people).filter((p) => p.way !== 'page').length;
  if (choice !== 'send' || told > 1) await upsertStops(db, { ...scope, ...stop[choice], pairs, now });
  return answer;
}

async function describeLeaving(
  db: pg.PoolClient,
  fresh: readonly (Awaited<ReturnType<typeof leavingOf>>[number] & { programme: Programme })[],
): Promise<Leaving> {
  const ways = fresh.flatMap(({ people }) => people.map((p) => (p.way === 'page' ? undefined : p.way)));
  const told = countTold(ways);
  const book = await loadWorkspaceBook(db);
  const days = [];
  for (const { day, programme, groups, people } of fresh) {
    const stored = await findDay(db, programme, day.week, day.weekday);
    const title = day.title ?? (stored && sessionTitle(planText(stored.text, book).document));
    days.push({ title: title || UNREAD_TITLE, words: formatDay(groups[0]!.date), people: people.length });
  }
  return { people: ways.length, told, byPage: ways.length - sumTold(told), days };
}
