import { listedNumbers } from './count.ts';
import { formOf } from './forms.ts';
import { DEFAULT_TEAM } from '../limits.ts';
import type { Block } from '../document/document.ts';

/** Most steps of one session: above this it can't be led, nor drawn in time. */
export const MAX_STEPS = 8_000;
/** Most steps of a stored routine, of which a session may hold many. */
export const MAX_ROUTINE_STEPS = 300;

const mostRounds = (block: Block): number =>
  Math.max(
    block.rounds?.high ?? 1,
    listedNumbers(block.count).length,
    formOf(block.time).steps.mostTurns?.(block.time, block) ?? 1,
  );

/** At most so many steps a block has when it is unrolled: items, rounds, sets, team members, both sides. Nothing is unrolled for it. */
export function countSteps(block: Block): number {
  const members = block.relay ? (block.relay.teamSize ?? DEFAULT_TEAM) : 1;
  return block.items.length * mostRounds(block) * (block.sets?.count ?? 1) * members * 2;
}
