import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { Gap } from './run-rules.ts';
import { LEAST_OPEN_MS, openMs, wasOpenInTime } from './gap.ts';
import { runs } from '../../tests/long.ts';

const HOUR = 3_600_000;
/** Opens at five, ends at midnight. */
const DAY = { releaseMs: 5 * HOUR, endsMs: 24 * HOUR };
const work = (from: number, to: number | null): Gap => ({ kind: 'work', fromMs: from * HOUR, toMs: to && to * HOUR });
const serve = (from: number, to: number | null): Gap => ({ ...work(from, to), kind: 'serve' });

describe('how long a day was open', () => {
  test('from its hour to its end, where nothing was in the way', () => {
    expect(openMs(DAY, 0, [])).toBe(19 * HOUR);
    expect(openMs(DAY, 6 * HOUR, [])).toBe(18 * HOUR);
    expect(openMs(DAY, 30 * HOUR, [])).toBe(0);
  });

  test('workers that were away at its hour delay it; away later on they change nothing', () => {
    expect(openMs(DAY, 0, [work(4, 9)])).toBe(15 * HOUR);
    expect(openMs(DAY, 0, [work(6, 30)])).toBe(19 * HOUR);
    expect(openMs(DAY, 0, [work(1, 5)])).toBe(19 * HOUR);
    expect(openMs(DAY, 0, [work(9, 12), work(5, 9)])).toBe(12 * HOUR);
    expect(openMs(DAY, 0, [work(4, null)])).toBe(0);
  });

  test('pages that couldn’t be opened take their time from it, also where such times lie over each other', () => {
    expect(openMs(DAY, 0, [serve(8, 10), serve(9, 12)])).toBe(15 * HOUR);
    expect(openMs(DAY, 0, [serve(20, 40)])).toBe(15 * HOUR);
    expect(openMs(DAY, 0, [serve(6, null)])).toBe(HOUR);
    expect(openMs(DAY, 0, [work(4, 8), serve(7, 20)])).toBe(4 * HOUR);
  });
});

test('a day is owed where it was open for an hour; one that is shorter by plan, where it was open for all of it', () => {
  expect(LEAST_OPEN_MS).toBe(HOUR);
  expect(wasOpenInTime(DAY, 23 * HOUR, [])).toBe(true);
  expect(wasOpenInTime(DAY, 23 * HOUR + 1, [])).toBe(false);
  const late = { releaseMs: 23.5 * HOUR, endsMs: 24 * HOUR };
  expect(wasOpenInTime(late, 0, [])).toBe(true);
  expect(wasOpenInTime(late, late.releaseMs + 1, [])).toBe(false);
});

test('it is what counting minute by minute gives', () => {
  const MIN = 60_000;
  const arbitraryGap = fc.record({
    kind: fc.constantFrom('work' as const, 'serve' as const),
    from: fc.integer({ min: 0, max: 1500 }),
    long: fc.option(fc.integer({ min: 1, max: 900 })),
  });
  fc.assert(
    fc.property(
      fc.array(arbitraryGap, { maxLength: 5 }),
      fc.integer({ min: 0, max: 1600 }),
      fc.integer({ min: 0, max: 1439 }),
      (gaps, sent, release) => {
        const inMs = gaps.map((g) => ({
          kind: g.kind,
          fromMs: g.from * MIN,
          toMs: g.long === null ? null : (g.from + g.long) * MIN,
        }));
        const covers = (g: (typeof gaps)[number], at: number) =>
          g.from <= at && (g.long === null || at < g.from + g.long);
        let counted = 0;
        let isOut = false;
        for (let at = 0; at < 1440; at++) {
          const away = gaps.filter((g) => covers(g, at));
          isOut ||= at >= release && at >= sent && away.length === 0;
          if (isOut && !away.some((g) => g.kind === 'serve')) counted++;
        }
        expect(openMs({ releaseMs: release * MIN, endsMs: 1440 * MIN }, sent * MIN, inMs)).toBe(counted * MIN);
      },
    ),
    { numRuns: runs(500) },
  );
});
