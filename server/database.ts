import { data } from 'react-router';
import type pg from 'pg';
import { DatabaseAwayError } from '../db/errors.ts';
import { createPool, withConnection } from '../db/pool.ts';
import { withLinkedWorkspace, withWorkspace } from '../db/workspace-scope.ts';
import { databaseUrl } from './config.ts';

let pool: pg.Pool | undefined;

/** The process's one pool, opened at the first query. */
export const database = (): pg.Pool => (pool ??= createPool(databaseUrl()));

export async function closeDatabase(): Promise<void> {
  const open = pool;
  pool = undefined;
  await open?.end();
}

/** A database that can't be had is a 503 with a page of its own, never an unexpected error. */
async function orAway<T>(work: Promise<T>): Promise<T> {
  try {
    return await work;
  } catch (error) {
    if (error instanceof DatabaseAwayError) throw data({ kind: 'away' }, { status: 503 });
    throw error;
  }
}

/** Runs `work` on a connection, in no workspace: for the doors only. */
export const onDatabase = <T>(work: (db: pg.PoolClient) => Promise<T>): Promise<T> =>
  orAway(withConnection(database(), work));

/** Runs `work` in a transaction of one workspace. */
export const inWorkspace = <T>(workspaceId: number, work: (db: pg.PoolClient) => Promise<T>): Promise<T> =>
  orAway(withWorkspace(database(), workspaceId, work));

/** Runs `work` in a transaction of the workspace that a personal link leads to; undefined where it leads nowhere. */
export const inLinkedWorkspace = <T>(
  tokenHash: Buffer,
  work: (db: pg.PoolClient, link: { workspaceId: number; enrolmentId: number }) => Promise<T>,
): Promise<{ readonly result: T } | undefined> => orAway(withLinkedWorkspace(database(), tokenHash, work));
