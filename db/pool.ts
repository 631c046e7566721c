import pg from 'pg';
import { DatabaseAwayError } from './errors.ts';

const { types } = pg;
// A date stays 'YYYY-MM-DD' (pg would make it local midnight); int8 and numeric become numbers, checked.
types.setTypeParser(1082, (text) => text);
types.setTypeParser(1083, (text) => text);
types.setTypeParser(20, parseInteger);
types.setTypeParser(1700, Number);

export function parseInteger(text: string): number {
  const value = Number(text);
  if (!Number.isSafeInteger(value)) throw new RangeError(`integer beyond 2^53: ${text}`);
  return value;
}

export type Db = pg.Pool | pg.PoolClient | pg.Client;

/** How long things may take, in milliseconds. What takes longer gives its connection back to others. */
const WAIT_MS = { connection: 5_000, statement: 10_000, lock: 5_000, idleInTransaction: 10_000 } as const;

export function createPool(connectionString: string, max = 10): pg.Pool {
  const pool = new pg.Pool({
    connectionString,
    max,
    // Compiling a statement takes longer than any of ours.
    options: '-c jit=off',
    // Queries that don't wait for each other are sent without waiting.
    pipeline: true,
    idleTimeoutMillis: 30_000,
    connectionTimeoutMillis: WAIT_MS.connection,
    statement_timeout: WAIT_MS.statement,
    lock_timeout: WAIT_MS.lock,
    idle_in_transaction_session_timeout: WAIT_MS.idleInTransaction,
  });
  // An idle connection that the server drops must not end the process; the next query opens another.
  pool.on('error', () => undefined);
  return pool;
}

/** SQLSTATEs and classes (from PostgreSQL's documentation, appendix A) after which the same may do a moment later. */
const PASSING = /^(08...|53...|57P0[1-5]|57014|55P03|40001|40P01|25P03)$/;

/** What the database said, after which its transaction can do no more. A broken connection is found by withConnection. */
export const isDatabaseError = (error: unknown): error is pg.DatabaseError => error instanceof pg.DatabaseError;

const isPassing = (error: unknown): boolean => {
  const { code } = (error ?? {}) as { readonly code?: unknown };
  return typeof code === 'string' && PASSING.test(code);
};

/**
 * Runs `work` on a connection of the pool. A connection that breaks while it is out ends nothing but this work: it is thrown
 * away, and DatabaseAwayError tells that trying again may do, as it does where none can be had in time.
 */
export async function withConnection<T>(pool: pg.Pool, work: (db: pg.PoolClient) => Promise<T>): Promise<T> {
  let db: pg.PoolClient;
  try {
    db = await pool.connect();
  } catch (error) {
    throw new DatabaseAwayError(error);
  }
  let broken: Error | undefined;
  const onError = (error: Error) => {
    broken = error;
  };
  db.on('error', onError);
  try {
    return await work(db);
  } catch (error) {
    if (broken || isPassing(error)) throw new DatabaseAwayError(error);
    throw error;
  } finally {
    db.off('error', onError);
    db.release(broken ?? false);
  }
}
