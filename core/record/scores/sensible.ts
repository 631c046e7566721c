import type { Block } from '../../document/document.ts';
import type { MovementLibrary } from '../../movement/library.ts';
import type { SessionPlan } from '../../session/plan.ts';
import { isWork } from '../../words/describe-item.ts';
import type { Sensible } from './doubts.ts';
import type { Target } from './targets.ts';
import { repsOfRound } from './score-key.ts';

/** Someone may be twice as quick as quick; more is a slip of the finger (common practice, no source). */
const QUICKER_THAN_QUICK = 0.5;
const QUICKEST_SEC = 0.3;

/** Half as much again as the best so far isn't asked about: people get better (common practice, no source). */
const MORE_THAN_BEST = 1.5;

/** Bounds that hold what somebody has done before: what they are near to themselves isn't asked about. */
export const withHistory = (
  bounds: readonly Sensible[],
  targets: Readonly<Record<number, Pick<Target, 'best'>>>,
): Sensible[] =>
  bounds.map((bound, block) => {
    const best = targets[block]?.best.score;
    if (!best) return bound;
    const reps =
      best.kind === 'reps'
        ? best.reps
        : best.kind === 'rounds+reps' && bound.perRound !== null
          ? best.rounds * bound.perRound + best.reps
          : 0;
    const sec = best.kind === 'time' && best.reps === undefined ? best.sec : Infinity;
    return {
      ...bound,
      mostReps: bound.mostReps === null ? null : Math.max(bound.mostReps, Math.ceil(reps * MORE_THAN_BEST)),
      leastSec: bound.leastSec === null ? null : Math.min(bound.leastSec, Math.floor(sec / MORE_THAN_BEST)),
    };
  });

/** The bounds of each block of a session, by the quickest of its movements. `blocks` are the ones that are done. */
export function sensibleBounds(plan: SessionPlan, blocks: readonly Block[], library: MovementLibrary): Sensible[] {
  return plan.blocks.map((own, i): Sensible => {
    const block = blocks[i]!;
    const paces = block.items.filter(isWork).flatMap((item) => {
      const movement = library.findByName(item.choices[0]!.name);
      return movement && !movement.isHold ? [movement.paceSec.low] : [];
    });
    const quickest = Math.max(QUICKEST_SEC, Math.min(...paces, 60) * QUICKER_THAN_QUICK);
    const isExact = own.clockSec.low === own.clockSec.high;
    const mostSec = isExact ? own.clockSec.high : own.capSec;
    const reps = Object.values(own.reps).reduce((a, b) => a + b, 0);
    return {
      mostReps: mostSec === null ? null : Math.ceil(mostSec / quickest),
      leastSec: own.scoreForm?.kind === 'time' && reps > 0 ? Math.floor(reps * quickest) : null,
      perRound: repsOfRound(block) ?? null,
    };
  });
}
