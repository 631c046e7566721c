import type { Score } from './score.ts';
import { scoreAmount } from './score.ts';

/** A block that was done again within a session: what the second time brought beside the first. */
export interface Again {
  readonly block: number;
  /** The block that it repeats. */
  readonly firstBlock: number;
  readonly score: Score;
  readonly first: Score;
  /** How much better it is, in what it is counted in; less than 0 where it is worse, null where the two can't be subtracted. */
  readonly by: { readonly amount: number; readonly unit: 'rep' | 'second' | 'set' | 'turn' } | null;
}

/**
 * The blocks of a session that repeat another, each held against it; those without both scores are left out. `sameAs` gives the block
 * that is repeated, `perRound` the repetitions of one round where every round has the same.
 */
export function scoresAgain(
  sameAs: Readonly<Record<number, number>>,
  scores: readonly Score[],
  perRound: (block: number) => number | undefined,
): Again[] {
  return scores.flatMap((score): Again[] => {
    const firstBlock = sameAs[score.block];
    const first = scores.find((s) => s.block === firstBlock && s.part === score.part && s.kind === score.kind);
    return first && firstBlock !== undefined
      ? [{ block: score.block, firstBlock, score, first, by: betterBy(score, first, perRound(score.block)) }]
      : [];
  });
}

function betterBy(score: Score, first: Score, perRound: number | undefined): Again['by'] {
  if (score.kind === 'time' && first.kind === 'time') {
    if (score.reps !== undefined && first.reps !== undefined) return { amount: score.reps - first.reps, unit: 'rep' };
    return (score.reps ?? first.reps) ? null : { amount: first.sec - score.sec, unit: 'second' };
  }
  if (score.kind === 'rounds+reps' && first.kind === 'rounds+reps') {
    const rounds = score.rounds - first.rounds;
    if (rounds !== 0 && perRound === undefined) return null;
    return { amount: rounds * (perRound ?? 0) + score.reps - first.reps, unit: 'rep' };
  }
  if (score.kind === 'top-set' && first.kind === 'top-set')
    return { amount: Math.round((scoreAmount(score) - scoreAmount(first)) * 2) / 2, unit: 'set' };
  const unit = score.kind === 'whole-slots' ? 'turn' : 'rep';
  return { amount: scoreAmount(score) - scoreAmount(first), unit };
}
