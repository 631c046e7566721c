/** Makes a workspace with its first coach, and prints a password for them: `./ysodos new-workspace --email E [--name N] [--workspace W]`. */
import { randomBytes } from 'node:crypto';
import { parseArgs } from 'node:util';
import pg from 'pg';
import { string } from 'yup';
import { insertWorkspace } from '../db/queries/doors/workspace.ts';
import { databaseOwnerUrl } from '../server/config.ts';
import { hashPassword } from '../server/doors/hash-password.ts';
import { CommandError, runCommand } from './parts/say.ts';
import { loadOwnerSettings } from './parts/settings-files.ts';
import { settingError } from './parts/serving.ts';

const USAGE =
  'Write it like: ./ysodos new-workspace --email coach@example.org --name "Ada Coach" --workspace "Harbour club"';

function readOptions() {
  let values;
  try {
    values = parseArgs({
      options: { email: { type: 'string' }, name: { type: 'string' }, workspace: { type: 'string' } },
    }).values;
  } catch (error) {
    throw new CommandError((error as Error).message, USAGE);
  }
  const email = values.email?.trim().toLowerCase() ?? '';
  const isAddress: boolean = string().required().email().max(200).isValidSync(email);
  if (!isAddress)
    throw new CommandError(email === '' ? 'An address is missing.' : `${email} is no e-mail address.`, USAGE);
  const name = values.name?.trim() || email.split('@')[0]!;
  const workspace = values.workspace?.trim() || name;
  if ([...name].length > 120 || [...workspace].length > 120)
    throw new CommandError('Names have at most 120 letters.', USAGE);
  return { email, name, workspace };
}

runCommand(async () => {
  const { email, name, workspace } = readOptions();
  loadOwnerSettings();
  const password = randomBytes(12).toString('base64url');
  let db: pg.Client;
  try {
    db = new pg.Client({ connectionString: databaseOwnerUrl(), connectionTimeoutMillis: 5000 });
  } catch (error) {
    throw settingError(error) ?? error;
  }
  try {
    await db.connect();
    const made = await insertWorkspace(db, { workspace, email, name, passwordHash: await hashPassword(password) });
    if (!made) throw new CommandError(`${email} is the address of a coach already.`, 'Choose another address.');
  } catch (error) {
    const { code } = error as { code?: string };
    if (code === 'ECONNREFUSED')
      throw new CommandError('The database of DATABASE_OWNER_URL does not answer.', 'Look whether it runs.');
    if (code === '42P01') throw new CommandError('The database has no tables yet.', 'Run ./ysodos migrate first.');
    throw error;
  } finally {
    await db.end();
  }
  process.stdout.write(`${workspace}\n  coach     ${name}, ${email}\n  password  ${password}\n`);
  return 0;
});
