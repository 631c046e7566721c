import { describe, expect, test } from 'vitest';
import { AREAS } from '../../../core/movement/movement.ts';
import { layoutLeverLine } from './lever-line-layout.ts';
import { layoutWeekFigures } from './week-figures-layout.ts';
import { layoutWeeksPicture } from './weeks-picture-layout.ts';

const SIZE = { widthPx: 330, heightPx: 50 };
const values = (...list: number[]) => list.map((value, i) => ({ week: i + 1, value, label: String(value) }));

describe('a lever’s line', () => {
  test('more is higher, weeks go from left to right, all inside', () => {
    const { points, path } = layoutLeverLine(values(0, 1, 2, -2), SIZE);
    expect(points.map((p) => p.x)).toEqual([...points.map((p) => p.x)].sort((a, b) => a - b));
    expect(points[2]!.y).toBeLessThan(points[1]!.y);
    expect(points[3]!.y).toBeGreaterThan(points[0]!.y);
    for (const p of points) {
      expect(p.y).toBeGreaterThan(0);
      expect(p.y).toBeLessThan(SIZE.heightPx);
    }
    expect(path.startsWith('M')).toBe(true);
  });
  test('one that doesn’t move is level, in the middle', () => {
    const { points } = layoutLeverLine(values(0, 0, 0), SIZE);
    expect(new Set(points.map((p) => p.y)).size).toBe(1);
    expect(points[0]!.y).toBeGreaterThan(15);
  });
  test('a small step is no leap: a unit is never more than a quarter of the height', () => {
    expect(layoutLeverLine(values(0, 1), SIZE).pxPerUnit).toBeLessThanOrEqual(SIZE.heightPx / 4);
  });
  test('nothing, one point, and a year with labels only where they change', () => {
    expect(layoutLeverLine([], SIZE)).toMatchObject({ points: [], path: '' });
    expect(layoutLeverLine(values(3), SIZE).points[0]!.x).toBeGreaterThan(100);
    const year = layoutLeverLine(values(...Array.from({ length: 52 }, (_, i) => Math.floor(i / 13))), SIZE);
    const crowded = layoutLeverLine(values(...Array.from({ length: 52 }, (_, i) => i)), SIZE).points.filter(
      (p) => p.isLabelled,
    );
    for (const [i, p] of crowded.entries()) if (i > 0) expect(p.x - crowded[i - 1]!.x).toBeGreaterThanOrEqual(23);
    expect(year.gapPx).toBe(15);
    expect(year.widthPx).toBe(789);
    expect(year.points.filter((p) => p.isLabelled).map((p) => p.week)).toEqual([1, 14, 27, 40]);
  });
});

describe('the figures of weeks', () => {
  const week = (loadAu: number, legs: number) => ({ loadAu, likelySec: 600, workByArea: { legs } });
  const size = { loadWidthPx: 60, areaWidthPx: 74, areaHeightPx: 30 };
  test('are on one scale: the largest fills it', () => {
    const [a, b] = layoutWeekFigures([week(500, 100), week(1000, 50)], size);
    expect([a!.loadPx, b!.loadPx]).toEqual([30, 60]);
    expect(a!.bars[0]!.height).toBeCloseTo(29, 5);
    expect(b!.bars[0]!.height).toBeCloseTo(14.5, 5);
  });
  test('areas keep one order and never overlap', () => {
    const [only] = layoutWeekFigures([week(1, 1)], size);
    expect(only!.bars.map((b) => b.area)).toEqual([...AREAS]);
    for (const [i, bar] of only!.bars.entries())
      if (i > 0) expect(bar.x).toBeGreaterThanOrEqual(only!.bars[i - 1]!.x + only!.bars[i - 1]!.width - 0.11);
  });
  test('weeks of nothing have no bars, and no weeks no figures', () => {
    expect(layoutWeekFigures([{ loadAu: 0, likelySec: 0, workByArea: {} }], size)[0]).toMatchObject({ loadPx: 0 });
    expect(
      layoutWeekFigures([{ loadAu: 0, likelySec: 0, workByArea: {} }], size)[0]!.bars.every((b) => b.height === 0),
    ).toBe(true);
    expect(layoutWeekFigures([], size)).toEqual([]);
  });
});

describe('a picture of weeks', () => {
  const weeks = [
    [[20, 8] as const, null, [10, null] as const, null, null, [0, null] as const, null],
    [[40, 0] as const, null, null, null, null, null, null],
  ];

  test('has a bar a session, as long as it lasts and as high as its effort', () => {
    const { bars, heightPx } = layoutWeeksPicture(weeks, 140);
    expect(heightPx).toBe(28);
    expect(bars.map((b) => b.x)).toEqual([0, 40, 100, 0]);
    expect(bars.map((b) => b.width)).toEqual([9, 4.5, 18, 18]);
    expect(bars.map((b) => b.height)).toEqual([9.6, 6, 6, 2.4]);
    expect(bars.map((b) => b.isOpen)).toEqual([false, false, true, false]);
    expect(bars.map((b) => b.y + b.height)).toEqual([12, 12, 12, 26]);
  });

  test('keeps its height for a year, and takes no weeks at all', () => {
    const year = layoutWeeksPicture(
      Array.from({ length: 52 }, () => weeks[0]!),
      140,
    );
    expect(year.heightPx).toBeLessThanOrEqual(105);
    expect(year.bars.every((b) => b.height > 0 && b.width > 0)).toBe(true);
    expect(layoutWeeksPicture([], 140)).toEqual({ widthPx: 140, heightPx: 0, bars: [] });
  });
});
