import { MAX_DURATION_SEC } from '../limits.ts';

/** No lever makes a stretch of time shorter than this; one that is written shorter stays so. */
export const LEAST_SEC = 5;

export const clamp = (value: number, least: number, most: number): number => Math.min(most, Math.max(least, value));

/** A stretch of time, pulled. */
export const pullSec = (sec: number, by: number, most = MAX_DURATION_SEC): number =>
  clamp(sec + by, Math.min(sec, LEAST_SEC), most);
