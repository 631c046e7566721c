import { createHash } from 'node:crypto';
import { BoundedCache } from '../../core/bounded-cache.ts';
import type { MovementLayer, PassedBy } from '../../core/movement/layer.ts';
import { EMPTY_LAYER, layerLibrary } from '../../core/movement/layer.ts';
import type { MovementLibrary } from '../../core/movement/library.ts';
import { baseLibrary } from '../../core/movement/library.ts';
import type { Routines } from '../../core/session/resolve.ts';
import { readRoutines } from '../../core/session/read-routines.ts';
import type { Db } from '../../db/pool.ts';
import { getStoredBook } from '../../db/queries/movement.ts';
import type { StoredRoutine } from '../../db/queries/routine.ts';

/** What a workspace's texts are read with: its movements and its stored routines, and a key that changes with any of them. */
export interface WorkspaceBook {
  readonly library: MovementLibrary;
  readonly layer: MovementLayer;
  readonly stored: readonly StoredRoutine[];
  readonly routines: Routines;
  /** What is stored and can't be used: it is told to the coach, and the pages go on without it. */
  readonly passedBy: readonly PassedBy[];
  readonly key: string;
}

export const EMPTY_BOOK: WorkspaceBook = {
  library: baseLibrary,
  layer: EMPTY_LAYER,
  stored: [],
  routines: new Map(),
  passedBy: [],
  key: '',
};

/** Books by key: building a library anew for each request would cost more than the request. */
const books = new BoundedCache<string, WorkspaceBook>(50);

/** The book of the workspace that `db` is in. */
export async function loadWorkspaceBook(db: Db): Promise<WorkspaceBook> {
  const { layer, routines: stored } = await getStoredBook(db);
  if (stored.length === 0 && layer.overrides.length === 0 && layer.ladders.length === 0 && layer.scales.length === 0)
    return EMPTY_BOOK;
  const key = createHash('sha256')
    .update(JSON.stringify([stored, layer]))
    .digest('base64');
  return books.get(key, () => buildBook(layer, stored, key));
}

function buildBook(layer: MovementLayer, stored: readonly StoredRoutine[], key: string): WorkspaceBook {
  const { library, passedBy } = layerLibrary(baseLibrary, layer);
  const routines = readRoutines(stored, library);
  const unread = stored
    .filter(({ name }) => !routines.has(name.toLowerCase()))
    .map(({ name }) => ({ what: `the routine “${name}”`, why: 'its text is no longer one block that can be read' }));
  return { library, layer, stored, routines, passedBy: [...passedBy, ...unread], key };
}
