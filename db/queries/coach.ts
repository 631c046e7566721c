import type { Db } from '../pool.ts';

export interface CoachAccount {
  readonly coachId: number;
  readonly workspaceId: number;
  readonly passwordHash: string;
}

export interface SignedInCoach {
  readonly coachId: number;
  readonly workspaceId: number;
  readonly coachName: string;
  readonly workspaceName: string;
}

/** Looks across workspaces, by the exact address. */
export async function findCoachByEmail(db: Db, email: string): Promise<CoachAccount | undefined> {
  const { rows } = await db.query<{ coach_id: number; workspace_id: number; password_hash: string }>(
    'select coach_id, workspace_id, password_hash from find_coach_by_email($1::text)',
    [email],
  );
  const row = rows[0];
  return row && { coachId: row.coach_id, workspaceId: row.workspace_id, passwordHash: row.password_hash };
}

/** Looks across workspaces, by the hash of a session's token. */
export async function findCoachSession(db: Db, tokenHash: Buffer, now: Date): Promise<SignedInCoach | undefined> {
  const { rows } = await db.query<{
    coach_id: number;
    workspace_id: number;
    coach_name: string;
    workspace_name: string;
  }>('select coach_id, workspace_id, coach_name, workspace_name from find_coach_session($1::bytea, $2::timestamptz)', [
    tokenHash,
    now,
  ]);
  const row = rows[0];
  return (
    row && {
      coachId: row.coach_id,
      workspaceId: row.workspace_id,
      coachName: row.coach_name,
      workspaceName: row.workspace_name,
    }
  );
}

export async function insertCoachSession(
  db: Db,
  session: { tokenHash: Buffer; workspaceId: number; coachId: number; expiresAt: Date },
): Promise<void> {
  await db.query(
    `insert into coach_session (token_hash, workspace_id, coach_id, expires_at)
     values ($1::bytea, $2::bigint, $3::bigint, $4::timestamptz)`,
    [session.tokenHash, session.workspaceId, session.coachId, session.expiresAt],
  );
}

export async function deleteCoachSession(db: Db, tokenHash: Buffer): Promise<void> {
  await db.query('delete from coach_session where token_hash = $1::bytea', [tokenHash]);
}

export async function deleteExpiredSessions(db: Db, now: Date): Promise<void> {
  await db.query('delete from coach_session where expires_at <= $1::timestamptz', [now]);
}

/**
 * Notes an attempt under each key, forgets those from before `since`, and gives how many each key has had from then on, this
 * one included, in the order of the keys.
 */
export async function addSignInAttempts(
  db: Db,
  keyHashes: readonly Buffer[],
  at: Date,
  since: Date,
): Promise<number[]> {
  await db.query('delete from sign_in_attempt where attempted_at < $1::timestamptz', [since]);
  await db.query(
    'insert into sign_in_attempt (key_hash, attempted_at) select key, $2::timestamptz from unnest($1::bytea[]) as key',
    [[...keyHashes], at],
  );
  const { rows } = await db.query<{ count: number }>(
    `select count(a.key_hash) from unnest($1::bytea[]) with ordinality as k(key, place)
     left join sign_in_attempt a on a.key_hash = k.key
     group by k.place order by k.place`,
    [[...keyHashes]],
  );
  return rows.map((row) => row.count);
}

export async function deleteSignInAttempts(db: Db, keyHashes: readonly Buffer[]): Promise<void> {
  await db.query('delete from sign_in_attempt where key_hash = any ($1::bytea[])', [[...keyHashes]]);
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
