import type pg from 'pg';
import { withConnection } from './pool.ts';

/**
 * Runs `work` in one transaction that sees the rows of one workspace only. Commits when it resolves, rolls
 * back when it throws, a thrown redirect included: routes return theirs. The setting ends with the transaction, so a pooled
 * connection carries nothing over. Throws DatabaseAwayError where the database can't be had.
 */
export async function withWorkspace<T>(
  pool: pg.Pool,
  workspaceId: number,
  work: (db: pg.PoolClient) => Promise<T>,
): Promise<T> {
  // One way there and back for both: every page pays for it.
  return withTransaction(pool, `begin; set local ysodos.workspace_id = '${BigInt(workspaceId)}'`, work);
}

/** As withWorkspace, in the workspace that `enter` leads to; undefined, with nothing done, where it leads nowhere. */
export async function withEnteredWorkspace<Who, T>(
  pool: pg.Pool,
  enter: (db: pg.PoolClient) => Promise<Who | undefined>,
  work: (db: pg.PoolClient, who: Who) => Promise<T>,
): Promise<{ readonly result: T } | undefined> {
  return withTransaction(pool, 'begin', async (db) => {
    const who = await enter(db);
    return who && { result: await work(db, who) };
  });
}

const withTransaction = <T>(pool: pg.Pool, begin: string, work: (db: pg.PoolClient) => Promise<T>): Promise<T> =>
  withConnection(pool, async (db) => {
    // Sent ahead of the first query, without a way there and back of its own; where it fails, so does all that follows.
    const begun = db.query(begin);
    begun.catch(() => undefined);
    try {
      const result = await work(db);
      await begun;
      await db.query('commit');
      return result;
    } catch (error) {
      // Where even this fails, the connection is broken, and thrown away by whoever lent it.
      await db.query('rollback').catch(() => undefined);
      throw error;
    }
  });
