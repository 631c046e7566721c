import type { Db } from '../../pool.ts';

/** A workspace with its first coach, with the owner's rights; false, with nothing made, where the address is a coach's already. */
export async function insertWorkspace(
  db: Db,
  w: { workspace: string; email: string; name: string; passwordHash: string },
): Promise<boolean> {
  const { rowCount } = await db.query(
    `with free as (select 1 where not exists (select from coach where email = lower($2::text))),
       new_workspace as (insert into workspace (name) select $1::text from free returning id)
     insert into coach (workspace_id, email, name, password_hash, role)
     select id, lower($2::text), $3::text, $4::text, 'owner' from new_workspace`,
    [w.workspace, w.email, w.name, w.passwordHash],
  );
  return rowCount === 1;
}
