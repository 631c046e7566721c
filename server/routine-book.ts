import { createHash } from 'node:crypto';
import { baseLibrary } from '../core/movement/library.ts';
import type { Routines } from '../core/session/resolve.ts';
import { readRoutines } from '../core/session/read-routines.ts';
import type { Db } from '../db/pool.ts';
import type { StoredRoutine } from '../db/queries/routine.ts';
import { listRoutines } from '../db/queries/routine.ts';

/** A workspace's stored routines, read, and a key that changes with any of them. */
export interface RoutineBook {
  readonly stored: readonly StoredRoutine[];
  readonly routines: Routines;
  readonly key: string;
}

export const EMPTY_BOOK: RoutineBook = { stored: [], routines: new Map(), key: '' };

/** Reads the routines of the workspace that `db` is in. */
export async function loadRoutineBook(db: Db): Promise<RoutineBook> {
  const stored = await listRoutines(db);
  if (stored.length === 0) return EMPTY_BOOK;
  return { stored, routines: readRoutines(stored, baseLibrary), key: createHash('sha256').update(JSON.stringify(stored)).digest('base64') };
}
