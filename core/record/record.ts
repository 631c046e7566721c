import type { FewerReps } from '../clock/fewer.ts';
import type { ChosenShape } from '../clock/shapes.ts';
import type { DoneRounds } from './round-fields.ts';
import type { Score } from './scores/score.ts';

export const OUTCOMES = ['done', 'part', 'not-done'] as const;
export type Outcome = (typeof OUTCOMES)[number];

/** Why something wasn't done, if one likes to say. Nothing follows from it by itself. */
export const REASONS = ['no-time', 'not-well', 'travelling', 'sore', 'too-hard', 'too-long', 'other'] as const;
export type Reason = (typeof REASONS)[number];
export const REASON_WORDS: Record<Reason, string> = {
  'no-time': 'no time',
  'not-well': 'not well',
  travelling: 'travelling',
  sore: 'sore',
  'too-hard': 'too hard',
  'too-long': 'too long',
  other: 'something else',
};

/** How the body feels afterwards. Dull soreness for one to three days is usual; pain is told apart (docs/formulas.md 6). */
export const BODY_FEELINGS = ['fresh', 'well', 'tired', 'sore', 'hurts'] as const;
export type BodyFeeling = (typeof BODY_FEELINGS)[number];
export const BODY_WORDS: Record<BodyFeeling, string> = {
  fresh: 'fresh',
  well: 'well worked',
  tired: 'tired',
  sore: 'sore',
  hurts: 'something hurts',
};

/** Repetitions of an item with a weight or a step of a scale, as far as they were said. */
interface UsedSets {
  /** Of the last set. */
  readonly lastReps?: number;
  /** Of every set, the first one first; only where more than one was said. */
  readonly setReps?: readonly number[];
}

/** The weight that was used for an item, where it has one. */
export interface UsedLoad extends UsedSets {
  readonly block: number;
  readonly item: number;
  readonly movement: string;
  readonly kg: number;
}
export const MAX_LOAD_KG = 500;

/** The step of a scale of resistance that was used for an item. */
export interface UsedStep extends UsedSets {
  readonly block: number;
  readonly item: number;
  readonly movement: string;
  readonly step: string;
}

/** What a record says beside its numbers; each part is there where something was said or seen. */
export interface RecordDetails {
  readonly reason?: Reason;
  readonly body?: BodyFeeling;
  readonly loads?: readonly UsedLoad[];
  readonly steps?: readonly UsedStep[];
  /** Shapes that were chosen during the session. */
  readonly chosen?: readonly ChosenShape[];
  /** Where, by block, fewer repetitions were done from a turn on. */
  readonly fewer?: FewerReps;
  /** Rounds, by block, where the plan leaves the last ones to the day. */
  readonly rounds?: DoneRounds;
  /** Turns of a clock in which the work wasn't over, by block. */
  readonly overran?: Readonly<Record<number, number>>;
  /** Seconds that the clock ran in each block. */
  readonly ranSec?: Readonly<Record<number, number>>;
  /** Of what was done in part: each item's share as the clock saw it, by `block-item` or `block`; what isn't named was done whole. */
  readonly did?: Readonly<Record<string, number>>;
  /** By how much the device's clock was ahead (+) or behind (-), in seconds; only where it was off by minutes. */
  readonly clockOffSec?: number;
}

/** What a person says was done on a day. */
export interface SessionRecord {
  readonly outcome: Outcome;
  /** How much of it, 0 to 1: 1 when done, 0 when not, what they said when part. */
  readonly shareRatio: number;
  /** 0 nothing to 10 all I had; null where not said. */
  readonly effort: number | null;
  readonly remark: string;
  readonly scores: readonly Score[];
  readonly details?: RecordDetails;
  /** What stood when it was said, as the database numbers it: this stands over that, whatever clocks say. */
  readonly afterId?: number | null;
  /** When it was made on the device, as far as the server can tell: of two that don't know of each other, the later one stands. */
  readonly madeAtMs: number;
  /** When it arrived. */
  readonly loggedAtMs: number;
}

export const MAX_REMARK_LENGTH = 1000;

/** A device's clock that is off by less isn't worth a word: networks take their time. */
const CLOCK_OFF_FROM_SEC = 300;

/** By how many seconds a device's clock is ahead as its log arrives; undefined where it is right, or nothing was said. */
export function clockOffSec(sentAtMs: number | undefined, nowMs: number): number | undefined {
  if (sentAtMs === undefined) return undefined;
  const offSec = Math.round((sentAtMs - nowMs) / 1000);
  return Math.abs(offSec) >= CLOCK_OFF_FROM_SEC ? offSec : undefined;
}

/** A log that waited longer than this on a phone counts as made so long ago. */
export const MAX_WAIT_MS = 60 * 24 * 3600 * 1000;

/**
 * When a log was made, on the server's clock. A device's own clock may be wrong, but how long a log waited on it, from `madeAtMs`
 * to `sentAtMs`, both by that clock, isn't. Without them, or where they make no sense, it was made as it arrived.
 */
export function madeAt(
  device: { madeAtMs?: number | undefined; sentAtMs?: number | undefined },
  nowMs: number,
): number {
  const waitedMs = (device.sentAtMs ?? NaN) - (device.madeAtMs ?? NaN);
  return waitedMs > 0 ? nowMs - Math.min(waitedMs, MAX_WAIT_MS) : nowMs;
}

/** Whether a record tells how quick someone was: a time that was scored, or blocks that the clock saw. */
export const tellsPace = ({ outcome, scores, details }: SessionRecord): boolean =>
  outcome === 'done' && (scores.some((s) => s.kind === 'time') || details?.ranSec !== undefined);
