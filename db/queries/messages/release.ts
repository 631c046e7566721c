import { COACH_CHANNEL } from '../../../core/channels/channels.ts';
import type { ChannelId } from '../../../core/channels/channels.ts';
import type { DayDate } from '../../../core/calendar/day.ts';
import type { Db } from '../../pool.ts';
import type { Sql } from 'sql-template-tag';
import sql from 'sql-template-tag';
import { layMessages, toPeople } from './lay-messages.ts';

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
     left join sent_day v on v.run_id = $2::bigint and v.day_id = d.id
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
     where e.run_id = $1::bigint and is_in_run(e)
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

/** Enrolments e of a run with their people p, each with the group g of them that is due, while they take part on its date. */
const dueOf = (runId: number, groups: readonly (DueGroup & { readonly localTime?: string })[]): Sql => sql`
  jsonb_to_recordset(${JSON.stringify(groups)}::jsonb) as g(
    "timeZone" text, "startsOn" date, weekdays smallint[], date date, "untilMs" bigint, "localTime" time
  )
  join person p on p.time_zone = g."timeZone"
  join enrolment e
    on e.person_id = p.id
    and e.run_id = ${runId}::bigint
    and e.starts_on is not distinct from g."startsOn"
    and e.weekdays is not distinct from g.weekdays
    and takes_part(e, g.date)
    and not exists (select from absence a where a.enrolment_id = e.id and is_away_by(a, g.date))`;

/** Of those, who wasn't told of a day yet, and from whom nobody holds it back. */
const stillToGet = (dayId: number, now: Date): Sql => sql`
  e.id not in (select x.enrolment_id from release x where x.day_id = ${dayId}::bigint and x.is_told)
  and not exists (
    select from release_stop s
    where s.enrolment_id = e.id and s.day_id = ${dayId}::bigint and holds_back(s, ${now}::timestamptz)
  )`;

/** Until the end of a group's day. */
const UNTIL_DAY_ENDS = sql`to_timestamp(g."untilMs" / 1000.0)`;

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
  const { rowCount } = await db.query(sql`
    insert into release (workspace_id, enrolment_id, day_id, version_id, released_at, is_told)
    select ${r.workspaceId}::bigint, e.id, ${r.dayId}::bigint, ${r.version.id}::bigint, ${r.now}::timestamptz, true
    from ${dueOf(r.runId, r.groups)}
    where ${stillToGet(r.dayId, r.now)}
    on conflict on constraint release_once do update
    set is_told = true, released_at = excluded.released_at
    where not release.is_told`);
  if (rowCount === 0) return 0;
  await layMessages(db, {
    workspaceId: r.workspaceId,
    kind: 'session',
    runId: r.runId,
    dayId: r.dayId,
    number: r.version.number,
    now: r.now,
    again: 'no',
    // Of those alone to whom it was released just now: joined anew, since a list of them would be walked for each.
    to: sql`
      select ${toPeople({ versionId: r.version.id, expiresAt: UNTIL_DAY_ENDS })}
      from ${dueOf(r.runId, r.groups)}
      where is_reached(p)
        and e.id in (
          select x.enrolment_id
          from release x
          where x.day_id = ${r.dayId}::bigint and x.is_told and x.released_at = ${r.now}::timestamptz
        )`,
  });
  return rowCount ?? 0;
}

/** By what someone would be told of a day. */
export type Way = ChannelId | 'page';

/** Who of these groups would get a day now, and by what: those that insertReleases would release it to. */
export async function listStillToGet(
  db: Db,
  r: { runId: number; dayId: number; groups: readonly DueGroup[]; now: Date },
): Promise<{ enrolmentId: number; way: Way; timeZone: string }[]> {
  const { rows } = await db.query<{ id: number; way: Way | 'none'; time_zone: string }>(sql`
    select e.id, reached_by(p) as way, p.time_zone
    from ${dueOf(r.runId, r.groups)}
    where ${stillToGet(r.dayId, r.now)}
    order by e.id`);
  return rows.map(({ id, way, time_zone }) => ({
    enrolmentId: id,
    way: way === 'none' ? 'page' : way,
    timeZone: time_zone,
  }));
}

/** How many people of these groups were never told of these days, nor had them held back: by day and zone. */
export async function countNeverTold(
  db: Db,
  r: { runId: number; groups: readonly (DueGroup & { readonly dayId: number })[] },
): Promise<{ dayId: number; timeZone: string; people: number }[]> {
  if (r.groups.length === 0) return [];
  const { rows } = await db.query<{ day_id: number; time_zone: string; people: number }>(sql`
    select g."dayId" as day_id, p.time_zone, count(*) as people
    from jsonb_to_recordset(${JSON.stringify(r.groups)}::jsonb) as g(
      "dayId" bigint, "timeZone" text, "startsOn" date, weekdays smallint[], date date
    )
    join person p on p.time_zone = g."timeZone"
    join enrolment e
      on e.person_id = p.id
      and e.run_id = ${r.runId}::bigint
      and e.starts_on is not distinct from g."startsOn"
      and e.weekdays is not distinct from g.weekdays
    where takes_part(e, g.date)
      and not exists (select from absence a where a.enrolment_id = e.id and is_away_by(a, g.date))
      and not exists (
        select from release x
        where x.enrolment_id = e.id and x.day_id = g."dayId" and (x.is_told or x.begun_at is not null)
      )
      and not exists (select from release_stop s where s.enrolment_id = e.id and s.day_id = g."dayId")
    group by 1, 2
    order by 1, 2`);
  return rows.map((row) => ({ dayId: row.day_id, timeZone: row.time_zone, people: row.people }));
}

/** Enrolments e of a run with their people p who were told of a day by a release x. */
const toldOf = (runId: number, dayId: number): Sql => sql`
  release x
  join enrolment e on e.id = x.enrolment_id and e.run_id = ${runId}::bigint and x.day_id = ${dayId}::bigint and x.is_told
  join person p on p.id = e.person_id`;

/** Nothing that they logged of a day stands. */
const hasNotLogged = (dayId: number): Sql =>
  sql`not exists (select from standing s where s.enrolment_id = e.id and s.day_id = ${dayId}::bigint)`;

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
  await layMessages(db, {
    workspaceId: r.workspaceId,
    kind: 'change',
    runId: r.runId,
    dayId: r.dayId,
    number: r.version.number,
    now: r.now,
    extra: { note: r.note },
    canBeStopped: true,
    again: 'no',
    to: sql`
      select ${toPeople({ versionId: r.version.id, expiresAt: r.expiresAt })}
      from ${toldOf(r.runId, r.dayId)}
      where x.begun_at is null
        and is_reached(p)
        and not exists (
          select from message m
          where m.enrolment_id = e.id and m.day_id = ${r.dayId}::bigint and m.state in ('waiting', 'sending')
        )
        and ${hasNotLogged(r.dayId)}`,
  });
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
  await layMessages(db, {
    workspaceId: w.workspaceId,
    kind: 'withdrawn',
    runId: w.runId,
    dayId: w.dayId,
    number: w.sequence,
    now: w.now,
    extra: { note: w.note },
    canBeStopped: true,
    again: 'no',
    to: sql`
      select ${toPeople({ versionId: sql`x.version_id`, expiresAt: w.expiresAt })}
      from ${toldOf(w.runId, w.dayId)}
      where is_reached(p)
        and exists (
          select from message m
          where m.enrolment_id = e.id and m.day_id = ${w.dayId}::bigint and m.state = 'accepted'
        )
        and ${hasNotLogged(w.dayId)}`,
  });
}

/** Lays the message of a rest day for those of these groups who asked for it. `number` is the date, as 20260513. */
export async function insertRestMessages(
  db: Db,
  r: { workspaceId: number; runId: number; groups: readonly DueGroup[]; number: number; now: Date },
): Promise<void> {
  await layMessages(db, {
    workspaceId: r.workspaceId,
    kind: 'rest',
    runId: r.runId,
    dayId: null,
    number: r.number,
    now: r.now,
    again: 'no',
    to: sql`
      select ${toPeople({ versionId: null, expiresAt: UNTIL_DAY_ENDS })}
      from ${dueOf(r.runId, r.groups)}
      where p.wants_rest_days and is_reached(p)`,
  });
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
  await layMessages(db, {
    workspaceId: r.workspaceId,
    kind: 'reminder',
    runId: r.runId,
    dayId: r.dayId,
    number: 0,
    now: r.now,
    again: 'no',
    to: sql`
      select ${toPeople({ versionId: sql`x.version_id`, expiresAt: UNTIL_DAY_ENDS })}
      from ${dueOf(r.runId, r.groups)}
      join release x on x.enrolment_id = e.id and x.day_id = ${r.dayId}::bigint
      where p.reminder_at <= g."localTime" and is_reached(p) and ${hasNotLogged(r.dayId)}`,
  });
}

/** Lays the reminder of a live session for those who said that they come. */
export async function insertLiveReminders(
  db: Db,
  l: { workspaceId: number; runId: number; dayId: number; sequence: number; expiresAt: Date; now: Date },
): Promise<void> {
  await layMessages(db, {
    workspaceId: l.workspaceId,
    kind: 'live',
    runId: l.runId,
    dayId: l.dayId,
    number: l.sequence,
    now: l.now,
    again: 'no',
    to: sql`
      select ${toPeople({ versionId: null, expiresAt: l.expiresAt })}
      from run_day y
      join live_reply l on l.run_day_id = y.id and l.answer = 'yes'
      join enrolment e on e.id = l.enrolment_id and is_in_run(e)
      join person p on p.id = e.person_id
      where y.run_id = ${l.runId}::bigint
        and y.day_id = ${l.dayId}::bigint
        and y.withdrawn_at is null
        and is_reached(p)`,
  });
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
  await layMessages(db, {
    workspaceId: f.workspaceId,
    kind: 'flag',
    runId: f.runId,
    dayId: f.dayId,
    number: f.hoursAhead,
    now: f.now,
    extra: f.extra,
    again: 'no',
    to: sql`
      select
        null::bigint as person_id,
        null::bigint as enrolment_id,
        c.id as coach_id,
        ${COACH_CHANNEL}::text as channel,
        c.email as address,
        null::bigint as version_id,
        ${f.expiresAt}::timestamptz as expires_at
      from coach c
      where c.workspace_id = ${f.workspaceId}::bigint`,
  });
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
