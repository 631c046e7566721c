import { MAX_DURATION_SEC } from '../limits.ts';

/** No lever makes a stretch of time shorter than this; one that is written shorter stays so. */
export const LEAST_SEC = 5;

export const clamp = (value: number, least: number, most: number): number => Math.min(most, Math.max(least, value));

/**
 * Repetitions more or fewer of a line whose sides take turns: an even number, so that both sides have the same. An odd one is rounded away
 * from nothing: one more is two more, three fewer are four.
 */
export const evenBy = (by: number): number => Math.sign(by) * 2 * Math.ceil(Math.abs(by) / 2);

/** A stretch of time, pulled. */
export const pullSec = (sec: number, by: number, most = MAX_DURATION_SEC): number =>
  clamp(sec + by, Math.min(sec, LEAST_SEC), most);
