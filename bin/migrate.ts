/** Brings the database of DATABASE_OWNER_URL up to date. */
import { NewerDataError } from '../db/errors.ts';
import { migrate } from '../db/migrate.ts';
import { databaseOwnerUrl } from '../server/config.ts';
import { CommandError, runCommand, say } from './parts/say.ts';
import { loadOwnerSettings } from './parts/settings-files.ts';
import { settingError } from './parts/serving.ts';

runCommand(async () => {
  loadOwnerSettings();
  try {
    const applied = await migrate(databaseOwnerUrl());
    say(applied.length === 0 ? 'nothing to do: the database is up to date' : `applied ${applied.join(', ')}`);
    return 0;
  } catch (error) {
    const { code } = error as { code?: string };
    if (error instanceof NewerDataError)
      throw new CommandError('The database was made by a newer version of Ysodos.', 'Use that version.');
    if (code === '42704')
      throw new CommandError(
        'The role ysodos_app is missing.',
        'Make it first, as docs/operate.md says: create role ysodos_app login password …',
      );
    if (code === 'ECONNREFUSED' || code === '28P01' || code === '3D000')
      throw new CommandError(
        `The database of DATABASE_OWNER_URL can’t be had (${code}).`,
        'Look whether it runs, and whether name, password and database are right.',
      );
    throw settingError(error) ?? error;
  }
});
