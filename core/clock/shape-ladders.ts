import type { Block } from '../document/document.ts';
import type { FitPerson } from '../movement/fit-movement.ts';
import { findObstacle, fitMovement } from '../movement/fit-movement.ts';
import { laddersWith } from '../movement/ladders-with.ts';
import type { MovementLibrary } from '../movement/library.ts';
import type { Movement } from '../movement/movement.ts';
import { isWork } from '../words/describe-item.ts';
import type { ShapeLadder, ShapeLadders } from './shapes.ts';
import { HURT_AREAS } from './shapes.ts';

const MOST_EASIER = 3;
const MOST_HARDER = 2;

/**
 * The shapes that a person may go to during a session, for every movement of some blocks: steps of its ladder that are for this
 * person, held or counted as it is, so that its number stays what it is. Movements that nothing is known of have none.
 */
export function shapeLadders(blocks: readonly Block[], library: MovementLibrary, person: FitPerson): ShapeLadders {
  const names = new Set(blocks.flatMap((b) => b.items.filter(isWork).flatMap((i) => i.choices.map((c) => c.name))));
  return Object.fromEntries(
    [...names].flatMap((name) => {
      const movement = library.findByName(name);
      return movement ? [[name, ladderOf(name, movement, library, person)] as const] : [];
    }),
  );
}

function ladderOf(name: string, movement: Movement, library: MovementLibrary, person: FitPerson): ShapeLadder {
  const isLike = (m: Movement) =>
    m.isHold === movement.isHold && m.isOneSided === movement.isOneSided && findObstacle(m, person) === undefined;
  const [ladder] = laddersWith(movement, library);
  const steps = ladder?.steps.map((s) => library.find(s.movementId)) ?? [];
  const at = steps.findIndex((m) => m?.id === movement.id);
  const fits = (list: readonly (Movement | undefined)[]) => list.flatMap((m) => (m && isLike(m) ? [m.name] : []));
  const easier = at < 0 ? [] : fits(steps.slice(0, at)).slice(-MOST_EASIER);
  const harder = at < 0 ? [] : fits(steps.slice(at + 1)).slice(0, MOST_HARDER);
  const standIns = HURT_AREAS.flatMap(({ area, spare }) => {
    if (spare === null) return [];
    const fit = fitMovement(movement, { ...person, spares: [...person.spares, spare] }, library);
    return fit && fit.movement.isHold === movement.isHold ? [[area, fit.movement.name] as const] : [];
  });
  return { names: [...easier, name, ...harder], at: easier.length, standIns: Object.fromEntries(standIns) };
}
