import type { CoachRole } from '../../../core/coach-role.ts';
import type { Db } from '../../pool.ts';

export interface CoachAccount {
  readonly coachId: number;
  readonly workspaceId: number;
  readonly passwordHash: string;
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

/** The names of who coaches in a workspace, the first of them first. */
export async function listCoachNames(db: Db): Promise<string[]> {
  const { rows } = await db.query<{ name: string }>('select name from coach where gone_at is null order by id');
  return rows.map((r) => r.name);
}

export async function getCoachName(db: Db, coachId: number): Promise<string> {
  const { rows } = await db.query<{ name: string }>('select name from coach where id = $1::bigint', [coachId]);
  return rows[0]?.name ?? '';
}

export interface Coach {
  readonly id: number;
  readonly name: string;
  readonly email: string;
  readonly role: CoachRole;
  readonly hasSecondStep: boolean;
}

/** Who coaches in a workspace, the first one first. */
export async function listCoaches(db: Db): Promise<Coach[]> {
  const { rows } = await db.query<{ id: number; name: string; email: string; role: CoachRole; has: boolean }>(
    `select id, name, email, role, totp_sealed is not null as has
     from coach
     where gone_at is null
     order by id`,
  );
  return rows.map(({ has, ...coach }) => ({ ...coach, hasSecondStep: has }));
}

/** What a coach is let in by. */
export interface CoachKeys {
  readonly passwordHash: string;
  readonly totpSealed: Buffer | null;
}

export async function getCoachKeys(db: Db, coachId: number): Promise<CoachKeys> {
  const { rows } = await db.query<{ password_hash: string; totp_sealed: Buffer | null }>(
    'select password_hash, totp_sealed from coach where id = $1::bigint and gone_at is null',
    [coachId],
  );
  if (!rows[0]) throw new RangeError(`no coach ${coachId} here`);
  return { passwordHash: rows[0].password_hash, totpSealed: rows[0].totp_sealed };
}

export async function updateCoachPassword(db: Db, coachId: number, passwordHash: string): Promise<void> {
  await db.query('update coach set password_hash = $2::text where id = $1::bigint', [coachId, passwordHash]);
}

export async function updateCoachName(db: Db, coachId: number, name: string): Promise<void> {
  await db.query('update coach set name = $2::text where id = $1::bigint', [coachId, name]);
}

/** Gives a coach another address; false where it is a coach's already. */
export async function updateCoachEmail(db: Db, coachId: number, email: string): Promise<boolean> {
  const { rowCount } = await db.query(
    `update coach set email = lower($2::text)
     where id = $1::bigint and gone_at is null and (select count(*) from find_coach_by_email($2::text)) = 0`,
    [coachId, email],
  );
  return rowCount === 1;
}

/** A further coach of a workspace; undefined where the address is a coach's already. */
export async function insertCoach(
  db: Db,
  c: { workspaceId: number; email: string; name: string; passwordHash: string; role: CoachRole },
): Promise<number | undefined> {
  const { rows } = await db.query<{ id: number }>(
    `insert into coach (workspace_id, email, name, password_hash, role)
     values ($1::bigint, lower($2::text), $3::text, $4::text, $5::text)
     on conflict on constraint coach_email_unique do nothing
     returning id`,
    [c.workspaceId, c.email, c.name, c.passwordHash, c.role],
  );
  return rows[0]?.id;
}

/** Who else is an owner, kept from changing until the transaction ends: of two who step down at once, the second sees none. */
const OTHER_OWNERS = `with owners as materialized (select id from coach where role = 'owner' and gone_at is null order by id for update)`;

/** Gives a coach another role; false for the last owner, who can't stop being one. */
export async function updateCoachRole(db: Db, coachId: number, role: CoachRole): Promise<boolean> {
  const { rowCount } = await db.query(
    `${OTHER_OWNERS}
     update coach set role = $2::text
     where id = $1::bigint and gone_at is null
       and ($2::text = 'owner' or exists (select from owners where id <> $1::bigint))`,
    [coachId, role],
  );
  return rowCount === 1;
}

/** Ends someone's coaching: nothing lets them in any more. What they sent keeps their name. False for the last owner. */
export async function updateCoachGone(db: Db, coachId: number, now: Date): Promise<boolean> {
  const { rowCount } = await db.query(
    `${OTHER_OWNERS}
     update coach set gone_at = $2::timestamptz, email = null, password_hash = '', totp_sealed = null, role = 'reader'
     where id = $1::bigint and gone_at is null and exists (select from owners where id <> $1::bigint)`,
    [coachId, now],
  );
  return rowCount === 1;
}

export async function getCoachEmail(db: Db, coachId: number): Promise<string> {
  const { rows } = await db.query<{ email: string | null }>('select email from coach where id = $1::bigint', [coachId]);
  return rows[0]?.email ?? '';
}

/** Turns the second step on with a sealed key, or off; codes for when the phone is gone are made anew with it. */
export async function updateSecondStep(db: Db, coachId: number, totpSealed: Buffer | null): Promise<void> {
  await db.query('update coach set totp_sealed = $2::bytea, totp_step = 0 where id = $1::bigint', [
    coachId,
    totpSealed,
  ]);
}

/** Notes that the code of a step of time was used; false where it, or a later one, was already. */
export async function spendTotpStep(db: Db, coachId: number, step: number): Promise<boolean> {
  const { rowCount } = await db.query(
    'update coach set totp_step = $2::bigint where id = $1::bigint and totp_step < $2::bigint',
    [coachId, step],
  );
  return rowCount === 1;
}

/** Puts codes in the place of those that there were. */
export async function replaceRecoveryCodes(
  db: Db,
  c: { workspaceId: number; coachId: number; codeHashes: readonly Buffer[] },
): Promise<void> {
  await db.query('delete from recovery_code where coach_id = $1::bigint', [c.coachId]);
  await db.query(
    `insert into recovery_code (workspace_id, coach_id, code_hash)
     select $1::bigint, $2::bigint, unnest($3::bytea[])`,
    [c.workspaceId, c.coachId, [...c.codeHashes]],
  );
}

/** Uses a recovery code: true once. */
export async function spendRecoveryCode(db: Db, coachId: number, codeHash: Buffer, now: Date): Promise<boolean> {
  const { rowCount } = await db.query(
    `update recovery_code set used_at = $3::timestamptz
     where coach_id = $1::bigint and code_hash = $2::bytea and used_at is null`,
    [coachId, codeHash, now],
  );
  return rowCount === 1;
}

/** Recovery codes that still work. */
export async function countRecoveryCodes(db: Db, coachId: number): Promise<number> {
  const { rows } = await db.query<{ count: number }>(
    'select count(*) from recovery_code where coach_id = $1::bigint and used_at is null',
    [coachId],
  );
  return rows[0]!.count;
}
