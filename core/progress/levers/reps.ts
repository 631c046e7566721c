import { printDose } from '../../notation/print.ts';
import { mean } from 'd3-array';
import type { Amount, Block, WorkItem } from '../../document/document.ts';
import type { MovementLibrary } from '../../movement/library.ts';
import { pullAmount, pullReps, repsByOf } from '../../forms/pull-item.ts';
import type { LeverAction } from './lever-action.ts';
import { MAX_AMOUNT } from '../../limits.ts';
import { clamp } from '../../forms/change.ts';
import type { Lever } from './lever.ts';
import { isList, mapItems, meansItem, readItems } from './lever-action.ts';

const pullCount = (by: number) => (value: number) => clamp(value + by, 1, MAX_AMOUNT);

/** What stands for a line moves with it, in proportion: `40 skip or 12 double skip` with 10 more is `50 skip or 15 double skip`. */
function pullChoices(item: WorkItem, main: Amount, by: number): WorkItem['choices'] {
  if (main.kind !== 'fixed' || item.choices.every((c) => c.dose === undefined)) return item.choices;
  const own = main.value;
  return item.choices.map((choice) => {
    if (choice.dose?.kind !== 'reps') return choice;
    const share = (value: number) => {
      const more = Math.round((Math.abs(by) * value) / own) || 1;
      return clamp(value + Math.sign(by) * more, 1, MAX_AMOUNT);
    };
    return { ...choice, dose: { ...choice.dose, amount: pullAmount(choice.dose.amount, share) } };
  });
}

/** The numbers of an amount that are written. */
function numbersOf(amount: Amount): readonly number[] {
  switch (amount.kind) {
    case 'fixed':
      return [amount.value];
    case 'range':
      return [amount.low, amount.high];
    case 'list':
      return amount.values;
    case 'growing':
      return [amount.start];
  }
}

/** Fewer of every number in the same proportion: the share that `by` is of their mean. No line loses more than it and one repetition. */
function pullShare(block: Block, by: number, lever: Lever, library: MovementLibrary): Block {
  const list = isList(block.count) && (lever.of === undefined || lever.of === 'list') ? block.count : undefined;
  const written = block.items.flatMap((item) =>
    item.kind === 'work' && item.dose?.kind === 'reps' && meansItem(lever, item, library)
      ? numbersOf(item.dose.amount)
      : [],
  );
  const share = by / (mean([...written, ...(list?.values ?? [])]) ?? 1);
  const less = (value: number) => clamp(Math.round(value * (1 + share)), 1, MAX_AMOUNT);
  const evenLess = (value: number) => Math.max(1, value - 2 * Math.round((-share * value) / 2));
  const pulled = mapItems(block, lever, library, (item): WorkItem => {
    if (item.dose?.kind !== 'reps') return item;
    const next = item.dose.sides === 'alternate' ? evenLess : less;
    const choices = item.choices.map((c) =>
      c.dose?.kind === 'reps' ? { ...c, dose: { ...c.dose, amount: pullAmount(c.dose.amount, less) } } : c,
    );
    return { ...item, dose: { ...item.dose, amount: pullAmount(item.dose.amount, next) }, choices };
  });
  return list ? { ...pulled, count: { ...list, values: list.values.map(less) } } : pulled;
}

/** More of every number that is written: on the items, and in the header's list. Growing and shrinking lists keep their steps. */
export const reps: LeverAction = {
  read(block, lever, library) {
    const own = readItems(block, lever, library, (item) =>
      item.dose?.kind === 'reps' ? printDose(item.dose).replace(/\/side| alt| pairs/, '') : undefined,
    );
    const list =
      isList(block.count) && !block.relay && (lever.of === undefined || lever.of === 'list')
        ? block.count.values.join('-')
        : undefined;
    return [list, own].filter(Boolean).join(' and ') || undefined;
  },
  pull(block, by, lever, library, inProportion) {
    if (inProportion) return pullShare(block, by, lever, library);
    const pulled = mapItems(block, lever, library, (item): WorkItem =>
      item.dose?.kind === 'reps'
        ? { ...pullReps(item, by), choices: pullChoices(item, item.dose.amount, repsByOf(item, by)) }
        : item,
    );
    if (!isList(block.count) || (lever.of !== undefined && lever.of !== 'list')) return pulled;
    return { ...pulled, count: { ...block.count, values: block.count.values.map(pullCount(by)) } };
  },
};
