import { formatClock } from '../../words/format-clock.ts';
import { fitSlots } from '../../forms/slot-fit.ts';
import type { MovementLibrary } from '../../movement/library.ts';
import { isWork } from '../../words/describe-item.ts';
import type { Block } from '../../document/document.ts';
import { repsAt } from '../../forms/dose-parts.ts';
import { formatRange } from '../../words/format-range.ts';
import type { SessionPlan } from '../plan.ts';

const sameAll = (numbers: readonly number[]) => numbers.every((n) => n === numbers[0]);

/**
 * How an item's numbers come about, a sentence a line: its repetitions over all turns, its time, and how it fills its
 * slot. `block` counts from 0 and is resolved. Nothing to say: an empty list.
 */
export function explainItem(
  block: Block,
  blockIndex: number,
  itemIndex: number,
  plan: SessionPlan,
  library: MovementLibrary,
): string[] {
  const item = block.items[itemIndex];
  if (!item || !isWork(item)) return [];
  const own = plan.timeline.filter((s) => s.block === blockIndex && s.item === itemIndex && s.kind !== 'rest');
  const rounds = [...new Set(own.map((s) => s.round))];
  const sets = block.sets?.count ?? 1;
  const lines: string[] = [];
  const reps = own.reduce((sum, s) => sum + (s.reps ?? 0), 0);
  if (reps > 0) {
    // Where the form says the number, the line has none of its own.
    const byTurn = rounds.map(
      (round, turn) =>
        repsAt(item, block.count, turn) ?? own.reduce((sum, s) => sum + (s.round === round ? (s.reps ?? 0) : 0), 0),
    );
    const times = turnCount(own);
    const each =
      item.dose && 'sides' in item.dose && (item.dose.sides === 'each' || item.dose.sides === 'pairs')
        ? ' (both sides)'
        : '';
    if (times > 1 && sameAll(byTurn)) lines.push(`${reps / times}${each} × ${times} turns = ${reps}`);
    else if (byTurn.length > 1 && byTurn.length <= 12 && sets === 1)
      lines.push(`${byTurn.join(' + ')} = ${reps}${each}`);
    else lines.push(`${reps} in all${each}`);
  }
  const sec = own.reduce((sum, s) => sum + s.endSec - s.startSec, 0);
  if (sec > 0) lines.push(`${own.some((s) => s.estimated) ? 'about ' : ''}${formatClock(sec)} of it in the session`);
  const fit = fitSlots(block, library).find((f) => f.item === itemIndex);
  if (fit) {
    const range = formatRange(fit.needSec);
    lines.push(
      `takes ${range ? `about ${formatClock(fit.needSec.likely)} (${range})` : formatClock(fit.needSec.likely)} of a turn of ${formatClock(fit.slotSec)}; work should be over by ${formatClock(fit.capSec)}`,
    );
  }
  if (lines.length === 0 && plan.blocks[blockIndex]?.scoreForm)
    lines.push('as often as the time allows: what is done is the score');
  return lines;
}

/** How often the item's turn comes: a left and its right are one. */
function turnCount(
  own: readonly { readonly side: string | null; readonly kind: string; readonly reps: number | null }[],
): number {
  const counted = own.filter((s) => s.reps !== null);
  const rights = counted.filter((s) => s.side === 'right').length;
  const lefts = counted.filter((s) => s.side === 'left').length;
  return counted.length - Math.min(lefts, rights);
}
