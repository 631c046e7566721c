import { clamp, pullSec } from '../../forms/change.ts';
import type { FormLever } from '../../forms/form.ts';
import { formOf } from '../../forms/forms.ts';
import { printDose } from '../../notation/print.ts';
import type { WorkItem } from '../../document/document.ts';
import { MAX_AMOUNT, MAX_SETS } from '../../limits.ts';
import type { LeverAction } from './lever-action.ts';
import { mapItems, readItems } from './lever-action.ts';
import { pullAmount } from '../../forms/pull-item.ts';
import { pullRests, restsOf } from '../../forms/pull-rest.ts';

/** A lever on the rule of time: the form says what it finds and what it does. */
const onForm = (lever: FormLever): LeverAction => ({
  read(block) {
    const { time } = block;
    return block.items.length === 0 ? undefined : formOf(time).levers.answers[lever]?.read(time, block);
  },
  pull(block, by, { newRounds }) {
    const { time } = block;
    const answer = block.items.length === 0 ? null : formOf(time).levers.answers[lever];
    return answer?.pull(time, by, block, newRounds) ?? block;
  },
});

export const rounds = onForm('rounds');
export const windows = onForm('windows');
export const clock = onForm('clock');

const formWork = onForm('work');
/** The intervals' work by an interval clock; elsewhere, or for one movement, the written times of the items. */
export const work: LeverAction = {
  read: (block, lever, library) =>
    (lever.of === undefined ? formWork.read(block, lever, library) : undefined) ??
    readItems(block, lever, library, (item) =>
      item.dose?.kind === 'time' ? printDose(item.dose).replace('/side', '') : undefined,
    ),
  pull: (block, by, lever, library) =>
    lever.of === undefined && formWork.read(block, lever, library) !== undefined
      ? formWork.pull(block, by, lever, library)
      : mapItems(block, lever, library, (item): WorkItem =>
          item.dose?.kind === 'time'
            ? { ...item, dose: { ...item.dose, amountSec: pullAmount(item.dose.amountSec, (sec) => pullSec(sec, by)) } }
            : item,
        ),
};

/** Every rest that is written in or between: never the one after the block. */
export const rest: LeverAction = {
  read: (block) => restsOf(block).join(' and ') || undefined,
  pull: (block, by) => pullRests(block, by),
};

/** How often the whole block is done. */
export const sets: LeverAction = {
  read: ({ sets: own }) => (own ? String(own.count) : undefined),
  pull: (block, by) =>
    block.sets ? { ...block, sets: { ...block.sets, count: clamp(block.sets.count + by, 1, MAX_SETS) } } : block,
};

const formStep = onForm('step');
/** What carries on by itself: a pyramid's step, a growing count's start and step, a cycling list's steps. */
export const step: LeverAction = {
  read(block, lever, library) {
    const ofForm = lever.of === undefined ? formStep.read(block, lever, library) : undefined;
    const growing = readItems(block, lever, library, (item) =>
      item.dose?.kind === 'reps' && item.dose.amount.kind === 'growing'
        ? `+${item.dose.amount.step}`
        : item.dose?.kind === 'time' && item.dose.amountSec.kind === 'growing'
          ? `+${item.dose.amountSec.step} s`
          : undefined,
    );
    const { count } = block;
    const cycling =
      count?.kind === 'list' && count.cycling && count.values.length > 1 && (lever.of ?? 'list') === 'list'
        ? `${count.values.join('-')} cycling`
        : undefined;
    return [ofForm, cycling, growing].filter(Boolean).join(' and ') || undefined;
  },
  pull(block, by, lever, library) {
    const formed = lever.of === undefined ? formStep.pull(block, by, lever, library) : block;
    const grown = mapItems(formed, lever, library, (item): WorkItem => {
      if (item.dose?.kind === 'reps' && item.dose.amount.kind === 'growing')
        return { ...item, dose: { ...item.dose, amount: stepMore(item.dose.amount, by) } };
      if (item.dose?.kind === 'time' && item.dose.amountSec.kind === 'growing')
        return { ...item, dose: { ...item.dose, amountSec: stepMore(item.dose.amountSec, by) } };
      return item;
    });
    const { count } = grown;
    if (count?.kind !== 'list' || !count.cycling || (lever.of ?? 'list') !== 'list') return grown;
    // 4-8-12 with steps one larger is 4-9-14: the first stays, each after it has one more to the one before.
    const values = count.values.map((v, i) => clamp(v + i * by, 1, MAX_AMOUNT));
    return { ...grown, count: { ...count, values } };
  },
};

const stepMore = <A extends { readonly step: number }>(amount: A, by: number): A => ({
  ...amount,
  step: clamp(amount.step + by, 1, MAX_AMOUNT),
});
