import type { Again } from '../../../core/record/scores/again.ts';
import type { ScoreSum } from '../../../core/record/scores/score-sums.ts';
import { formatScore } from '../../../core/record/scores/score.ts';
import { plural } from '../../../core/words/words.ts';

/** `38 reps against 36 reps: 2 reps more`. `withLess` also says by how much it was less: a coach reads that, a participant needn't. */
export function againWords({ score, first, by }: Pick<Again, 'score' | 'first' | 'by'>, withLess: boolean): string {
  const both = `${formatScore(score)} against ${formatScore(first)}`;
  if (by === null) return both;
  if (by.amount === 0) return `${both}: the same again`;
  if (by.amount < 0 && !withLess) return both;
  const much = Number.isInteger(by.amount)
    ? plural(Math.abs(by.amount), by.unit)
    : `${Math.abs(by.amount)} ${by.unit}s`;
  return `${both}: ${much} ${WAY[by.unit === 'second' ? 'time' : 'count'][by.amount > 0 ? 'better' : 'worse']}`;
}

/** `all sets together: 14 rounds`, `partner 2, all sets together: 40 reps`, `all partners together: 90 reps`. */
export function sumWords({ person, of, score }: Pick<ScoreSum, 'person' | 'of' | 'score'>): string {
  const whose = person === null ? '' : `partner ${person}, `;
  return `${whose}${of === 'sets' ? 'all sets' : 'all partners'} together: ${formatScore(score)}`;
}

const WAY = {
  time: { better: 'quicker', worse: 'slower' },
  count: { better: 'more', worse: 'fewer' },
} as const;
