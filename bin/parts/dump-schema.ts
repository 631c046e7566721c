import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { runPostgres } from './postgres-tools.ts';

export const SCHEMA_FILE = 'db/schema.sql';

const HEAD =
  '-- What all migrations together make: to be read, not run. Written by `npm run schema`; a test holds it.\n\n';

/** The tables, views, functions and policies of a database as SQL, without what differs from one pg_dump to the next. */
export async function dumpSchema(ownerUrl: string): Promise<string> {
  const folder = mkdtempSync(join(tmpdir(), 'ysodos-schema-'));
  const file = join(folder, 'schema.sql');
  try {
    await runPostgres(
      'pg_dump',
      ['--schema-only', '--schema=public', '--no-owner', '--no-privileges', `--file=${file}`],
      ownerUrl,
    );
    const kept = readFileSync(file, 'utf8')
      .split('\n')
      .filter((line) => !/^(--|SET |SELECT pg_catalog|\\|CREATE SCHEMA public|COMMENT ON SCHEMA public)/.test(line));
    return `${HEAD}${kept
      .join('\n')
      .replace(/\n{3,}/g, '\n\n')
      .trim()}\n`;
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}
