/** The two-sided 95 % point of the normal distribution (docs/formulas.md 5). */
export const Z_95 = 1.959964;

/** A share with the bounds within which its true value lies in 95 of 100 cases. */
export interface Share {
  readonly count: number;
  readonly of: number;
  readonly ratio: number;
  readonly low: number;
  readonly high: number;
}

/**
 * The Wilson interval of `count` out of `of` (Wilson 1927, JASA 22:209; check values in docs/formulas.md 5). Undefined for none of none.
 * `z` is the two-sided normal point, of 95 % where none is given. Counts of one person's sessions aren't independent, so that it is then too
 * narrow. RangeError for a count outside 0 to `of`.
 */
export function wilson(count: number, of: number, z = Z_95): Share | undefined {
  if (count < 0 || count > of) throw new RangeError(`${count} of ${of} is no share`);
  if (of === 0) return undefined;
  const z2 = z ** 2;
  const ratio = count / of;
  const middle = (ratio + z2 / (2 * of)) / (1 + z2 / of);
  const half = (z / (1 + z2 / of)) * Math.sqrt((ratio * (1 - ratio)) / of + z2 / (4 * of * of));
  return { count, of, ratio, low: Math.max(0, middle - half), high: Math.min(1, middle + half) };
}

/** Until when someone was seen: up to the end of what was looked at, or until they dropped off. */
export interface Survival {
  readonly time: number;
  /** False: they were still there when last seen. */
  readonly isEvent: boolean;
}

/** A step of a survival curve. */
export interface SurvivalStep {
  readonly time: number;
  /** Those who were seen up to this time. */
  readonly atRisk: number;
  readonly events: number;
  /** The share that is still there after it. */
  readonly share: number;
  /** Greenwood's standard error of it. */
  readonly se: number;
  /** The bounds within which it truly lies in 95 of 100 cases. */
  readonly low: number;
  readonly high: number;
}

/**
 * The 95 % interval of a share that survives, by its log minus log (Kalbfleisch and Prentice 1980, from memory): it stays within 0 and 1,
 * and is as wide as the few who are left make it. At 1 and at 0 it is the share itself.
 */
function survivalBounds(share: number, se: number): { readonly low: number; readonly high: number } {
  if (share <= 0 || share >= 1) return { low: share, high: share };
  const spread = (Z_95 * se) / (share * Math.abs(Math.log(share)));
  return { low: share ** Math.exp(spread), high: share ** Math.exp(-spread) };
}

/**
 * The Kaplan-Meier curve (Kaplan and Meier 1958, JASA 53:457): a step at each time with events; who is last seen at such a time counts as
 * at risk there. The standard error is Greenwood's. Nobody, or no event, gives no steps.
 */
export function kaplanMeier(seen: readonly Survival[]): SurvivalStep[] {
  const times = [...new Set(seen.filter((s) => s.isEvent).map((s) => s.time))].sort((a, b) => a - b);
  let share = 1;
  let sum = 0;
  return times.map((time) => {
    const atRisk = seen.filter((s) => s.time >= time).length;
    const events = seen.filter((s) => s.isEvent && s.time === time).length;
    share *= 1 - events / atRisk;
    // All gone: the share is 0, and so is its error.
    sum += atRisk === events ? 0 : events / (atRisk * (atRisk - events));
    const se = share * Math.sqrt(sum);
    return { time, atRisk, events, share, se, ...survivalBounds(share, se) };
  });
}

/** The first time at which half or fewer are left; undefined where more than half still are. */
export const medianSurvival = (steps: readonly SurvivalStep[]): number | undefined =>
  steps.find((s) => s.share <= 0.5)?.time;

/** Numbers below this are shown as small: they may well be chance. */
export const SMALL_NUMBER = 20;
