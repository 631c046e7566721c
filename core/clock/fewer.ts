/** A place in a block: a set (from 1), a turn of its list (from 0), an item. */
interface Place {
  readonly set: number;
  readonly turn: number;
  readonly item: number;
}

/** From a place on somebody did a step fewer repetitions, or a step more again. */
export interface FewerFrom extends Place {
  readonly by: 1 | -1;
}

/** By block. */
export type FewerReps = Readonly<Record<number, readonly FewerFrom[]>>;

/** A step is a fifth of what is planned, and one repetition at least (common practice, no source). */
const STEP_SHARE = 0.2;
/** With more steps than these it is another session. */
export const MOST_STEPS_FEWER = 3;

/** So many repetitions after some steps fewer, never none of them. `inPairs`: of two sides in turn, an even number stays even. */
export function fewerReps(reps: number, steps: number, inPairs = false): number {
  if (steps <= 0 || reps <= 1) return reps;
  const fewer = Math.max(1, reps - steps * Math.max(1, Math.round(reps * STEP_SHARE)));
  return inPairs && reps % 2 === 0 ? Math.max(2, fewer - (fewer % 2)) : fewer;
}

/** How many steps fewer are done in a place. */
export const stepsFewer = (fewer: readonly FewerFrom[] | undefined, at: Place): number => {
  const steps = (fewer ?? []).reduce((sum, from) => (isBefore(at, from) ? sum : sum + from.by), 0);
  return Math.min(MOST_STEPS_FEWER, Math.max(0, steps));
};

const isBefore = (a: Place, b: Place): boolean =>
  a.set !== b.set ? a.set < b.set : a.turn !== b.turn ? a.turn < b.turn : a.item < b.item;
