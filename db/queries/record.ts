import { createHash } from 'node:crypto';
import type { SessionDocument } from '../../core/session/document.ts';
import type { Outcome, SessionRecord } from '../../core/record/record.ts';
import type { Score } from '../../core/record/score.ts';
import type { FitChange } from '../../core/movement/fit-session.ts';
import type { Db } from '../pool.ts';

/** A version as one person's page needs it. */
export interface SentDay {
  readonly dayId: number;
  readonly versionId: number;
  readonly number: number;
  readonly changeNote: string;
  readonly week: number;
  readonly weekday: number;
  readonly document: SessionDocument;
}

/** The newest version of every day that was sent in a run, in the order of days. */
export async function listSentDays(db: Db, runId: number): Promise<SentDay[]> {
  const { rows } = await db.query<{
    day_id: number;
    version_id: number;
    number: number;
    change_note: string;
    week: number;
    weekday: number;
    document: SessionDocument;
  }>(
    `select distinct on (d.week, d.weekday) d.id as day_id, v.id as version_id, v.number, v.change_note, d.week, d.weekday, v.document
     from version v join day d on d.id = v.day_id
     where v.run_id = $1::bigint
     order by d.week, d.weekday, v.number desc`,
    [runId],
  );
  return rows.map((r) => ({
    dayId: r.day_id,
    versionId: r.version_id,
    number: r.number,
    changeNote: r.change_note,
    week: r.week,
    weekday: r.weekday,
    document: r.document,
  }));
}

export interface StoredRecord extends SessionRecord {
  /** The shapes that it was done in, where they weren't the written ones. */
  readonly fit: readonly FitChange[];
  readonly enrolmentId: number;
  readonly dayId: number;
  readonly versionNumber: number;
}

interface RecordRow {
  enrolment_id: number;
  day_id: number;
  number: number;
  outcome: Outcome;
  share_ratio: number;
  effort: number | null;
  remark: string;
  scores: Score[];
  made_at: Date;
  logged_at: Date;
  fit: FitChange[];
}

const toRecord = (r: RecordRow): StoredRecord => ({
  enrolmentId: r.enrolment_id,
  dayId: r.day_id,
  versionNumber: r.number,
  outcome: r.outcome,
  shareRatio: Math.round(r.share_ratio * 100) / 100,
  effort: r.effort,
  remark: r.remark,
  scores: r.scores,
  madeAtMs: r.made_at.getTime(),
  loggedAtMs: r.logged_at.getTime(),
  fit: r.fit,
});

const SELECT_RECORD = `
  select distinct on (c.enrolment_id, v.day_id) c.enrolment_id, v.day_id, v.number, c.outcome, c.share_ratio, c.effort, c.remark, c.scores, c.made_at, c.logged_at, c.fit
  from record c join version v on v.id = c.version_id`;
const NEWEST_FIRST = 'order by c.enrolment_id, v.day_id, c.made_at desc, c.id desc';

/**
 * The record that stands for every person and day of a run: the newest by when it was made on the device, corrections included.
 */
export async function listRecords(db: Db, runId: number): Promise<StoredRecord[]> {
  const { rows } = await db.query<RecordRow>(`${SELECT_RECORD} where v.run_id = $1::bigint ${NEWEST_FIRST}`, [runId]);
  return rows.map(toRecord);
}

export async function listRecordsOfPerson(db: Db, enrolmentId: number): Promise<StoredRecord[]> {
  const { rows } = await db.query<RecordRow>(`${SELECT_RECORD} where c.enrolment_id = $1::bigint ${NEWEST_FIRST}`, [
    enrolmentId,
  ]);
  return rows.map(toRecord);
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
  const stored = await insertUnder(db, r, r.clientId);
  if (stored) return;
  const { rows } = await db.query<{ same: boolean; day_id: number }>(
    `select now.day_id, was.day_id = now.day_id and outcome = $4::text and share_ratio = $5::real and effort is not distinct from $6::smallint
       and remark = $7::text and scores = $8::jsonb as same
     from record join version was on was.id = record.version_id, version now
     where enrolment_id = $1::bigint and client_id = $2::uuid and now.id = $3::bigint`,
    [r.enrolmentId, r.clientId, r.versionId, ...contentOf(r.record)],
  );
  if (rows[0]?.same === false) await insertUnder(db, r, correctionId(r, rows[0].day_id));
}

const contentOf = ({ outcome, shareRatio, effort, remark, scores }: SessionRecord) => [
  outcome,
  shareRatio,
  effort,
  remark,
  JSON.stringify(scores),
];

/** An id (RFC 9562, version 8: a hash of ours) that is the same for the same content under the same id. */
function correctionId(r: NewRecord, dayId: number): string {
  const hash = createHash('sha256')
    .update(JSON.stringify([r.clientId.toLowerCase(), dayId, ...contentOf(r.record)]))
    .digest('hex');
  return `${hash.slice(0, 8)}-${hash.slice(8, 12)}-8${hash.slice(13, 16)}-a${hash.slice(17, 20)}-${hash.slice(20, 32)}`;
}

async function insertUnder(db: Db, r: NewRecord, clientId: string): Promise<boolean> {
  const { record } = r;
  const { rowCount } = await db.query(
    `insert into record (workspace_id, enrolment_id, version_id, client_id, outcome, share_ratio, effort, remark, scores, fit, made_at, logged_at)
     select x."workspaceId", x."enrolmentId", x."versionId", x."clientId", x.outcome, x."shareRatio", x.effort, x.remark, x.scores, x.fit,
       $2::timestamptz, $3::timestamptz
     from jsonb_to_record($1::jsonb) as x("workspaceId" bigint, "enrolmentId" bigint, "versionId" bigint, "clientId" uuid,
       outcome text, "shareRatio" real, effort smallint, remark text, scores jsonb, fit jsonb)
     on conflict on constraint record_once do nothing`,
    [
      JSON.stringify({ ...r, record: undefined, ...record, clientId, fit: r.fit ?? [] }),
      new Date(record.madeAtMs),
      new Date(record.loggedAtMs),
    ],
  );
  return rowCount === 1;
}
