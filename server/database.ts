import { data } from 'react-router';
import type pg from 'pg';
import { DatabaseAwayError } from '../db/errors.ts';
import { createPool, isDatabaseError, withConnection } from '../db/pool.ts';
import { withEnteredWorkspace, withWorkspace } from '../db/workspace-scope.ts';
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

interface SharedRead {
  readonly db: Promise<pg.PoolClient>;
  /** Settles when the transaction has ended; rejects with what a database that is away comes to. */
  readonly whole: Promise<void>;
  readonly end: (error?: Error) => void;
  users: number;
  /** The first thing that the database refused: the transaction is over for all that share it. */
  refused?: Error;
}

const reads = new WeakMap<Request, SharedRead>();

/**
 * Runs what only reads in the one transaction of its request: the loaders of a page's layouts begin together, and it ends with the
 * last of them. They see the same rows, and go the way there and back once. What isn't there for one of them ends nothing for the
 * others; what the database refuses is the same answer for all.
 */
export async function readInWorkspace<T>(
  request: Request,
  workspaceId: number,
  work: (db: pg.PoolClient) => Promise<T>,
): Promise<T> {
  const shared = reads.get(request) ?? beginRead(request, workspaceId);
  shared.users++;
  const leave = async () => {
    shared.users--;
    if (shared.users === 0) {
      if (reads.get(request) === shared) reads.delete(request);
      shared.end(shared.refused);
    }
    // The connection goes back only when the last of them has left it.
    if (shared.users === 0 || shared.refused !== undefined) await shared.whole;
  };
  let result: T;
  try {
    result = await work(await shared.db);
  } catch (error) {
    if (isDatabaseError(error)) shared.refused ??= error;
    await leave();
    throw error;
  }
  await leave();
  return result;
}

function beginRead(request: Request, workspaceId: number): SharedRead {
  let end: SharedRead['end'] = () => {};
  const ended = new Promise<void>((resolve, reject) => {
    end = (error) => (error ? reject(error) : resolve());
  });
  ended.catch(() => undefined);
  let whole: Promise<void> = ended;
  const db = new Promise<pg.PoolClient>((give, fail) => {
    whole = inWorkspace(workspaceId, (client) => {
      give(client);
      return ended;
    });
    whole.catch(fail);
  });
  db.catch(() => undefined);
  const shared: SharedRead = { db, whole, end, users: 0 };
  reads.set(request, shared);
  return shared;
}

/** Runs `work` in a transaction of one workspace. */
export const inWorkspace = <T>(workspaceId: number, work: (db: pg.PoolClient) => Promise<T>): Promise<T> =>
  orAway(withWorkspace(database(), workspaceId, work));

/** Runs `work` in a transaction of the workspace that `enter` leads to; undefined where it leads nowhere. */
export const inEnteredWorkspace = <Who, T>(
  enter: (db: pg.PoolClient) => Promise<Who | undefined>,
  work: (db: pg.PoolClient, who: Who) => Promise<T>,
): Promise<{ readonly result: T } | undefined> => orAway(withEnteredWorkspace(database(), enter, work));
