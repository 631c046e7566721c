/** What a set list comes to under double progression. */
export type DoubleStep =
  /** All sets are at the ceiling: the next load, from the floor again. */
  | { readonly kind: 'next-load'; readonly loadKg: number; readonly reps: number }
  | { readonly kind: 'more-reps'; readonly loadKg: number; readonly reps: number };

/**
 * Double progression: reps grow within a range on the same load; once every set is at its top, the load goes up by
 * `stepKg` and reps start from the bottom. At 12, 12, 12 of 8 to 12 it is the next load from 8 (docs/formulas.md 3, convention).
 * No sets give one more than the floor's own: the floor. `low` above `high` is a RangeError.
 */
export function doubleProgression(
  setReps: readonly number[],
  rule: { low: number; high: number; loadKg: number; stepKg: number },
): DoubleStep {
  const { low, high, loadKg, stepKg } = rule;
  if (low > high) throw new RangeError(`a range goes from the smaller to the larger, not ${low} to ${high}`);
  if (setReps.length > 0 && setReps.every((r) => r >= high))
    return { kind: 'next-load', loadKg: loadKg + stepKg, reps: low };
  return {
    kind: 'more-reps',
    loadKg,
    reps: setReps.length === 0 ? low : Math.min(high, Math.max(low, Math.min(...setReps) + 1)),
  };
}

/**
 * The 2-for-2 sign (from memory, high confidence): two or more reps above the goal in the last set, in two sessions
 * running, and the load may go up by 2 to 10 % (ACSM 2009, MSSE 41:687, from memory). `lastSets`: the last set's reps
 * of each session, oldest first. Fewer than two sessions: false.
 */
export const isTwoForTwo = (goalReps: number, lastSets: readonly number[]): boolean =>
  lastSets.length >= 2 && lastSets.slice(-2).every((reps) => reps >= goalReps + 2);
