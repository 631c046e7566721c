import { expect, test } from 'vitest';
import type { TimedBlock } from './learned-pace.ts';
import { isWorthTaking, learnPaces, LIBRARY_WEIGHT, withFactor } from './learned-pace.ts';

const block = (tookSec: number, shares: Record<string, number> = { squat: 1 }, level = 0): TimedBlock => ({
  level,
  tookSec,
  likelySec: 100,
  shares,
});
const times = (n: number, b: TimedBlock) => Array.from({ length: n }, () => b);

test('a pace moves from the library’s toward what is seen, the further the more records there are', () => {
  const factor = (n: number) => learnPaces(times(n, block(150)))[0]!.factor;
  expect(factor(1)).toBeCloseTo(1.5 ** (1 / 6), 10);
  expect(factor(5)).toBeCloseTo(1.5 ** 0.5, 10);
  expect(factor(1000)).toBeCloseTo(1.5, 2);
  expect(LIBRARY_WEIGHT).toBe(5);
  expect(learnPaces([block(150), block(100 / 1.5)])[0]!.factor).toBeCloseTo(1, 10);
});

test('a block counts for each of its movements by its share, and says how many records it rests on', () => {
  const learned = learnPaces([
    ...times(4, block(150, { squat: 0.75, plank: 0.25 })),
    block(120, { squat: 1, rest: 0 }),
  ]);
  expect(learned.map((l) => [l.movement, l.records])).toEqual([
    ['squat', 5],
    ['plank', 4],
  ]);
  expect(learned[1]!.factor).toBeCloseTo(1.5 ** (1 / 6), 10);
});

test('levels apart, from the lowest', () => {
  const [squat] = learnPaces([...times(5, block(200, { squat: 1 }, 3)), ...times(5, block(100, { squat: 1 }, 1))]);
  expect(squat!.byLevel.map((l) => [l.level, l.records, Math.round(l.factor * 100)])).toEqual([
    [1, 5, 100],
    [3, 5, 141],
  ]);
});

test('what is far off says nothing, and nothing gives nothing', () => {
  expect(learnPaces([block(301), block(33), block(0), block(NaN)])).toEqual([]);
  expect(learnPaces([block(299)])).toHaveLength(1);
  expect(learnPaces([])).toEqual([]);
});

test('a pace keeps its order and its tenths; a small change, or a few records, aren’t worth it', () => {
  expect(withFactor({ low: 1.8, likely: 2.5, high: 3.8 }, 1.2)).toEqual({ low: 2.2, likely: 3, high: 4.6 });
  expect(withFactor({ low: 0.1, likely: 0.1, high: 0.2 }, 0.2).low).toBe(0.1);
  expect(isWorthTaking({ factor: 1.1, records: 5 })).toBe(true);
  expect(isWorthTaking({ factor: 0.9, records: 5 })).toBe(true);
  expect(isWorthTaking({ factor: 1.09, records: 50 })).toBe(false);
  expect(isWorthTaking({ factor: 1.5, records: 4 })).toBe(false);
});
