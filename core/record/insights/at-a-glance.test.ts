import { describe, expect, test } from 'vitest';
import { glanceAtDone, glanceAtFelt, glanceAtLoads, shareDifference } from './at-a-glance.ts';
import type { FeltDay } from './insights.ts';
import { wilson } from './shares.ts';

describe('the difference of two shares', () => {
  // Newcombe 1998, Stat Med 17:873, his table II, method 10 (from memory); each recomputed from the formula in another language.
  test.each([
    [56, 70, 48, 80, 0.2, 0.0524, 0.3339],
    [9, 10, 3, 10, 0.6, 0.1705, 0.809],
    [10, 10, 0, 10, 1, 0.6075, 1],
    [6, 7, 2, 7, 0.5714, 0.0582, 0.8062],
  ])('%i of %i less %i of %i', (a, of, b, ofB, by, low, high) => {
    const d = shareDifference({ count: a, of }, { count: b, of: ofB }, 1.959964)!;
    expect(d.by).toBeCloseTo(by, 4);
    expect(d.low).toBeCloseTo(low, 4);
    expect(d.high).toBeCloseTo(high, 4);
  });
  test('of none there is none', () => {
    expect(shareDifference({ count: 0, of: 0 }, { count: 1, of: 2 }, 1.96)).toBeUndefined();
  });
});

const row = (label: string, count: number, of: number) => ({ label, share: wilson(count, of)! });

describe('what was done, at a glance', () => {
  test('one group alone is compared with nothing', () => {
    expect(glanceAtDone([])).toBeUndefined();
    expect(glanceAtDone([row('week 1', 40, 50)])).toBeUndefined();
  });
  test('few due say nothing', () => {
    expect(glanceAtDone([row('week 1', 19, 19), row('week 2', 0, 19)])).toEqual({ kind: 'too-few', due: 38 });
    // Twenty beside nineteen: what it is held against is too few as well.
    expect(glanceAtDone([row('week 1', 20, 20), row('week 2', 0, 19)])).toEqual({ kind: 'too-few', due: 39 });
  });
  test('the one furthest off stands apart, more or less', () => {
    const others = [row('week 1', 80, 100), row('week 2', 82, 100), row('week 3', 79, 100)];
    expect(glanceAtDone([...others, row('week 4', 50, 104)])).toEqual({
      kind: 'apart',
      label: 'week 4',
      isMore: false,
      ratio: 50 / 104,
      othersRatio: 241 / 300,
      due: 104,
    });
    expect(glanceAtDone([...others, row('week 4', 100, 100)])).toMatchObject({ label: 'week 4', isMore: true });
  });
  test('what lies within 99 of 100 is chance: at 95 it would be called', () => {
    const [a, b] = [row('Mon', 50, 80), row('Tue', 56, 70)];
    expect(shareDifference(a.share, b.share, 1.959964)!.high).toBeLessThan(0);
    expect(glanceAtDone([a, b])).toEqual({ kind: 'alike', low: 0.625, high: 0.8 });
  });
  test('a small group that is far off neither stands alone nor widens what is said', () => {
    expect(glanceAtDone([row('a', 80, 100), row('b', 78, 100), row('c', 0, 5)])).toMatchObject({
      kind: 'alike',
      low: 0.78,
      high: 0.8,
    });
  });
});

const felt = (week: number, planned: number | null, mean: number, said: number): FeltDay => ({
  dayId: week,
  week,
  title: `T${week}`,
  planned,
  mean,
  low: mean,
  high: mean,
  said,
  loadAu: 0,
  loadPerDueAu: 0,
});

describe('felt and load, at a glance', () => {
  test('each session counts as often as it was rated; those without a plan are counted apart', () => {
    expect(glanceAtFelt([])).toBeUndefined();
    const glance = glanceAtFelt([felt(1, 6, 7, 3), felt(2, 6, 8, 1), felt(3, null, 9, 5)])!;
    expect(glance.by).toBeCloseTo(5 / 4, 10);
    expect(glance).toMatchObject({ said: 4, unplanned: 1, furthest: { week: 2, by: 2 } });
  });
  test('the furthest lies on the same side, by a point at least', () => {
    expect(glanceAtFelt([felt(1, 6, 4, 4), felt(2, 6, 7, 1)])!.furthest).toMatchObject({ week: 1, by: -2 });
    expect(glanceAtFelt([felt(1, 6, 6.9, 4)])!.furthest).toBeUndefined();
    expect(glanceAtFelt([felt(1, 6, 7, 4)])!.furthest).toMatchObject({ week: 1, by: 1 });
  });
  test('nothing planned: nothing to hold against', () => {
    expect(glanceAtFelt([felt(1, null, 7, 4)])).toEqual({ by: 0, said: 0, furthest: undefined, unplanned: 1 });
  });
  test('loads by weeks that have both, planned more than none', () => {
    expect(glanceAtLoads([])).toEqual({ ratio: undefined, weeks: 0, unplanned: 0 });
    expect(
      glanceAtLoads([
        { plannedAu: 400, feltAu: 440 },
        { plannedAu: 200, feltAu: 180 },
        { plannedAu: undefined, feltAu: 100 },
        { plannedAu: 0, feltAu: 0 },
        { plannedAu: 300, feltAu: undefined },
      ]),
    ).toEqual({ ratio: 1, weeks: 2, unplanned: 1 });
  });
});
