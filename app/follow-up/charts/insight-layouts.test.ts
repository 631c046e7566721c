import { expect, test } from 'vitest';
import { kaplanMeier, wilson } from '../../../core/record/insights/shares.ts';
import { layoutEffort } from '../../plan/charts/effort-line-layout.ts';
import { layoutDropOff, layoutFelt, layoutLoads, layoutShares } from './insight-layouts.ts';

test('shares lie on one scale from 0 to 100 %, their point within their interval, small ones told apart', () => {
  const { rows, ticks } = layoutShares(
    [
      { label: 'week 1', share: wilson(50, 100)! },
      { label: 'week 2', share: wilson(1, 2)! },
    ],
    { widthPx: 520, rowPx: 20, leftPx: 100, smallBelow: 20 },
  );
  expect(ticks.map((t) => t.x)).toEqual([100, 200, 300, 400, 500]);
  expect(rows.map((r) => [r.x, r.words, r.isSmall])).toEqual([
    [300, '50 of 100', false],
    [300, '1 of 2', true],
  ]);
  for (const r of rows) expect(r.low < r.x && r.x < r.high).toBe(true);
  // Fewer are surer of less.
  expect(rows[1]!.high - rows[1]!.low).toBeGreaterThan(rows[0]!.high - rows[0]!.low);
});

test('a survival curve goes down in steps, and stays level to the last week that was seen', () => {
  const steps = kaplanMeier([
    { time: 1, isEvent: true },
    { time: 4, isEvent: false },
  ]);
  const { path, xTicks, yTicks } = layoutDropOff(
    { people: 2, gone: 1, steps, median: 1, lastWeek: 4 },
    { widthPx: 456, heightPx: 132 },
  );
  expect(xTicks.map((t) => [t.week, t.x])).toEqual([
    [0, 42],
    [1, 142],
    [2, 242],
    [3, 342],
    [4, 442],
  ]);
  expect(yTicks.map((t) => t.y)).toEqual([112, 62, 12]);
  expect(path).toBe('M42,12L142,12L142,62L442,62L442,62');
  expect(
    layoutDropOff({ people: 0, gone: 0, steps: [], median: undefined, lastWeek: 1 }, { widthPx: 456, heightPx: 132 })
      .path,
  ).not.toContain('NaN');
});

test('felt effort as the middle half with its mean, planned beside it; weeks said once', () => {
  const day = {
    dayId: 1,
    week: 1,
    title: 'A',
    planned: 5,
    mean: 6,
    low: 5,
    high: 7,
    said: 3,
    loadAu: 120,
    loadPerDueAu: 90,
  };
  const { days, xTicks } = layoutFelt([day, { ...day, dayId: 2 }, { ...day, dayId: 3, week: 2, planned: null }], {
    widthPx: 300,
    heightPx: 132,
  });
  expect(days.map((d) => [d.plannedY, d.meanY, d.lowY, d.highY])).toEqual([
    [62, 52, 62, 42],
    [62, 52, 62, 42],
    [null, 52, 62, 42],
  ]);
  expect(xTicks.map((t) => t.words)).toEqual(['w1', 'w2']);
});

test('loads as two columns a week on one scale; what isn’t known has none', () => {
  const week = { week: 1, plannedAu: 400, feltAu: 200, monotony: 1, strain: 1, said: 3, due: 4, perDueAu: 150 };
  const { weeks } = layoutLoads([week, { ...week, week: 2, feltAu: undefined }], { widthPx: 256, heightPx: 132 });
  expect(weeks[0]!.planned!.height).toBe(2 * weeks[0]!.felt!.height);
  expect(weeks[1]!.felt).toBeNull();
});

test('one’s effort: points beside the line of what was planned, gaps where nothing was said', () => {
  const { points, plannedPath } = layoutEffort(
    [
      { key: 'a', words: 'a', planned: 5, felt: 7 },
      { key: 'b', words: 'b', planned: null, felt: null },
      { key: 'c', words: 'c', planned: 0, felt: 10 },
    ],
    { widthPx: 134, heightPx: 116 },
  );
  expect(points.map((p) => [p.x, p.plannedY, p.feltY])).toEqual([
    [26, 58, 38],
    [76, null, null],
    [126, 108, 8],
  ]);
  expect(plannedPath).toBe('M26,58ZM126,108Z');
});
