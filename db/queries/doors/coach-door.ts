import type { CoachRole } from '../../../core/coach-role.ts';
import type { Db } from '../../pool.ts';

/** What a door leads to: a new password, a place in a workspace, or a new address of one's own. */
export type DoorKind = 'reset' | 'invite' | 'address';

export interface CoachDoor {
  readonly workspaceId: number;
  readonly kind: DoorKind;
  readonly coachId: number | null;
  readonly email: string;
  /** What who is invited becomes. */
  readonly role: CoachRole;
}

/** Looks across workspaces, by the hash of a door's token: one that is open still, and wasn't gone through. */
export async function findCoachDoor(db: Db, tokenHash: Buffer, now: Date): Promise<CoachDoor | undefined> {
  const { rows } = await db.query<{
    workspace_id: number;
    kind: DoorKind;
    coach_id: number | null;
    email: string;
    role: CoachRole;
  }>('select * from find_coach_door($1::bytea, $2::timestamptz)', [tokenHash, now]);
  const row = rows[0];
  return (
    row && {
      workspaceId: row.workspace_id,
      kind: row.kind,
      coachId: row.coach_id,
      email: row.email,
      role: row.role,
    }
  );
}

/** Opens a door for a coach, or for who is to become one; the message that carries it makes its token from `salt`. */
export async function insertCoachDoor(
  db: Db,
  d: {
    workspaceId: number;
    kind: DoorKind;
    coachId: number | null;
    email: string;
    role?: CoachRole;
    salt: string;
    tokenHash: Buffer;
    now: Date;
    expiresAt: Date;
  },
): Promise<void> {
  await db.query(
    `insert into coach_door (token_hash, workspace_id, kind, coach_id, email, salt, made_at, expires_at, role)
     values ($1::bytea, $2::bigint, $3::text, $4::bigint, lower($5::text), $6::uuid, $7::timestamptz, $8::timestamptz, $9::text)
     on conflict (token_hash) do nothing`,
    [d.tokenHash, d.workspaceId, d.kind, d.coachId, d.email, d.salt, d.now, d.expiresAt, d.role ?? 'coach'],
  );
}

/** Closes what still leads somewhere by a kind of door, and drops the messages with it that wait. */
async function closeDoorsTo(db: Db, kind: DoorKind, email: string, now: Date, reason: string): Promise<number> {
  const { rowCount } = await db.query(
    `update coach_door set used_at = $3::timestamptz
     where kind = $1::text and email = $2::text and used_at is null and expires_at > $3::timestamptz`,
    [kind, email, now],
  );
  await db.query(
    `update message set state = 'dropped', reason = $3::text
     where kind = $1::text and lower(address) = $2::text and state = 'waiting'`,
    [kind, email, reason],
  );
  return rowCount ?? 0;
}

/** Goes through a door: true the first time only. Others to the same place end with it, those on their way included. */
export async function useCoachDoor(db: Db, tokenHash: Buffer, now: Date): Promise<boolean> {
  const { rows } = await db.query<{ kind: DoorKind; email: string }>(
    `update coach_door set used_at = $2::timestamptz
     where token_hash = $1::bytea and used_at is null and expires_at > $2::timestamptz
     returning kind, email`,
    [tokenHash, now],
  );
  if (!rows[0]) return false;
  await closeDoorsTo(db, rows[0].kind, rows[0].email, now, 'it was answered already');
  return true;
}

export interface Invitation {
  readonly email: string;
  readonly role: CoachRole;
  readonly expiresAtMs: number;
}

/** Who was invited and hasn't come yet, one line an address: the newest invitation. */
export async function listInvitations(db: Db, now: Date): Promise<Invitation[]> {
  const { rows } = await db.query<{ email: string; role: CoachRole; expires_at: Date }>(
    `select distinct on (email) email, role, expires_at
     from coach_door
     where kind = 'invite' and used_at is null and expires_at > $1::timestamptz
     order by email, made_at desc`,
    [now],
  );
  return rows.map((r) => ({ email: r.email, role: r.role, expiresAtMs: r.expires_at.getTime() }));
}

/** Withdraws what an address was invited by; false where nothing was open. */
export const withdrawInvitations = async (db: Db, email: string, now: Date): Promise<boolean> =>
  (await closeDoorsTo(db, 'invite', email, now, 'the invitation was withdrawn')) > 0;

/** Closes a coach's ways to a new password and a new address: when they are removed, or have changed either. */
export async function closeOwnDoors(db: Db, coachId: number, now: Date): Promise<void> {
  await db.query('update coach_door set used_at = $2::timestamptz where coach_id = $1::bigint and used_at is null', [
    coachId,
    now,
  ]);
  await db.query(
    `update message set state = 'dropped', reason = 'it is no longer wanted'
     where coach_id = $1::bigint and kind in ('reset', 'address') and state = 'waiting'`,
    [coachId],
  );
}
