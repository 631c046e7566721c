import type { Db } from '../pool.ts';

/** Writes a row and takes it back: throws what the database says where nothing can be written. */
export async function probeWriting(db: Db): Promise<void> {
  await db.query('begin');
  try {
    await db.query("insert into sign_in_attempt (key_hash, attempted_at) values ('probe', now())");
  } finally {
    await db.query('rollback');
  }
}
