import type { Score } from './score.ts';
import { scoreAmount } from './score.ts';

/** What is known of the block that two scores are of. */
export interface ScoredWork {
  /** Repetitions of a round; null where a round has no fixed number. */
  readonly perRound: number | null;
  /** Repetitions of all of it, as planned; null where some of it is open. */
  readonly plannedReps: number | null;
}

/**
 * By which share a score is better than another of the same work (0.1: a tenth better), less than 0 where it is worse. It goes by what
 * was done: rounds and the repetitions begun of another are repetitions together, a time that reached its cap stands beside one that
 * didn't by its rate. Null where nobody can tell by how much.
 */
export function relativeChange(score: Score, before: Score, work: ScoredWork): number | null {
  const [now, then] = [amountDone(score, before, work), amountDone(before, score, work)];
  if (score.kind !== before.kind || now === null || then === null || then === 0) return null;
  const isTime =
    score.kind === 'time' && before.kind === 'time' && score.reps === undefined && before.reps === undefined;
  return isTime ? (then - now) / then : (now - then) / then;
}

/** In repetitions, sets or turns; of two times seconds, or a rate where one of them reached its cap. */
function amountDone(score: Score, other: Score, { perRound, plannedReps }: ScoredWork): number | null {
  switch (score.kind) {
    case 'rounds+reps':
      return perRound === null ? score.rounds : score.rounds * perRound + score.reps;
    case 'time': {
      if (other.kind !== 'time' || (score.reps === undefined && other.reps === undefined)) return score.sec;
      if (score.reps !== undefined && other.reps !== undefined) return score.reps;
      const done = score.reps ?? plannedReps;
      return done === null || score.sec === 0 ? null : done / score.sec;
    }
    default:
      return scoreAmount(score);
  }
}
