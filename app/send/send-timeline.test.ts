import { describe, expect, test } from 'vitest';
import type { SendTimeline } from '../../server/send/send-view.ts';
import { layoutTimeline } from './send-timeline-layout.ts';

const HOUR = 3_600_000;
const mark = (hours: number, title = 'Legs') => ({
  dayKey: 'w1d1',
  title,
  atMs: hours * HOUR,
  at: '05:00',
  people: 3,
  state: 'goes' as const,
});
const timeline = (marks: ReturnType<typeof mark>[], nights: [number, number][] = []): SendTimeline => ({
  fromMs: -6 * HOUR,
  nowMs: 0,
  toMs: 48 * HOUR,
  rows: [{ zone: 'Lisbon', people: 3, now: '10:00', nights, marks }],
});

describe('the timeline of what goes out', () => {
  test('is to scale, with a tick every six hours from now', () => {
    const layout = layoutTimeline(timeline([mark(21)], [[12 * HOUR, 20 * HOUR]]));
    expect(layout.nowPct).toBeCloseTo(11.11, 2);
    expect(layout.ticks.map((t) => t.words)).toEqual([
      'now',
      '+6 h',
      '+12 h',
      '+18 h',
      '+24 h',
      '+30 h',
      '+36 h',
      '+42 h',
      '+48 h',
    ]);
    expect(layout.ticks.at(-1)!.xPct).toBe(100);
    expect(layout.rows[0]!.marks[0]!.xPct).toBe(50);
    expect(layout.rows[0]!.nights).toEqual([{ xPct: 33.33, widthPct: 14.81 }]);
  });
  test('names give way to each other, and stand on the left at the right edge', () => {
    const { marks } = layoutTimeline(timeline([mark(0), mark(4), mark(24), mark(47)])).rows[0]!;
    expect(marks.map((m) => m.isLabelled)).toEqual([true, false, true, true]);
    expect(marks.map((m) => m.isLate)).toEqual([false, false, false, true]);
    const close = layoutTimeline(timeline([mark(36), mark(47)])).rows[0]!.marks;
    expect(close.map((m) => m.isLabelled)).toEqual([true, false]);
  });
});
