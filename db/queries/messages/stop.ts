import type { DayDate, DayPlace, Weekday } from '../../../core/calendar/day.ts';
import type { RunPerson } from '../../../core/calendar/release.ts';
import type { Db } from '../../pool.ts';

/** `grace`: a press can still be taken back; `held`: until the coach lets it go; `left-out`: it isn't sent to them. */
export type StopKind = 'grace' | 'held' | 'left-out';

/** A day held back from one person. */
export interface ReleaseStop {
  readonly enrolmentId: number;
  readonly dayId: number;
  readonly kind: StopKind;
  readonly fromMs: number;
  /** Null: until further notice. */
  readonly toMs: number | null;
}

interface StopRow {
  enrolment_id: number;
  day_id: number;
  kind: StopKind;
  made_at: Date;
  until: Date | null;
}

/** All that is, or was, held back from people of a run, with what their days depend on. */
export async function listStops(db: Db, runId: number): Promise<(ReleaseStop & RunPerson)[]> {
  const { rows } = await db.query<
    StopRow & { time_zone: string; starts_on: DayDate | null; weekdays: Weekday[] | null }
  >({
    name: 'stops',
    text: `select s.enrolment_id, s.day_id, s.kind, s.made_at, s.until, p.time_zone, e.starts_on, e.weekdays
     from release_stop s join enrolment e on e.id = s.enrolment_id join person p on p.id = e.person_id where e.run_id = $1::bigint order by s.enrolment_id, s.day_id`,
    values: [runId],
  });
  return rows.map((r) => ({
    enrolmentId: r.enrolment_id,
    dayId: r.day_id,
    kind: r.kind,
    fromMs: r.made_at.getTime(),
    toMs: r.until?.getTime() ?? null,
    timeZone: r.time_zone,
    startsOn: r.starts_on,
    weekdays: r.weekdays,
  }));
}

/** Holds a day back from people; what was decided for one of them before is replaced. */
export async function upsertStops(
  db: Db,
  s: {
    workspaceId: number;
    coachId: number | null;
    kind: StopKind;
    pairs: readonly { readonly enrolmentId: number; readonly dayId: number }[];
    until: Date | null;
    now: Date;
  },
): Promise<void> {
  if (s.pairs.length === 0) return;
  await db.query(
    `insert into release_stop (workspace_id, enrolment_id, day_id, kind, made_at, made_by, until)
     select $1::bigint, x.enrolment_id, x.day_id, $4::text, $5::timestamptz, $6::bigint, $7::timestamptz
     from unnest($2::bigint[], $3::bigint[]) as x(enrolment_id, day_id)
     on conflict (enrolment_id, day_id) do update set kind = excluded.kind, until = excluded.until, made_by = excluded.made_by`,
    [s.workspaceId, s.pairs.map((p) => p.enrolmentId), s.pairs.map((p) => p.dayId), s.kind, s.now, s.coachId, s.until],
  );
}

/** What is held back of a run now, day by day. */
export interface HeldDay extends DayPlace {
  readonly dayId: number;
  readonly kind: StopKind;
  readonly people: number;
  readonly untilMs: number | null;
}

export async function listHeldDays(db: Db, runId: number, now: Date): Promise<HeldDay[]> {
  const { rows } = await db.query<{
    day_id: number;
    week: number;
    weekday: number;
    kind: StopKind;
    people: number;
    until: Date | null;
  }>({
    name: 'held-days',
    text: `select s.day_id, d.week, d.weekday, s.kind, count(*) as people, max(s.until) as until
     from release_stop s
     join enrolment e on e.id = s.enrolment_id and e.run_id = $1::bigint and is_in_run(e)
     join day d on d.id = s.day_id
     where s.kind <> 'left-out' and holds_back(s, $2::timestamptz)
       and not exists (select from release x where x.enrolment_id = s.enrolment_id and x.day_id = s.day_id and x.is_told)
     group by s.day_id, d.week, d.weekday, s.kind order by d.week, d.weekday, s.kind`,
    values: [runId, now],
  });
  return rows.map((r) => ({
    dayId: r.day_id,
    week: r.week,
    weekday: r.weekday,
    kind: r.kind,
    people: r.people,
    untilMs: r.until?.getTime() ?? null,
  }));
}

/**
 * Changes what is held back of a day from all of a run: `from` names which. Ended ones (`until` now) are kept: they tell from when to
 * when it wasn't open. Gives how many people it was.
 */
export async function updateStops(
  db: Db,
  s: { runId: number; dayId: number; from: StopKind; to: StopKind; until: Date | null; now: Date },
): Promise<number> {
  const { rowCount } = await db.query(
    `update release_stop s set kind = $4::text, until = $5::timestamptz
     from enrolment e
     where e.id = s.enrolment_id and e.run_id = $1::bigint and s.day_id = $2::bigint and s.kind = $3::text
       and (s.until is null or s.until > $6::timestamptz)`,
    [s.runId, s.dayId, s.from, s.to, s.until, s.now],
  );
  return rowCount ?? 0;
}

/** What a coach decided about a day that was over for some before it had gone out. */
export interface LateChoice {
  readonly dayId: number;
  /** Empty: for all. */
  readonly timeZone: string;
  readonly choice: 'send' | 'leave';
}

export async function listLateChoices(db: Db, runId: number): Promise<LateChoice[]> {
  const { rows } = await db.query<{ day_id: number; time_zone: string; choice: LateChoice['choice'] }>({
    name: 'late-choices',
    text: 'select day_id, time_zone, choice from late_choice where run_id = $1::bigint',
    values: [runId],
  });
  return rows.map((r) => ({ dayId: r.day_id, timeZone: r.time_zone, choice: r.choice }));
}

export async function upsertLateChoice(
  db: Db,
  c: LateChoice & { workspaceId: number; runId: number; coachId: number; now: Date },
): Promise<void> {
  await db.query(
    `insert into late_choice (workspace_id, run_id, day_id, time_zone, choice, made_at, made_by)
     values ($1::bigint, $2::bigint, $3::bigint, $4::text, $5::text, $6::timestamptz, $7::bigint)
     on conflict (run_id, day_id, time_zone) do update set choice = excluded.choice, made_at = excluded.made_at, made_by = excluded.made_by`,
    [c.workspaceId, c.runId, c.dayId, c.timeZone, c.choice, c.now, c.coachId],
  );
}

/** Moves a run's plan on from a place on; gives the id by which that can be taken back. */
export async function insertShift(
  db: Db,
  s: DayPlace & {
    workspaceId: number;
    runId: number;
    weeks: number;
    timeZone: string | null;
    coachId: number;
    now: Date;
  },
): Promise<number> {
  const { rows } = await db.query<{ id: number }>(
    `insert into run_shift (workspace_id, run_id, week, weekday, weeks, time_zone, made_at, made_by)
     values ($1::bigint, $2::bigint, $3::integer, $4::integer, $5::integer, $6::text, $7::timestamptz, $8::bigint) returning id`,
    [s.workspaceId, s.runId, s.week, s.weekday, s.weeks, s.timeZone, s.now, s.coachId],
  );
  return rows[0]!.id;
}

/** The times that a run's plan was moved on, the newest first. */
export async function listShifts(
  db: Db,
  runId: number,
): Promise<(DayPlace & { id: number; weeks: number; timeZone: string | null; madeAtMs: number })[]> {
  const { rows } = await db.query<{
    id: number;
    week: number;
    weekday: number;
    weeks: number;
    time_zone: string | null;
    made_at: Date;
  }>('select id, week, weekday, weeks, time_zone, made_at from run_shift where run_id = $1::bigint order by id desc', [
    runId,
  ]);
  return rows.map((r) => ({
    id: r.id,
    week: r.week,
    weekday: r.weekday,
    weeks: r.weeks,
    timeZone: r.time_zone,
    madeAtMs: r.made_at.getTime(),
  }));
}

export async function deleteShift(db: Db, at: { runId: number; shiftId: number }): Promise<boolean> {
  const { rowCount } = await db.query('delete from run_shift where run_id = $1::bigint and id = $2::bigint', [
    at.runId,
    at.shiftId,
  ]);
  return rowCount === 1;
}
