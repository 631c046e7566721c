import type { Block, WorkItem } from '../document/document.ts';
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
  const byName = [...names].flatMap((name) => {
    const movement = library.findByName(name);
    return movement ? [[name, ladderOf(name, movement, library, person)] as const] : [];
  });
  const ladders: ShapeLadders = Object.fromEntries(byName);
  const own = blocks.flatMap((b, block) =>
    b.items.flatMap((item, i) => {
      const ladder = isWork(item) ? withNeighbours(item, ladders, library, person) : undefined;
      return ladder ? [[`${block}-${i}`, ladder] as const] : [];
    }),
  );
  return { ...ladders, ...Object.fromEntries(own) };
}

/** A line's ladder with the coach's own neighbours right beside the movement, if they are for this person; undefined where it names none. */
function withNeighbours(
  item: WorkItem,
  ladders: ShapeLadders,
  library: MovementLibrary,
  person: FitPerson,
): ShapeLadder | undefined {
  const { name } = item.choices[0]!;
  const isFor = (neighbour: string | undefined): neighbour is string => {
    if (neighbour === undefined) return false;
    const movement = library.findByName(neighbour);
    // What nothing is known of is the coach's word.
    return movement === undefined || findObstacle(movement, person) === undefined;
  };
  const easier = isFor(item.easier) ? [item.easier] : [];
  const harder = isFor(item.harder) ? [item.harder] : [];
  if (easier.length + harder.length === 0) return undefined;
  const known = ladders[name] ?? { names: [name], at: 0, standIns: {} };
  const others = (list: readonly string[]) => list.filter((n) => n !== item.easier && n !== item.harder);
  const below = [...others(known.names.slice(0, known.at)), ...easier];
  return { ...known, names: [...below, name, ...harder, ...others(known.names.slice(known.at + 1))], at: below.length };
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
