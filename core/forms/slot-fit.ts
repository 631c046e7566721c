import { asCounted } from '../document/option.ts';
import type { MovementLibrary } from '../movement/library.ts';
import type { Block, Item, WorkItem } from '../document/document.ts';
import { countAt } from './count.ts';
import { ownParts, resolveMovement } from './dose-parts.ts';
import { slotOf } from './forms.ts';
import type { EstimateSec } from '../pace/pace.ts';
import { addEstimates, computeRepSec, exactly } from '../pace/pace.ts';

export interface SlotFit {
  readonly item: number;
  /** The work in the fullest of this item's slots. */
  readonly needSec: EstimateSec;
  /** The latest second at which work should end. */
  readonly capSec: number;
  readonly slotSec: number;
  /** `tight`: work likely ends after the cap; `overfull`: after the slot. */
  readonly status: 'fits' | 'tight' | 'overfull';
  /** The round, from 1, of the first slot whose work likely ends after the cap; 0 where all fit. */
  readonly firstRound: number;
  /** The largest number in this dose's place that likely ends by the cap; undefined where the dose is no fixed number, or not even 1 fits. */
  readonly largestCount: number | undefined;
}

const workSecOf = (block: Block, item: Item, index: number, turn: number, library: MovementLibrary): EstimateSec =>
  ownParts(item as WorkItem, index, block.count, turn, library)
    .map((p) => p.sec)
    .reduce(addEstimates, exactly(0));

/** Items whose length the slot itself gives (no number, `max`) can't overflow it. */
const hasNumber = (block: Block, item: WorkItem): boolean =>
  item.dose?.kind === 'reps' ||
  item.dose?.kind === 'time' ||
  item.dose?.kind === 'distance' ||
  item.dose?.kind === 'energy' ||
  ((item.dose === undefined || item.dose.kind === 'given') && countAt(block.count, 0) !== undefined);

/**
 * Holds what is put in the slots of an every-minute block against the latest second at which work should end.
 * Empty for a block of another form; items of rest, or without a number of their own, are left out.
 */
export function fitSlots(block: Block, library: MovementLibrary): SlotFit[] {
  const slot = slotOf(block);
  if (!slot) return [];
  const { capSec, slotSec, slots } = slot;
  const fits: SlotFit[] = [];
  for (const [index, item] of block.items.entries()) {
    if (item.kind !== 'work' || !hasNumber(block, item)) continue;
    let needSec = exactly(0);
    let firstRound = 0;
    for (let at = index, turn = 0; at < slots; at += block.items.length, turn++) {
      const sec = workSecOf(block, item, index, turn, library);
      if (sec.likely > needSec.likely) needSec = sec;
      if (firstRound === 0 && sec.likely > capSec) firstRound = turn + 1;
    }
    if (needSec.likely === 0) continue;
    const status = needSec.likely > slotSec ? 'overfull' : needSec.likely > capSec ? 'tight' : 'fits';
    fits.push({
      item: index,
      needSec,
      capSec,
      slotSec,
      status,
      firstRound,
      largestCount: largestCount(block, item, index, capSec, library),
    });
  }
  return fits;
}

/** The largest fixed number that fits, found by trying (rounding is the plan's own, so that both agree). */
function largestCount(
  block: Block,
  item: WorkItem,
  index: number,
  capSec: number,
  library: MovementLibrary,
): number | undefined {
  const { dose } = item;
  const counted = asCounted(item);
  const amount = dose?.kind === 'reps' ? dose.amount : dose?.kind === 'time' ? dose.amountSec : undefined;
  if (amount?.kind !== 'fixed') return undefined;
  const repSec =
    dose!.kind === 'time'
      ? 1
      : computeRepSec(resolveMovement(item, 0, library).movement, counted.tempo, counted.pauseSec, counted.speed)
          .likely;
  for (let count = Math.max(1, Math.ceil(capSec / repSec) + 1); count >= 1; count--) {
    if (workSecOf(block, withCount(item, count), index, 0, library).likely <= capSec) return count;
  }
  return undefined;
}

/** The item with another fixed number in its dose. */
export function withCount(item: WorkItem, count: number): WorkItem {
  const { dose } = item;
  if (dose?.kind === 'reps') return { ...item, dose: { ...dose, amount: { kind: 'fixed', value: count } } };
  if (dose?.kind === 'time') return { ...item, dose: { ...dose, amountSec: { kind: 'fixed', value: count } } };
  throw new RangeError(`an item with the dose ${dose?.kind ?? 'none'} has no fixed number`);
}

/**
 * The smallest number of repetitions that, taken off every station alike, makes all of them fit: 10/12/14/16 that
 * don't fit become 8/10/12/14 with a step of 2. 0 where all fit; undefined where no step does it without a
 * station falling below 1, or where a station that doesn't fit has no fixed number of repetitions.
 */
export function commonStep(block: Block, library: MovementLibrary): number | undefined {
  const fits = fitSlots(block, library);
  let step = 0;
  for (const fit of fits) {
    const item = block.items[fit.item] as WorkItem;
    if (fit.status === 'fits') continue;
    if (item.dose?.kind !== 'reps' || item.dose.amount.kind !== 'fixed' || fit.largestCount === undefined)
      return undefined;
    step = Math.max(step, item.dose.amount.value - fit.largestCount);
  }
  const lowest = Math.min(
    ...block.items.map((item) =>
      item.kind === 'work' && item.dose?.kind === 'reps' && item.dose.amount.kind === 'fixed'
        ? item.dose.amount.value
        : Infinity,
    ),
  );
  return step < lowest ? step : undefined;
}
