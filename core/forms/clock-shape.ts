import { MAX_DURATION_SEC, MAX_SLOTS } from '../limits.ts';
import { assertNever } from '../assert-never.ts';
import type { Block } from '../document/document.ts';

/** The forms of a block, as a coach picks them: each is a set of answers to what rules the time and how the count changes. */
export const CLOCK_SHAPES = [
  'flow',
  'rounds',
  'for-time',
  'amrap',
  'every',
  'intervals',
  'counted-intervals',
  'windows',
  'pyramid',
  'turns',
  'relay',
] as const;
export type ClockShape = (typeof CLOCK_SHAPES)[number];

export const SHAPE_WORDS: Record<ClockShape, { readonly name: string; readonly means: string }> = {
  flow: { name: 'flow', means: 'once through, unhurried' },
  rounds: { name: 'rounds', means: 'the list so many times, at one’s own pace' },
  'for-time': { name: 'for time', means: 'done as fast as form allows; the score is the time' },
  amrap: { name: 'amrap', means: 'as many rounds as possible' },
  every: { name: 'every …', means: 'a new item every so often; the rest is what is left' },
  intervals: { name: 'work and rest', means: 'each item an interval, round by round' },
  'counted-intervals': { name: 'so many intervals', means: 'items taking turns, so many in all' },
  windows: { name: 'windows', means: 'from the top in every window' },
  pyramid: { name: 'pyramid', means: 'two by two, up while time lasts, then down' },
  turns: { name: 'turns', means: 'partners: one works, one watches' },
  relay: { name: 'relay', means: 'teams: every member in turn' },
};

/** The form of a block. */
export function shapeOf({ time, count, relay }: Block): ClockShape {
  switch (time.kind) {
    case 'flow':
      return 'flow';
    case 'own':
      return relay ? 'relay' : time.forTime ? 'for-time' : 'rounds';
    case 'span':
      return time.turnsOf ? 'turns' : 'amrap';
    case 'slots':
      return 'every';
    case 'intervals':
      return count?.kind === 'pyramid' ? 'pyramid' : time.total !== undefined ? 'counted-intervals' : 'intervals';
    case 'windows':
      return 'windows';
    default:
      return assertNever(time);
  }
}

/** The block in another form, with usual numbers; what the new form can keep of the old one (sets, rests around, a list) it keeps. */
export function withShape(block: Block, shape: ClockShape): Block {
  const { time: _time, count, rounds, relay: _relay, between, source: _source, ...rest } = block;
  const list = count?.kind === 'list' || count?.kind === 'by-feel' ? { count } : {};
  const listLength =
    count?.kind === 'list' && !count.cycling && count.values.length > 1 ? count.values.length : undefined;
  const kept = rounds && rounds.low === rounds.high ? rounds : { low: 3, high: 3 };
  const free = listLength === undefined ? { rounds: kept } : {};
  const items = Math.max(1, block.items.length);
  const needsLength = shape !== 'every' && shape !== 'intervals' && shape !== 'counted-intervals';
  const own: Omit<Block, 'time'> = {
    ...rest,
    items: needsLength
      ? block.items.map((item) => (item.kind === 'rest' && item.sec === undefined ? { ...item, sec: 30 } : item))
      : block.items,
  };
  switch (shape) {
    case 'flow':
      return { ...own, time: { kind: 'flow' } };
    case 'rounds':
      return {
        ...own,
        ...list,
        ...free,
        ...(between && { between }),
        time: { kind: 'own', forTime: false },
        ...(listLength === undefined && count?.kind === 'list' && { rounds: kept }),
      };
    case 'for-time':
      return { ...own, ...list, ...free, time: { kind: 'own', forTime: true } };
    case 'amrap':
      return { ...own, ...list, time: { kind: 'span', sec: 600 } };
    case 'every':
      return { ...own, ...list, time: { kind: 'slots', slotSec: 60, slots: items * 4 } };
    case 'intervals':
      return { ...own, ...list, ...free, time: { kind: 'intervals', workSec: [40], restSec: [20], stations: false } };
    case 'counted-intervals':
      return { ...own, ...list, time: { kind: 'intervals', workSec: [20], restSec: [10], total: 8, stations: false } };
    case 'windows':
      return { ...own, ...list, time: { kind: 'windows', windowSec: 120, windows: 5, restSec: 30 } };
    case 'pyramid':
      return {
        ...own,
        count: { kind: 'pyramid', step: 2 },
        time: { kind: 'intervals', workSec: [75], restSec: [45], stations: false },
      };
    case 'turns':
      return { ...own, ...list, time: { kind: 'span', sec: 300, turnsOf: 2 } };
    case 'relay':
      return {
        ...own,
        count: { kind: 'list', values: [24, 16, 8], cycling: false },
        relay: { teamSize: 4 },
        time: { kind: 'own', forTime: false },
      };
    default:
      return assertNever(shape);
  }
}

/** A number in a block's header that can be stepped. */
export interface HeaderNumber {
  readonly key:
    | 'rounds'
    | 'sec'
    | 'slotSec'
    | 'slots'
    | 'workCapSec'
    | 'workSec'
    | 'restSec'
    | 'total'
    | 'windowSec'
    | 'windows'
    | 'step'
    | 'capSec'
    | 'sets'
    | 'thenRestSec'
    | 'teamSize';
  readonly label: string;
  readonly value: number;
  readonly unit: 'sec' | 'count';
  readonly least: number;
  readonly most: number;
}

const number = (
  key: HeaderNumber['key'],
  label: string,
  value: number,
  unit: HeaderNumber['unit'],
  most: number,
  least = 1,
): HeaderNumber => ({ key, label, value, unit, least, most });

/** The numbers of a block's header that one step can change; lists by round are left to the text. */
export function headerNumbers(block: Block): HeaderNumber[] {
  const { time, count, rounds } = block;
  const out: HeaderNumber[] = [];
  switch (time.kind) {
    case 'flow':
      break;
    case 'own':
      if (block.relay?.teamSize) out.push(number('teamSize', 'to a team', block.relay.teamSize, 'count', 50, 2));
      if (time.capSec) out.push(number('capSec', 'cap', time.capSec, 'sec', MAX_DURATION_SEC));
      break;
    case 'span':
      out.push(number('sec', 'length', time.sec, 'sec', MAX_DURATION_SEC));
      break;
    case 'slots':
      out.push(
        number(
          'slotSec',
          'every',
          time.slotSec,
          'sec',
          Math.floor(MAX_DURATION_SEC / time.slots),
          time.workCapSec ?? 1,
        ),
        number('slots', 'slots', time.slots, 'count', Math.min(MAX_SLOTS, Math.floor(MAX_DURATION_SEC / time.slotSec))),
      );
      if (time.workCapSec) out.push(number('workCapSec', 'work over by', time.workCapSec, 'sec', time.slotSec));
      break;
    case 'intervals':
      if (time.workSec.length === 1) out.push(number('workSec', 'work', time.workSec[0]!, 'sec', MAX_DURATION_SEC));
      if (time.restSec.length === 1) out.push(number('restSec', 'rest', time.restSec[0]!, 'sec', MAX_DURATION_SEC));
      if (time.total !== undefined) out.push(number('total', 'intervals', time.total, 'count', MAX_SLOTS));
      if (count?.kind === 'pyramid') out.push(number('step', 'more a set', count.step, 'count', 100));
      break;
    case 'windows':
      out.push(
        number('windowSec', 'window', time.windowSec, 'sec', MAX_DURATION_SEC),
        number('windows', 'windows', time.windows, 'count', 100),
      );
      if (time.restSec) out.push(number('restSec', 'rest', time.restSec, 'sec', MAX_DURATION_SEC));
      break;
    default:
      assertNever(time);
  }
  const ruledByList =
    (count?.kind === 'list' && !count.cycling && count.values.length > 1) ||
    (time.kind === 'intervals' && Math.max(time.workSec.length, time.restSec.length) > 1);
  if (rounds && rounds.low === rounds.high && !ruledByList)
    out.push(number('rounds', rounds.low === 1 ? 'round' : 'rounds', rounds.low, 'count', 100));
  if (block.sets) out.push(number('sets', 'sets', block.sets.count, 'count', 20));
  if (block.thenRestSec) out.push(number('thenRestSec', 'rest after', block.thenRestSec, 'sec', MAX_DURATION_SEC));
  return out;
}

/** The block with one of its header's numbers set; a value out of range is brought to its limit. */
export function withHeaderNumber(block: Block, key: HeaderNumber['key'], wanted: number): Block {
  const found = headerNumbers(block).find((n) => n.key === key);
  if (!found) throw new RangeError(`this block has no ${key}`);
  const value = Math.round(Math.min(found.most, Math.max(found.least, wanted)));
  const { time } = block;
  switch (key) {
    case 'rounds':
      return { ...block, rounds: { low: value, high: value } };
    case 'sets':
      return { ...block, sets: { ...block.sets!, count: value } };
    case 'thenRestSec':
      return { ...block, thenRestSec: value };
    case 'teamSize':
      return { ...block, relay: { teamSize: value } };
    case 'step':
      return { ...block, count: { kind: 'pyramid', step: value } };
    case 'workSec':
      return { ...block, time: { ...time, workSec: [value] } as Block['time'] };
    case 'restSec':
      return { ...block, time: { ...time, restSec: time.kind === 'windows' ? value : [value] } as Block['time'] };
    default:
      return { ...block, time: { ...time, [key]: value } };
  }
}

/** The next value of a number: counts by one, times by 5 s, from two minutes on by 15, from ten by 60. */
export function stepHeaderNumber({ value, unit }: Pick<HeaderNumber, 'value' | 'unit'>, by: 1 | -1): number {
  if (unit === 'count') return value + by;
  const step = value >= 600 + (by < 0 ? 1 : 0) ? 60 : value >= 120 + (by < 0 ? 1 : 0) ? 15 : 5;
  return by > 0 ? (Math.floor(value / step) + 1) * step : (Math.ceil(value / step) - 1) * step;
}
