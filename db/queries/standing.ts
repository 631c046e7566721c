import type { DayDate } from '../../core/calendar/day.ts';
import type { PlannedDay } from '../../core/record/adherence/build-strand.ts';
import type { Outcome, RecordDetails } from '../../core/record/record.ts';
import type { Adherence, Standing } from '../../core/record/adherence/strand.ts';
import { attendanceRatio } from '../../core/record/adherence/strand.ts';
import type { FitChange } from '../../core/fit/fit-change.ts';
import type { Score } from '../../core/record/scores/score.ts';
import type { Db } from '../pool.ts';

/** What stands in a run, in the smallest form: hundreds of thousands of days are kept and asked at once. */
export class RunStandings {
  /** The last record that is in it. */
  lastId = 0;
  /** How many days of people are in it. */
  count = 0;
  private readonly places = new Map<number, number>();
  private readonly byPerson = new Map<number, (Standing | undefined)[]>();

  /** What stands of each person on some days, in their order: for who has said nothing, of none. */
  by(dayIds: readonly number[]): (enrolmentId: number) => readonly (Standing | undefined)[] {
    const order = dayIds.map((id) => this.places.get(id) ?? -1);
    const none: readonly undefined[] = order.map(() => undefined);
    return (enrolmentId) => {
      const own = this.byPerson.get(enrolmentId);
      return own ? order.map((place) => (place < 0 ? undefined : own[place])) : none;
    };
  }

  put(enrolmentId: number, dayId: number, standing: Standing): void {
    let own = this.byPerson.get(enrolmentId);
    if (!own) this.byPerson.set(enrolmentId, (own = []));
    let place = this.places.get(dayId);
    if (place === undefined) this.places.set(dayId, (place = this.places.size));
    if (own[place] === undefined) this.count++;
    own[place] = standing;
  }
}

export interface StandingStamp {
  readonly count: number;
  readonly lastId: number;
  readonly sum: number;
}

/**
 * Which records stand in a run: how many, the last, and the sum of their ids. A record that comes to stand has a newer id than what
 * stood before, whichever transaction ends first, so that the same answer means the same records.
 */
export async function getStandingStamp(db: Db, runId: number): Promise<StandingStamp> {
  const { rows } = await db.query<StandingStamp>({
    name: 'standing-stamp',
    text: `select count(*)::integer as count, coalesce(max(record_id), 0)::integer as "lastId", coalesce(sum(record_id), 0) as sum
     from standing where run_id = $1::bigint`,
    values: [runId],
  });
  return rows[0]!;
}

const OUTCOMES: Readonly<Record<string, Outcome>> = { d: 'done', p: 'part', n: 'not-done' };
const EFFORT_FROM = 'A'.charCodeAt(0);

/** What there is to say of a day where no hour matters: some thousand things at the most, each kept once. */
const known = new Map<string, Standing>();

/** `d100H`: done, all of it, effort 7; `@29640120` behind it: made in that minute since 1970. */
function readStanding(text: string): Standing {
  const at = text.indexOf('@');
  const key = at < 0 ? text : text.slice(0, at);
  let standing = known.get(key);
  if (!standing) {
    const last = key.charCodeAt(key.length - 1);
    const hasEffort = last >= EFFORT_FROM;
    standing = {
      outcome: OUTCOMES[key[0]!]!,
      shareRatio: Number.parseInt(key.slice(1), 10) / 100,
      effort: hasEffort ? last - EFFORT_FROM : null,
    };
    known.set(key, standing);
  }
  return at < 0 ? standing : { ...standing, madeAtMs: Number(text.slice(at + 1)) * 60_000 };
}

/** Ids are given before they are there to be seen: what came so shortly before the last one is looked at again. */
const OVERLAP = 1000;

/**
 * Puts what stands in a run into `into`, from the record behind `into.lastId` on, in one text a person: rows would
 * cost more to carry than to find.
 */
export async function readStandings(
  db: Db,
  run: { readonly runId: number; readonly hasWindow: boolean },
  into: RunStandings,
): Promise<void> {
  if (into.lastId === 0) await db.query("set local work_mem = '128MB'");
  const { rows } = await db.query<{ enrolment_id: number; days: string; last_id: number }>({
    name: run.hasWindow ? 'standings-window' : 'standings',
    text: `select enrolment_id, max(record_id)::integer as last_id,
       string_agg(day_id || left(outcome, 1) || (share_ratio * 100)::integer || coalesce(chr(${EFFORT_FROM} + effort), '')
         ${run.hasWindow ? `|| '@' || (floor(extract(epoch from made_at) / 60))::bigint` : ''}, ' ') as days
     from standing where run_id = $1::bigint and record_id > $2::bigint
     group by enrolment_id`,
    values: [run.runId, into.lastId === 0 ? 0 : into.lastId - OVERLAP],
  });
  for (const { enrolment_id, days, last_id } of rows) {
    into.lastId = Math.max(into.lastId, last_id);
    let from = 0;
    while (from < days.length) {
      const space = days.indexOf(' ', from);
      const end = space < 0 ? days.length : space;
      let at = from;
      let dayId = 0;
      for (let digit = days.charCodeAt(at) - 48; digit >= 0 && digit <= 9; digit = days.charCodeAt(++at) - 48)
        dayId = dayId * 10 + digit;
      into.put(enrolment_id, dayId, readStanding(days.slice(at, end)));
      from = end + 1;
    }
  }
}

/** The days of a run as those have them whose calendar is alike: what `ownCalendars` of core/record gives. */
export interface CountedCalendar {
  readonly timeZone: string;
  readonly startsOn: DayDate | null;
  readonly weekdays: readonly number[] | null;
  readonly today: DayDate;
  readonly own: readonly { readonly date: DayDate; readonly closesMs: number | null }[];
  readonly wasShut: readonly boolean[];
}

interface AdherenceRow {
  readonly enrolment_id: number;
  readonly due: number;
  readonly done: number;
  readonly in_part: number;
  readonly bonus: number;
  readonly prescribed: number;
  readonly worked: number;
  readonly in_a_row: number;
  readonly longest_row: number;
  readonly missed_in_a_row: number;
  readonly last_on: string | null;
}

/**
 * The adherence of everybody in a run, in one statement over sets: the definitions of core/record/adherence/strand.ts, for where thousands are
 * counted at once and only the sums are wanted. A property test holds both equal. `days` are the planned days in order, `calendars` those
 * of its people, with a date for each of the days; `stopped` are days that weren't open in time to one person alone.
 */
export async function listAdherence(
  db: Db,
  runId: number,
  days: readonly Pick<PlannedDay, 'dayId' | 'sent' | 'workSec'>[],
  calendars: readonly CountedCalendar[],
  stopped: readonly { readonly enrolmentId: number; readonly dayId: number }[],
): Promise<Map<number, Adherence>> {
  // What is handed in has no statistics: the planner takes it for a row or two, and would look up a million one by one.
  await db.query("set local enable_nestloop = off; set local work_mem = '64MB'");
  const { rows } = await db.query<AdherenceRow>({
    name: 'adherence',
    text: ADHERENCE,
    values: [
      runId,
      days.map((d) => d.dayId),
      days.map((d) => d.sent),
      days.map((d) => d.workSec ?? 1),
      JSON.stringify(
        calendars.map((c, id) => ({ id, zone: c.timeZone, starts: c.startsOn, weekdays: c.weekdays, today: c.today })),
      ),
      calendars.flatMap((c, id) => c.own.map(() => id)),
      calendars.flatMap((c) => c.own.map((_, i) => i + 1)),
      calendars.flatMap((c) => c.own.map((o) => o.date)),
      calendars.flatMap((c) => c.own.map((o) => (o.closesMs === null ? null : new Date(o.closesMs)))),
      calendars.flatMap((c) => c.wasShut),
      stopped.map((s) => s.enrolmentId),
      stopped.map((s) => s.dayId),
    ],
  });
  await db.query('set local enable_nestloop = on');
  return new Map(
    rows.map((r) => [
      r.enrolment_id,
      {
        due: r.due,
        done: r.done,
        ratio: attendanceRatio(r.done, r.due),
        inPart: r.in_part,
        bonus: r.bonus,
        prescribed: r.prescribed,
        worked: Math.round(r.worked * 100) / 100,
        inARow: r.in_a_row,
        longestRow: r.longest_row,
        missedInARow: r.missed_in_a_row,
        lastOn: r.last_on as DayDate | null,
      },
    ]),
  );
}

const ADHERENCE = `with planned as materialized (
  select place, day_id, sent, weight from unnest($2::bigint[], $3::boolean[], $4::double precision[]) with ordinality as d(day_id, sent, weight, place)
), calendar as materialized (
  select * from jsonb_to_recordset($5::jsonb) as x(id integer, zone text, starts date, weekdays smallint[], today date)
), own as materialized (
  select o.calendar_id, o.place, o.day_on, o.closes_at, o.was_shut, o.day_on < c.today as is_past, p.day_id, p.sent, p.weight
  from unnest($6::integer[], $7::integer[], $8::date[], $9::timestamptz[], $10::boolean[]) as o(calendar_id, place, day_on, closes_at, was_shut)
  join planned p on p.place = o.place join calendar c on c.id = o.calendar_id
), stopped as materialized (
  select distinct id, day_id from unnest($11::bigint[], $12::bigint[]) as x(id, day_id)
), here as materialized (
  select e.id, c.id as calendar_id, e.joined_on, least(e.left_on, u.ended_on) as left_on,
    (select range_agg(daterange(b.from_on, b.to_on, '[]')) from absence b where b.enrolment_id = e.id) as away
  from enrolment e join run u on u.id = e.run_id join person p on p.id = e.person_id
  join calendar c on c.zone = p.time_zone and c.starts is not distinct from e.starts_on and c.weekdays is not distinct from e.weekdays
  where e.run_id = $1::bigint
), cell as (
  select h.id, o.place, o.day_on, o.weight, s.outcome, o.is_past, coalesce(s.outcome <> 'not-done', false) as did,
    o.day_on >= h.joined_on and o.sent and (h.left_on is null or o.day_on <= h.left_on) and not coalesce(h.away @> o.day_on, false) as is_owed,
    coalesce(s.made_at >= o.closes_at, false) as is_late, o.was_shut or t.id is not null as is_shut,
    case when s.outcome = 'part' then round((s.share_ratio * 100)::numeric)::double precision / 100 else 1 end as share
  from here h
  join own o on o.calendar_id = h.calendar_id
  left join standing s on s.run_id = $1::bigint and s.enrolment_id = h.id and s.day_id = o.day_id
  left join stopped t on t.id = h.id and t.day_id = o.day_id
), counted as (
  select id, place, day_on, weight, share, did and (not is_owed or is_late) as aside, is_owed and did and not is_late as kept,
    is_owed and (outcome is not null or is_past) and not (did and not is_late) and not (is_shut and is_past) as missed, outcome = 'part' as is_part
  from cell
), stretched as (
  -- A day that wasn't done begins a stretch; what was done after it belongs to it.
  select *, count(*) filter (where missed) over (partition by id order by place) as stretch from counted
), stretches as (
  select id, stretch, count(*) filter (where kept) as kept, count(*) filter (where missed) as missed,
    count(*) filter (where kept and is_part) as in_part, count(*) filter (where aside) as aside,
    sum(weight) filter (where kept or missed) as prescribed, sum(weight * share) filter (where kept) as worked,
    max(day_on) filter (where kept or aside) as last_on
  from stretched group by id, stretch
)
select id as enrolment_id, sum(kept + missed)::integer as due, sum(kept)::integer as done, sum(in_part)::integer as in_part,
  sum(aside)::integer as bonus, coalesce(sum(prescribed), 0) as prescribed, coalesce(sum(worked), 0) as worked,
  (array_agg(kept order by stretch desc))[1]::integer as in_a_row,
  (max(stretch) - coalesce(max(stretch) filter (where kept > 0), 0))::integer as missed_in_a_row,
  max(kept)::integer as longest_row, max(last_on) as last_on
from stretches group by id`;

/** A record that stands, with its numbers. */
export interface NumberedStanding {
  readonly enrolmentId: number;
  readonly dayId: number;
  readonly scores: readonly Score[];
  readonly fit: readonly FitChange[];
}

/** The numbers that stand on some days of a run; days without any aren't in it. */
export async function listStandingScores(
  db: Db,
  runId: number,
  dayIds: readonly number[],
): Promise<NumberedStanding[]> {
  if (dayIds.length === 0) return [];
  const { rows } = await db.query<{ enrolment_id: number; day_id: number; scores: Score[]; fit: FitChange[] }>({
    name: 'standing-scores',
    text: `select s.enrolment_id, s.day_id, r.scores, r.fit from standing s join record r on r.id = s.record_id
     where s.run_id = $1::bigint and s.day_id = any($2::bigint[]) and s.has_scores order by s.enrolment_id, s.made_at`,
    values: [runId, dayIds],
  });
  return rows.map((r) => ({ enrolmentId: r.enrolment_id, dayId: r.day_id, scores: r.scores, fit: r.fit }));
}

/** Records that stand in which someone said that something hurts, since an instant. */
export async function listStandingHurts(
  db: Db,
  runId: number,
  sinceMs: number,
): Promise<{ enrolmentId: number; dayId: number; madeAtMs: number; remark: string }[]> {
  const { rows } = await db.query<{ enrolment_id: number; day_id: number; made_at: Date; remark: string }>({
    name: 'standing-hurts',
    text: `select s.enrolment_id, s.day_id, s.made_at, r.remark from standing s join record r on r.id = s.record_id
     where s.run_id = $1::bigint and s.has_details and s.made_at >= $2::timestamptz and r.details ->> 'body' = 'hurts' order by s.made_at`,
    values: [runId, new Date(sinceMs)],
  });
  return rows.map((r) => ({
    enrolmentId: r.enrolment_id,
    dayId: r.day_id,
    madeAtMs: r.made_at.getTime(),
    remark: r.remark,
  }));
}

/** The calendars that a run's people have, those who left included. */
export async function listCalendars(
  db: Db,
  runId: number,
): Promise<{ timeZone: string; startsOn: DayDate | null; weekdays: number[] | null }[]> {
  const { rows } = await db.query<{ time_zone: string; starts_on: string | null; weekdays: number[] | null }>(
    `select distinct p.time_zone, e.starts_on, e.weekdays from enrolment e join person p on p.id = e.person_id where e.run_id = $1::bigint`,
    [runId],
  );
  return rows.map((r) => ({ timeZone: r.time_zone, startsOn: r.starts_on as DayDate | null, weekdays: r.weekdays }));
}

/** What people said beside their numbers on some days of a run: weights with their last sets, and turns that ran over. */
export async function listStandingDetails(
  db: Db,
  runId: number,
  dayIds: readonly number[],
): Promise<{ enrolmentId: number; dayId: number; effort: number | null; details: RecordDetails }[]> {
  if (dayIds.length === 0) return [];
  const { rows } = await db.query<{
    enrolment_id: number;
    day_id: number;
    effort: number | null;
    details: RecordDetails;
  }>({
    name: 'standing-details',
    text: `select s.enrolment_id, s.day_id, s.effort, r.details from standing s join record r on r.id = s.record_id
     where s.run_id = $1::bigint and s.day_id = any($2::bigint[]) and s.has_details and r.details ?| array['loads', 'steps', 'overran', 'chosen', 'fewer'] order by s.made_at`,
    values: [runId, dayIds],
  });
  return rows.map((r) => ({ enrolmentId: r.enrolment_id, dayId: r.day_id, effort: r.effort, details: r.details }));
}

/** Who has begun, or said something of, one of some days. */
export async function listBegun(db: Db, enrolmentId: number, dayIds: readonly number[]): Promise<Set<number>> {
  const { rows } = await db.query<{ day_id: number }>(
    `select day_id from release where enrolment_id = $1::bigint and day_id = any($2::bigint[]) and begun_at is not null
     union select day_id from standing where enrolment_id = $1::bigint and day_id = any($2::bigint[])`,
    [enrolmentId, dayIds],
  );
  return new Set(rows.map((r) => r.day_id));
}

/** How often movements were done in another shape in a run, the most first: by their fit, and on the way. */
export async function countSwaps(
  db: Db,
  runId: number,
  limit: number,
): Promise<{ from: string; to: string; times: number; people: number }[]> {
  const { rows } = await db.query<{ from_name: string; to_name: string; times: number; people: number }>({
    name: 'swaps',
    text: `select c ->> 'from' as from_name, c ->> 'to' as to_name, count(*)::integer as times, count(distinct s.enrolment_id)::integer as people
     from standing s join record r on r.id = s.record_id
     cross join lateral jsonb_array_elements(r.fit || coalesce(r.details -> 'chosen', '[]'::jsonb)) as c
     where s.run_id = $1::bigint and s.has_swaps and c ->> 'from' <> c ->> 'to'
     group by 1, 2 order by 3 desc, 1, 2 limit $2::integer`,
    values: [runId, limit],
  });
  return rows.map((r) => ({ from: r.from_name, to: r.to_name, times: r.times, people: r.people }));
}

/** Sessions of a run that were done in part, by day, share and the last block that the clock ran in; null where it didn't. */
export async function countParts(
  db: Db,
  runId: number,
): Promise<{ dayId: number; shareRatio: number; lastBlock: number | null; count: number }[]> {
  const { rows } = await db.query<{ day_id: number; share_ratio: number; last_block: number | null; count: number }>({
    name: 'parts',
    text: `select day_id, share_ratio, last_block, count(*)::integer as count from standing
     where run_id = $1::bigint and outcome = 'part' group by day_id, share_ratio, last_block`,
    values: [runId],
  });
  return rows.map((r) => ({
    dayId: r.day_id,
    shareRatio: Math.round(r.share_ratio * 100) / 100,
    lastBlock: r.last_block,
    count: r.count,
  }));
}
