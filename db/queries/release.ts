import type { DayDate } from '../../core/calendar/day.ts';
import type { Db } from '../pool.ts';
import { gracefully } from './message.ts';

/** Notes that a day was opened, or begun with a version, which is theirs from then on. */
export async function upsertSeen(
  db: Db,
  s: {
    workspaceId: number;
    enrolmentId: number;
    dayId: number;
    versionId: number;
    what: 'opened' | 'begun';
    now: Date;
  },
): Promise<void> {
  await db.query(
    `insert into release (workspace_id, enrolment_id, day_id, version_id, released_at, opened_at, begun_at)
     values ($1::bigint, $2::bigint, $3::bigint, $4::bigint, $5::timestamptz, $5::timestamptz, case when $6::boolean then $5::timestamptz end)
     on conflict on constraint release_once do update set
       opened_at = coalesce(release.opened_at, excluded.opened_at),
       version_id = case when release.begun_at is null then excluded.version_id else release.version_id end,
       begun_at = coalesce(release.begun_at, excluded.begun_at)`,
    [s.workspaceId, s.enrolmentId, s.dayId, s.versionId, s.now, s.what === 'begun'],
  );
}

/** A day of a run, as far as what goes out by itself needs it. */
export interface RunDayToGo {
  readonly dayId: number;
  readonly week: number;
  readonly weekday: number;
  readonly isReady: boolean;
  readonly isRead: boolean;
  readonly isWritten: boolean;
  readonly version: { readonly id: number; readonly number: number } | null;
  /** When its first version was sent; null: none was. */
  readonly firstSentMs: number | null;
  readonly isWithdrawn: boolean;
  readonly liveAtMs: number | null;
  readonly title: string | null;
}

/** All days of a run's programme, without their texts. */
export async function listDaysToGo(db: Db, at: { programmeId: number; runId: number }): Promise<RunDayToGo[]> {
  const { rows } = await db.query<{
    id: number;
    week: number;
    weekday: number;
    is_ready: boolean;
    is_read: boolean;
    is_written: boolean;
    version_id: number | null;
    number: number | null;
    first_sent_at: Date | null;
    is_withdrawn: boolean;
    live_at: Date | null;
    title: string | null;
  }>({
    name: 'days-to-go',
    text: `select d.id, d.week, d.weekday, d.ready_revision is not distinct from d.revision as is_ready, d.read_revision is not distinct from d.revision as is_read, d.text <> '' as is_written,
       v.id as version_id, v.number, v.title, v.first_sent_at, y.withdrawn_at is not null as is_withdrawn, y.live_at
     from day d
     left join lateral (
       select id, number, title, min(sent_at) over () as first_sent_at from version where day_id = d.id and run_id = $2::bigint order by number desc limit 1
     ) v on true
     left join run_day y on y.run_id = $2::bigint and y.day_id = d.id
     where d.programme_id = $1::bigint order by d.week, d.weekday`,
    values: [at.programmeId, at.runId],
  });
  return rows.map((r) => ({
    dayId: r.id,
    week: r.week,
    weekday: r.weekday,
    isReady: r.is_ready,
    isRead: r.is_read,
    isWritten: r.is_written,
    version: r.version_id === null ? null : { id: r.version_id, number: r.number! },
    firstSentMs: r.first_sent_at?.getTime() ?? null,
    isWithdrawn: r.is_withdrawn,
    liveAtMs: r.live_at?.getTime() ?? null,
    title: r.title,
  }));
}

/** People of a run for whom all days fall alike. */
export interface CalendarGroup {
  readonly timeZone: string;
  readonly startsOn: DayDate | null;
  readonly weekdays: readonly number[] | null;
  readonly people: number;
}

/** Who is in a run, by what their days depend on. Those who have left are not in it. */
export async function listCalendarGroups(db: Db, runId: number): Promise<CalendarGroup[]> {
  const { rows } = await db.query<{
    time_zone: string;
    starts_on: string | null;
    weekdays: number[] | null;
    people: number;
  }>({
    name: 'calendar-groups',
    text: `select p.time_zone, e.starts_on, e.weekdays, count(*) as people
     from enrolment e join person p on p.id = e.person_id
     where e.run_id = $1::bigint and e.left_on is null
     group by p.time_zone, e.starts_on, e.weekdays order by 1, 2, 3`,
    values: [runId],
  });
  return rows.map((r) => ({
    timeZone: r.time_zone,
    startsOn: r.starts_on as DayDate | null,
    weekdays: r.weekdays,
    people: r.people,
  }));
}

/** A group for which a day has come: on which date of theirs, and until when it is worth a message. */
export interface DueGroup extends Omit<CalendarGroup, 'people'> {
  readonly date: DayDate;
  readonly untilMs: number;
}

/** Joins enrolments e and people p to the due groups g. */
const DUE = `
  from enrolment e
  join person p on p.id = e.person_id
  join jsonb_to_recordset($3::jsonb) as g("timeZone" text, "startsOn" date, weekdays smallint[], date date, "untilMs" bigint)
    on g."timeZone" = p.time_zone and g."startsOn" is not distinct from e.starts_on and g.weekdays is not distinct from e.weekdays
  where e.run_id = $2::bigint and e.joined_on <= g.date and (e.left_on is null or e.left_on >= g.date)
    and not exists (select from absence a where a.enrolment_id = e.id and a.from_on <= g.date and (a.to_on is null or a.to_on >= g.date))`;

/** Of those, who wasn't told of day $4 yet, and from whom nobody holds it back at $6. */
const STILL_TO_GET = `
    and e.id not in (select x.enrolment_id from release x where x.day_id = $4::bigint and x.is_told)
    and not exists (select from release_stop s where s.enrolment_id = e.id and s.day_id = $4::bigint and (s.until is null or s.until > $6::timestamptz))`;

/** Who is reached by a message of ours. */
const REACHED = 'is_reached(p)';

/**
 * Releases a day to all of these groups who haven't got it yet, and lays a message for each of them who is reached by one, in a
 * statement each: carried out twice they do nothing the second time. Gives how many people it was released to.
 */
export async function insertReleases(
  db: Db,
  r: {
    workspaceId: number;
    runId: number;
    dayId: number;
    version: { readonly id: number; readonly number: number };
    groups: readonly DueGroup[];
    now: Date;
  },
): Promise<number> {
  // `not in`, read once before the first row is written: asked row by row it would walk through what is being written.
  const { rowCount } = await db.query(
    `insert into release (workspace_id, enrolment_id, day_id, version_id, released_at, is_told)
     select $1::bigint, e.id, $4::bigint, $5::bigint, $6::timestamptz, true ${DUE}${STILL_TO_GET}
     on conflict on constraint release_once do update set is_told = true, released_at = excluded.released_at where not release.is_told`,
    [r.workspaceId, r.runId, JSON.stringify(r.groups), r.dayId, r.version.id, r.now],
  );
  if (rowCount === 0) return 0;
  // Of those alone to whom it was released just now: joined anew, since a list of them would be walked for each.
  await db.query(
    `insert into message (workspace_id, person_id, enrolment_id, run_id, day_id, version_id, kind, number, channel, address, next_try_at, expires_at, created_at)
     select $1::bigint, p.id, e.id, $2::bigint, $4::bigint, $5::bigint, 'session', $6::integer, p.channel, p.address, $7::timestamptz,
       to_timestamp(g."untilMs" / 1000.0), $7::timestamptz ${DUE}
       and ${REACHED}
       and e.id in (select x.enrolment_id from release x where x.day_id = $4::bigint and x.is_told and x.released_at = $7::timestamptz)
     on conflict do nothing`,
    [r.workspaceId, r.runId, JSON.stringify(r.groups), r.dayId, r.version.id, r.version.number, r.now],
  );
  return rowCount ?? 0;
}

/** By what someone would be told of a day. */
export type Way = 'email' | 'text' | 'page';

/** Who of these groups would get a day now, and by what: those that insertReleases would release it to. */
export async function listStillToGet(
  db: Db,
  r: { workspaceId: number; runId: number; dayId: number; groups: readonly DueGroup[]; now: Date },
): Promise<{ enrolmentId: number; way: Way; timeZone: string }[]> {
  const { rows } = await db.query<{ id: number; way: Way; time_zone: string }>(
    `select e.id, case when ${REACHED} then p.channel else 'page' end as way, p.time_zone ${DUE}${STILL_TO_GET}
       and ($1::bigint is null or $5::bigint is null) order by e.id`,
    [r.workspaceId, r.runId, JSON.stringify(r.groups), r.dayId, null, r.now],
  );
  return rows.map((row) => ({ enrolmentId: row.id, way: row.way, timeZone: row.time_zone }));
}

/** How many people of these groups were never told of these days, nor had them held back: by day and zone. */
export async function countNeverTold(
  db: Db,
  r: { runId: number; groups: readonly (DueGroup & { readonly dayId: number })[] },
): Promise<{ dayId: number; timeZone: string; people: number }[]> {
  if (r.groups.length === 0) return [];
  const { rows } = await db.query<{ day_id: number; time_zone: string; people: number }>(
    `select g."dayId" as day_id, p.time_zone, count(*) as people
     from jsonb_to_recordset($2::jsonb) as g("dayId" bigint, "timeZone" text, "startsOn" date, weekdays smallint[], date date)
     join person p on p.time_zone = g."timeZone"
     join enrolment e on e.person_id = p.id and e.run_id = $1::bigint
       and g."startsOn" is not distinct from e.starts_on and g.weekdays is not distinct from e.weekdays
     where e.joined_on <= g.date and (e.left_on is null or e.left_on >= g.date)
       and not exists (select from absence a where a.enrolment_id = e.id and a.from_on <= g.date and (a.to_on is null or a.to_on >= g.date))
       and not exists (select from release x where x.enrolment_id = e.id and x.day_id = g."dayId" and (x.is_told or x.begun_at is not null))
       and not exists (select from release_stop s where s.enrolment_id = e.id and s.day_id = g."dayId")
     group by 1, 2 order by 1, 2`,
    [r.runId, JSON.stringify(r.groups)],
  );
  return rows.map((row) => ({ dayId: row.day_id, timeZone: row.time_zone, people: row.people }));
}

/**
 * A newer version of a day: who hasn't begun gets it, and who was told of an older one is told of the change, unless they have
 * logged it. Messages of the older that haven't left are written with the newer one. Gives how many people have it now.
 */
export async function updateReleasedVersion(
  db: Db,
  r: {
    workspaceId: number;
    runId: number;
    dayId: number;
    version: { readonly id: number; readonly number: number };
    note: string;
    expiresAt: Date;
    now: Date;
  },
): Promise<number> {
  const { rowCount } = await db.query(
    `update release x set version_id = $3::bigint
     from enrolment e where e.id = x.enrolment_id and e.run_id = $1::bigint and x.day_id = $2::bigint and x.begun_at is null`,
    [r.runId, r.dayId, r.version.id],
  );
  await db.query(
    `insert into message (workspace_id, person_id, enrolment_id, run_id, day_id, version_id, kind, number, channel, address, next_try_at, stoppable_until, expires_at, created_at, extra)
     select $1::bigint, p.id, e.id, $2::bigint, $3::bigint, $4::bigint, 'change', $5::integer, p.channel, p.address, ${gracefully('$7')}, $8::timestamptz, $7::timestamptz,
       jsonb_build_object('note', $6::text)
     from release x
     join enrolment e on e.id = x.enrolment_id and e.run_id = $2::bigint
     join person p on p.id = e.person_id
     where x.day_id = $3::bigint and x.is_told and x.begun_at is null and ${REACHED}
       and not exists (select from message m where m.enrolment_id = e.id and m.day_id = $3::bigint and m.state in ('waiting', 'sending'))
       and not exists (select from record c join version v on v.id = c.version_id where c.enrolment_id = e.id and v.day_id = $3::bigint)
     on conflict do nothing`,
    [r.workspaceId, r.runId, r.dayId, r.version.id, r.version.number, r.note, r.now, r.expiresAt],
  );
  return rowCount ?? 0;
}

/** Tells of a withdrawal: messages that wait are dropped, and who was told of the session is told of that. */
export async function insertWithdrawals(
  db: Db,
  w: { workspaceId: number; runId: number; dayId: number; sequence: number; note: string; expiresAt: Date; now: Date },
): Promise<void> {
  await db.query(
    `update message set state = 'dropped', reason = 'the session was withdrawn'
     where run_id = $1::bigint and day_id = $2::bigint and state = 'waiting' and kind in ('session', 'change', 'reminder')`,
    [w.runId, w.dayId],
  );
  await db.query(
    `insert into message (workspace_id, person_id, enrolment_id, run_id, day_id, version_id, kind, number, channel, address, next_try_at, stoppable_until, expires_at, created_at, extra)
     select $1::bigint, p.id, e.id, $2::bigint, $3::bigint, x.version_id, 'withdrawn', $4::integer, p.channel, p.address, ${gracefully('$6')}, $7::timestamptz, $6::timestamptz,
       jsonb_build_object('note', $5::text)
     from release x
     join enrolment e on e.id = x.enrolment_id and e.run_id = $2::bigint
     join person p on p.id = e.person_id
     where x.day_id = $3::bigint and x.is_told and ${REACHED}
       and exists (select from message m where m.enrolment_id = e.id and m.day_id = $3::bigint and m.state = 'accepted')
       and not exists (select from record c join version v on v.id = c.version_id where c.enrolment_id = e.id and v.day_id = $3::bigint)
     on conflict do nothing`,
    [w.workspaceId, w.runId, w.dayId, w.sequence, w.note, w.now, w.expiresAt],
  );
}

/** Lays the message of a rest day for those of these groups who asked for it. `number` is the date, as 20260513. */
export async function insertRestMessages(
  db: Db,
  r: { workspaceId: number; runId: number; groups: readonly DueGroup[]; number: number; now: Date },
): Promise<void> {
  await db.query(
    `insert into message (workspace_id, person_id, enrolment_id, run_id, day_id, kind, number, channel, address, next_try_at, expires_at, created_at)
     select $1::bigint, p.id, e.id, $2::bigint, 0, 'rest', $4::integer, p.channel, p.address, $5::timestamptz, to_timestamp(g."untilMs" / 1000.0), $5::timestamptz ${DUE}
       and p.wants_rest_days and ${REACHED}
     on conflict do nothing`,
    [r.workspaceId, r.runId, JSON.stringify(r.groups), r.number, r.now],
  );
}

/** Lays the evening's reminder for who asked for one at an hour that has come, and hasn't logged the day or said that they won't. */
export async function insertReminders(
  db: Db,
  r: {
    workspaceId: number;
    runId: number;
    dayId: number;
    groups: readonly (DueGroup & { readonly localTime: string })[];
    now: Date;
  },
): Promise<void> {
  await db.query(
    `insert into message (workspace_id, person_id, enrolment_id, run_id, day_id, version_id, kind, number, channel, address, next_try_at, expires_at, created_at)
     select $1::bigint, p.id, e.id, $2::bigint, $4::bigint, x.version_id, 'reminder', 0, p.channel, p.address, $5::timestamptz, to_timestamp(g."untilMs" / 1000.0), $5::timestamptz
     ${DUE.replace('"untilMs" bigint)', '"untilMs" bigint, "localTime" time)').replace('  where e.run_id', '  join release x on x.enrolment_id = e.id and x.day_id = $4::bigint\n  where e.run_id')}
       and p.reminder_at <= g."localTime" and ${REACHED}
       and not exists (select from record c join version v on v.id = c.version_id where c.enrolment_id = e.id and v.day_id = $4::bigint)
     on conflict do nothing`,
    [r.workspaceId, r.runId, JSON.stringify(r.groups), r.dayId, r.now],
  );
}

/** Lays the reminder of a live session for those who said that they come. */
export async function insertLiveReminders(
  db: Db,
  l: { workspaceId: number; runId: number; dayId: number; sequence: number; expiresAt: Date; now: Date },
): Promise<void> {
  await db.query(
    `insert into message (workspace_id, person_id, enrolment_id, run_id, day_id, kind, number, channel, address, next_try_at, expires_at, created_at)
     select $1::bigint, p.id, e.id, $2::bigint, $3::bigint, 'live', $4::integer, p.channel, p.address, $5::timestamptz, $6::timestamptz, $5::timestamptz
     from run_day y
     join live_reply l on l.run_day_id = y.id and l.answer = 'yes'
     join enrolment e on e.id = l.enrolment_id and e.left_on is null
     join person p on p.id = e.person_id
     where y.run_id = $2::bigint and y.day_id = $3::bigint and y.withdrawn_at is null and ${REACHED}
     on conflict do nothing`,
    [l.workspaceId, l.runId, l.dayId, l.sequence, l.now, l.expiresAt],
  );
}

/** Raises a flag of a day that isn't ready, once; true where it is new. The workspace's coaches get a message of it. */
export async function insertFlag(
  db: Db,
  f: {
    workspaceId: number;
    runId: number;
    dayId: number;
    hoursAhead: number;
    extra: object;
    expiresAt: Date;
    now: Date;
  },
): Promise<boolean> {
  const { rowCount } = await db.query(
    `insert into day_flag (workspace_id, run_id, day_id, hours_ahead, raised_at)
     values ($1::bigint, $2::bigint, $3::bigint, $4::integer, $5::timestamptz) on conflict do nothing`,
    [f.workspaceId, f.runId, f.dayId, f.hoursAhead, f.now],
  );
  if (rowCount !== 1) return false;
  await db.query(
    `insert into message (workspace_id, coach_id, run_id, day_id, kind, number, channel, address, next_try_at, expires_at, created_at, extra)
     select c.workspace_id, c.id, $2::bigint, $3::bigint, 'flag', $4::integer, 'email', c.email, $5::timestamptz, $6::timestamptz, $5::timestamptz, $7::jsonb
     from coach c where c.workspace_id = $1::bigint
     on conflict do nothing`,
    [f.workspaceId, f.runId, f.dayId, f.hoursAhead, f.now, f.expiresAt, JSON.stringify(f.extra)],
  );
  return true;
}

/** The versions that people have of days, by `ENROLMENT DAY`; absent where they were never released. */
export async function listReleasedVersions(
  db: Db,
  wanted: readonly { readonly enrolmentId: number; readonly dayId: number }[],
): Promise<Map<string, number>> {
  const { rows } = await db.query<{ enrolment_id: number; day_id: number; version_id: number }>(
    `select x.enrolment_id, x.day_id, x.version_id
     from jsonb_to_recordset($1::jsonb) as w("enrolmentId" bigint, "dayId" bigint)
     join release x on x.enrolment_id = w."enrolmentId" and x.day_id = w."dayId"`,
    [JSON.stringify(wanted)],
  );
  return new Map(rows.map((r) => [`${r.enrolment_id} ${r.day_id}`, r.version_id]));
}
