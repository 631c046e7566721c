import { createHash } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import pg from 'pg';
import { baseLibrary } from '../core/movement/library.ts';
import { NewerDataError } from './errors.ts';
import { migrateJobs } from './jobs-schema.ts';
import { replaceBaseMovements } from './queries/movement.ts';

const folder = fileURLToPath(new URL('./migrations/', import.meta.url));
/** One migrator at a time, across processes. */
const LOCK_KEY = 7_319_041;

interface Migration {
  readonly number: number;
  readonly name: string;
  readonly sql: string;
  readonly sha256: string;
}

function readMigrations(): Migration[] {
  return readdirSync(folder)
    .filter((f) => /^\d{6}_.*\.sql$/.test(f))
    .sort()
    .map((name) => {
      const sql = readFileSync(folder + name, 'utf8');
      return { number: Number(name.slice(0, 6)), name, sql, sha256: createHash('sha256').update(sql).digest('hex') };
    });
}

/** The number of the newest migration that this version knows. */
export const lastMigration = (): number => readMigrations().at(-1)?.number ?? 0;

/**
 * Brings a database up to date, each migration in a transaction of its own, and puts the movements that ship under
 * every workspace's own; gives the names of the migrations applied.
 * Throws NewerDataError where the data knows migrations that this version doesn't, and an Error where one that
 * was applied has been edited since.
 */
export async function migrate(ownerUrl: string): Promise<string[]> {
  const db = new pg.Client({ connectionString: ownerUrl });
  await db.connect();
  try {
    await db.query('select pg_advisory_lock($1)', [LOCK_KEY]);
    await db.query(`create table if not exists schema_migration (
      number integer primary key, name text not null, sha256 text not null, applied_at timestamptz not null default now())`);
    const { rows: applied } = await db.query<{ number: number; name: string; sha256: string }>(
      'select number, name, sha256 from schema_migration order by number',
    );
    const migrations = readMigrations();
    const last = applied.at(-1)?.number ?? 0;
    const known = migrations.at(-1)?.number ?? 0;
    if (last > known) throw new NewerDataError(last, known);
    for (const row of applied) {
      const file = migrations.find((m) => m.number === row.number);
      if (file?.sha256 !== row.sha256)
        throw new Error(`migration ${row.name} was changed after it was applied; write a new one instead`);
    }
    const fresh = migrations.filter((m) => m.number > last);
    for (const migration of fresh) {
      await db.query('begin');
      try {
        await db.query(migration.sql);
        await db.query('insert into schema_migration (number, name, sha256) values ($1, $2, $3)', [
          migration.number,
          migration.name,
          migration.sha256,
        ]);
        await db.query('commit');
      } catch (error) {
        await db.query('rollback');
        throw Object.assign(
          new Error(`migration ${migration.name} failed: ${(error as Error).message}`, { cause: error }),
          {
            code: (error as { code?: string }).code,
          },
        );
      }
    }
    await replaceBaseMovements(db, baseLibrary.movements);
    await migrateJobs(ownerUrl, (sql) => db.query(sql));
    return fresh.map((m) => m.name);
  } finally {
    await db.end();
  }
}
