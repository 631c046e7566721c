import type pg from 'pg';

/**
 * Runs `work` in one transaction that sees the rows of one workspace only. Commits when it resolves, rolls
 * back when it throws, a thrown redirect included: routes return theirs. The setting ends with the transaction, so a pooled connection carries nothing over.
 */
export async function withWorkspace<T>(
  pool: pg.Pool,
  workspaceId: number,
  work: (db: pg.PoolClient) => Promise<T>,
): Promise<T> {
  const db = await pool.connect();
  let failed: Error | undefined;
  try {
    await db.query('begin');
    await db.query(`select set_config('ysodos.workspace_id', $1::text, true)`, [String(workspaceId)]);
    const result = await work(db);
    await db.query('commit');
    return result;
  } catch (error) {
    try {
      await db.query('rollback');
    } catch (rollbackError) {
      failed = rollbackError as Error;
    }
    throw error;
  } finally {
    db.release(failed);
  }
}
