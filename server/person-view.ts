import type pg from 'pg';
import type { DayPlace } from '../core/calendar/day.ts';
import type { Strand } from '../core/record/build-strand.ts';
import { buildStrands } from '../core/record/build-strand.ts';
import type { SentDay, StoredRecord } from '../db/queries/record.ts';
import { listRecordsOfPerson, listSentDays } from '../db/queries/record.ts';
import { listDayPlaces } from '../db/queries/programme.ts';
import { nowMs } from './config.ts';
import type { LinkScope } from './personal-link.ts';

export interface PersonView {
  readonly strand: Strand;
  readonly sentDays: readonly SentDay[];
  readonly records: ReadonlyMap<number, StoredRecord>;
}

/** Everything that one person's pages are made of. */
export async function loadPersonView(db: pg.PoolClient, { enrolment }: LinkScope): Promise<PersonView> {
  const places = await listDayPlaces(db, enrolment.programmeId);
  const sentDays = await listSentDays(db, enrolment.runId);
  const records = new Map((await listRecordsOfPerson(db, enrolment.enrolmentId)).map((r) => [r.dayId, r]));
  const sent = new Set(sentDays.map((d) => d.dayId));
  const days = places.map((p) => ({ ...p, sent: sent.has(p.dayId) }));
  const [strand] = buildStrands(
    enrolment,
    days,
    [{ timeZone: enrolment.timeZone, joinedOn: enrolment.joinedOn, records }],
    nowMs(),
  );
  return { strand: strand!, sentDays, records };
}

/** The version of a day that is open to this person; undefined where there is none, or it is not open yet. */
export function openDay(view: PersonView, place: DayPlace): SentDay | undefined {
  const bead = view.strand.beads.find((b) => b.week === place.week && b.weekday === place.weekday);
  if (!bead || bead.state === 'unsent' || bead.releaseMs > nowMs()) return undefined;
  return view.sentDays.find((d) => d.dayId === bead.dayId);
}
