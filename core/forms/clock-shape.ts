import type { Block } from '../document/document.ts';
import { BARE_REST_SEC, MAX_DURATION_SEC, MAX_ROUNDS, MAX_SETS } from '../limits.ts';
import { countedRounds } from './count.ts';
import type { HeaderNumber, Kept, Shape } from './form.ts';
import { formOf } from './forms.ts';

/** The block in another shape, with usual numbers; what the new one can keep of the old (sets, rests around, a list) it keeps. */
export function withShape(block: Block, shape: Shape): Block {
  const { time: _time, count, rounds, relay: _relay, between, source: _source, ...rest } = block;
  const kept = rounds && rounds.low === rounds.high ? rounds : { low: 3, high: 3 };
  const listed = countedRounds(count) ?? 1;
  const has: Kept = {
    count: count ? { count } : {},
    rounds: listed > 1 ? {} : { rounds: kept },
    anyRounds: { rounds: kept },
    between: between ? { between } : {},
    hasCyclingList: count !== undefined && countedRounds(count) === undefined,
    items: Math.max(1, block.items.length),
  };
  const rules = shape.make(has);
  const next: Block = { ...rest, ...rules };
  if (!formOf(rules.time).notation.restNeedsLength) return next;
  return {
    ...next,
    items: block.items.map((item) =>
      item.kind === 'rest' && item.sec === undefined ? { ...item, sec: BARE_REST_SEC } : item,
    ),
  };
}

/** The numbers of a block's header that one step can change; lists by round are left to the text. */
export function headerNumbers(block: Block): HeaderNumber[] {
  const { time, count, rounds } = block;
  const form = formOf(time);
  const out = [...form.notation.numbers(time, block)];
  const ruledByList = (countedRounds(count) ?? 1) > 1 || form.steps.ownRounds(time, { ...block, items: [] }) > 1;
  if (rounds && rounds.low === rounds.high && !ruledByList)
    out.push({
      key: 'rounds',
      label: rounds.low === 1 ? 'round' : 'rounds',
      value: rounds.low,
      unit: 'count',
      least: 1,
      most: MAX_ROUNDS,
    });
  if (block.sets)
    out.push({ key: 'sets', label: 'sets', value: block.sets.count, unit: 'count', least: 1, most: MAX_SETS });
  if (block.thenRestSec)
    out.push({
      key: 'thenRestSec',
      label: 'rest after',
      value: block.thenRestSec,
      unit: 'sec',
      least: 1,
      most: MAX_DURATION_SEC,
    });
  return out;
}

/** The block with one of its header's numbers set; a value out of range is brought to its limit. */
export function withHeaderNumber(block: Block, key: HeaderNumber['key'], wanted: number): Block {
  const found = headerNumbers(block).find((n) => n.key === key);
  if (!found) throw new RangeError(`this block has no ${key}`);
  const value = Math.round(Math.min(found.most, Math.max(found.least, wanted)));
  switch (key) {
    case 'rounds':
      return { ...block, rounds: { low: value, high: value } };
    case 'sets':
      return { ...block, sets: { ...block.sets!, count: value } };
    case 'thenRestSec':
      return { ...block, thenRestSec: value };
    case 'teamSize':
      return { ...block, relay: { teamSize: value } };
    default:
      return { ...block, time: formOf(block.time).notation.withNumber(block.time, key, value) };
  }
}

/** The next value of a number: counts by one, times by 5 s, from two minutes on by 15, from ten by 60. */
export function stepHeaderNumber({ value, unit }: Pick<HeaderNumber, 'value' | 'unit'>, by: 1 | -1): number {
  if (unit === 'count') return value + by;
  const step = value >= 600 + (by < 0 ? 1 : 0) ? 60 : value >= 120 + (by < 0 ? 1 : 0) ? 15 : 5;
  return by > 0 ? (Math.floor(value / step) + 1) * step : (Math.ceil(value / step) - 1) * step;
}
