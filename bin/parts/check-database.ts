import pg from 'pg';
import { lastMigration } from '../../db/migrate.ts';
import { CommandError } from './say.ts';

/** Refuses a database that can't be had, isn't up to date, or would be entered with too many rights. */
export async function checkDatabase(appUrl: string): Promise<void> {
  const db = new pg.Client({ connectionString: appUrl, connectionTimeoutMillis: 5000 });
  try {
    await db.connect();
  } catch (error) {
    await db.end().catch(() => undefined);
    const code = (error as { code?: string }).code ?? 'no answer';
    throw new CommandError(
      `The database of DATABASE_URL can’t be had (${code}).`,
      'Look whether it runs, and whether name, password and database in DATABASE_URL are right.',
    );
  }
  try {
    const { rows } = await db.query<{ has: boolean; privileged: boolean; owns: boolean }>(
      `select to_regclass('schema_migration') is not null as has,
         (select rolsuper or rolbypassrls from pg_roles where rolname = current_user) as privileged,
         exists (select from pg_tables where schemaname = 'public' and tableowner = current_user) as owns`,
    );
    const { has, privileged, owns } = rows[0]!;
    if (privileged || owns)
      throw new CommandError(
        'DATABASE_URL signs in as the owner of the tables, or as one who is above their rules.',
        'Workspaces would not be kept apart. Use the role ysodos_app, as docs/operate.md says.',
      );
    const known = lastMigration();
    const at = has
      ? ((await db.query<{ at: number }>('select max(number) as at from schema_migration')).rows[0]?.at ?? 0)
      : 0;
    if (at < known)
      throw new CommandError(
        `The database is at migration ${at}, and this version needs ${known}.`,
        'Run ./ysodos migrate first.',
      );
    if (at > known)
      throw new CommandError(
        `The database is at migration ${at}, and this version knows ${known}.`,
        'Use the newer version of Ysodos that made it.',
      );
  } finally {
    await db.end();
  }
}
