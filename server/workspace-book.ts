import { createHash } from 'node:crypto';
import type { MovementLayer } from '../core/movement/layer.ts';
import { EMPTY_LAYER, layerLibrary } from '../core/movement/layer.ts';
import type { MovementLibrary } from '../core/movement/library.ts';
import { baseLibrary } from '../core/movement/library.ts';
import type { Routines } from '../core/session/resolve.ts';
import { readRoutines } from '../core/session/read-routines.ts';
import type { Db } from '../db/pool.ts';
import { listLadderOverrides, listOverrides } from '../db/queries/movement.ts';
import type { StoredRoutine } from '../db/queries/routine.ts';
import { listRoutines } from '../db/queries/routine.ts';

/** What a workspace's texts are read with: its movements and its stored routines, and a key that changes with any of them. */
export interface WorkspaceBook {
  readonly library: MovementLibrary;
  readonly layer: MovementLayer;
  readonly stored: readonly StoredRoutine[];
  readonly routines: Routines;
  readonly key: string;
}

export const EMPTY_BOOK: WorkspaceBook = {
  library: baseLibrary,
  layer: EMPTY_LAYER,
  stored: [],
  routines: new Map(),
  key: '',
};

/** Books by key, newest kept: building a library anew for each request would cost more than the request. */
const MAX_KEPT = 50;
const kept = new Map<string, WorkspaceBook>();

/** The book of the workspace that `db` is in. */
export async function loadWorkspaceBook(db: Db): Promise<WorkspaceBook> {
  const stored = await listRoutines(db);
  const layer: MovementLayer = { overrides: await listOverrides(db), ladders: await listLadderOverrides(db) };
  if (stored.length === 0 && layer.overrides.length === 0 && layer.ladders.length === 0) return EMPTY_BOOK;
  const key = createHash('sha256')
    .update(JSON.stringify([stored, layer]))
    .digest('base64');
  const known = kept.get(key);
  if (known) return known;
  const library = layerLibrary(baseLibrary, layer);
  const book: WorkspaceBook = { library, layer, stored, routines: readRoutines(stored, library), key };
  kept.set(key, book);
  if (kept.size > MAX_KEPT) kept.delete(kept.keys().next().value!);
  return book;
}
