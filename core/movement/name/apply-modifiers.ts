import { kitKey, pieceCount, sayPiece } from '../kit.ts';
import type { Grade, Joint, Movement } from '../movement.ts';
import { JOINTS } from '../movement.ts';
import type { Change, Modifier } from './modifier.ts';
import { FAMILIES } from './modifier.ts';
import { isLegs, isWeight } from './modifiers.ts';
import { nameWords } from './words.ts';

/** What a weight in the hands asks for where there was none (common practice, no source). */
const WEIGHT_LEAST: Readonly<Partial<Record<Joint, Grade>>> = { wrist: 1, shoulder: 1 };
/** Weights of which one is enough, for any movement. */
const ONE_IS_ENOUGH = ['kettlebell', 'barbell', 'plate', 'medicine ball', 'sandbag', 'band', 'cable machine'];
/** Weights that are heard when they are set down. */
const HEARD = ['dumbbell', 'kettlebell', 'barbell', 'plate', 'medicine ball'];

/** With one weight in one hand these are done one side at a time; with a bar or one in each hand they aren't (common practice). */
const ONE_HANDED = [
  'clean',
  'snatch',
  'clean-and-press',
  'clean-and-jerk',
  'push-press',
  'push-jerk',
  'bent-over-row',
  'overhead-press',
  'bottle-press',
];

const IN_ONE_HAND = ['kettlebell', 'dumbbell', 'bottle'];

const toGrade = (n: number): Grade => Math.max(0, Math.min(3, n)) as Grade;
const toEffort = (n: number) => Math.max(1, Math.min(5, n)) as Movement['effortClass'];
const round = (sec: number) => Math.max(0.1, Math.round(sec * 100) / 100);

const scalePace = (sec: Movement['paceSec'], by: number): Movement['paceSec'] => ({
  low: round(sec.low * by),
  likely: round(sec.likely * by),
  high: round(sec.high * by),
});

/** Families in which the order of modifiers matters follow it; a weight is there before it is told how many. */
const order = (m: Modifier) => FAMILIES.indexOf(m.family);

/** A movement as it is being changed: spreading it for each modifier was most of the time of a reading. */
type Draft = { -readonly [K in keyof Movement]: Movement[K] } & { demand: Record<Joint, Grade> };

/** A movement with what modifiers change of it. Its name, words and id stay the head's. */
export function applyModifiers(head: Movement, modifiers: readonly Modifier[]): Movement {
  const draft: Draft = { ...head, demand: { ...head.demand } };
  const sorted = modifiers.length > 1 ? [...modifiers].sort((a, b) => order(a) - order(b)) : modifiers;
  for (const modifier of sorted) applyChange(draft, modifier.change(draft));
  const saysHands = sorted.some((m) => ['double', 'two-handed', 'alternating'].includes(m.id));
  if (ONE_HANDED.includes(head.id) && !saysHands && sorted.some((m) => m.family === 'implement'))
    draft.isOneSided = draft.kit.some((k) => IN_ONE_HAND.includes(kitKey(k)) && pieceCount(k) === 1);
  return draft;
}

function applyChange(m: Draft, c: Change): void {
  const wasProne = m.position === 'prone';
  if (c.weight !== undefined) addWeight(m, c.weight);
  if (c.more || c.least || c.most)
    for (const joint of JOINTS)
      m.demand[joint] = toGrade(
        Math.max(Math.min(m.demand[joint] + (c.more?.[joint] ?? 0), c.most?.[joint] ?? 3), c.least?.[joint] ?? 0),
      );
  if (c.kit !== undefined || c.bare || c.weights !== undefined) m.kit = kitOf(m.kit, c);
  if (c.paceSec) m.paceSec = c.paceSec;
  else if (c.pace !== undefined && !m.isHold) m.paceSec = scalePace(m.paceSec, c.pace);
  if (c.pattern) m.pattern = c.pattern;
  if (c.position) m.position = c.position;
  if (c.floor !== undefined) m.isOnFloor = c.floor;
  if (c.overhead !== undefined) m.isOverhead = c.overhead;
  else if (c.position === 'standing' && wasProne) m.isOverhead = false;
  if (c.counted) m.isHold = c.counted === 'hold';
  if (c.sides) m.isOneSided = c.sides === 'one at a time';
  if (c.impact !== undefined) m.impact = c.impact;
  if (c.noise !== undefined) m.noise = c.noise;
  if (c.effort !== undefined) m.effortClass = toEffort(m.effortClass + c.effort);
}

function kitOf(kit: readonly string[], c: Change): string[] {
  const kept = c.bare ? kit.filter((k) => !isWeight(k)) : [...kit];
  const counted = c.weights === undefined ? kept : kept.map((k) => (isWeight(k) ? sayPiece(kitKey(k), c.weights!) : k));
  return c.kit === undefined || counted.some((k) => kitKey(k) === c.kit) ? counted : [...counted, c.kit];
}

/** It brings its own seat, bench and rests. */
const MACHINE = 'cable machine';

/** Another weight in place of the one there was, as many; where there was none it is added, and asks more. */
function addWeight(m: Draft, weight: string): void {
  if (HEARD.includes(weight)) m.noise = Math.max(m.noise, 1) as Grade;
  const isSwapped = (k: string) =>
    isWeight(k) || (['band', 'loop band', 'cable machine'].includes(kitKey(k)) && kitKey(k) !== weight);
  if (m.kit.some(isSwapped)) {
    const many = Math.max(...m.kit.filter(isWeight).map(pieceCount), 1);
    // What a barbell holds for both hands is one in each.
    const isPair = m.kit.some((k) => kitKey(k) === 'barbell') && !m.isOneSided;
    const count = ONE_IS_ENOUGH.includes(weight) ? 1 : isPair ? 2 : many;
    m.kit = [sayPiece(weight, count), ...(weight === MACHINE ? [] : m.kit.filter((k) => !isSwapped(k)))];
    return;
  }
  if (m.kit.some((k) => kitKey(k) === weight)) return;
  const count = ONE_IS_ENOUGH.includes(weight) || m.position !== 'standing' || (m.isOneSided && !isLegs(m)) ? 1 : 2;
  for (const joint of JOINTS) m.demand[joint] = Math.max(m.demand[joint], WEIGHT_LEAST[joint] ?? 0) as Grade;
  m.kit = [sayPiece(weight, count), ...(weight === MACHINE ? [] : m.kit)];
  m.effortClass = toEffort(m.effortClass + 1);
  if (!m.isHold) m.paceSec = scalePace(m.paceSec, 1.1);
}

/** A plank is held, a swing is done standing and with a kettlebell: said again it is the same movement. */
export function isSaidAlready(modifier: Modifier, head: Movement): boolean {
  let known = said.get(head);
  if (!known) said.set(head, (known = new Map<Modifier, boolean>()));
  let answer = known.get(modifier);
  if (answer === undefined) {
    answer = saysNothingNew(modifier, head);
    known.set(modifier, answer);
  }
  return answer;
}

const said = new WeakMap<Movement, Map<Modifier, boolean>>();

function saysNothingNew(modifier: Modifier, head: Movement): boolean {
  const own = nameWords(head.name);
  if (nameWords(modifier.name).every((w) => own.includes(w))) return true;
  switch (modifier.id) {
    case 'hold':
      return head.isHold;
    case 'lying':
      return head.position === 'supine';
    case 'standing':
    case 'prone':
    case 'seated':
    case 'kneeling':
      return head.position === modifier.id;
    default: {
      const { weight, kit, weights: _weights, ...more } = modifier.change(head);
      const piece = weight ?? kit;
      return piece !== undefined && Object.keys(more).length === 0 && head.kit.some((k) => kitKey(k) === kitKey(piece));
    }
  }
}
