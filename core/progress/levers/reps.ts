import { printDose } from '../../notation/print.ts';
import type { Amount, WorkItem } from '../../document/document.ts';
import { pullAmount } from '../../forms/pull-item.ts';
import type { LeverAction } from './lever-action.ts';
import { MAX_AMOUNT } from '../../limits.ts';
import { clamp } from '../../forms/change.ts';
import { isList, mapItems, readItems } from './lever-action.ts';

const pullCount = (by: number) => (value: number) => clamp(value + by, 1, MAX_AMOUNT);
/** Sides in turn stay even: one rep more is one more with each. */
const stepOf = (item: WorkItem): number => (item.dose?.kind === 'reps' && item.dose.sides === 'alternate' ? 2 : 1);

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
  pull(block, by, lever, library) {
    const pulled = mapItems(block, lever, library, (item): WorkItem =>
      item.dose?.kind === 'reps'
        ? {
            ...item,
            dose: { ...item.dose, amount: pullAmount(item.dose.amount, pullCount(by * stepOf(item))) },
            choices: pullChoices(item, item.dose.amount, by * stepOf(item)),
          }
        : item,
    );
    if (!isList(block.count) || (lever.of !== undefined && lever.of !== 'list')) return pulled;
    return { ...pulled, count: { ...block.count, values: block.count.values.map(pullCount(by)) } };
  },
};
