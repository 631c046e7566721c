import type { Db } from '../pool.ts';

/** How far today's session has come with those of one zone: counts of people. */
export interface LineCounts {
  readonly people: number;
  readonly released: number;
  readonly delivered: number;
  readonly opened: number;
  readonly begun: number;
  readonly logged: number;
}

/** A day that is today for those of a calendar. */
export interface TodayPlace {
  readonly timeZone: string;
  readonly startsOn: string | null;
  readonly weekdays: readonly number[] | null;
  readonly dayId: number;
}

/** How far today's sessions have come, by zone. Who is away or has left isn't in it. */
export async function countToday(
  db: Db,
  runId: number,
  places: readonly (TodayPlace & { readonly date: string })[],
): Promise<(LineCounts & { readonly timeZone: string })[]> {
  if (places.length === 0) return [];
  const { rows } = await db.query<{
    time_zone: string;
    people: number;
    released: number;
    delivered: number;
    opened: number;
    begun: number;
    logged: number;
  }>({
    name: 'today-line',
    text: `with place as (
       select * from jsonb_to_recordset($2::jsonb) as x("timeZone" text, "startsOn" date, weekdays smallint[], "dayId" bigint, date date)
     ), here as materialized (
       select e.id, p.time_zone, t."dayId" as day_id from enrolment e join person p on p.id = e.person_id
       join place t on t."timeZone" = p.time_zone and t."startsOn" is not distinct from e.starts_on and t.weekdays is not distinct from e.weekdays
       where e.run_id = $1::bigint and takes_part(e, t.date)
         and not exists (select from absence a where a.enrolment_id = e.id and is_away_by(a, t.date))
     )
     select h.time_zone, count(*)::integer as people, count(x.enrolment_id)::integer as released,
       count(*) filter (where exists (
         select from message m where m.run_id = $1::bigint and m.enrolment_id = h.id and m.day_id = h.day_id and m.kind in ('session', 'change') and m.state = 'accepted'
       ))::integer as delivered,
       count(*) filter (where x.opened_at is not null or s.enrolment_id is not null)::integer as opened,
       count(*) filter (where x.begun_at is not null or s.enrolment_id is not null)::integer as begun, count(s.enrolment_id)::integer as logged
     from here h
     left join release x on x.enrolment_id = h.id and x.day_id = h.day_id
     left join standing s on s.enrolment_id = h.id and s.day_id = h.day_id
     group by h.time_zone order by h.time_zone`,
    values: [runId, JSON.stringify(places)],
  });
  return rows.map(({ time_zone: timeZone, ...counts }) => ({ timeZone, ...counts }));
}
