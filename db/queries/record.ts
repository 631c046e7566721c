import sql from 'sql-template-tag';
import { createHash } from 'node:crypto';
import type { SessionDocument } from '../../core/document/document.ts';
import type { Outcome, RecordDetails, SessionRecord } from '../../core/record/record.ts';
import type { Score } from '../../core/record/scores/score.ts';
import type { FitChange } from '../../core/fit/fit-change.ts';
import { upgradeDocument } from '../../core/document/upgrade.ts';
import { NotFoundError } from '../errors.ts';
import type { Db } from '../pool.ts';
import type { LiveDate } from './run.ts';
import type { ReleaseStop, StopKind } from './messages/stop.ts';

/** The newest version of a day that was sent, without its document. */
export interface SentDay {
  readonly dayId: number;
  readonly versionId: number;
  readonly number: number;
  readonly changeNote: string;
  readonly week: number;
  readonly weekday: number;
  /** Of its document; null where it has none. */
  readonly title: string | null;
  /** When the first version of the day was sent. */
  readonly firstSentMs: number;
}

/** The newest version of every day that was sent in a run and not withdrawn, in the order of days. */
export async function listSentDays(db: Db, runId: number): Promise<SentDay[]> {
  const { rows } = await db.query<SentDayRow>(sql`
    select d.id as day_id, v.id as version_id, v.number, v.change_note, d.week, d.weekday, v.title, v.first_sent_at
    from sent_day v
    join day d on d.id = v.day_id
    where v.run_id = ${runId}::bigint
      and not exists (
        select from run_day y
        where y.run_id = v.run_id and y.day_id = v.day_id and y.withdrawn_at is not null
      )
    order by d.week, d.weekday`);
  return rows.map(toSentDay);
}

/** From when on a planned day could be opened, as core/record has it. */
export const sentSince = (sent: Pick<SentDay, 'firstSentMs'> | undefined): { readonly firstSentMs?: number } =>
  sent ? { firstSentMs: sent.firstSentMs } : {};

interface SentDayRow {
  day_id: number;
  version_id: number;
  number: number;
  change_note: string;
  week: number;
  weekday: number;
  title: string | null;
  first_sent_at: Date;
}

const toSentDay = (r: SentDayRow): SentDay => ({
  dayId: r.day_id,
  versionId: r.version_id,
  number: r.number,
  changeNote: r.change_note,
  week: r.week,
  weekday: r.weekday,
  title: r.title,
  firstSentMs: r.first_sent_at.getTime(),
});

/** The document of a sent version, which never changes. Throws NotFoundError where this workspace has no such version. */
export async function getVersionDocument(db: Db, versionId: number): Promise<SessionDocument> {
  const { rows } = await db.query<{ document: SessionDocument }>({
    name: 'version-document',
    text: 'select document from version where id = $1::bigint',
    values: [versionId],
  });
  if (!rows[0]) throw new NotFoundError('version');
  return upgradeDocument(rows[0].document);
}

/** Documents of sent versions, by id; one that this workspace hasn't is left out. */
export async function listVersionDocuments(db: Db, ids: readonly number[]): Promise<Map<number, SessionDocument>> {
  const { rows } = await db.query<{ id: number; document: SessionDocument }>(
    'select id, document from version where id = any($1::bigint[])',
    [ids],
  );
  return new Map(rows.map((r) => [r.id, upgradeDocument(r.document)]));
}

/** A day of a programme as one person has it: what was sent for it, and the record that stands. */
export interface PersonDay {
  readonly dayId: number;
  readonly week: number;
  readonly weekday: number;
  /** The version that is theirs: the newest, or the one that they had begun when a newer one came. Undefined where none stands. */
  readonly sent: SentDay | undefined;
  /** The newest version, where it isn't theirs because they had begun. */
  readonly newer: { readonly number: number; readonly changeNote: string } | undefined;
  /** The session's identity, which moves with it. */
  readonly session: string;
  /** The title of what was sent, also where that was withdrawn. */
  readonly sentTitle: string | undefined;
  /** It was withdrawn, and why. */
  readonly withdrawn: string | undefined;
  readonly released: { readonly atMs: number; readonly opened: boolean; readonly begun: boolean } | undefined;
  /** It has a text, whether or not that was sent; and a coach has marked that ready. */
  readonly isWritten: boolean;
  readonly isReady: boolean;
  /** It is, or was, held back from them. */
  readonly stop: Omit<ReleaseStop, 'enrolmentId'> | undefined;
  readonly live:
    | (LiveDate & {
        readonly runDayId: number;
        readonly answer: 'yes' | 'no' | null;
        readonly came: boolean;
        readonly going: number;
      })
    | undefined;
  readonly record: StoredRecord | undefined;
  /** The retest that the record was made in; null where it was in none. */
  readonly retest: string | null;
}

/** All days of one person, in one question. */
export async function listPersonDays(
  db: Db,
  at: { programmeId: number; runId: number; enrolmentId: number },
): Promise<PersonDay[]> {
  type Row = Omit<SentDayRow, 'version_id'> & { version_id: number | null } & { outcome: Outcome | null } & Omit<
      RecordRow,
      'outcome' | 'number'
    > & { record_number: number; retest: string | null } & {
      newest: number | null;
      newest_note: string | null;
      session: string;
      withdrawn_at: Date | null;
      withdrawn_note: string | null;
      released_at: Date | null;
      opened_at: Date | null;
      begun_at: Date | null;
      is_written: boolean;
      is_ready: boolean;
      stop_kind: StopKind | null;
      stop_from: Date | null;
      stop_until: Date | null;
      run_day_id: number | null;
      live_at: Date | null;
      live_minutes: number;
      live_place: string;
      live_limit: number | null;
      answer: 'yes' | 'no' | null;
      came_at: Date | null;
      going: number | null;
    };
  const { rows } = await db.query<Row>({
    name: 'person-days',
    text: `with sent as materialized (
       select id, day_id, number, change_note, sent_at, title, retest, min(sent_at) over (partition by day_id) as first_sent_at
       from version where run_id = $2::bigint
     )
     select d.id as day_id, d.week, d.weekday, v.id as version_id, v.number, v.change_note, v.title, v.first_sent_at,
       n.number as newest, n.change_note as newest_note, d.session, y.withdrawn_at, y.withdrawn_note, x.released_at, x.opened_at, x.begun_at, d.text <> '' as is_written,
       d.ready_revision is not distinct from d.revision as is_ready, st.kind as stop_kind, st.made_at as stop_from, st.until as stop_until,
       y.id as run_day_id, y.live_at, y.live_minutes, y.live_place, y.live_limit, l.answer, l.came_at,
       case when y.live_at is not null then (select count(*) from live_reply o where o.run_day_id = y.id and o.answer = 'yes') end as going,
       $3::bigint as enrolment_id, c.id as record_id, c.version_id as record_version_id, w.number as record_number, c.outcome, c.share_ratio, c.effort, c.remark, c.scores, c.made_at, c.logged_at, c.fit, c.details, w.retest
     from day d
     left join release x on x.enrolment_id = $3::bigint and x.day_id = d.id
     left join release_stop st on st.enrolment_id = $3::bigint and st.day_id = d.id
     left join run_day y on y.run_id = $2::bigint and y.day_id = d.id
     left join live_reply l on l.run_day_id = y.id and l.enrolment_id = $3::bigint
     left join sent_day n on n.run_id = $2::bigint and n.day_id = d.id
     left join sent v on v.id = case when x.begun_at is null then n.id else x.version_id end
     left join standing s on s.enrolment_id = $3::bigint and s.day_id = d.id and v.id is not null
     left join record c on c.id = s.record_id
     left join sent w on w.id = c.version_id
     where d.programme_id = $1::bigint
     order by d.week, d.weekday`,
    values: [at.programmeId, at.runId, at.enrolmentId],
  });
  return rows.map((r) => ({
    dayId: r.day_id,
    week: r.week,
    weekday: r.weekday,
    sent:
      r.version_id === null || (r.withdrawn_at !== null && r.outcome === null)
        ? undefined
        : toSentDay({ ...r, version_id: r.version_id }),
    newer: r.newest !== null && r.newest > r.number ? { number: r.newest, changeNote: r.newest_note ?? '' } : undefined,
    session: r.session,
    sentTitle: r.newest === null ? undefined : (r.title ?? ''),
    withdrawn: r.withdrawn_at === null ? undefined : (r.withdrawn_note ?? ''),
    released:
      r.released_at === null
        ? undefined
        : { atMs: r.released_at.getTime(), opened: r.opened_at !== null, begun: r.begun_at !== null },
    isWritten: r.is_written,
    isReady: r.is_ready,
    stop:
      r.stop_kind === null
        ? undefined
        : { dayId: r.day_id, kind: r.stop_kind, fromMs: r.stop_from!.getTime(), toMs: r.stop_until?.getTime() ?? null },
    live:
      r.live_at === null
        ? undefined
        : {
            runDayId: r.run_day_id!,
            atMs: r.live_at.getTime(),
            minutes: r.live_minutes,
            place: r.live_place,
            limit: r.live_limit,
            code: null,
            answer: r.answer,
            came: r.came_at !== null,
            going: r.going ?? 0,
          },
    record: r.outcome === null ? undefined : toRecord({ ...r, outcome: r.outcome, number: r.record_number }),
    retest: r.retest,
  }));
}

export interface StoredRecord extends SessionRecord {
  readonly recordId: number;
  readonly details: RecordDetails;
  /** The shapes that it was done in, where they weren't the written ones. */
  readonly fit: readonly FitChange[];
  readonly enrolmentId: number;
  readonly dayId: number;
  readonly versionId: number;
  readonly versionNumber: number;
}

interface RecordRow {
  record_id: number;
  enrolment_id: number;
  day_id: number;
  record_version_id: number;
  number: number;
  outcome: Outcome;
  share_ratio: number;
  effort: number | null;
  remark: string;
  scores: Score[];
  made_at: Date;
  logged_at: Date;
  fit: FitChange[];
  details: RecordDetails;
}

const toRecord = (r: RecordRow): StoredRecord => ({
  recordId: r.record_id,
  enrolmentId: r.enrolment_id,
  dayId: r.day_id,
  versionId: r.record_version_id,
  versionNumber: r.number,
  outcome: r.outcome,
  shareRatio: Math.round(r.share_ratio * 100) / 100,
  effort: r.effort,
  remark: r.remark,
  scores: r.scores,
  madeAtMs: r.made_at.getTime(),
  loggedAtMs: r.logged_at.getTime(),
  fit: r.fit,
  details: r.details,
});

const SELECT_RECORD = `
  select distinct on (c.enrolment_id, v.day_id) c.id as record_id, c.enrolment_id, v.day_id, c.version_id as record_version_id, v.number, c.outcome, c.share_ratio, c.effort, c.remark, c.scores, c.made_at, c.logged_at, c.fit, c.details
  from record c join version v on v.id = c.version_id`;
const NEWEST_FIRST = 'order by c.enrolment_id, v.day_id, c.made_at desc, c.id desc';

/**
 * What stands of one person and day: the newest by when it was made on the device, corrections included. Undefined where they
 * have said nothing.
 */
export async function findRecord(db: Db, enrolmentId: number, dayId: number): Promise<StoredRecord | undefined> {
  const { rows } = await db.query<RecordRow>(
    `${SELECT_RECORD} where c.enrolment_id = $1::bigint and v.day_id = $2::bigint ${NEWEST_FIRST}`,
    [enrolmentId, dayId],
  );
  return rows[0] && toRecord(rows[0]);
}

/** What was said in a span of time: how much, and of it what is read first. */
export interface SaidSpan {
  readonly count: number;
  /** Those with words first, then the newest. */
  readonly first: readonly StoredRecord[];
}

/** What was said in a run since an instant, and what between another and that: of each person and day the newest, corrections included. */
export async function listSaid(
  db: Db,
  at: { readonly runId: number; readonly fromMs: number; readonly thenMs: number; readonly most: number },
): Promise<{ readonly since: SaidSpan; readonly before: SaidSpan }> {
  const { rows } = await db.query<RecordRow & { is_since: boolean; count: number }>({
    name: 'said',
    text: `with newest as (
       ${SELECT_RECORD} where v.run_id = $1::bigint and c.logged_at >= $2::timestamptz ${NEWEST_FIRST}
     ), placed as (
       select *, logged_at >= $3::timestamptz as is_since, count(*) over span::integer as count,
         row_number() over (span order by remark <> '' desc, logged_at desc, enrolment_id) as place
       from newest window span as (partition by logged_at >= $3::timestamptz)
     )
     select * from placed where place <= $4::integer order by place`,
    values: [at.runId, new Date(at.fromMs), new Date(at.thenMs), at.most],
  });
  const span = (own: typeof rows): SaidSpan => ({ count: own[0]?.count ?? 0, first: own.map(toRecord) });
  return { since: span(rows.filter((r) => r.is_since)), before: span(rows.filter((r) => !r.is_since)) };
}

export interface NewRecord {
  readonly workspaceId: number;
  readonly enrolmentId: number;
  readonly versionId: number;
  readonly clientId: string;
  readonly record: SessionRecord;
  readonly fit?: readonly FitChange[];
}

/**
 * Appends a record. The same id with the same content, a retry, is stored once; the same id with other content is no retry but a
 * correction, and is kept as one, under an id that follows from both, so that its own retries are stored once too.
 */
export async function insertRecord(db: Db, r: NewRecord): Promise<void> {
  if ((await insertNewRecords(db, [r])) === 1) return;
  const { rows } = await db.query<{ same: boolean; day_id: number }>(
    `select now.day_id, was.day_id = now.day_id and outcome = $4::text and share_ratio = $5::real and effort is not distinct from $6::smallint
       and remark = $7::text and scores = $8::jsonb and details - 'clockOffSec' = $9::jsonb as same
     from record join version was on was.id = record.version_id, version now
     where enrolment_id = $1::bigint and client_id = $2::uuid and now.id = $3::bigint`,
    [r.enrolmentId, r.clientId, r.versionId, ...contentOf(r.record)],
  );
  if (rows[0]?.same === false) await insertNewRecords(db, [{ ...r, clientId: correctionId(r, rows[0].day_id) }]);
}

/** What makes a record another one; how far a device's clock is off is no content. */
const contentOf = ({ outcome, shareRatio, effort, remark, scores, details }: SessionRecord) => [
  outcome,
  shareRatio,
  effort,
  remark,
  JSON.stringify(scores),
  JSON.stringify({ ...details, clockOffSec: undefined }),
];

/** An id (RFC 9562, version 8: a hash of ours) that is the same for the same content under the same id. */
function correctionId(r: NewRecord, dayId: number): string {
  const hash = createHash('sha256')
    .update(JSON.stringify([r.clientId.toLowerCase(), dayId, ...contentOf(r.record)]))
    .digest('hex');
  return `${hash.slice(0, 8)}-${hash.slice(8, 12)}-8${hash.slice(13, 16)}-a${hash.slice(17, 20)}-${hash.slice(20, 32)}`;
}

/** Appends records that nobody has sent before, all at once; gives how many were new. */
export async function insertNewRecords(db: Db, records: readonly NewRecord[]): Promise<number> {
  const { rowCount } = await db.query(
    `insert into record (workspace_id, enrolment_id, version_id, client_id, outcome, share_ratio, effort, remark, scores, fit, details, made_at, logged_at)
     select x."workspaceId", x."enrolmentId", x."versionId", x."clientId", x.outcome, x."shareRatio", x.effort, x.remark, x.scores, x.fit, x.details,
       -- What answers a record that stands is never older than that, whatever clocks say.
       coalesce((
         select greatest(x."madeAt", s.made_at) from standing s join version v on v.id = x."versionId"
         where s.enrolment_id = x."enrolmentId" and s.day_id = v.day_id and s.record_id <= x."afterId"), x."madeAt"),
       x."loggedAt"
     from jsonb_to_recordset($1::jsonb) as x("workspaceId" bigint, "enrolmentId" bigint, "versionId" bigint, "clientId" uuid,
       outcome text, "shareRatio" real, effort smallint, remark text, scores jsonb, fit jsonb, details jsonb, "madeAt" timestamptz, "loggedAt" timestamptz, "afterId" bigint)
     on conflict on constraint record_once do nothing`,
    [JSON.stringify(records.map(toStored))],
  );
  return rowCount ?? 0;
}

const toStored = ({ record, fit = [], ...r }: NewRecord) => ({
  ...r,
  ...record,
  details: record.details ?? {},
  fit,
  madeAt: new Date(record.madeAtMs),
  loggedAt: new Date(record.loggedAtMs),
  afterId: record.afterId ?? null,
});

/** Whether a version is one of a day of a run: what was done on a phone may have been corrected, or withdrawn, since. */
export async function isVersionOf(
  db: Db,
  { runId, dayId, versionId }: { readonly runId: number; readonly dayId: number; readonly versionId: number },
): Promise<boolean> {
  const { rows } = await db.query(
    'select from version where id = $1::bigint and run_id = $2::bigint and day_id = $3::bigint',
    [versionId, runId, dayId],
  );
  return rows.length > 0;
}

/** How often each day of someone was said anew: how many records stand behind the one that counts. */
export async function countCorrections(db: Db, enrolmentId: number, dayId: number): Promise<number> {
  const { rows } = await db.query<{ count: number }>(
    `select count(*)::integer - 1 as count from record c join version v on v.id = c.version_id
     where c.enrolment_id = $1::bigint and v.day_id = $2::bigint`,
    [enrolmentId, dayId],
  );
  return Math.max(0, rows[0]!.count);
}
