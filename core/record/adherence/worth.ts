import type { Block } from '../../document/document.ts';
import { blockName } from '../../session/explain/explain.ts';
import type { SessionPlan } from '../../session/plan.ts';
import { plural, wholeMinutes } from '../../words/words.ts';
import type { RecordDetails, SessionRecord } from '../record.ts';
import type { Score } from '../scores/score.ts';
import { repsOfRound } from '../scores/score-key.ts';
import { formatScore, isBetter } from '../scores/score.ts';
import type { ToMatch } from '../scores/to-match.ts';

/** Of the movements, those that most was done of are named. */
const MOST_NAMED = 3;
/** Counts out of a share or an estimate are told in tens. */
const round = (n: number, isExact: boolean): number => (isExact || n < 20 ? Math.round(n) : Math.round(n / 10) * 10);

/**
 * What a session was worth, in a few lines: its time and counts by the plan and the share that was done, item by item where the clock saw it, and each number beside the last
 * that may be compared. A number that is less is put beside it, and no more said. Nothing for a session that wasn't done.
 */
export function worthWords(
  { outcome, shareRatio, scores, details }: Pick<SessionRecord, 'outcome' | 'shareRatio' | 'scores' | 'details'>,
  plan: SessionPlan,
  blocks: readonly Pick<Block, 'role' | 'label' | 'items' | 'count'>[],
  { targets }: Pick<ToMatch, 'targets'>,
): string[] {
  if (outcome === 'not-done') return [];
  const isWhole = outcome === 'done';
  const { did, ranSec } = details ?? {};
  const ranAll = did && ranSec && Object.values(ranSec).reduce((a, b) => a + b, 0);
  const minutes = wholeMinutes(ranAll ?? plan.clockSec.likely * shareRatio);
  const shareOf = did ? doneByMovement(plan, did) : () => shareRatio;
  // What was open in the plan is known by its score, where each round is.
  const counted = scores.reduce((sum, score) => sum + repsIn(score, blocks[score.block]), 0);
  const isOpen = plan.movements.some((m) => m.hasOpenDose);
  const planned = Object.entries(plan.reps).reduce((sum, [id, reps]) => sum + reps * shareOf(id), 0);
  const all = isOpen && counted === 0 ? 0 : planned + (isOpen ? counted : 0);
  const named = plan.movements
    .map((m) => ({ name: m.name, reps: round(m.reps * shareOf(m.id), isWhole) }))
    .filter((m) => m.reps > 0)
    .sort((a, b) => b.reps - a.reps)
    .slice(0, MOST_NAMED)
    .map((m) => `${m.reps} ${m.name}`);
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

/** Of each movement's repetitions, the share that the clock saw done. */
function doneByMovement(plan: SessionPlan, did: NonNullable<RecordDetails['did']>): (movementId: string) => number {
  const sums = new Map<string, { planned: number; done: number }>();
  for (const { block, item, movementId, reps } of plan.timeline) {
    if (movementId === null || !reps) continue;
    const sum = sums.get(movementId) ?? { planned: 0, done: 0 };
    sum.planned += reps;
    sum.done += reps * (did[`${block}-${item}`] ?? did[block] ?? 1);
    sums.set(movementId, sum);
  }
  return (id) => {
    const sum = sums.get(id);
    return sum && sum.planned > 0 ? sum.done / sum.planned : 1;
  };
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
