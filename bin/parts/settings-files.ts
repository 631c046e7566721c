import { existsSync, statSync } from 'node:fs';
import { say } from './say.ts';

/** Read by everything that runs: nothing in it owns the tables. */
const SETTINGS = '.env';
/** Read by what needs the owner's rights alone: migrate, new-workspace, backup, restore. */
const OWNER_SETTINGS = '.env.owner';

function load(file: string): void {
  if (!existsSync(file)) return;
  if ((statSync(file).mode & 0o077) !== 0)
    say(`${file} holds secrets and can be read by others here; write: chmod 600 ${file}`);
  process.loadEnvFile(file);
}

/** The settings of what serves and works. */
export const loadSettings = (): void => load(SETTINGS);

/** Those, and the owner's. */
export function loadOwnerSettings(): void {
  load(OWNER_SETTINGS);
  load(SETTINGS);
}
