import type { Sql } from 'sql-template-tag';
import sql from 'sql-template-tag';
import type { DayDate } from '../../core/calendar/day.ts';
import { groupBy } from '../../core/group-by.ts';
import { NotFoundError, StaleError } from '../errors.ts';
import type { Db } from '../pool.ts';
import type { Run, RunRow } from './run.ts';
import { RUN_COLUMNS, toRun } from './run.ts';

/** A programme, seen by one of its runs. */
export interface Programme {
  readonly id: number;
  /** What stands in addresses: its number, and the run's behind it where that isn't the usual one. */
  readonly key: string;
  readonly title: string;
  readonly weeks: number;
  readonly run: Run;
  readonly runId: number;
  readonly runCount: number;
  readonly startsOn: DayDate;
  /** HH:MM */
  readonly releaseTime: string;
  readonly people: number;
  readonly zones: number;
}

interface ProgrammeRow extends RunRow {
  id: number;
  title: string;
  weeks: number;
  run_count: number;
  people: number;
  zones: number;
}

const toProgramme = (row: ProgrammeRow, isChosen: boolean): Programme => {
  const run = toRun(row);
  return {
    id: row.id,
    key: isChosen && row.run_count > 1 ? `${row.id}-${run.id}` : String(row.id),
    title: row.title,
    weeks: row.weeks,
    run,
    runId: run.id,
    runCount: row.run_count,
    startsOn: run.rules.startsOn,
    releaseTime: run.rules.releaseTime,
    people: row.people,
    zones: row.zones,
  };
};

/** $1: the moment; the usual run is the one that began last and isn't archived, before any has begun the next to begin. */
const SELECT_PROGRAMME = `
  select p.id, p.title, p.weeks, ${RUN_COLUMNS}, r.run_count, c.people, c.zones
  from programme p
  cross join lateral (
    select q.*, count(*) over () as run_count from run q where q.programme_id = p.id
    order by $2::bigint is not null and q.id = $2::bigint desc, q.archived_at is not null, q.starts_on > $1::date,
      case when q.starts_on <= $1::date then $1::date - q.starts_on else q.starts_on - $1::date end, q.id
    limit 1
  ) r
  cross join lateral (
    select count(*) as people, count(distinct q.time_zone) as zones
    from enrolment e join person q on q.id = e.person_id where e.run_id = r.id and is_in_run(e)
  ) c`;

/** The programmes of a workspace, each by its usual run at `now`. */
export async function listProgrammes(db: Db, now: Date): Promise<Programme[]> {
  const { rows } = await db.query<ProgrammeRow>(`${SELECT_PROGRAMME} order by r.starts_on, p.id`, [now, null]);
  return rows.map((row) => toProgramme(row, false));
}

/** A programme by one of its runs, or by its usual one at `now`. Throws NotFoundError where there is none, or no such run of it. */
export async function getProgramme(
  db: Db,
  programmeId: number,
  at: { now: Date; runId?: number | undefined },
): Promise<Programme> {
  const { rows } = await db.query<ProgrammeRow>(`${SELECT_PROGRAMME} where p.id = $3::bigint`, [
    at.now,
    at.runId ?? null,
    programmeId,
  ]);
  if (!rows[0] || (at.runId !== undefined && rows[0].run_id !== at.runId)) throw new NotFoundError('programme');
  return toProgramme(rows[0], at.runId !== undefined);
}

/** The programme of a run, by it. Throws NotFoundError where there is no such run. */
export async function getProgrammeOfRun(db: Db, runId: number, now: Date): Promise<Programme> {
  const { rows } = await db.query<{ programme_id: number }>('select programme_id from run where id = $1::bigint', [
    runId,
  ]);
  if (!rows[0]) throw new NotFoundError('run');
  return getProgramme(db, rows[0].programme_id, { now, runId });
}

/** Deletes a programme that nobody is in and nothing of which was sent, and gives its title; undefined, with nothing done, where it is another. */
export async function deleteProgramme(db: Db, programmeId: number): Promise<string | undefined> {
  const { rows } = await db.query<{ title: string }>(
    `delete from programme p
     where p.id = $1::bigint
       and not exists (select from run r join enrolment e on e.run_id = r.id where r.programme_id = p.id)
       and not exists (select from run r join version v on v.run_id = r.id where r.programme_id = p.id)
     returning p.title`,
    [programmeId],
  );
  return rows[0]?.title;
}

export interface Day {
  readonly id: number;
  /** The session's identity, which moves with it. */
  readonly session: string;
  readonly week: number;
  readonly weekday: number;
  readonly text: string;
  readonly revision: number;
  readonly isReady: boolean;
  /** A coach has seen the text as it stands. */
  readonly isRead: boolean;
  readonly changedAtMs: number;
  /** The newest version that was sent in the run; null where none was. */
  readonly sent: {
    readonly versionId: number;
    readonly number: number;
    readonly text: string;
    readonly sentAtMs: number;
  } | null;
}

interface DayRow {
  programme_id: number;
  id: number;
  session: string;
  week: number;
  weekday: number;
  text: string;
  revision: number;
  ready_revision: number | null;
  read_revision: number | null;
  changed_at: Date;
  version_id: number | null;
  number: number | null;
  sent_text: string | null;
  sent_at: Date | null;
}

const toDay = (row: DayRow): Day => ({
  id: row.id,
  session: row.session,
  week: row.week,
  weekday: row.weekday,
  text: row.text,
  revision: row.revision,
  isReady: row.ready_revision === row.revision,
  isRead: row.read_revision === row.revision,
  changedAtMs: row.changed_at.getTime(),
  sent:
    row.version_id === null
      ? null
      : { versionId: row.version_id, number: row.number!, text: row.sent_text!, sentAtMs: row.sent_at!.getTime() },
});

/** Days d with what is sent of them in a run. */
const selectDays = (sentVersion: Sql): Sql => sql`
  select
    d.programme_id, d.id, d.session, d.week, d.weekday, d.text, d.revision, d.ready_revision, d.read_revision, d.changed_at,
    v.id as version_id, v.number, v.text as sent_text, v.sent_at
  from day d
  ${sentVersion}`;

const sentIn = (runId: Sql | number): Sql => sql`
  left join lateral (select * from sent_day s where s.run_id = ${runId}::bigint and s.day_id = d.id) v on true`;

/** A programme, and the run that what was sent is asked of. */
export interface InRun {
  readonly id: number;
  readonly runId: number;
}

export async function listDays(db: Db, { id, runId }: InRun): Promise<Day[]> {
  const { rows } = await db.query<DayRow>(sql`
    ${selectDays(sentIn(runId))}
    where d.programme_id = ${id}::bigint
    order by d.week, d.weekday`);
  return rows.map(toDay);
}

/** The days of all programmes of the workspace, by programme; what was sent, of these runs of theirs. */
export async function listDaysByProgramme(db: Db, runIds: readonly number[]): Promise<Map<number, Day[]>> {
  const { rows } = await db.query<DayRow>(sql`
    ${selectDays(sql`
      left join run r on r.programme_id = d.programme_id and r.id = any(${runIds}::bigint[])
      ${sentIn(sql`r.id`)}`)}
    order by d.programme_id, d.week, d.weekday`);
  return new Map([...groupBy(rows, (row) => row.programme_id)].map(([id, own]) => [id, own.map(toDay)]));
}

/** The places of a programme's sessions, without their texts. */
export async function listDayPlaces(
  db: Db,
  programmeId: number,
): Promise<{ dayId: number; week: number; weekday: number; track: string }[]> {
  const { rows } = await db.query<{ id: number; week: number; weekday: number; track_id: string | null }>(
    'select id, week, weekday, track_id from day where programme_id = $1::bigint order by week, weekday',
    [programmeId],
  );
  return rows.map((r) => ({ dayId: r.id, week: r.week, weekday: r.weekday, track: r.track_id ?? '' }));
}

export async function findDay(db: Db, { id, runId }: InRun, week: number, weekday: number): Promise<Day | undefined> {
  const { rows } = await db.query<DayRow>(sql`
    ${selectDays(sentIn(runId))}
    where d.programme_id = ${id}::bigint and d.week = ${week}::integer and d.weekday = ${weekday}::integer`);
  return rows[0] && toDay(rows[0]);
}

export async function getDayById(db: Db, dayId: number, runId: number): Promise<Day> {
  const { rows } = await db.query<DayRow>(sql`
    ${selectDays(sentIn(runId))}
    where d.id = ${dayId}::bigint`);
  if (!rows[0]) throw new NotFoundError('day');
  return toDay(rows[0]);
}

/** An empty day at a place that had none; whether it was made. Somebody having been quicker is no error. */
export async function insertDay(
  db: Db,
  d: { workspaceId: number; programmeId: number; week: number; weekday: number; now: Date },
): Promise<boolean> {
  const { rowCount } = await db.query(
    `insert into day (workspace_id, programme_id, week, weekday, changed_at)
     values ($1::bigint, $2::bigint, $3::integer, $4::integer, $5::timestamptz)
     on conflict on constraint day_place_unique do nothing`,
    [d.workspaceId, d.programmeId, d.week, d.weekday, d.now],
  );
  return rowCount === 1;
}

/** The day at a place, which nobody else changes until the transaction ends. Throws NotFoundError where there is none. */
export async function lockDay(db: Db, { id, runId }: InRun, place: { week: number; weekday: number }): Promise<Day> {
  const { rows } = await db.query<{ id: number }>(
    'select id from day where programme_id = $1::bigint and week = $2::integer and weekday = $3::integer for update',
    [id, place.week, place.weekday],
  );
  if (!rows[0]) throw new NotFoundError('day');
  return getDayById(db, rows[0].id, runId);
}

/** Takes an empty, never sent day out of the programme; false where there is something to lose. */
export async function deleteEmptyDay(db: Db, dayId: number): Promise<boolean> {
  const { rowCount } = await db.query(
    `delete from day d where d.id = $1::bigint and d.text = '' and not exists (select 1 from version v where v.day_id = d.id)`,
    [dayId],
  );
  return rowCount === 1;
}

/** Stores the text if it still stands at `revision`, as read where a coach has typed it; gives the new revision. Throws StaleError otherwise. */
export async function updateDayText(
  db: Db,
  d: { dayId: number; revision: number; text: string; isRead?: boolean; now: Date },
): Promise<number> {
  const { rows } = await db.query<{ revision: number }>(
    `update day set text = $3::text, revision = revision + 1, changed_at = $4::timestamptz, read_revision = case when $5::boolean then revision + 1 end
     where id = $1::bigint and revision = $2::integer returning revision`,
    [d.dayId, d.revision, d.text, d.now, d.isRead ?? false],
  );
  if (rows[0]) return rows[0].revision;
  throw await staleOrMissing(db, d.dayId);
}

/** Notes that a coach has seen a day's text; nothing where it has changed since. */
export async function updateDayRead(db: Db, d: { dayId: number; revision: number }): Promise<void> {
  await db.query('update day set read_revision = revision where id = $1::bigint and revision = $2::integer', [
    d.dayId,
    d.revision,
  ]);
}

/** Marks days ready as they stood when they were looked at; one that has changed since isn't. */
export async function updateDaysReady(db: Db, days: readonly Pick<Day, 'id' | 'revision'>[]): Promise<void> {
  await db.query(
    `update day d set ready_revision = d.revision, read_revision = d.revision
     from unnest($1::bigint[], $2::integer[]) as x(id, revision) where d.id = x.id and d.revision = x.revision`,
    [days.map((d) => d.id), days.map((d) => d.revision)],
  );
}

export async function updateDayReady(db: Db, d: { dayId: number; revision: number; isReady: boolean }): Promise<void> {
  const { rowCount } = await db.query(
    `update day set ready_revision = case when $3::boolean then revision end, read_revision = revision where id = $1::bigint and revision = $2::integer`,
    [d.dayId, d.revision, d.isReady],
  );
  if (rowCount === 0) throw await staleOrMissing(db, d.dayId);
}

async function staleOrMissing(db: Db, dayId: number): Promise<Error> {
  const { rows } = await db.query<{ revision: number }>('select revision from day where id = $1::bigint', [dayId]);
  return rows[0] ? new StaleError(rows[0].revision) : new NotFoundError('day');
}

/**
 * Sends a day's text as its next version. Two sends at once: the later gets undefined, nothing is sent twice.
 * `number` is the version that the sender saw as next.
 */
export async function insertVersion(
  db: Db,
  v: {
    workspaceId: number;
    runId: number;
    dayId: number;
    number: number;
    text: string;
    document: unknown;
    changeNote: string;
    /** Null: it went out by itself. */
    coachId: number | null;
    now: Date;
  },
): Promise<number | undefined> {
  const { rows } = await db.query<{ id: number }>(
    `insert into version (workspace_id, run_id, day_id, number, text, document, change_note, sent_at, sent_by)
       select x."workspaceId", x."runId", x."dayId", x.number, x.text, x.document, x."changeNote", $2::timestamptz, x."coachId"
       from jsonb_to_record($1::jsonb) as x("workspaceId" bigint, "runId" bigint, "dayId" bigint, number integer, text text, document jsonb, "changeNote" text, "coachId" bigint)
       on conflict on constraint version_number_unique do nothing
       returning id`,
    [JSON.stringify(v), v.now],
  );
  return rows[0]?.id;
}

export interface VersionNote {
  readonly number: number;
  readonly changeNote: string;
  readonly sentAtMs: number;
  /** Null: it went out by itself. */
  readonly sentBy: string | null;
}

export async function listVersions(db: Db, runId: number, dayId: number): Promise<VersionNote[]> {
  const { rows } = await db.query<{ number: number; change_note: string; sent_at: Date; name: string | null }>(
    `select v.number, v.change_note, v.sent_at, c.name from version v left join coach c on c.id = v.sent_by
     where v.day_id = $1::bigint and v.run_id = $2::bigint order by v.number desc`,
    [dayId, runId],
  );
  return rows.map((r) => ({
    number: r.number,
    changeNote: r.change_note,
    sentAtMs: r.sent_at.getTime(),
    sentBy: r.name,
  }));
}

/** Keeps others from joining a run until the transaction ends. */
export async function lockRun(db: Db, runId: number): Promise<void> {
  await db.query('select id from run where id = $1::bigint for update', [runId]);
}
