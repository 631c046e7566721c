import type { Score } from './score.ts';
import { addScores } from './targets.ts';

/** How often a block is scored: in each of its sets, by each partner. */
export interface ScoredTimes {
  readonly block: number;
  readonly sets: number;
  readonly persons: number;
}

/** Several scores of one block, added. */
export interface ScoreSum {
  readonly block: number;
  /** From 1, whose sets they are, where each partner has their own; null for all that were scored together. */
  readonly person: number | null;
  /** What was added: the sets of one, or what partners did. */
  readonly of: 'sets' | 'partners';
  readonly score: Score;
}

/**
 * The sums of scores that belong together: of each partner over the sets, and of all partners. A sum needs every one of its parts, and
 * none is made of what can't be added, like times of which one reached its cap. `perRound` gives the repetitions of a round.
 */
export function scoreSums(
  scores: readonly Score[],
  times: readonly ScoredTimes[],
  perRound: (block: number) => number | undefined,
): ScoreSum[] {
  return times.flatMap(({ block, sets, persons }): ScoreSum[] => {
    const own = scores.filter((s) => s.block === block);
    const sum = (parts: readonly Score[], of: ScoreSum['of'], person: number | null, count: number): ScoreSum[] => {
      const score = parts.length === count ? addScores(parts, perRound(block)) : undefined;
      return score ? [{ block, person, of, score }] : [];
    };
    const ofPerson = (person: number) => own.filter((s) => ((s.part ?? 1) - 1) % persons === person - 1);
    return [
      ...(sets > 1
        ? Array.from({ length: persons }, (_, i) =>
            sum(ofPerson(i + 1), 'sets', persons > 1 ? i + 1 : null, sets),
          ).flat()
        : []),
      // Partners do one thing after the other in the same time: their times aren't added.
      ...(persons > 1 && own.every((s) => s.kind !== 'time') ? sum(own, 'partners', null, sets * persons) : []),
    ];
  });
}
