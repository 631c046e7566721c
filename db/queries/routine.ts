import type { Db } from '../pool.ts';

export interface StoredRoutine {
  readonly id: number;
  readonly name: string;
  /** One block in session notation. */
  readonly text: string;
}

export async function listRoutines(db: Db): Promise<StoredRoutine[]> {
  const { rows } = await db.query<{ id: number; name: string; text: string }>(
    'select id, name, text from routine order by lower(name)',
  );
  return rows.map(({ id, name, text }) => ({ id, name, text }));
}

/** Stores a routine under a name; one of that name, in any case, is replaced. */
export async function upsertRoutine(
  db: Db,
  r: { workspaceId: number; name: string; text: string; now: Date },
): Promise<void> {
  await db.query(
    `insert into routine (workspace_id, name, text, changed_at) values ($1::bigint, $2::text, $3::text, $4::timestamptz)
     on conflict (workspace_id, lower(name)) do update set name = excluded.name, text = excluded.text, changed_at = excluded.changed_at`,
    [r.workspaceId, r.name, r.text, r.now],
  );
}

/** False where there was none. */
export async function deleteRoutine(db: Db, id: number): Promise<boolean> {
  const { rowCount } = await db.query('delete from routine where id = $1::bigint', [id]);
  return rowCount === 1;
}
