import { expect, test } from 'vitest';
import type { DayDate } from '../../core/calendar/day.ts';
import { layoutNumberLine } from './number-line-layout.ts';

const point = (day: number, amount: number, isBest = false) => ({
  date: `2026-05-${String(day).padStart(2, '0')}` as DayDate,
  dayWords: `${day} May`,
  words: String(amount),
  amount,
  isBest,
});
const SIZE = { widthPx: 340, heightPx: 96 };

test('better is higher, days lie as far apart as they were', () => {
  const { points } = layoutNumberLine([point(1, 5), point(2, 9, true), point(11, 7)], SIZE);
  expect(points[1]!.y).toBeLessThan(points[2]!.y);
  expect(points[2]!.y).toBeLessThan(points[0]!.y);
  expect((points[2]!.x - points[0]!.x) / (points[1]!.x - points[0]!.x)).toBeCloseTo(10, 5);
  for (const p of points) {
    expect(p.x).toBeGreaterThanOrEqual(0);
    expect(p.x).toBeLessThanOrEqual(340);
    expect(p.y).toBeGreaterThan(0);
    expect(p.y).toBeLessThan(96);
  }
});
test('the last has its words, and no words lie on others', () => {
  const { points } = layoutNumberLine([point(1, 5), point(2, 9, true), point(3, 7), point(28, 8)], SIZE);
  expect(points.map((p) => p.isLabelled)).toEqual([false, true, false, true]);
});
test('one number, or the same again, stands in the middle', () => {
  expect(layoutNumberLine([point(1, 5, true)], SIZE).points[0]).toMatchObject({ x: 170, y: 54, isLabelled: true });
  expect(layoutNumberLine([point(1, 5), point(9, 5)], SIZE).points.map((p) => p.y)).toEqual([54, 54]);
});
