import fc from 'fast-check';
import { mean as referenceMean, sampleStandardDeviation } from 'simple-statistics';
import { describe, expect, it } from 'vitest';
import { changePct, monotony, sessionLoad, strain } from './training-load.ts';

describe('training load, by the worked example of docs/formulas.md 2 (computed with two statistics libraries)', () => {
  const week = [210, 120, 200, 0, 270, 300, 0];

  it('of mean 157.1429 and sample SD 121.4790 has monotony 1.29358 and strain 1422.94', () => {
    expect(monotony(week)).toBeCloseTo(1.29358, 5);
    expect(strain(week)).toBeCloseTo(1422.94, 2);
  });

  it('is the highest there is for days that are all alike, and undefined for rest alone or where a load is missing', () => {
    expect(monotony([100, 100, 100, 100, 100, 100, 100])).toBe(Infinity);
    expect(strain([100, 100, 100, 100, 100, 100, 100])).toBe(Infinity);
    expect(monotony([0, 0, 0, 0, 0, 0, 0])).toBeUndefined();
    expect(monotony([100, undefined, 0, 0, 0, 0, 0])).toBeUndefined();
    expect(strain([100, undefined, 0, 0, 0, 0, 0])).toBeUndefined();
  });

  it('k equal training days have population monotony sqrt(k / (7 - k))', () => {
    for (let k = 1; k <= 6; k++) {
      const days = Array.from({ length: 7 }, (_, i) => (i < k ? 90 : 0));
      // The sample SD is larger by sqrt(7 / 6).
      expect(monotony(days)! * Math.sqrt(7 / 6)).toBeCloseTo(Math.sqrt(k / (7 - k)), 10);
    }
  });

  it('1050 to 1330 is +26.67 %, and from 0 there is none', () => {
    expect(changePct(1050, 1330)).toBeCloseTo(26.67, 2);
    expect(changePct(0, 100)).toBeUndefined();
  });

  it('+10 % a week doubles in 7.27 weeks', () => {
    expect(Math.log(2) / Math.log(1 + changePct(100, 110)! / 100)).toBeCloseTo(7.27, 2);
  });

  it('is effort times minutes, and missing without an effort', () => {
    expect(sessionLoad(7, 1800)).toBe(210);
    expect(sessionLoad(0, 1800)).toBe(0);
    expect(sessionLoad(undefined, 1800)).toBeUndefined();
  });
});

describe('against a statistics library', () => {
  const load = fc.integer({ min: 0, max: 1200 });
  it('monotony and strain of any week agree', () => {
    fc.assert(
      fc.property(
        fc.array(load, { minLength: 7, maxLength: 7 }).filter((week) => new Set(week).size > 1),
        (week) => {
          const [m, sd] = [referenceMean(week), sampleStandardDeviation(week)];
          expect(monotony(week)).toBeCloseTo(m / sd, 8);
          expect(strain(week)).toBeCloseTo((m / sd) * m * 7, 5);
        },
      ),
    );
  });
});
