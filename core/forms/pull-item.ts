import type { Amount, Load, WorkItem } from '../document/document.ts';
import { MAX_AMOUNT, MAX_KG, MAX_SHARE_PCT } from '../limits.ts';
import type { Scale } from '../movement/scale.ts';
import { findStep, stepAlong } from '../movement/scale.ts';
import { clamp, evenBy } from './change.ts';

/** An amount with each of its numbers changed; growing and shrinking ones keep their steps. */
export function pullAmount(amount: Amount, next: (value: number) => number): Amount {
  switch (amount.kind) {
    case 'fixed':
      return { kind: 'fixed', value: next(amount.value) };
    case 'range':
      return { kind: 'range', low: next(amount.low), high: Math.max(next(amount.low) + 1, next(amount.high)) };
    case 'list':
      return { kind: 'list', values: amount.values.map(next) };
    case 'growing':
      return { ...amount, start: next(amount.start) };
  }
}

/** What so many repetitions more or fewer are for a line: where sides take turns an even number. */
export const repsByOf = ({ dose }: Pick<WorkItem, 'dose'>, by: number): number =>
  dose?.kind === 'reps' && dose.sides === 'alternate' ? evenBy(by) : by;

/** A line with so many repetitions more or fewer, one at least; the same line where it isn't counted. */
export function pullReps(item: WorkItem, by: number): WorkItem {
  const { dose } = item;
  if (dose?.kind !== 'reps') return item;
  const own = repsByOf(item, by);
  const amount = pullAmount(dose.amount, (value) => clamp(value + own, 1, MAX_AMOUNT));
  return { ...item, dose: { ...dose, amount } };
}

/** Weights are set in quarters of a kilogram. */
const toQuarter = (kg: number): number => Math.round(kg * 4) / 4;

/** A step of what one has, or of a scale, is what two kilograms are where they are written; a part of it is one too. */
export const heavierSteps = (by: number): number => Math.sign(by) * Math.max(1, Math.round(Math.abs(by) / 2));

/** A written weight, all its rounds, a share of one's best or a step of a scale, changed by so much; an effort stays. */
function pullOneLoad(load: Load, by: number, scales: readonly Scale[]): Load {
  const heavier = (kg: number) => clamp(toQuarter(kg + by), Math.min(kg, 0.5), MAX_KG);
  switch (load.kind) {
    case 'weight':
      return { ...load, kg: heavier(load.kg), ...(load.laterKg && { laterKg: load.laterKg.map(heavier) }) };
    case 'share':
      return { ...load, pct: clamp(Math.round(load.pct + by), 1, MAX_SHARE_PCT) };
    case 'step':
      return { ...load, step: stepAlong(scales, load.step, heavierSteps(by)) };
    case 'effort':
      return load;
  }
}

/** An item whose weight, share of one's best or step of a scale is changed by so much, each option its own; undefined where none is written. */
export function pullLoad(item: WorkItem, by: number, scales: readonly Scale[]): WorkItem | undefined {
  const isPulled = (load: Load | undefined) =>
    load !== undefined && load.kind !== 'effort' && (load.kind !== 'step' || findStep(scales, load.step) !== undefined);
  if (!isPulled(item.load) && !item.choices.some((c) => isPulled(c.load))) return undefined;
  return {
    ...item,
    ...(item.load && { load: pullOneLoad(item.load, by, scales) }),
    choices: item.choices.map((c) => (c.load ? { ...c, load: pullOneLoad(c.load, by, scales) } : c)),
  };
}
