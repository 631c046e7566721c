import { BoundedCache } from '../bounded-cache.ts';
import { withFactor } from '../pace/learned-pace.ts';
import type { FitPerson } from '../movement/fit-movement.ts';
import type { MovementLibrary } from '../movement/library.ts';
import type { Movement } from '../movement/movement.ts';

/** Libraries by their pace that are remembered for each one. */
const MOST_PACES = 40;
const known = new WeakMap<MovementLibrary, BoundedCache<string, MovementLibrary>>();

/** The library as it is for someone: with their own pace. */
export const libraryFor = ({ pace = 1 }: Pick<FitPerson, 'pace'>, library: MovementLibrary): MovementLibrary =>
  pacedLibrary(library, pace);

/** A library in which everybody takes so many times as long for a repetition. What is held is held as long. */
export function pacedLibrary(library: MovementLibrary, factor: number): MovementLibrary {
  if (factor === 1) return library;
  let own = known.get(library);
  if (!own) known.set(library, (own = new BoundedCache(MOST_PACES)));
  return own.get(factor.toFixed(2), () => {
    const made = new Map<Movement, Movement>();
    const paced = (movement: Movement): Movement => {
      if (movement.isHold) return movement;
      let one = made.get(movement);
      if (!one) made.set(movement, (one = { ...movement, paceSec: withFactor(movement.paceSec, factor) }));
      return one;
    };
    const or = (movement: Movement | undefined) => movement && paced(movement);
    return {
      ...library,
      movements: library.movements.map(paced),
      find: (id) => or(library.find(id)),
      findOnShelf: (id) => or(library.findOnShelf(id)),
      findByName: (name) => or(library.findByName(name)),
    };
  });
}
