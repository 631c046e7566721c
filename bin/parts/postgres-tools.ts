import { spawn } from 'node:child_process';
import { existsSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { CommandError } from './say.ts';

/** PostgreSQL's own programs: the newest that Debian's packages have put there, else whatever is on the path. */
function programPath(name: string): string {
  const root = '/usr/lib/postgresql';
  const newest = (existsSync(root) ? readdirSync(root) : [])
    .filter((version) => existsSync(join(root, version, 'bin', name)))
    .sort((a, b) => Number(b) - Number(a))[0];
  return newest === undefined ? name : join(root, newest, 'bin', name);
}

/** Where a database is, as PostgreSQL's programs read it: from the environment, so that no password stands in a list of processes. */
function environmentOf(address: string): NodeJS.ProcessEnv {
  const url = new URL(address);
  return {
    ...process.env,
    PGHOST: url.hostname.replace(/^\[|\]$/g, '') || 'localhost',
    PGPORT: url.port || '5432',
    PGUSER: decodeURIComponent(url.username),
    PGPASSWORD: decodeURIComponent(url.password),
    PGDATABASE: decodeURIComponent(url.pathname.slice(1)),
    ...(url.searchParams.has('sslmode') && { PGSSLMODE: url.searchParams.get('sslmode')! }),
  };
}

/** Runs one of PostgreSQL's programs against a database; what it says on failure is the remedy. */
export function runPostgres(name: string, args: readonly string[], address: string): Promise<void> {
  return new Promise((done, failed) => {
    const child = spawn(programPath(name), args, { env: environmentOf(address), stdio: ['ignore', 'ignore', 'pipe'] });
    let said = '';
    child.stderr.on('data', (chunk: Buffer) => (said = (said + chunk.toString()).slice(-2000)));
    child.on('error', () =>
      failed(new CommandError(`${name} is not installed.`, 'Install PostgreSQL’s client programs: postgresql-client.')),
    );
    child.on('close', (code) =>
      code === 0 ? done() : failed(new CommandError(`${name} failed.`, said.trim().split('\n').slice(-3).join('\n  '))),
    );
  });
}
