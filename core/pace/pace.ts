import type { Speed, Tempo } from '../document/document.ts';

/** Seconds for one repetition, from quick to careful; for a hold the numbers are the usual seconds held. */
export interface PaceSec {
  readonly low: number;
  readonly likely: number;
  readonly high: number;
}

/** A time that is estimated: from quick to careful, in seconds. Exact times have three equal values. */
export type EstimateSec = PaceSec;

/** Pace of a movement that no library knows (common practice, no source). */
export const DEFAULT_PACE_SEC: PaceSec = { low: 1.8, likely: 2.5, high: 3.8 };
/** Putting one thing down and taking up the next, at one's own pace (common practice, no source). */
export const CHANGE_OVER_SEC: PaceSec = { low: 3, likely: 5, high: 9 };
/** "As many as possible" without a clock (common practice, no source). */
export const MAX_EFFORT_SEC: PaceSec = { low: 20, likely: 40, high: 70 };
/** Metres in a second for a distance without a machine, easy jog (common practice, no source). */
export const METRES_PER_SEC: PaceSec = { low: 3.2, likely: 2.5, high: 1.6 };
/** Seconds for a kilocalorie as a machine counts them (common practice, no source). */
export const SEC_PER_KCAL: PaceSec = { low: 3, likely: 4, high: 6 };
/** How much a speed word changes the pace (common practice, no source). */
export const SPEED_FACTOR: Record<Speed, number> = { brisk: 0.85, steady: 1, slow: 1.4 };

export const exactly = (sec: number): EstimateSec => ({ low: sec, likely: sec, high: sec });
export const addEstimates = (a: EstimateSec, b: EstimateSec): EstimateSec => ({
  low: a.low + b.low,
  likely: a.likely + b.likely,
  high: a.high + b.high,
});
export const scaleEstimate = (a: EstimateSec, by: number): EstimateSec => ({
  low: a.low * by,
  likely: a.likely * by,
  high: a.high * by,
});
export const isExact = (a: EstimateSec): boolean => a.low === a.high;

/**
 * Seconds for one repetition. A tempo replaces the movement's own pace, a pause is added to it, a speed
 * word scales it. A movement that is unknown, or one that is usually held, has the default pace.
 */
export function computeRepSec(
  movement: { readonly isHold: boolean; readonly paceSec: PaceSec } | undefined,
  tempo: Tempo | undefined,
  pauseSec: number | undefined,
  speed: Speed | undefined,
): EstimateSec {
  const pause = pauseSec ?? 0;
  if (tempo) return exactly(tempo.downSec + tempo.pauseSec + tempo.upSec + pause);
  const own = movement && !movement.isHold ? movement.paceSec : DEFAULT_PACE_SEC;
  return addEstimates(scaleEstimate(own, speed ? SPEED_FACTOR[speed] : 1), exactly(pause));
}
