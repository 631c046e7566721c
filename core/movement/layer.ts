import { buildLibrary, nameKey } from './library.ts';
import type { MovementLibrary } from './library.ts';
import type { Movement } from './movement.ts';
import { JOINTS, PATTERNS, POSITIONS } from './movement.ts';

/** A workspace's own layer: fields over a base movement, or a movement of its own. */
export interface MovementOverride {
  readonly movementId: string;
  readonly fields: Partial<Omit<Movement, 'id'>>;
}

export interface MovementIssue {
  readonly field: keyof Movement;
  readonly message: string;
}

/** The base with a workspace's own layer over it; the base stays intact underneath. Overrides that break a rule are left out. */
export function layerLibrary(base: MovementLibrary, overrides: readonly MovementOverride[]): MovementLibrary {
  if (overrides.length === 0) return base;
  const own = new Map<string, MovementOverride>();
  const movements = new Map(base.movements.map((m) => [m.id, m]));
  for (const override of overrides) {
    const next = withFields(movements.get(override.movementId), override);
    if (checkMovement(next, [...movements.values()]).length > 0) continue;
    movements.set(next.id, next);
    own.set(next.id, override);
  }
  return buildLibrary([...movements.values()], base.ladders);
}

const BLANK: Omit<Movement, 'id' | 'name'> = {
  otherNames: [], pattern: 'mobility', position: 'standing', isHold: false, isOneSided: false, isOverhead: false, isOnFloor: false, preparesWrists: false,
  demand: { wrist: 0, elbow: 0, shoulder: 0, neck: 0, back: 0, hip: 0, knee: 0, ankle: 0 }, impact: 0, noise: 0, parts: [], kit: [], effortClass: 3, paceSec: { low: 1.8, likely: 2.5, high: 3.8 },
  paceSource: 'the coach’s own', setUp: '', doing: '', watchFor: '', breathing: '', cautions: [],
};

/** A movement with an override's fields; without a base, a movement of its own. */
export const withFields = (base: Movement | undefined, { movementId, fields }: MovementOverride): Movement =>
  ({ ...BLANK, name: movementId.replaceAll('-', ' '), ...base, ...fields, id: movementId });

/** What is wrong with a movement beside the others of its library, field by field; nothing: empty. */
export function checkMovement(movement: Movement, others: readonly Movement[]): MovementIssue[] {
  const issues: MovementIssue[] = [];
  const push = (field: keyof Movement, message: string) => void issues.push({ field, message });
  const { low, likely, high } = movement.paceSec;
  if (movement.name.trim() === '' || movement.name.length > 80) push('name', 'A name has 1 to 80 letters.');
  const taken = new Map(others.filter((m) => m.id !== movement.id).flatMap((m) => [m.name, ...m.otherNames].map((n) => [nameKey(n), m.name] as const)));
  for (const name of [movement.name]) if (taken.has(nameKey(name))) push('name', `“${name}” names the ${taken.get(nameKey(name))!} already.`);
  const twice = movement.otherNames.find((n) => taken.has(nameKey(n)) || nameKey(n) === nameKey(movement.name));
  if (twice) push('otherNames', `“${twice}” is a name already, of the ${taken.get(nameKey(twice)) ?? movement.name}.`);
  if (![low, likely, high].every((n) => Number.isFinite(n) && n > 0 && n <= 600)) push('paceSec', 'Each pace is more than 0 and at most 600 seconds.');
  else if (low > likely || likely > high) push('paceSec', 'Paces go from quick to careful: low, likely, high.');
  if (!PATTERNS.includes(movement.pattern)) push('pattern', 'Choose a pattern.');
  if (!POSITIONS.includes(movement.position)) push('position', 'Choose a position.');
  if (!JOINTS.every((j) => [0, 1, 2, 3].includes(movement.demand[j]))) push('demand', 'Demand is 0 to 3 on each place.');
  if (![1, 2, 3, 4, 5].includes(movement.effortClass)) push('effortClass', 'The effort class is 1 to 5.');
  return issues;
}
