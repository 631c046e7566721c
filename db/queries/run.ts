import type { DayDate } from '../../core/calendar/day.ts';
import type { Gap } from '../../core/calendar/run-rules.ts';
import type { RunRules, RunShift } from '../../core/calendar/release.ts';
import type { VoiceLevel } from '../../core/clock/voice/voice.ts';
import { NotFoundError } from '../errors.ts';
import type { Db } from '../pool.ts';

/** Who joins after it began: today with the rest, or from day 1. */
export type JoinsLate = 'with-rest' | 'from-day-1';

/** What a host sets for the clock that the people of a run follow. */
export interface RunClock {
  /** How much the voice says until somebody chooses for themselves. */
  readonly voice: VoiceLevel;
  /** What to warm up with where a session has nothing for it: words and a film, each empty where there are none. */
  readonly warmUp: { readonly words: string; readonly film: string };
}

/** A programme given to people from a date on. */
export interface Run {
  readonly id: number;
  /** Empty where it was given no name: it is called by its date then. */
  readonly title: string;
  readonly rules: RunRules;
  /** Days go out when the coach sends them; otherwise by themselves, once they are ready. */
  readonly isByHand: boolean;
  readonly joinsLate: JoinsLate;
  readonly heldAtMs: number | null;
  /** The last day that counts, where it was ended before its last week. */
  readonly endedOn: DayDate | null;
  readonly archivedAtMs: number | null;
  readonly join: {
    readonly code: string | null;
    readonly isOpen: boolean;
    readonly limit: number | null;
    readonly words: string;
  };
  readonly hasFeed: boolean;
  readonly clock: RunClock;
  /** Where answers to its messages go; empty: to the coach who wrote them. */
  readonly replyTo: string;
  /** People see the board of their team. */
  readonly hasBoards: boolean;
}

export interface RunRow {
  run_id: number;
  run_title: string;
  starts_on: string;
  calendar: 'host' | 'own';
  release_time: string;
  release_zone: string | null;
  is_by_hand: boolean;
  look_ahead_days: number;
  make_up_days: number | null;
  joins_late: JoinsLate;
  held_at: Date | null;
  ended_on: string | null;
  archived_at: Date | null;
  join_code: string | null;
  join_open: boolean;
  join_limit: number | null;
  join_words: string;
  has_feed: boolean;
  has_boards: boolean;
  voice: VoiceLevel;
  warm_up: string;
  warm_up_film: string;
  reply_to: string;
  shifts: RunShift[] | null;
  gaps: Gap[] | null;
}

export const RUN_COLUMNS = `r.id as run_id, r.title as run_title, r.starts_on, r.calendar, r.release_time, r.release_zone, r.is_by_hand, r.look_ahead_days,
  r.make_up_days, r.joins_late, r.held_at, r.ended_on, r.archived_at, r.join_code, r.join_open, r.join_limit, r.join_words, r.feed_hash is not null as has_feed, r.has_boards, r.voice, r.warm_up, r.warm_up_film, r.reply_to,
  (select jsonb_agg(jsonb_build_object('week', h.week, 'weekday', h.weekday, 'weeks', h.weeks, 'timeZone', h.time_zone) order by h.id) from run_shift h where h.run_id = r.id) as shifts,
  (select list_gaps()) as gaps`;

const toRules = (row: RunRow): RunRules => ({
  startsOn: row.starts_on as DayDate,
  calendar: row.calendar,
  releaseTime: row.release_time.slice(0, 5),
  releaseZone: row.release_zone,
  lookAheadDays: row.look_ahead_days,
  makeUpDays: row.make_up_days,
  ...(row.shifts && { shifts: row.shifts }),
  ...(row.gaps && { gaps: row.gaps }),
});

export const toRun = (row: RunRow): Run => ({
  id: row.run_id,
  title: row.run_title,
  rules: toRules(row),
  isByHand: row.is_by_hand,
  joinsLate: row.joins_late,
  heldAtMs: row.held_at?.getTime() ?? null,
  endedOn: row.ended_on as DayDate | null,
  archivedAtMs: row.archived_at?.getTime() ?? null,
  join: { code: row.join_code, isOpen: row.join_open, limit: row.join_limit, words: row.join_words },
  hasFeed: row.has_feed,
  clock: { voice: row.voice, warmUp: { words: row.warm_up, film: row.warm_up_film } },
  replyTo: row.reply_to,
  hasBoards: row.has_boards,
});

/** A run as a list of them names it. */
export interface RunName {
  readonly id: number;
  readonly title: string;
  readonly startsOn: DayDate;
  readonly endedOn: DayDate | null;
  readonly isArchived: boolean;
  readonly people: number;
}

/** The runs of a programme, the newest first, archived ones last. */
export async function listRunNames(db: Db, programmeId: number): Promise<RunName[]> {
  const { rows } = await db.query<{
    id: number;
    title: string;
    starts_on: string;
    ended_on: string | null;
    is_archived: boolean;
    people: number;
  }>(
    `select r.id, r.title, r.starts_on, r.ended_on, r.archived_at is not null as is_archived,
       (select count(*) from enrolment e where e.run_id = r.id) as people
     from run r where r.programme_id = $1::bigint
     order by r.archived_at is not null, r.starts_on desc, r.id desc`,
    [programmeId],
  );
  return rows.map((r) => ({
    id: r.id,
    title: r.title,
    startsOn: r.starts_on as DayDate,
    endedOn: r.ended_on as DayDate | null,
    isArchived: r.is_archived,
    people: r.people,
  }));
}

/** What can be set of a run. */
export interface RunSettings {
  readonly title: string;
  readonly startsOn: DayDate;
  readonly calendar: 'host' | 'own';
  readonly releaseTime: string;
  readonly releaseZone: string | null;
  readonly isByHand: boolean;
  readonly lookAheadDays: number;
  readonly makeUpDays: number | null;
  readonly joinsLate: JoinsLate;
}

const SETTING_COLUMNS =
  'title, starts_on, calendar, release_time, release_zone, is_by_hand, look_ahead_days, make_up_days, joins_late';
const SETTING_VALUES =
  'x.title, x."startsOn", x.calendar, x."releaseTime", x."releaseZone", x."isByHand", x."lookAheadDays", x."makeUpDays", x."joinsLate"';
const SETTING_TYPES = `x(title text, "startsOn" date, calendar text, "releaseTime" time, "releaseZone" text, "isByHand" boolean,
  "lookAheadDays" integer, "makeUpDays" integer, "joinsLate" text)`;

/** A run with nobody in it and nothing sent. */
export async function insertRun(
  db: Db,
  r: { workspaceId: number; programmeId: number; settings: RunSettings },
): Promise<number> {
  const { rows } = await db.query<{ id: number }>(
    `insert into run (workspace_id, programme_id, ${SETTING_COLUMNS})
     select $1::bigint, $2::bigint, ${SETTING_VALUES} from jsonb_to_record($3::jsonb) as ${SETTING_TYPES} returning id`,
    [r.workspaceId, r.programmeId, JSON.stringify(r.settings)],
  );
  return rows[0]!.id;
}

/** Throws NotFoundError where there is no such run. */
export async function updateRun(db: Db, runId: number, settings: RunSettings): Promise<void> {
  const { rowCount } = await db.query(
    `update run set (${SETTING_COLUMNS}) = (select ${SETTING_VALUES} from jsonb_to_record($2::jsonb) as ${SETTING_TYPES}) where id = $1::bigint`,
    [runId, JSON.stringify(settings)],
  );
  if (rowCount === 0) throw new NotFoundError('run');
}

/** Whether anything of a run was sent: its first day can't be moved any more. */
export async function hasSent(db: Db, runId: number): Promise<boolean> {
  const { rows } = await db.query('select 1 from version where run_id = $1::bigint limit 1', [runId]);
  return rows.length > 0;
}

/** The people of one run in another too, on their own links; those who are in it already stay. Gives how many came in. */
export async function copyPeople(
  db: Db,
  r: { workspaceId: number; fromRunId: number; toRunId: number; joinedOn: DayDate },
): Promise<number> {
  const { rowCount } = await db.query(
    `insert into enrolment (workspace_id, run_id, person_id, joined_on, weekdays)
     select $1::bigint, $3::bigint, e.person_id, $4::date, e.weekdays from enrolment e where e.run_id = $2::bigint and is_in_run(e)
     on conflict on constraint enrolment_once do nothing`,
    [r.workspaceId, r.fromRunId, r.toRunId, r.joinedOn],
  );
  return rowCount ?? 0;
}

export async function updateRunHeld(db: Db, runId: number, heldAt: Date | null): Promise<void> {
  await db.query('update run set held_at = $2::timestamptz where id = $1::bigint', [runId, heldAt]);
}

export async function updateRunEnded(db: Db, runId: number, endedOn: DayDate | null): Promise<void> {
  await db.query('update run set ended_on = $2::date where id = $1::bigint', [runId, endedOn]);
}

export async function updateRunArchived(db: Db, runId: number, archivedAt: Date | null): Promise<void> {
  await db.query('update run set archived_at = $2::timestamptz where id = $1::bigint', [runId, archivedAt]);
}

export async function updateRunJoin(
  db: Db,
  runId: number,
  join: { code: string | null; isOpen: boolean; limit: number | null; words: string },
): Promise<void> {
  await db.query(
    'update run set join_code = $2::text, join_open = $3::boolean, join_limit = $4::integer, join_words = $5::text where id = $1::bigint',
    [runId, join.code, join.isOpen, join.limit, join.words],
  );
}

export async function updateRunClock(db: Db, runId: number, { voice, warmUp }: RunClock): Promise<void> {
  await db.query('update run set voice = $2::text, warm_up = $3::text, warm_up_film = $4::text where id = $1::bigint', [
    runId,
    voice,
    warmUp.words,
    warmUp.film,
  ]);
}

export async function updateRunReplyTo(db: Db, runId: number, replyTo: string): Promise<void> {
  await db.query('update run set reply_to = $2::text where id = $1::bigint', [runId, replyTo]);
}

export async function updateRunFeed(db: Db, runId: number, feedHash: Buffer | null): Promise<void> {
  await db.query('update run set feed_hash = $2::bytea where id = $1::bigint', [runId, feedHash]);
}

/** Looks across workspaces, by the code of a join page. */
export async function findJoin(db: Db, code: string): Promise<{ workspaceId: number; runId: number } | undefined> {
  const { rows } = await db.query<{ workspace_id: number; run_id: number }>('select * from find_join($1::text)', [
    code,
  ]);
  return rows[0] && { workspaceId: rows[0].workspace_id, runId: rows[0].run_id };
}

/** Looks across workspaces, by the hash of a run's calendar token. */
export async function findRunFeed(db: Db, hash: Buffer): Promise<{ workspaceId: number; runId: number } | undefined> {
  const { rows } = await db.query<{ workspace_id: number; run_id: number }>('select * from find_run_feed($1::bytea)', [
    hash,
  ]);
  return rows[0] && { workspaceId: rows[0].workspace_id, runId: rows[0].run_id };
}

/** The runs of a workspace that aren't archived: at most so many, those that begin last, the earliest of them first. */
export async function listOpenRuns(db: Db, most: number): Promise<{ programmeId: number; runId: number }[]> {
  const { rows } = await db.query<{ programme_id: number; id: number }>(
    `select programme_id, id from (
       select programme_id, id, starts_on from run where archived_at is null order by starts_on desc, id desc limit $1::integer
     ) r
     order by starts_on, id`,
    [most],
  );
  return rows.map((r) => ({ programmeId: r.programme_id, runId: r.id }));
}

/** Looks across workspaces: the runs that go out by themselves or might. */
export async function listLiveRuns(db: Db): Promise<{ workspaceId: number; runId: number }[]> {
  const { rows } = await db.query<{ workspace_id: number; run_id: number }>('select * from list_live_runs()');
  return rows.map((r) => ({ workspaceId: r.workspace_id, runId: r.run_id }));
}

/** What is kept of a day of a run beside its text. */
export interface RunDayState {
  readonly runDayId: number;
  readonly dayId: number;
  readonly withdrawnAtMs: number | null;
  readonly withdrawnNote: string;
  readonly sequence: number;
  readonly live: LiveDate | null;
}

/** A live session: one instant, a place or link, and how many there is room for. */
export interface LiveDate {
  readonly atMs: number;
  readonly minutes: number;
  readonly place: string;
  readonly limit: number | null;
  /** What the room sees, to say that one came. */
  readonly code: string | null;
}

interface RunDayRow {
  id: number;
  day_id: number;
  withdrawn_at: Date | null;
  withdrawn_note: string;
  sequence: number;
  live_at: Date | null;
  live_minutes: number;
  live_place: string;
  live_limit: number | null;
  live_code: string | null;
}

const toRunDayState = (r: RunDayRow): RunDayState => ({
  runDayId: r.id,
  dayId: r.day_id,
  withdrawnAtMs: r.withdrawn_at?.getTime() ?? null,
  withdrawnNote: r.withdrawn_note,
  sequence: r.sequence,
  live:
    r.live_at === null
      ? null
      : {
          atMs: r.live_at.getTime(),
          minutes: r.live_minutes,
          place: r.live_place,
          limit: r.live_limit,
          code: r.live_code,
        },
});

export async function listRunDayStates(db: Db, runId: number): Promise<RunDayState[]> {
  const { rows } = await db.query<RunDayRow>({
    name: 'run-day-states',
    text: `select id, day_id, withdrawn_at, withdrawn_note, sequence, live_at, live_minutes, live_place, live_limit, live_code
     from run_day where run_id = $1::bigint order by day_id`,
    values: [runId],
  });
  return rows.map(toRunDayState);
}

/** Withdraws a day of a run, or takes that back (`at` null). */
export async function updateDayWithdrawn(
  db: Db,
  d: { workspaceId: number; runId: number; dayId: number; at: Date | null; note: string },
): Promise<void> {
  await db.query(
    `insert into run_day (workspace_id, run_id, day_id, withdrawn_at, withdrawn_note, sequence)
     values ($1::bigint, $2::bigint, $3::bigint, $4::timestamptz, $5::text, 1)
     on conflict on constraint run_day_once do update
       set withdrawn_at = excluded.withdrawn_at, withdrawn_note = excluded.withdrawn_note, sequence = run_day.sequence + 1`,
    [d.workspaceId, d.runId, d.dayId, d.at, d.note],
  );
}

/** Sets when and where a day of a run is live; null: it is not. */
export async function updateDayLive(
  db: Db,
  d: { workspaceId: number; runId: number; dayId: number; live: LiveDate | null },
): Promise<void> {
  await db.query(
    `insert into run_day (workspace_id, run_id, day_id, live_at, live_minutes, live_place, live_limit, live_code, sequence)
     values ($1::bigint, $2::bigint, $3::bigint, $4::timestamptz, $5::integer, $6::text, $7::integer, $8::text, 1)
     on conflict on constraint run_day_once do update
       set live_at = excluded.live_at, live_minutes = excluded.live_minutes, live_place = excluded.live_place, live_limit = excluded.live_limit,
         live_code = excluded.live_code, sequence = run_day.sequence + 1`,
    [
      d.workspaceId,
      d.runId,
      d.dayId,
      d.live && new Date(d.live.atMs),
      d.live?.minutes ?? 60,
      d.live?.place ?? '',
      d.live?.limit ?? null,
      d.live?.code ?? null,
    ],
  );
}
