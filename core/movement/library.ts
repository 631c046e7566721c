import type { LibraryRow } from './library-data.ts';
import { LIBRARY_ROWS } from './library-data.ts';
import type { Movement } from './movement.ts';
import { movementId } from './movement.ts';

/** A set of movements that can be asked by id and by any of their names. */
export interface MovementLibrary {
  readonly movements: readonly Movement[];
  /** By id. */
  find(id: string): Movement | undefined;
  /** By name or other name, in any case, with blanks or dashes, in singular or plural. */
  findByName(name: string): Movement | undefined;
  has(name: string): boolean;
}

/** Spellings remembered at a time. */
const MAX_ASKED = 2000;

const nameKey = (name: string) => name.toLowerCase().replace(/[’']/g, '').replace(/[\s\p{Pd}]+/gu, ' ').trim();

/** Builds the look-up. Two movements that share a name are our own mistake: a RangeError names them. */
export function buildLibrary(movements: readonly Movement[]): MovementLibrary {
  const byId = new Map<string, Movement>();
  const byName = new Map<string, Movement>();
  for (const movement of movements) {
    if (byId.has(movement.id)) throw new RangeError(`two movements have the id ${movement.id}`);
    byId.set(movement.id, movement);
    for (const name of [movement.name, ...movement.otherNames]) {
      const key = nameKey(name);
      if (byName.has(key)) throw new RangeError(`"${name}" names two movements: ${byName.get(key)!.id} and ${movement.id}`);
      byName.set(key, movement);
    }
  }
  for (const movement of movements) {
    for (const part of movement.parts) if (!byId.has(part)) throw new RangeError(`${movement.id} is made of ${part}, which is no movement`);
  }
  // A plan asks for the same spellings over and over; folding them is most of its cost.
  const asked = new Map<string, Movement | undefined>();
  const findByName = (name: string): Movement | undefined => {
    if (asked.has(name)) return asked.get(name);
    const found = lookUp(nameKey(name));
    if (asked.size >= MAX_ASKED) asked.clear();
    asked.set(name, found);
    return found;
  };
  const lookUp = (key: string): Movement | undefined => {
    return byName.get(key) ?? (key.endsWith('es') ? byName.get(key.slice(0, -2)) : undefined)
      ?? (key.endsWith('s') ? byName.get(key.slice(0, -1)) : undefined);
  };
  return { movements, find: (id) => byId.get(id), findByName, has: (name) => findByName(name) !== undefined };
}

const words = (text: string) => text.split(',').map((w) => w.trim()).filter((w) => w !== '');

function toMovement(row: LibraryRow): Movement {
  const [name, otherNames, pattern, position, flags, kit, effortClass, pace, watchFor, parts] = row;
  const [low, likely, high] = pace.split('/').map(Number);
  if (!(low! > 0 && low! <= likely! && likely! <= high!)) throw new RangeError(`the pace of ${name} is not low/likely/high: ${pace}`);
  return {
    id: movementId(name), name, otherNames: words(otherNames), pattern, position,
    isHold: flags.includes('h'), isOneSided: flags.includes('1'), loadsWrists: flags.includes('w'),
    preparesWrists: flags.includes('p'), hasImpact: flags.includes('j'), parts: words(parts ?? '').map(movementId), kit: words(kit), effortClass,
    paceSec: { low: low!, likely: likely!, high: high! }, watchFor,
  };
}

/** The movements that ship with Ysodos. */
export const baseLibrary: MovementLibrary = buildLibrary(LIBRARY_ROWS.map(toMovement));
