import type { FitPerson } from '../fit-movement.ts';
import { ANYONE, findObstacle, standInOrder } from '../fit-movement.ts';
import { baseLibrary } from '../library.ts';
import type { Movement } from '../movement.ts';
import { askedBits, SPARES } from '../spare.ts';
import type { Shape } from './lexicon.ts';
import { sortModifiers } from './lexicon.ts';
import { MODIFIERS } from './modifiers.ts';
import { isReading, readShapes } from './read-name.ts';

/** A head with modifiers that it takes, for tests and for the bench. */
export interface TakenShape {
  readonly movement: Movement;
  readonly head: Movement;
  readonly shapes: readonly Shape[];
  /** It is a movement of the shelf. */
  readonly isShelf: boolean;
}

/** Kit classes that people are told apart by. */
export const FIT_KITS: readonly (readonly string[] | undefined)[] = [
  undefined,
  [],
  ['chair'],
  ['band', 'towel', 'chair', 'bottle'],
  ['dumbbells', 'step', 'rope'],
  ['chair', 'band', 'dumbbells', 'kettlebell', 'bar', 'table', 'towel', 'step', 'rope', 'bench'],
];

/** Every head with one modifier, or two of different families, that it takes; of those, one in so many, from a place on. */
export function everyReading(count: 1 | 2, { oneIn = 1, from = 0 } = {}): TakenShape[] {
  const { book } = baseLibrary;
  const found: TakenShape[] = [];
  let at = 0;
  for (const head of baseLibrary.movements) {
    if (book.lexicon.shapeOf(head).modifiers.length > 0) continue;
    const taken = MODIFIERS.filter((m) => m.family !== 'empty' && m.takes(head));
    const sets =
      count === 1
        ? taken.map((m) => [m])
        : taken.flatMap((a, i) =>
            taken
              .slice(i + 1)
              .filter((b) => b.family !== a.family)
              .map((b) => [a, b]),
          );
    for (const set of sets) {
      if (at++ % oneIn !== from % oneIn) continue;
      const shapes = [{ head, modifiers: sortModifiers(set) }];
      const read = readShapes(shapes, book);
      if (!read) continue;
      const isShelf = !isReading(read);
      // Said in full it would be another movement of the shelf: a wall walk is no walk at a wall.
      if (!isShelf && baseLibrary.findOnShelf(read.movement.id)) continue;
      found.push({ movement: isShelf ? read : book.keep(read), head, shapes, isShelf });
    }
  }
  return found;
}

export interface ShapesTally {
  asIs: number;
  ladder: number;
  pattern: number;
  area: number;
  calm: number;
  /** Must stay 0. */
  harder: number;
}

/** Who gets what: each movement for all that can be spared, in all classes of kit. */
export function shapesTally(movements: readonly Movement[]): ShapesTally {
  const tally: ShapesTally = { asIs: 0, ladder: 0, pattern: 0, area: 0, calm: 0, harder: 0 };
  // Many have the same choices: they are counted once.
  const counted = new Map<string, ShapesTally>();
  for (const movement of movements) {
    const order = standInOrder(movement, baseLibrary);
    for (const kit of FIT_KITS) {
      const person: FitPerson = { ...ANYONE, ...(kit && { kit }) };
      const choices: { bits: number; how: keyof ShapesTally }[] = [];
      const push = (m: Movement, how: keyof ShapesTally) => {
        const bits = askedBits(m);
        // What asks for all that an earlier one asks for is never reached.
        if (findObstacle(m, person) === undefined && !choices.some((c) => (c.bits & bits) === c.bits))
          choices.push({ bits, how });
      };
      push(movement, 'asIs');
      for (const c of order) push(c.movement, c.movement.effortClass > movement.effortClass ? 'harder' : c.how);
      const key = choices.map((c) => `${c.bits}${c.how}`).join();
      let own = counted.get(key);
      if (!own) {
        own = { asIs: 0, ladder: 0, pattern: 0, area: 0, calm: 0, harder: 0 };
        for (let mask = 0; mask < 1 << SPARES.length; mask++)
          own[choices.find((c) => (c.bits & mask) === 0)?.how ?? 'calm']++;
        counted.set(key, own);
      }
      for (const how of Object.keys(tally) as (keyof ShapesTally)[]) tally[how] += own[how];
    }
  }
  return tally;
}
