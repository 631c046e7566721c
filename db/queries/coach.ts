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

/**
 * Notes an attempt under each key, if none of them has had as many as it may since then; false where one has, and nothing is noted:
 * a refused ask doesn't count.
 */
export async function addAttemptWithin(
  db: Db,
  limits: readonly { readonly keyHash: Buffer; readonly most: number }[],
  at: Date,
  since: Date,
): Promise<boolean> {
  const keys = limits.map((l) => l.keyHash);
  const { rowCount } = await db.query(
    `with limits as (select * from unnest($1::bytea[], $2::integer[]) as l(key, most))
     insert into sign_in_attempt (key_hash, attempted_at)
     select key, $3::timestamptz from limits
     where not exists (
       select from limits l where (select count(*) from sign_in_attempt a where a.key_hash = l.key and a.attempted_at >= $4::timestamptz) >= l.most)`,
    [keys, limits.map((l) => l.most), at, since],
  );
  return rowCount === limits.length;
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

/** The names of a workspace's coaches, the first of them first. */
export async function listCoachNames(db: Db): Promise<string[]> {
  const { rows } = await db.query<{ name: string }>('select name from coach order by id');
  return rows.map((r) => r.name);
}

export async function getCoachName(db: Db, coachId: number): Promise<string> {
  const { rows } = await db.query<{ name: string }>('select name from coach where id = $1::bigint', [coachId]);
  return rows[0]?.name ?? '';
}

/** Coaches of a workspace, for its own pages. */
export async function listCoaches(db: Db): Promise<{ id: number; name: string; email: string }[]> {
  const { rows } = await db.query<{ id: number; name: string; email: string }>(
    'select id, name, email from coach order by id',
  );
  return rows;
}

export interface CoachDoor {
  readonly workspaceId: number;
  readonly kind: 'reset' | 'invite';
  readonly coachId: number | null;
  readonly email: string;
}

/** Looks across workspaces, by the hash of a door's token: one that is open still, and wasn't gone through. */
export async function findCoachDoor(db: Db, tokenHash: Buffer, now: Date): Promise<CoachDoor | undefined> {
  const { rows } = await db.query<{
    workspace_id: number;
    kind: 'reset' | 'invite';
    coach_id: number | null;
    email: string;
  }>('select * from find_coach_door($1::bytea, $2::timestamptz)', [tokenHash, now]);
  return (
    rows[0] && {
      workspaceId: rows[0].workspace_id,
      kind: rows[0].kind,
      coachId: rows[0].coach_id,
      email: rows[0].email,
    }
  );
}

/** Opens a door for a coach, or for who is to become one; the message that carries it makes its token from `salt`. */
export async function insertCoachDoor(
  db: Db,
  d: {
    workspaceId: number;
    kind: 'reset' | 'invite';
    coachId: number | null;
    email: string;
    salt: string;
    tokenHash: Buffer;
    expiresAt: Date;
  },
): Promise<void> {
  await db.query(
    `insert into coach_door (token_hash, workspace_id, kind, coach_id, email, salt, expires_at)
     values ($1::bytea, $2::bigint, $3::text, $4::bigint, lower($5::text), $6::uuid, $7::timestamptz)
     on conflict (token_hash) do nothing`,
    [d.tokenHash, d.workspaceId, d.kind, d.coachId, d.email, d.salt, d.expiresAt],
  );
}

/** Goes through a door: true the first time only. Others to the same place end with it, those on their way included. */
export async function useCoachDoor(db: Db, tokenHash: Buffer, now: Date): Promise<boolean> {
  const { rows } = await db.query<{ kind: CoachDoor['kind']; email: string }>(
    `update coach_door set used_at = $2::timestamptz where token_hash = $1::bytea and used_at is null and expires_at > $2::timestamptz
     returning kind, email`,
    [tokenHash, now],
  );
  if (!rows[0]) return false;
  const { kind, email } = rows[0];
  await db.query(
    'update coach_door set used_at = $3::timestamptz where kind = $1::text and email = $2::text and used_at is null',
    [kind, email, now],
  );
  await db.query(
    `update message set state = 'dropped', reason = 'it was answered already' where kind = $1::text and lower(address) = $2::text and state = 'waiting'`,
    [kind, email],
  );
  return true;
}

/** Sets a coach's password, and ends every sign-in of theirs, remembered browsers included. */
export async function updateCoachPassword(db: Db, coachId: number, passwordHash: string): Promise<void> {
  await db.query('update coach set password_hash = $2::text where id = $1::bigint', [coachId, passwordHash]);
  await deleteCoachSessions(db, coachId);
}

/** Ends every sign-in of a coach, on whatever device. */
export async function deleteCoachSessions(db: Db, coachId: number): Promise<void> {
  await db.query('delete from coach_session where coach_id = $1::bigint', [coachId]);
  await db.query('delete from coach_device where coach_id = $1::bigint', [coachId]);
}

/** A further coach of a workspace; undefined where the address is a coach's already. */
export async function insertCoach(
  db: Db,
  c: { workspaceId: number; email: string; name: string; passwordHash: string },
): Promise<number | undefined> {
  const { rows } = await db.query<{ id: number }>(
    `insert into coach (workspace_id, email, name, password_hash) values ($1::bigint, lower($2::text), $3::text, $4::text)
     on conflict on constraint coach_email_unique do nothing returning id`,
    [c.workspaceId, c.email, c.name, c.passwordHash],
  );
  return rows[0]?.id;
}

export async function getCoachEmail(db: Db, coachId: number): Promise<string> {
  const { rows } = await db.query<{ email: string }>('select email from coach where id = $1::bigint', [coachId]);
  return rows[0]?.email ?? '';
}
