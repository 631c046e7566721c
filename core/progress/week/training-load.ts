import { deviation, mean, sum } from 'd3-array';

/**
 * Planned load, by session-RPE: effort (0 to 10) times minutes, in arbitrary units (Foster 1998 MSSE 30:1164; 2001 JSCR
 * 15:109; from memory). A session without an effort has none: undefined, not 0.
 */
export const sessionLoad = (effort: number | undefined, likelySec: number): number | undefined =>
  effort === undefined ? undefined : (effort * likelySec) / 60;

/**
 * Monotony of a week: mean over SD of its seven daily loads, rest days as 0, two sessions of a day summed first. Which SD
 * is not settled; this is the sample SD, n - 1 (docs/formulas.md 2). Seven days of the same load are the most monotonous week there is:
 * Infinity. Undefined where a load is missing, or all of them are 0.
 */
export function monotony(dailyLoads: readonly (number | undefined)[]): number | undefined {
  if (dailyLoads.some((l) => l === undefined)) return undefined;
  const loads = dailyLoads as readonly number[];
  const sd = deviation(loads);
  const middle = mean(loads);
  return sd === undefined || middle === undefined || middle === 0 ? undefined : middle / sd;
}

/** The week's load times its monotony: Infinity and undefined as the monotony is. */
export function strain(dailyLoads: readonly (number | undefined)[]): number | undefined {
  const m = monotony(dailyLoads);
  return m === undefined ? undefined : m * sum(dailyLoads);
}

/** Change against before in per cent; undefined from 0. */
export const changePct = (before: number, now: number): number | undefined =>
  before === 0 ? undefined : (100 * (now - before)) / before;
