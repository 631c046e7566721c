/** Puts a copy back into an empty database: `./ysodos restore FILE [--with-another-secret]`. */
import { existsSync, rmSync } from 'node:fs';
import { parseArgs } from 'node:util';
import pg from 'pg';
import { lastMigration, migrate } from '../db/migrate.ts';
import { secretMark, unpackBackup } from './parts/backup-file.ts';
import { runPostgres } from './parts/postgres-tools.ts';
import { CommandError, runCommand, say } from './parts/say.ts';
import { ownerSettings } from './parts/owner-settings.ts';

const USAGE = 'Write it like: ./ysodos restore ysodos-2026-05-13.tar';

function readOptions(): { file: string; isOtherSecret: boolean } {
  try {
    const { values, positionals } = parseArgs({
      options: { 'with-another-secret': { type: 'boolean', default: false } },
      allowPositionals: true,
    });
    const [file, ...more] = positionals;
    if (file === undefined || more.length > 0) throw new Error('Say from which file.');
    return { file, isOtherSecret: values['with-another-secret'] };
  } catch (error) {
    throw new CommandError((error as Error).message, USAGE);
  }
}

runCommand(async () => {
  const { file, isOtherSecret } = readOptions();
  if (!existsSync(file)) throw new CommandError(`${file} isn’t there.`, USAGE);
  const { owner, secret } = ownerSettings();
  const dump = `${file}.restoring`;
  try {
    const manifest = await unpackBackup(file, dump);
    if (!manifest)
      throw new CommandError(`${file} is no copy of Ysodos, or not whole.`, 'Take another; nothing was changed.');
    if (manifest.schema > lastMigration())
      throw new CommandError(
        `${file} was made by a newer version (migration ${manifest.schema}; this one knows ${lastMigration()}).`,
        'Restore it with that version.',
      );
    if (manifest.secretMark !== secretMark(secret) && !isOtherSecret)
      throw new CommandError(
        'SECRET is another one than the copy was made with: coaches with a second step would get in by recovery codes only.',
        'Set SECRET to the one kept with the copy. If it is lost, write --with-another-secret behind.',
      );
    await refuseFull(owner);
    const database = decodeURIComponent(new URL(owner).pathname.slice(1));
    await runPostgres(
      'pg_restore',
      ['--no-owner', '--exit-on-error', '--single-transaction', `--dbname=${database}`, dump],
      owner,
    );
    const applied = await migrate(owner);
    say(
      `restored what was copied at ${manifest.madeAt}${applied.length > 0 ? `, and applied ${applied.join(', ')}` : ''}`,
    );
    return 0;
  } finally {
    rmSync(dump, { force: true });
  }
});

/** Nothing that is there is written over. */
async function refuseFull(owner: string): Promise<void> {
  const db = new pg.Client({ connectionString: owner, connectionTimeoutMillis: 5000 });
  try {
    await db.connect();
    const { rows } = await db.query<{ count: string }>(
      `select count(*) from pg_class c join pg_namespace n on n.oid = c.relnamespace
       where n.nspname not in ('pg_catalog', 'information_schema', 'pg_toast') and c.relkind in ('r', 'v', 'm', 'S')`,
    );
    if (Number(rows[0]!.count) > 0)
      throw new CommandError(
        'The database of DATABASE_OWNER_URL isn’t empty.',
        'Make a new one for it, and name that.',
      );
    const roles = await db.query(`select 1 from pg_roles where rolname = 'ysodos_app'`);
    if (roles.rows.length === 0)
      throw new CommandError('The role ysodos_app is missing.', 'Make it first, as docs/operate.md says.');
  } catch (error) {
    if (error instanceof CommandError) throw error;
    throw new CommandError(
      `The database of DATABASE_OWNER_URL can’t be had (${(error as { code?: string }).code}).`,
      'Look whether it runs, and whether name, password and database are right.',
    );
  } finally {
    await db.end().catch(() => undefined);
  }
}
