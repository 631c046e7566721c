import { randomUUID } from 'node:crypto';
import { BoundedCache } from '../../core/bounded-cache.ts';
import { dayKey } from '../../core/calendar/day.ts';
import type { DayDate, DayPlace } from '../../core/calendar/day.ts';
import type { PlanFrame, StoredFrame } from '../../core/exchange/stored-frame.ts';
import { readStoredFrame } from '../../core/exchange/stored-frame.ts';
import type { ProgrammeDay, ProgrammeDocument } from '../../core/progress/programme-document.ts';
import { findProgrammeDay, isTheme } from '../../core/progress/programme-document.ts';
import { NotFoundError, StaleError } from '../errors.ts';
import type { Db } from '../pool.ts';
import type { InRun } from './programme.ts';
import type { RunSettings } from './run.ts';
import { insertRun } from './run.ts';

/** A programme's plan as it is stored. */
export interface StoredPlan {
  readonly programme: ProgrammeDocument;
  readonly revision: number;
  /** Keys of the days whose session was sent in the run. */
  readonly sent: readonly string[];
  /** Keys of the days that are marked ready, and of those that a coach has read. */
  readonly ready: readonly string[];
  readonly read: readonly string[];
  /** The identity of each day's session, by the day's key. */
  readonly sessions: ReadonlyMap<string, string>;
  /** Parts of what is stored that can't be used, in words: passed by, and gone with the next change. */
  readonly passedBy: readonly string[];
}

/** Frames as they were read, by what was stored. */
const frames = new BoundedCache<string, StoredFrame>(200);

interface PlanRow {
  title: string;
  weeks: number;
  revision: number;
  first_weekday: number;
  frame: unknown;
}
interface PlanDayRow {
  session: string;
  week: number;
  weekday: number;
  text: string;
  revision: number;
  ready_revision: number | null;
  read_revision: number | null;
  track_id: string | null;
  track_week: number | null;
  generated_text: string | null;
  theme: string | null;
  extra: Record<string, unknown> | null;
  is_sent: boolean;
}

const toProgrammeDay = (row: PlanDayRow): ProgrammeDay => ({
  week: row.week,
  weekday: row.weekday,
  text: row.text,
  ...(row.theme !== null && isTheme(row.theme) && { theme: row.theme }),
  ...(row.track_id !== null && {
    track: { id: row.track_id, week: row.track_week!, isPinned: row.generated_text !== row.text },
  }),
  ...(row.extra && { extra: row.extra }),
});

/**
 * The plan of a programme, its weeks named as those of the run, and what of it was sent there; with `lock`, nobody else changes it
 * until the transaction ends.
 */
export async function getPlan(db: Db, { id, runId }: InRun, lock = false): Promise<StoredPlan> {
  const {
    rows: [row],
  } = await db.query<PlanRow>(
    `select p.title, p.weeks, p.revision, p.frame, extract(isodow from r.starts_on)::integer as first_weekday
     from programme p join run r on r.id = $2::bigint and r.programme_id = p.id where p.id = $1::bigint${lock ? ' for update of p' : ''}`,
    [id, runId],
  );
  if (!row) throw new NotFoundError('programme');
  const { rows } = await db.query<PlanDayRow>(
    `select d.session, d.week, d.weekday, d.text, d.revision, d.ready_revision, d.read_revision, d.track_id, d.track_week, d.generated_text, d.theme, d.extra,
       exists (select 1 from version v where v.day_id = d.id and v.run_id = $2::bigint) as is_sent
     from day d where d.programme_id = $1::bigint order by d.week, d.weekday${lock ? ' for update' : ''}`,
    [id, runId],
  );
  const { frame, passedBy } = frames.get(JSON.stringify(row), () =>
    readStoredFrame(row.frame, { ...row, firstWeekday: row.first_weekday }),
  );
  return {
    programme: { ...frame, days: rows.map(toProgrammeDay) },
    revision: row.revision,
    passedBy,
    sent: rows.filter((r) => r.is_sent).map(dayKey),
    ready: rows.filter((r) => r.ready_revision === r.revision).map(dayKey),
    read: rows.filter((r) => r.read_revision === r.revision).map(dayKey),
    sessions: new Map(rows.map((r) => [dayKey(r), r.session])),
  };
}

/** Days as they go into one statement. */
function toDayJson(day: ProgrammeDay): object {
  return {
    week: day.week,
    weekday: day.weekday,
    text: day.text,
    trackId: day.track?.id ?? null,
    trackWeek: day.track?.week ?? null,
    generatedText: day.track && !day.track.isPinned ? day.text : null,
    theme: day.theme ?? null,
    extra: day.extra ?? null,
  };
}

const isSameDay = (a: ProgrammeDay | undefined, b: ProgrammeDay | undefined): boolean =>
  a === b || JSON.stringify(a && toDayJson(a)) === JSON.stringify(b && toDayJson(b));

/** Places whose day differs between two plans. */
export function changedPlaces(before: ProgrammeDocument, after: ProgrammeDocument): DayPlace[] {
  const places = new Map([...before.days, ...after.days].map((d) => [dayKey(d), { week: d.week, weekday: d.weekday }]));
  return [...places.values()].filter((p) => !isSameDay(findProgrammeDay(before, p), findProgrammeDay(after, p)));
}

/** What goes with a session to its new place. */
interface MovedDay {
  readonly isReady: boolean;
  readonly isRead: boolean;
  readonly session?: string;
}

/**
 * Its identity, and what has been read and marked ready, goes with a session to its new place, once: what a track, a repetition or a
 * file writes anew is still to read, also where another day has the same words. That of each changed day, in their order; `isFree`
 * tells whether a place's session may go from there.
 */
function movedTexts(
  stored: StoredPlan,
  next: ProgrammeDocument,
  changed: readonly DayPlace[],
  isFree: (place: DayPlace) => boolean,
): (day: ProgrammeDay) => MovedDay {
  const leaving = new Map<string, MovedDay[]>();
  for (const place of changed) {
    const key = dayKey(place);
    const before = findProgrammeDay(stored.programme, place);
    if (!before || findProgrammeDay(next, place)?.text === before.text) continue;
    const isReady = stored.ready.includes(key) && !stored.sent.includes(key);
    const known = leaving.get(before.text) ?? [];
    const session = isFree(place) ? stored.sessions.get(key) : undefined;
    leaving.set(before.text, [
      ...known,
      { isReady, isRead: before.text !== '' && stored.read.includes(key), ...(session && { session }) },
    ]);
  }
  return (day) =>
    (findProgrammeDay(stored.programme, day)?.text !== day.text && leaving.get(day.text)?.shift()) || {
      isReady: false,
      isRead: false,
    };
}

/**
 * Writes a plan over the one that `stored` says stands; only what differs is touched. A session that came to its place
 * unchanged stays read, and marked ready. Throws StaleError where somebody else has changed the plan since.
 */
export async function updatePlan(
  db: Db,
  p: { workspaceId: number; programmeId: number; stored: StoredPlan; next: ProgrammeDocument; now: Date },
): Promise<number> {
  const { stored, next } = p;
  const { days: _days, title, weeks, firstWeekday: _first, ...frame } = next;
  const { rows } = await db.query<{ revision: number }>(
    `update programme set title = $3::text, weeks = $4::integer, frame = $5::jsonb, revision = revision + 1
     where id = $1::bigint and revision = $2::integer returning revision`,
    [p.programmeId, stored.revision, title, weeks, JSON.stringify(frame)],
  );
  if (!rows[0]) throw new StaleError(stored.revision);
  const changed = changedPlaces(stored.programme, next);
  const gone = changed.filter((place) => !findProgrammeDay(next, place));
  const { rows: deleted } = await db.query<DayPlace>(
    `delete from day d using jsonb_to_recordset($2::jsonb) as x(week integer, weekday integer)
     where d.programme_id = $1::bigint and d.week = x.week and d.weekday = x.weekday and not exists (select 1 from version v where v.day_id = d.id)
     returning d.week, d.weekday`,
    [p.programmeId, JSON.stringify(gone)],
  );
  const left = new Set(deleted.map(dayKey));
  const isFree = (place: DayPlace) => left.has(dayKey(place)) || findProgrammeDay(next, place) !== undefined;
  const moved = movedTexts(stored, next, changed, isFree);
  const found = changed.flatMap((place) => findProgrammeDay(next, place) ?? []).map((day) => ({ day, is: moved(day) }));
  const taken = new Set(found.flatMap(({ is }) => is.session ?? []));
  const set = found.map(({ day, is }) => {
    const own = stored.sessions.get(dayKey(day));
    // What comes to a place whose own session went elsewhere is another one.
    return { ...toDayJson(day), session: own && !taken.has(own) ? own : randomUUID(), ...is };
  });
  await db.query(
    `insert into day (workspace_id, programme_id, session, week, weekday, text, ready_revision, read_revision, changed_at, track_id, track_week, generated_text, theme, extra)
     select $1::bigint, $2::bigint, x.session, x.week, x.weekday, x.text, case when x."isReady" then 1 end, case when x."isRead" then 1 end, $4::timestamptz, x."trackId", x."trackWeek", x."generatedText", x.theme, x.extra
     from jsonb_to_recordset($3::jsonb)
       as x(session uuid, week integer, weekday integer, text text, "trackId" text, "trackWeek" integer, "generatedText" text, theme text, extra jsonb, "isReady" boolean, "isRead" boolean)
     on conflict on constraint day_place_unique do update set
       session = excluded.session, text = excluded.text, track_id = excluded.track_id, track_week = excluded.track_week, generated_text = excluded.generated_text, theme = excluded.theme, extra = excluded.extra,
       revision = case when day.text = excluded.text then day.revision else day.revision + 1 end,
       ready_revision = case when day.text = excluded.text then day.ready_revision when excluded.ready_revision is not null then day.revision + 1 end,
       read_revision = case when day.text = excluded.text then day.read_revision when excluded.read_revision is not null then day.revision + 1 end,
       changed_at = excluded.changed_at`,
    [p.workspaceId, p.programmeId, JSON.stringify(set), p.now],
  );
  return rows[0].revision;
}

/** What a run is unless it is said otherwise: by itself, on each person's morning, on the same dates for all. */
export const usualRun = (startsOn: DayDate): RunSettings => ({
  title: '',
  startsOn,
  calendar: 'host',
  releaseTime: '05:00',
  releaseZone: null,
  isByHand: false,
  lookAheadDays: 0,
  makeUpDays: 7,
  joinsLate: 'with-rest',
});

/** A programme with its first run, and nothing sent. Its weeks are those of the run: they begin on the weekday of `startsOn`. */
export async function insertProgramme(
  db: Db,
  p: { workspaceId: number; programme: ProgrammeDocument; startsOn: DayDate; run?: Partial<RunSettings>; now: Date },
): Promise<number> {
  const { title, weeks } = p.programme;
  const { rows } = await db.query<{ id: number }>(
    `insert into programme (workspace_id, title, weeks, created_at)
     values ($1::bigint, $2::text, $3::integer, $4::timestamptz) returning id`,
    [p.workspaceId, title, weeks, p.now],
  );
  const programmeId = rows[0]!.id;
  const settings = { ...usualRun(p.startsOn), ...p.run };
  const runId = await insertRun(db, { workspaceId: p.workspaceId, programmeId, settings });
  await updatePlan(db, {
    workspaceId: p.workspaceId,
    programmeId,
    stored: await getPlan(db, { id: programmeId, runId }),
    next: p.programme,
    now: p.now,
  });
  return programmeId;
}

/** What a change touched: the frame, and each changed place with its day, or null for none. */
export interface PlanSlice {
  readonly frame: PlanFrame;
  readonly days: readonly (DayPlace & { readonly day: ProgrammeDay | null })[];
}

export function slicePlan(programme: ProgrammeDocument, places: readonly DayPlace[]): PlanSlice {
  const { days: _days, ...frame } = programme;
  return { frame, days: places.map((p) => ({ ...p, day: findProgrammeDay(programme, p) ?? null })) };
}

export interface PlanChange {
  readonly id: number;
  readonly words: string;
  readonly before: PlanSlice;
  readonly after: PlanSlice;
  readonly isUndone: boolean;
}

/** Changes kept for undo. */
const MAX_CHANGES = 50;

/** Remembers a change; what had been undone before it can't be done again. */
export async function insertPlanChange(
  db: Db,
  c: {
    workspaceId: number;
    programmeId: number;
    words: string;
    before: PlanSlice;
    after: PlanSlice;
    coachId: number;
    now: Date;
  },
): Promise<void> {
  await db.query('delete from programme_change where programme_id = $1::bigint and is_undone', [c.programmeId]);
  await db.query(
    `insert into programme_change (workspace_id, programme_id, words, before, after, made_at, made_by)
     select x."workspaceId", x."programmeId", left(x.words, 200), x.before, x.after, $2::timestamptz, x."coachId"
     from jsonb_to_record($1::jsonb) as x("workspaceId" bigint, "programmeId" bigint, words text, before jsonb, after jsonb, "coachId" bigint)`,
    [JSON.stringify(c), c.now],
  );
  await db.query(
    `delete from programme_change where programme_id = $1::bigint and id <= (
       select id from programme_change where programme_id = $1::bigint order by id desc offset $2::integer limit 1)`,
    [c.programmeId, MAX_CHANGES],
  );
}

/** The change that undo would take back, and the one that redo would bring again. */
export async function findPlanChange(
  db: Db,
  programmeId: number,
  which: 'undo' | 'redo',
): Promise<PlanChange | undefined> {
  const { rows } = await db.query<{
    id: number;
    words: string;
    before: PlanSlice;
    after: PlanSlice;
    is_undone: boolean;
  }>(
    `select id, words, before, after, is_undone from programme_change where programme_id = $1::bigint and is_undone = $2::boolean
     order by case when $2::boolean then id end, id desc limit 1`,
    [programmeId, which === 'redo'],
  );
  return (
    rows[0] && {
      id: rows[0].id,
      words: rows[0].words,
      before: rows[0].before,
      after: rows[0].after,
      isUndone: rows[0].is_undone,
    }
  );
}

export async function updateChangeUndone(db: Db, changeId: number, isUndone: boolean): Promise<void> {
  await db.query('update programme_change set is_undone = $2::boolean where id = $1::bigint', [changeId, isUndone]);
}
