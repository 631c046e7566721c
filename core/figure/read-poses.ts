import { LEVEL } from './body.ts';
import type { Figure, View } from './figure.ts';
import { VIEWS } from './figure.ts';
import type { Against, Field, Place, Pose, Side, Touch } from './pose.ts';
import { PLACES, UPRIGHT, UPRIGHTS } from './pose.ts';

/** What the numbers behind a word set; a word for a limb is for both sides unless it ends in R or L. */
const WORDS: Readonly<Record<string, readonly string[]>> = {
  trunk: ['trunk', 'curl'],
  curl: ['curl'],
  bend: ['bend'],
  twist: ['twist'],
  nod: ['nod', 'look'],
  lay: ['pitch', 'roll', 'yaw'],
  roll: ['roll'],
  yaw: ['yaw'],
  up: ['up'],
  leg: ['thigh', 'shank'],
  out: ['out', 'kneeOut'],
  point: ['point'],
  turn: ['turn'],
  arm: ['arm', 'fore'],
  armOut: ['armOut', 'foreOut'],
};
const SIDED = new Set(['leg', 'out', 'point', 'turn', 'arm', 'armOut']);
const PLURALS: Readonly<Record<string, Place>> = { feet: 'foot', knees: 'knee', hands: 'hand', elbows: 'elbow' };

/** A pose that can't be read, with the word at which. */
export class PoseError extends Error {
  override readonly name = 'PoseError';
  readonly word: string;
  constructor(word: string, message: string) {
    super(message);
    this.word = word;
  }
}

const isNumber = (token: string | undefined): token is string => token !== undefined && /^-?\d+(\.\d+)?$/.test(token);

/** Which word a token is, and for which sides. */
function wordOf(token: string): { word: string; sides: readonly (Side | '')[] } | undefined {
  if (Object.hasOwn(WORDS, token)) return { word: token, sides: SIDED.has(token) ? ['R', 'L'] : [''] };
  const stem = token.slice(0, -1);
  const side = token.slice(-1);
  if ((side === 'R' || side === 'L') && SIDED.has(stem)) return { word: stem, sides: [side] };
  if (token.endsWith('s') && SIDED.has(stem)) return { word: stem, sides: ['R', 'L'] };
  return undefined;
}

const isAgainst = (word: string): word is Against =>
  (UPRIGHTS as readonly string[]).includes(word) || Object.hasOwn(LEVEL, word);

/** `foot`, `feet`, `handL@wall`: what touches, and against what; `footR+` is set down anew. */
function touchesOf(token: string): readonly Touch[] | undefined {
  const isSetDown = token.endsWith('+');
  const [name = '', against = 'floor'] = (isSetDown ? token.slice(0, -1) : token).split('@');
  if (!isAgainst(against)) return undefined;
  const touch = (place: Place, side: Side | undefined): Touch => ({
    place,
    side,
    against,
    isSetDown,
  });
  const plural = PLURALS[name];
  if (plural) return [touch(plural, 'R'), touch(plural, 'L')];
  if (name === 'toes') return [touch('toes', 'R'), touch('toes', 'L')];
  if (PLACES.includes(name as Place)) return [touch(name as Place, undefined)];
  const stem = name.slice(0, -1) as Place;
  const side = name.slice(-1);
  if ((side === 'R' || side === 'L') && PLACES.includes(stem)) return [touch(stem, side)];
  return undefined;
}

const withFlatFeet = (pose: Pose): Pose => {
  const flat = (side: Side): number => (pose.touches.some((t) => t.place === 'foot' && t.side === side) ? 1 : 0);
  return { ...pose, at: { ...pose.at, flatR: flat('R'), flatL: flat('L') } };
};

/**
 * One pose: words with numbers (`trunk 40 legs 95 -28`), what it rests on (`on feet`), or the name of a pose it begins from. What
 * isn't said stays as it was. Throws PoseError with the word that isn't understood.
 */
export function readPose(text: string, before: Pose, named: ReadonlyMap<string, Pose>): Pose {
  const tokens = text.split(/\s+/).filter(Boolean);
  let pose: Pose = { ...before, weight: 1 };
  for (let i = 0; i < tokens.length;) {
    const token = tokens[i++]!;
    const word = wordOf(token);
    const base = named.get(token);
    if (word) {
      const at: Record<string, number> = { ...pose.at };
      const fields = WORDS[word.word]!;
      if (!isNumber(tokens[i])) throw new PoseError(token, `"${token}" needs a number in "${text}"`);
      for (const field of fields) {
        if (!isNumber(tokens[i])) break;
        for (const side of word.sides) at[`${field}${side}`] = Number(tokens[i]);
        i++;
      }
      pose = { ...pose, at: at as Record<Field, number> };
    } else if (base) pose = { ...base, weight: pose.weight };
    else if (token === 'on') {
      const touches: Touch[] = [];
      for (let more = touchesOf(tokens[i] ?? ''); more; more = touchesOf(tokens[++i] ?? '')) touches.push(...more);
      pose = { ...pose, touches, isLevel: false };
    } else if (token === 'air') pose = { ...pose, touches: [], isLevel: false };
    else if (token === 'level') pose = { ...pose, isLevel: true };
    else if (token === 'takes' && isNumber(tokens[i])) pose = { ...pose, weight: Number(tokens[i++]) };
    else throw new PoseError(token, `"${token}" is no word of a pose, in "${text}"`);
  }
  return withFlatFeet(pose);
}

/** Named poses, a line each: `name: words`. Each may begin from one above it. */
export function readNamedPoses(text: string): ReadonlyMap<string, Pose> {
  const named = new Map<string, Pose>();
  for (const line of text.split('\n')) {
    const [name, words] = line.split(':');
    if (name && words) named.set(name.trim(), readPose(words, UPRIGHT, named));
  }
  return named;
}

/**
 * A movement: `side round | stand > trunk 40 legs 95 -28`. Before the bar, the side that shows it best and how it goes on: there
 * and back unless it goes `round`; `alternates` changes sides each time, and
 * `travels` is looked at by somebody who goes along.
 */
export function readFigure(text: string, named: ReadonlyMap<string, Pose>): Figure {
  const [head = '', body] = text.split('|');
  if (body === undefined) throw new PoseError(text, `"${text}" has no bar between how it is seen and its poses`);
  const words = head.split(/\s+/).filter(Boolean);
  const view = words.find((w): w is View => (VIEWS as readonly string[]).includes(w));
  if (!view) throw new PoseError(head.trim(), `"${head.trim()}" doesn't say from where it is seen`);
  const poses: Pose[] = [];
  for (const part of body.split('>')) poses.push(readPose(part, poses.at(-1) ?? UPRIGHT, named));
  const [goesRound, alternates, travels] = ['round', 'alternates', 'travels'].map((word) => words.includes(word));
  return { view, goesRound: goesRound!, alternates: alternates!, travels: travels!, poses, kit: [] };
}
