import { FILM_RULE, isFilmAddress } from '../document/film.ts';
import { countLetters } from '../letters.ts';
import type { Scale } from './scale.ts';
import { scaleFault } from './scale.ts';
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
  /** Scales of resistance of its own, or in place of a shipped one of the same id. */
  readonly scales: readonly Scale[];
}

export const EMPTY_LAYER: MovementLayer = { overrides: [], ladders: [], scales: [] };

/** A stored thing that can't be used, with why, in words for the coach. */
export interface PassedBy {
  readonly what: string;
  readonly why: string;
}

export interface LayeredLibrary {
  readonly library: MovementLibrary;
  /** What of the layer was left out, since it breaks a rule. The base stands in its place. */
  readonly passedBy: readonly PassedBy[];
}

/**
 * The base with a workspace's own layer over it; the base stays intact underneath. What breaks a rule, in whatever way, is left
 * out and told: a layer is stored, and rules, the base and the rest of the layer may have changed since. Never throws.
 */
export function layerLibrary(base: MovementLibrary, layer: MovementLayer): LayeredLibrary {
  if (layer.overrides.length === 0 && layer.ladders.length === 0 && layer.scales.length === 0)
    return { library: base, passedBy: [] };
  const passedBy: PassedBy[] = [];
  const movements = new Map(base.movements.map((m) => [m.id, m]));
  for (const override of layer.overrides) {
    const what = `the movement “${String((override as MovementOverride | null)?.movementId)}”`;
    if (!isOverride(override)) {
      passedBy.push({ what, why: 'it was stored in a shape that can’t be read' });
      continue;
    }
    const next = withFields(movements.get(override.movementId), override);
    const [issue] = checkMovement(next, [...movements.values()]);
    if (issue) passedBy.push({ what, why: issue.message });
    else movements.set(next.id, next);
  }
  const ladders = new Map(base.ladders.map((l) => [l.id, l]));
  for (const ladder of layer.ladders) {
    const why = ladderFault(ladder, (id) => movements.has(id) || base.find(id) !== undefined, ladders);
    if (why !== undefined) passedBy.push({ what: `the ladder “${String(ladder?.name ?? ladder?.id)}”`, why });
    else if (ladder.steps.length === 0) ladders.delete(ladder.id);
    else ladders.set(ladder.id, ladder);
  }
  const scales: Scale[] = [];
  for (const scale of layer.scales) {
    const why = isScale(scale) ? scaleFault(scale, scales) : 'it was stored in a shape that can’t be read';
    if (why) passedBy.push({ what: `the scale “${String((scale as Scale | null)?.name)}”`, why });
    else scales.push(scale);
  }
  const shipped = base.scales.filter((s) => !scales.some((own) => own.id === s.id));
  return { library: buildLibrary([...movements.values()], [...ladders.values()], [...scales, ...shipped]), passedBy };
}

function ladderFault(
  ladder: Ladder,
  isMovement: (id: string) => boolean,
  others: ReadonlyMap<string, Ladder>,
): string | undefined {
  const { id, name, steps } = (ladder ?? {}) as { id?: unknown; name?: unknown; steps?: unknown };
  const isShaped = isText(id) && isText(name) && Array.isArray(steps) && steps.every(isStep);
  if (!isShaped) return 'it was stored in a shape that can’t be read';
  const strange = ladder.steps.find((s) => !isMovement(s.movementId));
  if (strange) return `“${strange.movementId}” is no movement any more`;
  if (new Set(ladder.steps.map((s) => s.movementId)).size < ladder.steps.length) return 'a step stands on it twice';
  if (findLadderCycle([...others.values()].filter((l) => l.id !== ladder.id).concat(ladder)))
    return 'another ladder has it the other way round';
  return undefined;
}

const isStep = (step: unknown): boolean => {
  const { movementId, change } = (step ?? {}) as { movementId?: unknown; change?: unknown };
  return isText(movementId) && isText(change);
};
const isText = (value: unknown): value is string => typeof value === 'string';
const isScale = (value: unknown): value is Scale => {
  const { id, name, steps } = (value ?? {}) as Record<keyof Scale, unknown>;
  return isText(id) && isText(name) && isTexts(steps);
};
const isFlag = (value: unknown) => typeof value === 'boolean';
const isNumber = (value: unknown) => typeof value === 'number';
const isTexts = (value: unknown) => Array.isArray(value) && value.every(isText);
const isNumbers = (value: unknown, keys: readonly string[]) =>
  typeof value === 'object' && value !== null && keys.every((k) => isNumber((value as Record<string, unknown>)[k]));

/** What each field of a stored override has to be; what it may say is checkMovement's. */
const FIELD_SHAPES: Record<keyof Omit<Movement, 'id'>, (value: unknown) => boolean> = {
  name: isText,
  otherNames: isTexts,
  pattern: isText,
  position: isText,
  isHold: isFlag,
  isOneSided: isFlag,
  isOverhead: isFlag,
  isOnFloor: isFlag,
  preparesWrists: isFlag,
  demand: (value) => isNumbers(value, JOINTS),
  impact: isNumber,
  noise: isNumber,
  parts: isTexts,
  kit: isTexts,
  effortClass: isNumber,
  paceSec: (value) => isNumbers(value, ['low', 'likely', 'high']),
  paceSource: isText,
  setUp: isText,
  doing: isText,
  watchFor: isText,
  breathing: isText,
  cautions: isTexts,
  film: isText,
  drawing: isText,
};

function isOverride(override: MovementOverride): boolean {
  const { movementId, fields } = (override ?? {}) as { movementId?: unknown; fields?: unknown };
  if (!isText(movementId) || movementId === '' || typeof fields !== 'object' || fields === null) return false;
  return Object.entries(fields).every(
    ([key, value]) => Object.hasOwn(FIELD_SHAPES, key) && FIELD_SHAPES[key as keyof typeof FIELD_SHAPES](value),
  );
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
  film: '',
  drawing: '',
};

/** A movement with an override's fields; without a base, a movement of its own. */
export const withFields = (base: Movement | undefined, { movementId, fields }: MovementOverride): Movement => ({
  ...BLANK,
  name: movementId.replaceAll('-', ' '),
  ...base,
  ...fields,
  id: movementId,
});

/** The most that a movement may say, in letters and in number. */
export const MOVEMENT_LIMITS = {
  name: 80,
  id: 100,
  line: 200,
  names: 20,
  kit: 20,
  kitName: 60,
  cautions: 20,
  drawing: 4000,
} as const;
const LINES = ['setUp', 'doing', 'watchFor', 'breathing', 'paceSource'] as const;

/** What is wrong with a movement beside the others of its library, field by field; nothing: empty. */
export function checkMovement(movement: Movement, others: readonly Movement[]): MovementIssue[] {
  const issues: MovementIssue[] = [];
  const push = (field: keyof Movement, message: string) => void issues.push({ field, message });
  const besides = others.filter((m) => m.id !== movement.id);
  checkNames(movement, besides, push);
  const { low, likely, high } = movement.paceSec;
  if (![low, likely, high].every((n) => Number.isFinite(n) && n > 0 && n <= 600))
    push('paceSec', 'Each pace is more than 0 and at most 600 seconds.');
  else if (low > likely || likely > high) push('paceSec', 'Paces go from quick to careful: low, likely, high.');
  if (!PATTERNS.includes(movement.pattern)) push('pattern', 'Choose a pattern.');
  if (!POSITIONS.includes(movement.position)) push('position', 'Choose a position.');
  const isGrade = (n: number) => [0, 1, 2, 3].includes(n);
  if (!JOINTS.every((j) => isGrade(movement.demand[j]))) push('demand', 'Demand is 0 to 3 on each place.');
  if (!isGrade(movement.impact)) push('impact', 'Impact is 0 to 3.');
  if (!isGrade(movement.noise)) push('noise', 'Noise is 0 to 3.');
  const strange = movement.parts.find((part) => part === movement.id || !others.some((m) => m.id === part));
  if (strange !== undefined) push('parts', `“${strange}” is no movement that it could be made of.`);
  checkWords(movement, push);
  const kitFree = [...besides, movement].some(
    (m) =>
      m.pattern === movement.pattern && m.effortClass <= movement.effortClass && m.kit.every((k) => PLACES.includes(k)),
  );
  if (!kitFree)
    push('kit', `Nothing in ${movement.pattern} would be left for those without kit; keep one that needs none.`);
  if (![1, 2, 3, 4, 5].includes(movement.effortClass)) push('effortClass', 'The effort class is 1 to 5.');
  return issues;
}

type Push = (field: keyof Movement, message: string) => void;

/** Each name means one movement, and is there once. */
function checkNames(movement: Movement, besides: readonly Movement[], push: Push): void {
  const { name: most, id, names } = MOVEMENT_LIMITS;
  const isName = (name: string) => nameKey(name) !== '' && countLetters(name) <= most;
  if (!isName(movement.name)) push('name', `A name has 1 to ${most} letters.`);
  else if (movement.id.length > id) push('name', 'That name is too long once it is spelt in plain letters.');
  const taken = new Map(besides.flatMap((m) => [m.name, ...m.otherNames].map((n) => [nameKey(n), m.name] as const)));
  const other = taken.get(nameKey(movement.name));
  if (other !== undefined) push('name', `“${movement.name}” names the ${other} already.`);
  if (movement.otherNames.length > names) push('otherNames', `At most ${names} other names.`);
  const seen = new Set([nameKey(movement.name)]);
  for (const name of movement.otherNames) {
    const key = nameKey(name);
    if (!isName(name)) push('otherNames', `Each other name has 1 to ${most} letters.`);
    else if (taken.has(key)) push('otherNames', `“${name}” is a name already, of the ${taken.get(key)!}.`);
    else if (seen.has(key)) push('otherNames', `“${name}” stands there twice, or is the name itself; keep it once.`);
    seen.add(key);
  }
}

function checkWords(movement: Movement, push: Push): void {
  if (movement.film !== '' && !isFilmAddress(movement.film)) push('film', FILM_RULE);
  if (movement.drawing.length > MOVEMENT_LIMITS.drawing)
    push('drawing', `At most ${MOVEMENT_LIMITS.drawing} letters: a drawing of fewer poses.`);
  const { line, kit, kitName, cautions } = MOVEMENT_LIMITS;
  for (const field of LINES)
    if (countLetters(movement[field]) > line) push(field, `At most ${line} letters; keep it to what matters.`);
  if (movement.kit.length > kit || movement.kit.some((k) => countLetters(k) > kitName))
    push('kit', `At most ${kit} pieces of kit, each of at most ${kitName} letters.`);
  if (movement.cautions.length > cautions || movement.cautions.some((c) => countLetters(c) > line))
    push('cautions', `At most ${cautions} cautions, each of at most ${line} letters.`);
}
