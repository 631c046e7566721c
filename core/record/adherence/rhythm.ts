import { median } from 'd3-array';
import { groupBy } from '../../group-by.ts';

/** A drop-off is never called after fewer due days than this, however few there are a week. */
const LEAST_LOST = 4;
const LOST_WEEKS = 2;

/**
 * After how many due days in a row without one done someone is taken to have dropped off: two weeks of the programme's rhythm, which is
 * the middle of its sessions a week over weeks that have any, and four at least (common practice, no source).
 */
export function lostAfterDue(days: readonly { readonly week: number }[]): number {
  const aWeek = median([...groupBy(days, (d) => d.week).values()], (own) => own.length) ?? 0;
  return Math.max(LEAST_LOST, Math.round(LOST_WEEKS * aWeek));
}
