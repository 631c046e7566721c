import type { Block } from '../document/document.ts';
import { scoreKind } from '../forms/forms.ts';
import type { MovementLibrary } from '../movement/library.ts';
import { isWork } from '../words/describe-item.ts';
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

/** A block whose rounds are open: the repetitions of each movement in one of them, by id. */
export interface OpenRound {
  readonly block: number;
  readonly reps: Readonly<Record<string, number>>;
}

/** The blocks whose score is rounds, with what a round has of each movement where that is a number. */
export const openRounds = (blocks: readonly Block[], library: MovementLibrary): OpenRound[] =>
  blocks.flatMap((b, block): OpenRound[] => {
    if (scoreKind(b) !== 'rounds+reps') return [];
    const reps: Record<string, number> = {};
    for (const item of b.items) {
      if (!isWork(item) || item.dose?.kind !== 'reps' || item.dose.amount.kind !== 'fixed') continue;
      const id = library.findByName(item.choices[0]!.name)?.id;
      const count = item.dose.amount.value * (item.dose.sides === 'each' ? 2 : 1);
      if (id !== undefined) reps[id] = (reps[id] ?? 0) + count;
    }
    return [{ block, reps }];
  });

/**
 * Repetitions of some movements that one record stands for: what was planned by its share, and of open rounds the whole ones that were
 * scored. Nothing is guessed: a round half done, or not scored, adds nothing.
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
    for (const { block, reps: round } of open)
      for (const s of record.scores)
        if (s.block === block && s.kind === 'rounds+reps') sum += s.rounds * (round[id] ?? 0);
  }
  return Math.round(sum);
}
