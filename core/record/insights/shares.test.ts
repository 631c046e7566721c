import { describe, expect, test } from 'vitest';
import fc from 'fast-check';
import { kaplanMeier, medianSurvival, wilson } from './shares.ts';

// Computed (docs/formulas.md 5), z 1.959964.
test.each([
  [8, 10, 0.490162, 0.943318],
  [27, 30, 0.743789, 0.9654],
  [0, 10, 0, 0.277533],
  [10, 10, 0.722467, 1],
])('Wilson: %i of %i', (count, of, low, high) => {
  const share = wilson(count, of)!;
  expect(share.low).toBeCloseTo(low, 5);
  expect(share.high).toBeCloseTo(high, 5);
  expect(share.ratio).toBe(count / of);
});

test('none of none has no share; what is no share is refused', () => {
  expect(wilson(0, 0)).toBeUndefined();
  expect(() => wilson(3, 2)).toThrow(RangeError);
  expect(() => wilson(-1, 2)).toThrow(RangeError);
});

test('the interval holds the share, within 0 and 1', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 1e6 }), fc.double({ min: 0, max: 1, noNaN: true }), (of, r) => {
      const { low, high, ratio } = wilson(Math.round(of * r), of)!;
      expect(low).toBeGreaterThanOrEqual(0);
      expect(high).toBeLessThanOrEqual(1);
      expect(low).toBeLessThanOrEqual(ratio + 1e-12);
      expect(high).toBeGreaterThanOrEqual(ratio - 1e-12);
    }),
  );
});

/** `3` an event at 3, `3+` last seen at 3. */
const seen = (text: string) =>
  text.split(/[, ]+/).map((t) => ({ time: Number.parseInt(t, 10), isEvent: !t.endsWith('+') }));

describe('Kaplan-Meier', () => {
  test('ten people over eight weeks (computed, docs/formulas.md 5)', () => {
    const steps = kaplanMeier(seen('1, 2, 2+, 3, 4, 4, 5+, 6, 8+, 8+'));
    expect(steps.map((s) => s.time)).toEqual([1, 2, 3, 4, 6]);
    for (const [i, s] of [0.9, 0.8, 0.685714, 0.457143, 32 / 105].entries()) expect(steps[i]!.share).toBeCloseTo(s, 6);
    for (const [i, se] of [0.0949, 0.1265, 0.1515, 0.1662, 0.1666].entries()) expect(steps[i]!.se).toBeCloseTo(se, 4);
    expect(steps.map((s) => s.atRisk)).toEqual([10, 9, 7, 6, 3]);
    expect(medianSurvival(steps)).toBe(4);
  });

  test('Freireich 1963, the arm with 6-MP, as the textbooks print it (from memory)', () => {
    const steps = kaplanMeier(seen('6,6,6,6+,7,9+,10,10+,11+,13,16,17+,19+,20+,22,23,25+,32+,32+,34+,35+'));
    expect(steps.map((s) => [s.time, Number(s.share.toFixed(4))])).toEqual([
      [6, 0.8571],
      [7, 0.8067],
      [10, 0.7529],
      [13, 0.6902],
      [16, 0.6275],
      [22, 0.5378],
      [23, 0.4482],
    ]);
    expect(medianSurvival(steps)).toBe(23);
    // The 95 % intervals by log minus log that a statistics package prints of it (from memory).
    for (const [time, low, high] of [
      [6, 0.62, 0.952],
      [10, 0.503, 0.889],
      [23, 0.188, 0.68],
    ] as const) {
      const step = steps.find((s) => s.time === time)!;
      expect(step.low).toBeCloseTo(low, 2);
      expect(step.high).toBeCloseTo(high, 2);
    }
  });

  test('nobody, no event, everybody gone', () => {
    expect(kaplanMeier([])).toEqual([]);
    expect(kaplanMeier(seen('3+, 4+'))).toEqual([]);
    expect(medianSurvival([])).toBeUndefined();
    expect(kaplanMeier(seen('2, 2'))).toEqual([{ time: 2, atRisk: 2, events: 2, share: 0, se: 0, low: 0, high: 0 }]);
  });
});
