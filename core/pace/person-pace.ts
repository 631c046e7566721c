import { deviation, sum } from 'd3-array';
import type { TimedBlock } from './learned-pace.ts';
import { LIBRARY_WEIGHT, logOfPace } from './learned-pace.ts';

/** How quick someone is beside what is planned with, and how sure that is. */
export interface PersonPace {
  /** Times the library's seconds; above 1 is slower. */
  readonly factor: number;
  /** Within which it lies in 95 of 100 cases, as far as the records tell. */
  readonly low: number;
  readonly high: number;
  /** Blocks of theirs that it rests on, and of others of their level. */
  readonly records: number;
  readonly peers: number;
}

/** Blocks of one's own, or of one's level, below which nobody is taken to be quicker or slower than others (common practice, no source). */
const ENOUGH_BLOCKS = 4;
const ENOUGH_PEERS = 10;
/** Nobody is planned with further off than this, whatever a few records say. */
const MOST_FACTOR = 2;
const Z_95 = 1.959964;
/** Nobody is as even as this: the spread of the logarithms of one's own times, at least (common practice, no source). */
const LEAST_SPREAD = 0.1;

/**
 * Someone's own pace: the mean logarithm of taken over likely of their blocks, drawn toward that of the people of their level by as much
 * as five records, which in turn is drawn as much toward what is planned with. Who has few of their own goes by their level. Undefined
 * below four blocks of one's own and ten of one's level (common practice, no source).
 */
export function personPace(own: readonly TimedBlock[], peers: readonly TimedBlock[]): PersonPace | undefined {
  const logs = own.flatMap((b) => logOfPace(b) ?? []);
  const peerLogs = peers.flatMap((b) => logOfPace(b) ?? []);
  if (logs.length < ENOUGH_BLOCKS && peerLogs.length < ENOUGH_PEERS) return undefined;
  const ofLevel = sum(peerLogs) / (peerLogs.length + LIBRARY_WEIGHT);
  const middle = (sum(logs) + ofLevel * LIBRARY_WEIGHT) / (logs.length + LIBRARY_WEIGHT);
  // One's own spread where it can be told, else that of all: one differs from others of one's level by as much.
  const spread = deviation(logs.length < ENOUGH_BLOCKS ? [...logs, ...peerLogs] : logs) ?? 0;
  const half = (Z_95 * Math.max(spread, LEAST_SPREAD)) / Math.sqrt(Math.max(1, logs.length));
  const factor = (log: number) => Math.min(MOST_FACTOR, Math.max(1 / MOST_FACTOR, Math.exp(log)));
  return {
    factor: factor(middle),
    low: factor(middle - half),
    high: factor(middle + half),
    records: logs.length,
    peers: peerLogs.length,
  };
}

/** What is stored of it, as far as it can be used. */
export function readPersonPace(stored: unknown): PersonPace | null {
  const { factor, low, high, records, peers } = (stored ?? {}) as Record<string, unknown>;
  const isFactor = (n: unknown): n is number => typeof n === 'number' && n >= 1 / MOST_FACTOR && n <= MOST_FACTOR;
  return isFactor(factor) && isFactor(low) && isFactor(high) && Number.isInteger(records) && Number.isInteger(peers)
    ? { factor, low, high, records: records as number, peers: peers as number }
    : null;
}

/** Factors that are planned with go by steps of a twentieth; less than one of them is none. */
const STEP = 0.05;

/** The factor that sessions are fitted with: 1 where nothing is known, or where it may as well be 1. */
export const plannedFactor = (pace: PersonPace | null): number =>
  pace === null || (pace.low < 1 && pace.high > 1) ? 1 : Math.round(pace.factor / STEP) * STEP;
