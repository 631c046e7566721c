import type { CoachRole } from '../../../core/coach-role.ts';
import type { Db } from '../../pool.ts';

export interface SignedInCoach {
  readonly coachId: number;
  readonly workspaceId: number;
  readonly coachName: string;
  readonly workspaceName: string;
  readonly role: CoachRole;
  readonly sessionId: number;
  readonly seenAtMs: number;
  readonly madeAtMs: number;
  /** When they last showed their password. */
  readonly provedAtMs: number;
  /** The second step is still to come: nothing opens yet. */
  readonly waitsForCode: boolean;
  readonly hasSecondStep: boolean;
}

/** Looks across workspaces, by the hash of a session's token. */
export async function findCoachSession(db: Db, tokenHash: Buffer, now: Date): Promise<SignedInCoach | undefined> {
  const { rows } = await db.query<{
    coach_id: number;
    workspace_id: number;
    coach_name: string;
    workspace_name: string;
    role: CoachRole;
    session_id: number;
    seen_at: Date;
    made_at: Date;
    proved_at: Date;
    waits_for_code: boolean;
    has_second_step: boolean;
  }>('select * from find_coach_session($1::bytea, $2::timestamptz)', [tokenHash, now]);
  const row = rows[0];
  return (
    row && {
      coachId: row.coach_id,
      workspaceId: row.workspace_id,
      coachName: row.coach_name,
      workspaceName: row.workspace_name,
      role: row.role,
      sessionId: row.session_id,
      seenAtMs: row.seen_at.getTime(),
      madeAtMs: row.made_at.getTime(),
      provedAtMs: row.proved_at.getTime(),
      waitsForCode: row.waits_for_code,
      hasSecondStep: row.has_second_step,
    }
  );
}

export async function insertCoachSession(
  db: Db,
  s: {
    tokenHash: Buffer;
    workspaceId: number;
    coachId: number;
    now: Date;
    expiresAt: Date;
    /** `Firefox on Linux` */
    agent: string;
    waitsForCode: boolean;
  },
): Promise<void> {
  await db.query(
    `insert into coach_session (token_hash, workspace_id, coach_id, made_at, seen_at, proved_at, expires_at, agent, waits_for_code)
     values ($1::bytea, $2::bigint, $3::bigint, $4::timestamptz, $4::timestamptz, $4::timestamptz, $5::timestamptz, $6::text, $7::boolean)`,
    [s.tokenHash, s.workspaceId, s.coachId, s.now, s.expiresAt, s.agent, s.waitsForCode],
  );
}

/** Notes that a session is in use, and until when it lasts without being. */
export async function touchCoachSession(db: Db, sessionId: number, now: Date, expiresAt: Date): Promise<void> {
  await db.query(
    `update coach_session set seen_at = $2::timestamptz, expires_at = $3::timestamptz where id = $1::bigint`,
    [sessionId, now, expiresAt],
  );
}

/** Notes that who has a session has just shown their password, and their code where they have one. */
export async function updateSessionProved(db: Db, sessionId: number, now: Date, expiresAt: Date): Promise<void> {
  await db.query(
    `update coach_session set proved_at = $2::timestamptz, seen_at = $2::timestamptz, expires_at = $3::timestamptz, waits_for_code = false
     where id = $1::bigint`,
    [sessionId, now, expiresAt],
  );
}

export interface CoachSession {
  readonly id: number;
  readonly agent: string;
  readonly madeAtMs: number;
  readonly seenAtMs: number;
}

/** Where a coach is signed in, the one seen last first. */
export async function listCoachSessions(db: Db, coachId: number, now: Date): Promise<CoachSession[]> {
  const { rows } = await db.query<{ id: number; agent: string; made_at: Date; seen_at: Date }>(
    `select id, agent, made_at, seen_at
     from coach_session
     where coach_id = $1::bigint and expires_at > $2::timestamptz and not waits_for_code
     order by seen_at desc, id desc`,
    [coachId, now],
  );
  return rows.map((r) => ({
    id: r.id,
    agent: r.agent,
    madeAtMs: r.made_at.getTime(),
    seenAtMs: r.seen_at.getTime(),
  }));
}

/** Ends one of a coach's own sessions; what was remembered of the browser stays. */
export async function deleteCoachSession(db: Db, coachId: number, sessionId: number): Promise<boolean> {
  const { rowCount } = await db.query('delete from coach_session where id = $2::bigint and coach_id = $1::bigint', [
    coachId,
    sessionId,
  ]);
  return rowCount === 1;
}

export async function deleteExpiredSessions(db: Db, now: Date): Promise<void> {
  await db.query('delete from coach_session where expires_at <= $1::timestamptz', [now]);
}

/** Ends a coach's sign-ins on whatever device, but for one session where that is named; browsers aren't remembered any more. */
export async function deleteCoachSessions(db: Db, coachId: number, exceptId: number | null = null): Promise<void> {
  await db.query('delete from coach_session where coach_id = $1::bigint and ($2::bigint is null or id <> $2::bigint)', [
    coachId,
    exceptId,
  ]);
  await db.query('delete from coach_device where coach_id = $1::bigint', [coachId]);
}

/** Looks across workspaces: whether a browser's token is one that the coach of this address has signed in from. */
export async function isCoachDevice(db: Db, tokenHash: Buffer, email: string): Promise<boolean> {
  const { rows } = await db.query<{ is: boolean }>('select is_coach_device($1::bytea, $2::text) as is', [
    tokenHash,
    email,
  ]);
  return rows[0]!.is;
}

/** Browsers remembered for one coach; the longest unseen go. */
const MAX_DEVICES = 20;

export async function upsertCoachDevice(
  db: Db,
  device: { tokenHash: Buffer; workspaceId: number; coachId: number; now: Date },
): Promise<void> {
  await db.query(
    `insert into coach_device (token_hash, workspace_id, coach_id, seen_at)
     values ($1::bytea, $2::bigint, $3::bigint, $4::timestamptz)
     on conflict (token_hash) do update set seen_at = excluded.seen_at`,
    [device.tokenHash, device.workspaceId, device.coachId, device.now],
  );
  await db.query(
    `delete from coach_device where coach_id = $1::bigint and token_hash not in (
       select token_hash from coach_device where coach_id = $1::bigint order by seen_at desc limit $2::integer)`,
    [device.coachId, MAX_DEVICES],
  );
}
