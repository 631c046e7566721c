import { maxIndex, mean, sum } from 'd3-array';
import type { Completion, FeltDay, WeekLoad } from './insights.ts';
import { SMALL_NUMBER, wilson } from './shares.ts';

/** The two-sided 99 % point of the normal distribution. */
const Z_99 = 2.575829;

/** How many out of how many. */
export interface Count {
  readonly count: number;
  readonly of: number;
}

/**
 * The interval of the difference of two shares, `a` less `b` (Newcombe 1998, Stat Med 17:873, method 10; from memory), made of their
 * Wilson intervals at `z`. Undefined where one of them is of none.
 */
export function shareDifference(
  a: Count,
  b: Count,
  z: number,
): { readonly by: number; readonly low: number; readonly high: number } | undefined {
  const [one, other] = [wilson(a.count, a.of, z), wilson(b.count, b.of, z)];
  if (!one || !other) return undefined;
  const by = one.ratio - other.ratio;
  return {
    by,
    low: by - Math.hypot(one.ratio - one.low, other.high - other.ratio),
    high: by + Math.hypot(one.high - one.ratio, other.ratio - other.low),
  };
}

/** What can be said of what was done, before any interval is read. */
export type DoneGlance =
  | { readonly kind: 'too-few'; readonly due: number }
  | { readonly kind: 'alike'; readonly low: number; readonly high: number }
  | {
      readonly kind: 'apart';
      readonly label: string;
      readonly isMore: boolean;
      readonly ratio: number;
      readonly othersRatio: number;
      readonly due: number;
    };

/**
 * Whether one of several groups was done clearly more or less than all others together: the one furthest off whose difference
 * lies outside its 99 % interval. It is 99 and not 95 because each group is looked at, and one person's sessions go together (convention).
 * Groups with fewer than 20 due don't stand alone. Undefined for no group, and for one.
 */
export function glanceAtDone(rows: readonly Pick<Completion, 'label' | 'share'>[]): DoneGlance | undefined {
  if (rows.length < 2) return undefined;
  const [count, of] = [sum(rows, (r) => r.share.count), sum(rows, (r) => r.share.of)];
  const enough = rows.filter(({ share }) => share.of >= SMALL_NUMBER && of - share.of >= SMALL_NUMBER);
  if (enough.length === 0) return { kind: 'too-few', due: of };
  const apart = enough.map(({ label, share }) => {
    const others = { count: count - share.count, of: of - share.of };
    const { by, low, high } = shareDifference(share, others, Z_99)!;
    return { label, share, others, by, isApart: low > 0 || high < 0 };
  });
  const found = apart[maxIndex(apart, (a) => (a.isApart ? Math.abs(a.by) : -1))]!;
  if (!found.isApart) {
    const ratios = enough.map((r) => r.share.ratio);
    return { kind: 'alike', low: Math.min(...ratios), high: Math.max(...ratios) };
  }
  const { label, share, others, by } = found;
  return {
    kind: 'apart',
    label,
    isMore: by > 0,
    ratio: share.ratio,
    othersRatio: others.count / others.of,
    due: share.of,
  };
}

/** Effort felt against planned over all sessions that have both, each as often as it was rated. */
export interface FeltGlance {
  /** Mean of felt less planned, of 10. */
  readonly by: number;
  readonly said: number;
  /** The session that felt furthest from plan in the same direction, where it is a point or more. */
  readonly furthest: { readonly week: number; readonly title: string; readonly by: number } | undefined;
  /** Sessions with ratings of which no effort was planned. */
  readonly unplanned: number;
}

/** From this mean difference on, of 10, sessions feel harder or easier than planned (convention). */
export const FELT_APART = 0.5;
const FURTHEST_LEAST = 1;

export function glanceAtFelt(felt: readonly FeltDay[]): FeltGlance | undefined {
  const both = felt.flatMap((f) => (f.planned === null ? [] : [{ ...f, by: f.mean - f.planned }]));
  if (felt.length === 0) return undefined;
  const said = sum(both, (f) => f.said);
  const by = said === 0 ? 0 : sum(both, (f) => f.by * f.said) / said;
  const far = both[maxIndex(both, (f) => f.by * (by < 0 ? -1 : 1))];
  return {
    by,
    said,
    furthest:
      far && Math.abs(far.by) >= FURTHEST_LEAST && far.by < 0 === by < 0
        ? { week: far.week, title: far.title, by: far.by }
        : undefined,
    unplanned: felt.length - both.length,
  };
}

/** Loads of weeks that are over, felt against planned. */
export interface LoadGlance {
  /** Felt over planned, the mean of the weeks that have both; undefined where none has. */
  readonly ratio: number | undefined;
  /** Weeks that have both. */
  readonly weeks: number;
  /** Weeks without a planned load, since one of their sessions has no effort. */
  readonly unplanned: number;
}

export function glanceAtLoads(weeks: readonly Pick<WeekLoad, 'plannedAu' | 'feltAu'>[]): LoadGlance {
  const both = weeks.flatMap(({ plannedAu, feltAu }) =>
    plannedAu && feltAu !== undefined ? [feltAu / plannedAu] : [],
  );
  return {
    ratio: mean(both),
    weeks: both.length,
    unplanned: weeks.filter((w) => w.plannedAu === undefined).length,
  };
}
