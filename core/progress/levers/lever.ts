import type { NewRounds } from '../../forms/form.ts';

/** What progression changes in a session. */
export const LEVER_KINDS = [
  'rounds',
  'reps',
  'work',
  'rest',
  'load',
  'shape',
  'tempo',
  'windows',
  'step',
  'sets',
  'clock',
  'effort',
] as const;
export type LeverKind = (typeof LEVER_KINDS)[number];

/** One lever and what it acts on. */
export interface Lever {
  readonly kind: LeverKind;
  /** A movement's name for one item only; `list` for the header's list of repetitions only. Absent: all that the kind fits. */
  readonly of?: string;
  /** A block's label, or its role where it has none. Absent: all of Main, Finisher and Skill. */
  readonly in?: string;
  /** What rounds that are added to a list by round have; absent: the list goes on. */
  readonly newRounds?: NewRounds;
}

export interface LeverWords {
  readonly name: string;
  /** What is added: `+1 round`, `+5 s`. */
  readonly unit: string;
  readonly units: string;
  readonly means: string;
  /** The usual step, signed the way that makes a session harder. */
  readonly usualBy: number;
}

export const LEVER_WORDS: Record<LeverKind, LeverWords> = {
  rounds: {
    name: 'rounds',
    unit: 'round',
    units: 'rounds',
    means: 'one more time through the list; where items take turns by the clock, one more turn of each',
    usualBy: 1,
  },
  reps: {
    name: 'reps',
    unit: 'rep',
    units: 'reps',
    means:
      'more of every written number, where sides take turns by an even number; of one movement, or of the header’s list alone',
    usualBy: 1,
  },
  work: {
    name: 'work',
    unit: 's',
    units: 's',
    means: 'longer intervals; without an interval clock, longer holds',
    usualBy: 5,
  },
  rest: {
    name: 'rest',
    unit: 's',
    units: 's',
    means: 'the rest that is written: of intervals and windows, between rounds, between sets',
    usualBy: -5,
  },
  load: {
    name: 'load',
    unit: 'kg',
    units: 'kg',
    means: 'the weight that is written; where a share is written, per cent',
    usualBy: 2,
  },
  shape: { name: 'shape', unit: 'step', units: 'steps', means: 'the next step of the movement’s ladder', usualBy: 1 },
  tempo: {
    name: 'tempo',
    unit: 's',
    units: 's',
    means: 'slower on the way down, where a tempo is written',
    usualBy: 1,
  },
  windows: { name: 'windows', unit: 'window', units: 'windows', means: 'one more time from the top', usualBy: 1 },
  step: {
    name: 'step',
    unit: 'more',
    units: 'more',
    means: 'what each set adds in a pyramid, each turn in a climb, each round in a growing or cycling count',
    usualBy: 1,
  },
  sets: { name: 'sets', unit: 'set', units: 'sets', means: 'the whole block once more', usualBy: 1 },
  clock: {
    name: 'clock',
    unit: 's',
    units: 's',
    means: 'the length of a span, a turn, a window or a pyramid’s set; at one’s own pace, the cap',
    usualBy: 60,
  },
  effort: {
    name: 'effort',
    unit: 'point',
    units: 'points',
    means: 'the session’s planned effort, 0 to 10',
    usualBy: 1,
  },
};

/** Two levers that pull at the same thing. */
export const isSameLever = (a: Lever, b: Lever): boolean =>
  a.kind === b.kind &&
  (a.of ?? '').toLowerCase() === (b.of ?? '').toLowerCase() &&
  (a.in ?? '').toLowerCase() === (b.in ?? '').toLowerCase();

/** `reps of goblet squat in Engine` */
export const leverName = ({ kind, of, in: block }: Lever): string =>
  `${LEVER_WORDS[kind].name}${of ? ` of ${of}` : ''}${block ? ` in ${block}` : ''}`;

/** `+1 round`, `−5 s` */
export function formatBy(kind: LeverKind, by: number): string {
  const { unit, units } = LEVER_WORDS[kind];
  return `${formatSigned(by)} ${Math.abs(by) === 1 ? unit : units}`;
}

/** `+2`, `−1`, `0`, with a true minus. */
export const formatSigned = (value: number): string => (value > 0 ? `+${value}` : value < 0 ? `−${-value}` : '0');
