import type { Block } from '../document/document.ts';
import { blockName } from '../session/explain.ts';
import type { SessionPlan } from '../session/plan.ts';
import { plural, wholeMinutes } from '../words/words.ts';
import type { SessionRecord } from './record.ts';
import type { Score } from './score.ts';
import { repsOfRound } from './score-key.ts';
import { formatScore, isBetter } from './score.ts';
import type { ToMatch } from './to-match.ts';

/** Of the movements, those that most was done of are named. */
const MOST_NAMED = 3;
/** Counts out of a share or an estimate are told in tens. */
const round = (n: number, isExact: boolean): number => (isExact || n < 20 ? Math.round(n) : Math.round(n / 10) * 10);

/**
 * What a session was worth, in a few lines: its time and counts by the plan and the share that was done, and each number beside the last
 * that may be compared. A number that is less is put beside it, and no more said. Nothing for a session that wasn't done.
 */
export function worthWords(
  { outcome, shareRatio, scores }: Pick<SessionRecord, 'outcome' | 'shareRatio' | 'scores'>,
  plan: SessionPlan,
  blocks: readonly Pick<Block, 'role' | 'label' | 'items' | 'count'>[],
  { targets }: Pick<ToMatch, 'targets'>,
): string[] {
  if (outcome === 'not-done') return [];
  const isWhole = outcome === 'done';
  const minutes = wholeMinutes(plan.clockSec.likely * shareRatio);
  // What was open in the plan is known by its score, where each round is.
  const counted = scores.reduce((sum, score) => sum + repsIn(score, blocks[score.block]), 0);
  const isOpen = plan.movements.some((m) => m.hasOpenDose);
  const planned = Object.values(plan.reps).reduce((a, b) => a + b, 0) * shareRatio;
  const all = isOpen && counted === 0 ? 0 : planned + (isOpen ? counted : 0);
  const named = plan.movements
    .filter((m) => m.reps > 0)
    .slice(0, MOST_NAMED)
    .map((m) => `${round(m.reps * shareRatio, isWhole)} ${m.name}`);
  return [
    `${isWhole && !plan.estimated ? '' : 'about '}${plural(minutes, 'minute')}${all >= 1 ? `, ${isWhole ? '' : 'about '}${plural(round(all, isWhole), 'repetition')}` : ''}`,
    ...(named.length > 1 && !isOpen ? [`most of it ${named.join(', ')}`] : []),
    ...scores.flatMap((score) => {
      const target = targets[score.block];
      if (!target || (score.part ?? 1) !== (target.last.score.part ?? 1)) return [];
      return [`${blockName(blocks[score.block] ?? { role: 'Main' })}: ${besideLast(score, target.last, target.best)}`];
    }),
  ];
}

/** The repetitions that a score stands for; 0 where nobody can tell. */
function repsIn(score: Score, block: Pick<Block, 'items' | 'count'> | undefined): number {
  switch (score.kind) {
    case 'rounds+reps': {
      const perRound = block && repsOfRound(block);
      return perRound === undefined ? 0 : score.rounds * perRound + score.reps;
    }
    case 'reps':
      return score.reps;
    case 'reps-per-window':
      return score.reps.reduce((a, b) => a + b, 0);
    default:
      return 0;
  }
}

type Earlier = ToMatch['targets'][number]['last'];

function besideLast(score: Score, last: Earlier, best: Earlier): string {
  const mine = formatScore(score);
  if (isBetter(score, best.score)) return `${mine}, your best so far`;
  const other = `${formatScore(last.score)} on ${last.dayWords}`;
  if (isBetter(score, last.score)) return `${mine}, ${score.kind === 'time' ? 'quicker' : 'more'} than ${other}`;
  return isBetter(last.score, score) ? `${mine}, beside ${other}` : `${mine}, as on ${last.dayWords}`;
}
