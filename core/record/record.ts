import type { Score } from './score.ts';

export const OUTCOMES = ['done', 'part', 'not-done'] as const;
export type Outcome = (typeof OUTCOMES)[number];

/** What a person says was done on a day. */
export interface SessionRecord {
  readonly outcome: Outcome;
  /** How much of it, 0 to 1: 1 when done, 0 when not, what they said when part. */
  readonly shareRatio: number;
  /** 0 nothing to 10 all I had; null where not said. */
  readonly effort: number | null;
  readonly remark: string;
  readonly scores: readonly Score[];
  /** When it was made on the device, as far as the server can tell: of two, the later one stands. */
  readonly madeAtMs: number;
  /** When it arrived. */
  readonly loggedAtMs: number;
}

/** What the words for effort are, 0 to 10 (own words; the scale is the 0-to-10 session scale, docs/formulas.md 2). */
export const EFFORT_WORDS = [
  'nothing at all',
  'hardly anything',
  'easy',
  'could chat on',
  'breathing a little',
  'talking in sentences',
  'talking in short sentences',
  'a few words at a time',
  'a word at a time',
  'nearly all I had',
  'all I had',
] as const;

export const OUTCOME_WORDS: Record<Outcome, string> = { done: 'done', part: 'part of it', 'not-done': 'not today' };
export const MAX_REMARK_LENGTH = 1000;

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
