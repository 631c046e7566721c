import { describe, expect, it } from 'vitest';
import { planner, singles } from '../programme-fixture.ts';
import { planProgramme } from '../plan-programme.ts';
import { findLoadChange, findWeekChange, formatChange } from './week-change.ts';

const session = (min: number, effort = 5) => `Title: T\nEffort: ${effort}\n\nMain: work 1:00 x ${min}\nsquat\n`;
const weeksOf = (minutes: readonly (number | 'empty' | 'to write')[], lighter: readonly number[] = []) =>
  planProgramme(
    {
      ...singles(
        minutes.flatMap((m, i) => (m === 'empty' ? [] : [[i + 1, 1, m === 'to write' ? '' : session(m)] as const])),
        minutes.length,
      ),
      lighter,
    },
    planner,
  );

describe('a week against the one before', () => {
  it('1050 → 1330 is +26.67 % (arithmetic)', () => {
    const weeks = planProgramme(
      singles(
        [
          [1, 1, session(150, 7)],
          [2, 1, session(190, 7)],
        ],
        2,
      ),
      planner,
    );
    expect(findLoadChange(weeks, 1)).toMatchObject({ was: 1050, now: 1330 });
    expect(findLoadChange(weeks, 1)!.pct).toBeCloseTo(26.6667, 3);
  });

  it('a lighter week is held against the week before; the one after it against the last that isn’t lighter', () => {
    const weeks = weeksOf([20, 22, 11, 22], [3]);
    const closeTo = (pct: number): unknown => expect.closeTo(pct, 6);
    expect([1, 2, 3].map((at) => findLoadChange(weeks, at)?.pct)).toEqual([closeTo(10), closeTo(-50), closeTo(0)]);
    expect(findLoadChange(weeks, 3)!.against.week).toBe(2);
  });

  it('a pause is passed by, a week that isn’t all written is not', () => {
    expect(findLoadChange(weeksOf([10, 'empty', 15]), 2)).toMatchObject({ pct: 50, against: { week: 1 } });
    expect(findLoadChange(weeksOf([10, 'to write', 15]), 2)).toBeUndefined();
    expect(findLoadChange(weeksOf([10, 'to write']), 1)).toBeUndefined();
  });

  it('is undefined for the first week, beyond the last, from 0, and where all before are lighter', () => {
    const weeks = weeksOf([10, 12]);
    expect(findLoadChange(weeks, 0)).toBeUndefined();
    expect(findLoadChange(weeks, 2)).toBeUndefined();
    expect(findLoadChange([], 0)).toBeUndefined();
    expect(findWeekChange(weeks, 1, () => 0)).toBeUndefined();
    expect(findLoadChange(weeksOf([10, 12], [1]), 1)).toBeUndefined();
  });

  it('a session without an effort leaves minutes to compare, not load', () => {
    const weeks = planProgramme(
      singles(
        [
          [1, 1, session(10)],
          [2, 1, session(20).replace('Effort: 5\n', '')],
        ],
        2,
      ),
      planner,
    );
    expect(findLoadChange(weeks, 1)).toBeUndefined();
    expect(findWeekChange(weeks, 1, (w) => w.workSec)!.pct).toBeCloseTo(100, 6);
  });

  it.each([
    [3.26, 0, '+3 %'],
    [3.26, 1, '+3.3 %'],
    [-59.4, 0, '−59 %'],
    [149.27, 1, '+149 %'],
    [0, 0, '±0 %'],
    [-0.4, 0, '±0 %'],
    [-0.4, 1, '−0.4 %'],
  ] as const)('%d with %d decimals is %s', (pct, decimals, words) => {
    expect(formatChange(pct, decimals)).toBe(words);
  });
});
