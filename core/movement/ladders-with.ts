import { BoundedCache } from '../bounded-cache.ts';
import type { Ladder, LadderStep } from './ladder.ts';
import type { MovementLibrary } from './library.ts';
import type { Movement } from './movement.ts';
import { easierNeighbours, harderNeighbours } from './name/neighbours.ts';

/** A ladder by reading has at most so many steps below the movement, and above it. */
const MOST_BELOW = 4;
const MOST_ABOVE = 2;

/** Movements whose ladders are remembered for a library. */
const MOST_KNOWN = 2000;
const known = new WeakMap<MovementLibrary, BoundedCache<string, readonly Ladder[]>>();

/**
 * The ladders that a movement is on: those of the shelf, else one by reading, where each step takes one thing away or makes one
 * thing easier. Empty where nothing of it can be made easier or harder. Computed once for a library.
 */
export function laddersWith(movement: Movement, library: MovementLibrary): readonly Ladder[] {
  let own = known.get(library);
  if (!own) known.set(library, (own = new BoundedCache(MOST_KNOWN)));
  return own.get(movement.id, () => {
    const ladders = library.ladders.filter((l) => l.steps.some((s) => s.movementId === movement.id));
    return ladders.length > 0 ? ladders : byReading(movement, library);
  });
}

function byReading(movement: Movement, library: MovementLibrary): Ladder[] {
  const steps: LadderStep[] = [{ movementId: movement.id, change: '' }];
  const seen = new Set([movement.id]);
  let lowest = movement;
  for (let i = 0; i < MOST_BELOW; i++) {
    const near = easierNeighbours(lowest, library.book).filter((n) => !seen.has(n.movement.id));
    // What is known well goes before what is read.
    const next = near.find((n) => library.findOnShelf(n.movement.id)) ?? near[0];
    if (!next) break;
    steps[0] = { ...steps[0]!, change: next.more };
    steps.unshift({ movementId: next.movement.id, change: '' });
    seen.add(next.movement.id);
    lowest = next.movement;
    const shelf = library.ladders.find((l) => l.steps.some((s) => s.movementId === lowest.id));
    if (!shelf) continue;
    // From here down the shelf's own ladder goes on.
    const at = shelf.steps.findIndex((s) => s.movementId === lowest.id);
    const below = shelf.steps.slice(Math.max(0, at - (MOST_BELOW - i - 1)), at).filter((s) => !seen.has(s.movementId));
    steps[0] = { ...steps[0], change: shelf.steps[at]!.change };
    steps.unshift(...below);
    break;
  }
  let highest = movement;
  for (let i = 0; i < MOST_ABOVE; i++) {
    const [next] = harderNeighbours(highest, library.book).filter((n) => !seen.has(n.movement.id));
    if (!next) break;
    steps.push({ movementId: next.movement.id, change: next.more });
    seen.add(next.movement.id);
    highest = next.movement;
  }
  return steps.length < 2 ? [] : [{ id: `read-${movement.id}`, name: 'Easier and harder', steps }];
}

/** The movement so many steps on along the first ladder that one is on; undefined where it is on none, or at the end of it. */
export function stepOn(movement: Movement, by: number, library: MovementLibrary): Movement | undefined {
  const [ladder] = laddersWith(movement, library);
  if (!ladder) return undefined;
  const at = ladder.steps.findIndex((s) => s.movementId === movement.id);
  const to = Math.min(ladder.steps.length - 1, Math.max(0, at + by));
  return to === at ? undefined : library.find(ladder.steps[to]!.movementId);
}
