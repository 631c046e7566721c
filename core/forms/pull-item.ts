import type { Amount, WorkItem } from '../document/document.ts';
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

/** An item with a written weight, or share of one's best, changed by so much; undefined where neither is written. */
export function pullLoad(item: WorkItem, by: number): WorkItem | undefined {
  if (item.load?.kind === 'weight')
    return {
      ...item,
      load: { ...item.load, kg: clamp(toQuarter(item.load.kg + by), Math.min(item.load.kg, 0.5), MAX_KG) },
    };
  if (item.load?.kind === 'share')
    return { ...item, load: { ...item.load, pct: clamp(Math.round(item.load.pct + by), 1, MAX_SHARE_PCT) } };
  return undefined;
}
