import type { Amount, Load, WorkItem } from '../document/document.ts';
import { MAX_KG, MAX_SHARE_PCT } from '../limits.ts';
import { clamp } from './change.ts';

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

/** Weights are set in quarters of a kilogram. */
const toQuarter = (kg: number): number => Math.round(kg * 4) / 4;

/** A written weight, all its rounds, or a share of one's best, changed by so much; an effort stays. */
function pullOneLoad(load: Load, by: number): Load {
  const heavier = (kg: number) => clamp(toQuarter(kg + by), Math.min(kg, 0.5), MAX_KG);
  switch (load.kind) {
    case 'weight':
      return { ...load, kg: heavier(load.kg), ...(load.laterKg && { laterKg: load.laterKg.map(heavier) }) };
    case 'share':
      return { ...load, pct: clamp(Math.round(load.pct + by), 1, MAX_SHARE_PCT) };
    case 'effort':
    case 'step':
      return load;
  }
}

/** An item whose weight, or share of one's best, is changed by so much, each option its own; undefined where none is written. */
export function pullLoad(item: WorkItem, by: number): WorkItem | undefined {
  const isPulled = (load: Load | undefined) => load !== undefined && load.kind !== 'effort' && load.kind !== 'step';
  if (!isPulled(item.load) && !item.choices.some((c) => isPulled(c.load))) return undefined;
  return {
    ...item,
    ...(item.load && { load: pullOneLoad(item.load, by) }),
    choices: item.choices.map((c) => (c.load ? { ...c, load: pullOneLoad(c.load, by) } : c)),
  };
}
