import type { Block } from '../../document/document.ts';
import { scoreKind } from '../../forms/forms.ts';
import type { MovementLibrary } from '../../movement/library.ts';
import { isWork } from '../../words/describe-item.ts';
import type { Score } from './score.ts';

/** What all of a run sum up together: words for it, and the movements whose repetitions count. */
export interface SharedTotal {
  /** `stairs climbed by all branches` */
  readonly words: string;
  /** Ids of movements. */
  readonly movements: readonly string[];
}
export const MAX_SHARED_WORDS = 80;
export const MAX_SHARED_MOVEMENTS = 20;

/** What is stored, as far as it can be used; undefined where there is none. */
export function readSharedTotal(stored: unknown): SharedTotal | undefined {
  const { words, movements } = (stored ?? {}) as { words?: unknown; movements?: unknown };
  return typeof words === 'string' && Array.isArray(movements) && movements.every((m) => typeof m === 'string')
    ? { words, movements }
    : undefined;
}

/** A block whose rounds are open: what one of them has, in its order. */
export interface OpenRound {
  readonly block: number;
  readonly items: readonly {
    /** Of its movement; null where the library doesn't know it. */
    readonly id: string | null;
    /** Its repetitions; null where they aren't a number. */
    readonly reps: number | null;
  }[];
}

/** The blocks whose score is rounds, with what a round has of each movement. */
export const openRounds = (blocks: readonly Block[], library: MovementLibrary): OpenRound[] =>
  blocks.flatMap((b, block): OpenRound[] => {
    if (scoreKind(b) !== 'rounds+reps') return [];
    const items = b.items.filter(isWork).map(({ dose, choices }) => ({
      id: library.findByName(choices[0]!.name)?.id ?? null,
      reps:
        dose?.kind === 'reps' && dose.amount.kind === 'fixed'
          ? dose.amount.value * (dose.sides === 'each' ? 2 : 1)
          : null,
    }));
    return [{ block, items }];
  });

/** Repetitions of a movement in so many rounds and the repetitions begun of another, which go down its lines as they stand. */
function scoredReps(id: string, { items }: OpenRound, rounds: number, begun: number): number {
  let sum = 0;
  let left = begun;
  let isCounted = true;
  for (const item of items) {
    // Behind a line that isn't counted nobody knows where the rest was done.
    if (item.reps === null) isCounted = false;
    const more = isCounted ? Math.min(left, item.reps ?? 0) : 0;
    left -= more;
    if (item.id === id) sum += rounds * (item.reps ?? 0) + more;
  }
  return sum;
}

/**
 * Repetitions of some movements that one record stands for: what was planned by its share, and of open rounds what was scored, the
 * repetitions of the last one included. Nothing is guessed: what wasn't scored adds nothing.
 */
export function sharedReps(
  movements: readonly string[],
  {
    reps,
    openRounds: open,
  }: { readonly reps: Readonly<Record<string, number>>; readonly openRounds: readonly OpenRound[] },
  record: { readonly shareRatio: number; readonly scores: readonly Score[] },
): number {
  let sum = 0;
  for (const id of movements) {
    sum += (reps[id] ?? 0) * record.shareRatio;
    for (const round of open)
      for (const s of record.scores)
        if (s.block === round.block && s.kind === 'rounds+reps') sum += scoredReps(id, round, s.rounds, s.reps);
  }
  return Math.round(sum);
}
