import { expect, test } from 'vitest';
import type { TimedBlock } from './learned-pace.ts';
import { personPace, plannedFactor, readPersonPace } from './person-pace.ts';

const block = (ratio: number): TimedBlock => ({ level: 3, likelySec: 600, tookSec: 600 * ratio, shares: { squat: 1 } });
const blocks = (...ratios: readonly number[]) => ratios.map(block);

test('four blocks a fifth slower are drawn half way to what is planned with, and stay unsure', () => {
  const pace = personPace(blocks(1.2, 1.2, 1.2, 1.2), [])!;
  // ln 1.2 four times, and nothing five times: exp(4 ln 1.2 / 9).
  expect(pace.factor).toBeCloseTo(1.2 ** (4 / 9), 6);
  expect(pace.records).toBe(4);
  expect(pace.low).toBeLessThan(1);
  expect(plannedFactor(pace)).toBe(1);
});

test('twenty blocks say it surely, and it is planned with in steps of a twentieth', () => {
  const pace = personPace(blocks(...Array<number>(20).fill(1.3)), [])!;
  expect(pace.factor).toBeCloseTo(1.3 ** (20 / 25), 6);
  expect(pace.low).toBeGreaterThan(1);
  expect(plannedFactor(pace)).toBeCloseTo(1.25, 10);
});

test('people of the same level stand in where one’s own are few', () => {
  const own = blocks(1.2, 1.2, 1.2, 1.2);
  const alone = personPace(own, [])!.factor;
  expect(personPace(own, blocks(...Array<number>(50).fill(1.3)))!.factor).toBeGreaterThan(alone);
  expect(personPace(own, blocks(...Array<number>(50).fill(0.8)))!.factor).toBeLessThan(alone);
});

test('who has few of their own goes by their level, where that is sure for one of them', () => {
  const even = blocks(...Array<number>(40).fill(1.4));
  const pace = personPace(blocks(1.4), even)!;
  expect([pace.records, pace.peers]).toEqual([1, 40]);
  expect(pace.factor).toBeGreaterThan(1.3);
  expect(plannedFactor(pace)).toBeGreaterThan(1.25);
  // Where people of a level differ, it says little of one of them.
  const mixed = blocks(...Array.from({ length: 40 }, (_, i) => (i % 2 ? 0.8 : 1.8)));
  expect(plannedFactor(personPace(blocks(1.4), mixed)!)).toBe(1);
  expect(personPace([], blocks(...Array<number>(9).fill(1.4)))).toBeUndefined();
  expect(personPace([], blocks(...Array<number>(10).fill(1.4)))).toBeDefined();
});

test('three blocks are too few, breaks aren’t counted, and nobody is planned with at more than twice the time', () => {
  expect(personPace(blocks(1.2, 1.2, 1.2), [])).toBeUndefined();
  expect(personPace(blocks(1.2, 1.2, 1.2, 9, 0.1), [])).toBeUndefined();
  expect(personPace(blocks(...Array<number>(99).fill(2.9)), [])!.factor).toBe(2);
});

test('times that differ much are less sure; nothing known, or perhaps nothing, is planned with as for anybody', () => {
  const [steady, wild] = [
    personPace(blocks(1.2, 1.2, 1.2, 1.2, 1.2, 1.2), [])!,
    personPace(blocks(0.6, 2.4, 0.6, 2.4, 0.6, 2.4), [])!,
  ];
  expect(wild.high - wild.low).toBeGreaterThan(steady.high - steady.low);
  expect(plannedFactor(null)).toBe(1);
  expect(plannedFactor(wild)).toBe(1);
});

test('what is stored is taken as far as it can be used', () => {
  const pace = { factor: 1.2, low: 1.1, high: 1.3, records: 9, peers: 0 };
  expect(readPersonPace(pace)).toEqual(pace);
  for (const bad of [null, {}, { ...pace, factor: 0 }, { ...pace, high: 'x' }, { ...pace, records: 1.5 }])
    expect(readPersonPace(bad)).toBeNull();
});
