import type pg from 'pg';
import type { DayPlace } from '../core/calendar/day.ts';
import type { Strand } from '../core/record/build-strand.ts';
import { buildStrands } from '../core/record/build-strand.ts';
import type { PersonDay, SentDay, StoredRecord } from '../db/queries/record.ts';
import { listPersonDays } from '../db/queries/record.ts';
import { nowMs } from './config.ts';
import type { LinkScope } from './personal-link.ts';

export interface PersonView {
  readonly strand: Strand;
  readonly days: ReadonlyMap<number, PersonDay>;
}

/** Everything that one person's pages are made of, but for the documents of sessions. */
export async function loadPersonView(db: pg.PoolClient, { enrolment }: LinkScope): Promise<PersonView> {
  const days = await listPersonDays(db, enrolment);
  const records = new Map(days.flatMap(({ dayId, record }) => (record ? [[dayId, record] as const] : [])));
  const [strand] = buildStrands(
    enrolment,
    days.map((d) => ({ dayId: d.dayId, week: d.week, weekday: d.weekday, sent: d.sent !== undefined })),
    [{ timeZone: enrolment.timeZone, joinedOn: enrolment.joinedOn, records }],
    nowMs(),
  );
  return { strand: strand!, days: new Map(days.map((d) => [d.dayId, d])) };
}

/** A day that is open to someone: its newest version, and what they have said of it. */
export interface OpenDay extends SentDay {
  readonly record: StoredRecord | undefined;
}

/** The version of a day that is open to this person; undefined where there is none, or it is not open yet. */
export function openDay(view: PersonView, place: DayPlace): OpenDay | undefined {
  const bead = view.strand.beads.find((b) => b.week === place.week && b.weekday === place.weekday);
  if (!bead || bead.state === 'unsent' || bead.releaseMs > nowMs()) return undefined;
  const { sent, record } = view.days.get(bead.dayId)!;
  return sent && { ...sent, record };
}
