import pg from 'pg';

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

export function createPool(connectionString: string, max = 10): pg.Pool {
  const pool = new pg.Pool({
    connectionString,
    max,
    idleTimeoutMillis: 30_000,
    connectionTimeoutMillis: 10_000,
    statement_timeout: 30_000,
  });
  // An idle connection that the server drops must not end the process; the next query opens another.
  pool.on('error', () => undefined);
  return pool;
}
