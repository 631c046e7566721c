import type { Ladder } from './ladder.ts';
import { PLACES } from './kit.ts';
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

/** What a workspace lays over the base. */
export interface MovementLayer {
  readonly overrides: readonly MovementOverride[];
  /** In place of a shipped ladder of the same id, or new; one without steps takes the shipped one away. */
  readonly ladders: readonly Ladder[];
}

export const EMPTY_LAYER: MovementLayer = { overrides: [], ladders: [] };

/** The base with a workspace's own layer over it; the base stays intact underneath. What breaks a rule is left out. */
export function layerLibrary(base: MovementLibrary, layer: MovementLayer): MovementLibrary {
  if (layer.overrides.length === 0 && layer.ladders.length === 0) return base;
  const movements = new Map(base.movements.map((m) => [m.id, m]));
  for (const override of layer.overrides) {
    const next = withFields(movements.get(override.movementId), override);
    if (checkMovement(next, [...movements.values()]).length === 0) movements.set(next.id, next);
  }
  const ladders = new Map(base.ladders.map((l) => [l.id, l]));
  for (const ladder of layer.ladders) {
    if (ladder.steps.length === 0) ladders.delete(ladder.id);
    else if (
      ladder.steps.every((s) => movements.has(s.movementId)) &&
      !findLadderCycle([...ladders.values()].filter((l) => l.id !== ladder.id).concat(ladder))
    )
      ladders.set(ladder.id, ladder);
  }
  return buildLibrary([...movements.values()], [...ladders.values()]);
}

/** Two movements that are each easier than the other by some way of ladders; undefined where all ladders agree. */
export function findLadderCycle(ladders: readonly Ladder[]): readonly [string, string] | undefined {
  const harder = new Map<string, Set<string>>();
  for (const { steps } of ladders) {
    for (let i = 1; i < steps.length; i++) {
      const from = steps[i - 1]!.movementId;
      harder.set(from, (harder.get(from) ?? new Set()).add(steps[i]!.movementId));
    }
  }
  const state = new Map<string, 'open' | 'done'>();
  const visit = (id: string): readonly [string, string] | undefined => {
    state.set(id, 'open');
    for (const next of harder.get(id) ?? []) {
      if (state.get(next) === 'open') return [id, next];
      const found = state.has(next) ? undefined : visit(next);
      if (found) return found;
    }
    state.set(id, 'done');
    return undefined;
  };
  for (const id of harder.keys()) {
    const found = state.has(id) ? undefined : visit(id);
    if (found) return found;
  }
  return undefined;
}

const BLANK: Omit<Movement, 'id' | 'name'> = {
  otherNames: [],
  pattern: 'mobility',
  position: 'standing',
  isHold: false,
  isOneSided: false,
  isOverhead: false,
  isOnFloor: false,
  preparesWrists: false,
  demand: { wrist: 0, elbow: 0, shoulder: 0, neck: 0, back: 0, hip: 0, knee: 0, ankle: 0 },
  impact: 0,
  noise: 0,
  parts: [],
  kit: [],
  effortClass: 3,
  paceSec: { low: 1.8, likely: 2.5, high: 3.8 },
  paceSource: 'the coach’s own',
  setUp: '',
  doing: '',
  watchFor: '',
  breathing: '',
  cautions: [],
};

/** A movement with an override's fields; without a base, a movement of its own. */
export const withFields = (base: Movement | undefined, { movementId, fields }: MovementOverride): Movement => ({
  ...BLANK,
  name: movementId.replaceAll('-', ' '),
  ...base,
  ...fields,
  id: movementId,
});

/** What is wrong with a movement beside the others of its library, field by field; nothing: empty. */
export function checkMovement(movement: Movement, others: readonly Movement[]): MovementIssue[] {
  const issues: MovementIssue[] = [];
  const push = (field: keyof Movement, message: string) => void issues.push({ field, message });
  const { low, likely, high } = movement.paceSec;
  if (movement.name.trim() === '' || movement.name.length > 80) push('name', 'A name has 1 to 80 letters.');
  const taken = new Map(
    others
      .filter((m) => m.id !== movement.id)
      .flatMap((m) => [m.name, ...m.otherNames].map((n) => [nameKey(n), m.name] as const)),
  );
  for (const name of [movement.name])
    if (taken.has(nameKey(name))) push('name', `“${name}” names the ${taken.get(nameKey(name))!} already.`);
  const twice = movement.otherNames.find((n) => taken.has(nameKey(n)) || nameKey(n) === nameKey(movement.name));
  if (twice) push('otherNames', `“${twice}” is a name already, of the ${taken.get(nameKey(twice)) ?? movement.name}.`);
  if (![low, likely, high].every((n) => Number.isFinite(n) && n > 0 && n <= 600))
    push('paceSec', 'Each pace is more than 0 and at most 600 seconds.');
  else if (low > likely || likely > high) push('paceSec', 'Paces go from quick to careful: low, likely, high.');
  if (!PATTERNS.includes(movement.pattern)) push('pattern', 'Choose a pattern.');
  if (!POSITIONS.includes(movement.position)) push('position', 'Choose a position.');
  if (!JOINTS.every((j) => [0, 1, 2, 3].includes(movement.demand[j])))
    push('demand', 'Demand is 0 to 3 on each place.');
  const kitFree = [...others.filter((m) => m.id !== movement.id), movement].some(
    (m) =>
      m.pattern === movement.pattern && m.effortClass <= movement.effortClass && m.kit.every((k) => PLACES.includes(k)),
  );
  if (!kitFree)
    push('kit', `Nothing in ${movement.pattern} would be left for those without kit; keep one that needs none.`);
  if (![1, 2, 3, 4, 5].includes(movement.effortClass)) push('effortClass', 'The effort class is 1 to 5.');
  return issues;
}
