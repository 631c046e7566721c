import type pg from 'pg';
import type { DayDate, DayPlace } from '../core/calendar/day.ts';
import { toRunDays } from '../core/calendar/release.ts';
import type { Strand, StrandBead } from '../core/record/build-strand.ts';
import { buildStrands } from '../core/record/build-strand.ts';
import type { PersonDay, SentDay, StoredRecord } from '../db/queries/record.ts';
import { listPersonDays } from '../db/queries/record.ts';
import { upsertSeen } from '../db/queries/release.ts';
import type { Enrolment } from '../db/queries/person.ts';
import { nowMs } from './config.ts';
import type { LinkScope } from './personal-link.ts';

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
export async function loadPersonView(db: pg.PoolClient, { enrolment }: LinkScope): Promise<PersonView> {
  const stored = await listPersonDays(db, enrolment);
  const days = toRunDays(stored);
  const [strand] = buildStrands(
    enrolment.run.rules,
    days.map((d) => ({ ...d, sent: d.sent !== undefined })),
    [{ ...enrolment, records: days.map((d) => d.record) }],
    nowMs(),
  );
  return { strand: strand!, days: new Map(days.map((d) => [d.dayId, d])) };
}

/** A day that is open to someone: its newest version, and what they have said of it. */
export interface OpenDay extends SentDay {
  readonly date: DayDate;
  readonly record: StoredRecord | undefined;
  readonly newer: PersonDay['newer'];
  readonly live: PersonDay['live'];
}

/** Whether a day has come to someone: its hour is there, or near enough to look; while all is held, only what was released before. */
export function isOpen({ releaseMs, lookMs }: StrandBead, { released }: PersonDay, { run }: Enrolment): boolean {
  if (released) return true;
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
