import type { PaceSec } from './pace.ts';

/** One record of a block at someone's own pace: what was to be done in it, and how long it took. */
export interface TimedBlock {
  /** Level of the person in the movements' pattern; 0 where none is set. */
  readonly level: number;
  readonly tookSec: number;
  /** By the library: its likely length, and what share of its work each movement has. */
  readonly likelySec: number;
  readonly shares: Readonly<Record<string, number>>;
}

/** The pace of a movement as it was seen in practice. */
export interface LearnedPace {
  readonly movement: string;
  /** Times the library's seconds, shrunken toward 1. */
  readonly factor: number;
  /** Records it rests on. */
  readonly records: number;
  /** The same by level, from the lowest; only levels with records. */
  readonly byLevel: readonly { readonly level: number; readonly factor: number; readonly records: number }[];
}

/** The library counts as so many records: ten of one's own move a pace two thirds of the way (common practice, no source). */
export const LIBRARY_WEIGHT = 5;
/** What took less than a third or more than three times as long was something else: a phone left running, a break. */
const MOST_OFF = 3;

/** The logarithm of taken over likely; undefined where it is so far off that it was something else. */
export function logOfPace({ tookSec, likelySec }: Pick<TimedBlock, 'tookSec' | 'likelySec'>): number | undefined {
  const ratio = tookSec / likelySec;
  return ratio > 1 / MOST_OFF && ratio < MOST_OFF ? Math.log(ratio) : undefined;
}

interface Sum {
  weight: number;
  logs: number;
  records: number;
}

const toFactor = ({ weight, logs }: Sum): number => Math.exp(logs / (weight + LIBRARY_WEIGHT));

/**
 * Seconds a repetition as records show them, by movement: the mean of the logarithms of taken over likely, each block's weighed by the
 * movement's share of its work, shrunken toward the library's value. Blocks that are far off are left out. None gives none.
 */
export function learnPaces(blocks: readonly TimedBlock[]): LearnedPace[] {
  const all = new Map<string, Sum>();
  const levels = new Map<string, Map<number, Sum>>();
  const add = <K>(sums: Map<K, Sum>, key: K, share: number, log: number) => {
    const own = sums.get(key) ?? { weight: 0, logs: 0, records: 0 };
    own.weight += share;
    own.logs += share * log;
    own.records++;
    sums.set(key, own);
  };
  for (const block of blocks) {
    const { shares, level } = block;
    const log = logOfPace(block);
    if (log === undefined) continue;
    for (const [movement, share] of Object.entries(shares)) {
      if (!(share > 0)) continue;
      add(all, movement, share, log);
      const own = levels.get(movement) ?? new Map<number, Sum>();
      levels.set(movement, own);
      add(own, level, share, log);
    }
  }
  return [...all]
    .map(([movement, sum]): LearnedPace => ({
      movement,
      factor: toFactor(sum),
      records: sum.records,
      byLevel: [...levels.get(movement)!]
        .sort(([a], [b]) => a - b)
        .map(([level, own]) => ({ level, factor: toFactor(own), records: own.records })),
    }))
    .sort((a, b) => b.records - a.records || (a.movement < b.movement ? -1 : 1));
}

/** A pace changed by a factor, to a tenth of a second; its order is kept. */
export function withFactor({ low, likely, high }: PaceSec, factor: number): PaceSec {
  const round = (sec: number) => Math.max(0.1, Math.round(sec * factor * 10) / 10);
  return { low: round(low), likely: round(likely), high: round(high) };
}

/** Records below which nothing is proposed, and the change from which on it is worth one (common practice, no source). */
export const ENOUGH_RECORDS = 5;
export const WORTH_CHANGE = 0.1;

/** Whether a learned pace is worth putting in the library's place. */
export const isWorthTaking = ({ factor, records }: Pick<LearnedPace, 'factor' | 'records'>): boolean =>
  records >= ENOUGH_RECORDS && Math.abs(factor - 1) >= WORTH_CHANGE - 1e-9;
