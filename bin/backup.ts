/** Copies all that there is into one file, while the application runs: `./ysodos backup FILE`. */
import { existsSync, renameSync, rmSync } from 'node:fs';
import pg from 'pg';
import { packBackup, secretMark } from './parts/backup-file.ts';
import { runPostgres } from './parts/postgres-tools.ts';
import { CommandError, runCommand, say } from './parts/say.ts';
import { ownerSettings } from './parts/owner-settings.ts';

const USAGE = 'Write it like: ./ysodos backup ysodos-2026-05-13.tar';

runCommand(async () => {
  const [file, ...more] = process.argv.slice(2);
  if (file === undefined || more.length > 0) throw new CommandError('Say into which file.', USAGE);
  if (existsSync(file))
    throw new CommandError(`${file} is there already.`, 'Choose another name; nothing is overwritten.');
  const { owner, secret } = ownerSettings();
  // What is written on the way is nobody else's to read either.
  process.umask(0o077);
  const schema = await schemaOf(owner);
  const [dump, part] = [`${file}.dump`, `${file}.part`];
  try {
    // One snapshot, however long it takes. Whose the tables are is said where they are put back; rights of the application go along.
    await runPostgres('pg_dump', ['--format=custom', '--no-owner', `--file=${dump}`], owner);
    await packBackup(part, dump, { madeAt: new Date().toISOString(), schema, secretMark: secretMark(secret) });
    renameSync(part, file);
  } finally {
    rmSync(dump, { force: true });
    rmSync(part, { force: true });
  }
  say(`${file} holds everything but SECRET, which links and second steps need: keep that beside it, in another place`);
  return 0;
});

/** The newest migration of a database; refused where the tables aren't this role's, since it would see no row of them. */
async function schemaOf(owner: string): Promise<number> {
  const db = new pg.Client({ connectionString: owner, connectionTimeoutMillis: 5000 });
  try {
    await db.connect();
    const { rows } = await db.query<{ number: number; is_owner: boolean }>(
      `select max(number) as number, pg_has_role((select relowner from pg_class where oid = 'public.person'::regclass), 'usage') as is_owner
       from schema_migration`,
    );
    if (!rows[0]?.is_owner)
      throw new CommandError(
        'DATABASE_OWNER_URL signs in as a role that doesn’t own the tables: a copy by it would be empty.',
        'Use the owner’s address, as for migrate.',
      );
    return rows[0].number;
  } catch (error) {
    if (error instanceof CommandError) throw error;
    const { code } = error as { code?: string };
    throw new CommandError(
      code === '42P01'
        ? 'There is nothing in that database yet.'
        : `The database of DATABASE_OWNER_URL can’t be had (${code}).`,
      'Look whether it runs, and whether name, password and database are right.',
    );
  } finally {
    await db.end().catch(() => undefined);
  }
}
