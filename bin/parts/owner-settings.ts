import { databaseOwnerUrl, linkSecret } from '../../server/config.ts';
import { settingError } from './serving.ts';
import { loadOwnerSettings } from './settings-files.ts';

/** The database with its owner's rights, and SECRET: what copies are made and put back with. Said in words where one is missing. */
export function ownerSettings(): { readonly owner: string; readonly secret: string } {
  loadOwnerSettings();
  try {
    return { owner: databaseOwnerUrl(), secret: linkSecret() };
  } catch (error) {
    throw settingError(error) ?? error;
  }
}
