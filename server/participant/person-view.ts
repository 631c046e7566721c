import type pg from 'pg';
import type { DayDate, DayPlace } from '../../core/calendar/day.ts';
import { formatDay } from '../../core/calendar/day.ts';
import { localTime, toRunDays } from '../../core/calendar/release.ts';
import type { Strand, StrandBead } from '../../core/record/adherence/build-strand.ts';
import { buildStrands } from '../../core/record/adherence/build-strand.ts';
import type { PersonDay, SentDay, StoredRecord } from '../../db/queries/record.ts';
import { listPersonDays, sentSince } from '../../db/queries/record.ts';
import { upsertSeen } from '../../db/queries/messages/release.ts';
import type { Enrolment } from '../../db/queries/person.ts';
import { getProgrammeOfRun } from '../../db/queries/programme.ts';
import { nowMs } from '../config.ts';
import { goesByItself, versionByItself } from '../jobs/release-run.ts';
import type { LinkScope } from '../doors/personal-link.ts';

export interface PersonView {
  readonly strand: Strand;
  readonly days: ReadonlyMap<number, PersonDay>;
}

/** Notes that someone has opened a day of theirs, or begun it: from then on its version is theirs. Nothing where that is known. */
export async function noteSeen(
  db: pg.PoolClient,
  { workspaceId, enrolment }: LinkScope,
  view: PersonView,
  { dayId, versionId }: Pick<OpenDay, 'dayId' | 'versionId'>,
  what: 'opened' | 'begun',
): Promise<void> {
  const bead = view.strand.beads.find((b) => b.dayId === dayId);
  const { released } = view.days.get(dayId)!;
  const known = what === 'opened' ? released?.opened : released?.begun;
  // Looking ahead is no release.
  if (known || (what === 'opened' && (!bead || bead.releaseMs > nowMs()))) return;
  await upsertSeen(db, {
    workspaceId,
    enrolmentId: enrolment.enrolmentId,
    dayId,
    versionId,
    what,
    now: new Date(nowMs()),
  });
}

/** Everything that one person's pages are made of, but for the documents of sessions. */
export async function loadPersonView(db: pg.PoolClient, scope: LinkScope): Promise<PersonView> {
  const view = buildPersonView(await listPersonDays(db, scope.enrolment), scope);
  return (await openByItself(db, scope, view))
    ? buildPersonView(await listPersonDays(db, scope.enrolment), scope)
    : view;
}

/** Sends today's session where it is ready and its hour has come, before a worker has: whoever opens their page gets it. */
async function openByItself(
  db: pg.PoolClient,
  { workspaceId, enrolment }: LinkScope,
  { strand, days }: PersonView,
): Promise<boolean> {
  const { run } = enrolment;
  const now = nowMs();
  if (run.heldAtMs !== null || run.archivedAtMs !== null) return false;
  const bead = strand.beads.find((b) => b.releaseMs <= now && now < b.endsMs && b.state === 'unsent');
  const day = bead && days.get(bead.dayId);
  if (!day || day.sent || day.withdrawn !== undefined || isStopped(day, now) || !goesByItself(run, day)) return false;
  const programme = await getProgrammeOfRun(db, enrolment.runId, new Date(now));
  return (await versionByItself(db, workspaceId, programme, day, now)) !== null;
}

function buildPersonView(stored: readonly PersonDay[], { enrolment }: LinkScope): PersonView {
  const days = toRunDays(stored);
  const [strand] = buildStrands(
    enrolment.run.rules,
    days.map((d) => ({ ...d, sent: d.sent !== undefined, ...sentSince(d.sent) })),
    [{ ...enrolment, records: days.map((d) => d.record), stops: days.flatMap((d) => d.stop ?? []) }],
    nowMs(),
  );
  return { strand: strand!, days: new Map(days.map((d) => [d.dayId, d])) };
}

/** Whether a day is held back from someone. */
const isStopped = ({ stop }: Pick<PersonDay, 'stop'>, now: number): boolean =>
  stop !== undefined && (stop.toMs === null || stop.toMs > now);

/** A day that is open to someone: its newest version, and what they have said of it. */
export interface OpenDay extends SentDay {
  readonly date: DayDate;
  readonly record: StoredRecord | undefined;
  readonly newer: PersonDay['newer'];
  readonly live: PersonDay['live'];
}

/**
 * Whether a day has come to someone: its hour is there, or near enough to look. What is held back from them, or from all, isn't, but for
 * what they had before.
 */
export function isOpen({ releaseMs, lookMs }: StrandBead, { released, stop }: PersonDay, { run }: Enrolment): boolean {
  if (released) return true;
  if (isStopped({ stop }, nowMs())) return false;
  if (run.heldAtMs !== null && releaseMs > run.heldAtMs) return false;
  return lookMs <= nowMs();
}

/**
 * The version of a day that is open to this person; undefined where there is none, or it is not open yet. `isAhead`: also one whose hour
 * is still to come, for a phone that keeps it until then.
 */
export function openDay(view: PersonView, place: DayPlace, enrolment: Enrolment, isAhead = false): OpenDay | undefined {
  const bead = view.strand.beads.find((b) => b.week === place.week && b.weekday === place.weekday);
  const day = bead && view.days.get(bead.dayId);
  if (!day?.sent) return undefined;
  const mayOpen = isAhead ? bead!.state !== 'before' && enrolment.run.heldAtMs === null : false;
  if (!mayOpen && !isOpen(bead!, day, enrolment)) return undefined;
  return { ...day.sent, date: bead!.date, record: day.record, newer: day.newer, live: day.live };
}

/** When the next session opens to someone, on their clock; null where none is to come. */
export function nextOpening({ strand }: PersonView, { enrolment }: LinkScope): { words: string; time: string } | null {
  const next = strand.beads.find((b) => b.state === 'ahead');
  return next ? { words: formatDay(next.date), time: localTime(next.releaseMs, enrolment.timeZone) } : null;
}
