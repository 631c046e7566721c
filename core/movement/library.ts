import type { Ladder, LadderRow } from './ladder.ts';
import { LADDER_ROWS } from './library/ladders.ts';
import { SHELF } from './library/shelf.generated.ts';
import type { Movement } from './movement.ts';
import { movementId } from './movement.ts';
import { toMovement } from './shelf.ts';

/** A set of movements that can be asked by id and by any of their names. */
export interface MovementLibrary {
  readonly movements: readonly Movement[];
  readonly ladders: readonly Ladder[];
  /** By id. */
  find(id: string): Movement | undefined;
  /** By name or other name, in any case, with blanks or dashes, in singular or plural. */
  findByName(name: string): Movement | undefined;
  has(name: string): boolean;
}

/** Spellings remembered at a time. */
const MAX_ASKED = 2000;

/** A name as it is compared: case, apostrophes and the kind of dash don't matter. */
export const nameKey = (name: string) =>
  name
    .toLowerCase()
    .replace(/[’']/g, '')
    .replace(/[\s\p{Pd}]+/gu, ' ')
    .trim();

/** Builds the look-up. Two movements that share a name, or a step that is no movement, are a RangeError that names them. */
export function buildLibrary(movements: readonly Movement[], ladders: readonly Ladder[] = []): MovementLibrary {
  const byId = new Map<string, Movement>();
  const byName = new Map<string, Movement>();
  for (const movement of movements) {
    if (byId.has(movement.id)) throw new RangeError(`two movements have the id ${movement.id}`);
    byId.set(movement.id, movement);
    for (const name of [movement.name, ...movement.otherNames]) {
      const key = nameKey(name);
      if (byName.has(key))
        throw new RangeError(`"${name}" names two movements: ${byName.get(key)!.id} and ${movement.id}`);
      byName.set(key, movement);
    }
  }
  for (const movement of movements) {
    for (const part of movement.parts)
      if (!byId.has(part)) throw new RangeError(`${movement.id} is made of ${part}, which is no movement`);
  }
  for (const ladder of ladders) {
    for (const { movementId: id } of ladder.steps)
      if (!byId.has(id)) throw new RangeError(`the ladder ${ladder.id} has a step ${id}, which is no movement`);
    if (new Set(ladder.steps.map((s) => s.movementId)).size < ladder.steps.length)
      throw new RangeError(`the ladder ${ladder.id} comes back to a step it had`);
  }
  // A plan asks for the same spellings over and over; folding them is most of its cost.
  const asked = new Map<string, Movement | undefined>();
  const lookUp = (key: string): Movement | undefined =>
    byName.get(key) ??
    (key.endsWith('es') ? byName.get(key.slice(0, -2)) : undefined) ??
    (key.endsWith('s') ? byName.get(key.slice(0, -1)) : undefined);
  const findByName = (name: string): Movement | undefined => {
    if (asked.has(name)) return asked.get(name);
    const found = lookUp(nameKey(name));
    if (asked.size >= MAX_ASKED) asked.clear();
    asked.set(name, found);
    return found;
  };
  return { movements, ladders, find: (id) => byId.get(id), findByName, has: (name) => findByName(name) !== undefined };
}

const toLadder = ([id, name, steps]: LadderRow): Ladder => ({
  id,
  name,
  steps: steps.map(([movement, change]) => ({ movementId: movementId(movement), change })),
});

/** The movements and ladders that ship with Ysodos. */
export const baseLibrary: MovementLibrary = buildLibrary(
  SHELF.rows.map((row) => toMovement(row, SHELF.cautions, SHELF.breathing)),
  LADDER_ROWS.map(toLadder),
);
