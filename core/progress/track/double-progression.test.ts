import { describe, expect, it } from 'vitest';
import { doubleProgression, isTwoForTwo } from './double-progression.ts';
import { pullsAt } from './schedule.ts';

const RULE = { low: 8, high: 12, loadKg: 20, stepKg: 2 };

describe('double progression (docs/formulas.md 3, convention)', () => {
  it('8 to 12 x 3: at 12, 12, 12 the next load, from 8', () => {
    expect(doubleProgression([12, 12, 12], RULE)).toEqual({ kind: 'next-load', loadKg: 22, reps: 8 });
  });
  it('with one set short, one more than the lowest set', () => {
    expect(doubleProgression([12, 12, 11], RULE)).toEqual({ kind: 'more-reps', loadKg: 20, reps: 12 });
    expect(doubleProgression([9, 8, 8], RULE)).toEqual({ kind: 'more-reps', loadKg: 20, reps: 9 });
  });
  it('begins at the floor, and refuses a range upside down', () => {
    expect(doubleProgression([], RULE)).toEqual({ kind: 'more-reps', loadKg: 20, reps: 8 });
    expect(() => doubleProgression([8], { ...RULE, low: 13 })).toThrow(RangeError);
  });
  it('is what the schedule plans where everyone makes every set', () => {
    let state = { loadKg: 20, reps: 8 };
    for (let week = 1; week <= 14; week++) {
      const [reps, load] = pullsAt(
        { lever: { kind: 'reps', of: 'squat' }, schedule: { kind: 'double', ceiling: 12, loadBy: 2 } },
        week,
        { lighter: [], baseReps: 8 },
      );
      expect({ loadKg: 20 + load!.by, reps: 8 + reps!.by }).toEqual(state);
      const next = doubleProgression([state.reps, state.reps, state.reps], { ...RULE, loadKg: state.loadKg });
      state = { loadKg: next.loadKg, reps: next.reps };
    }
  });
});

describe('2-for-2 (docs/formulas.md 3, from memory)', () => {
  it('goal 10: last sets 12, 12 yes; 12, 11 no', () => {
    expect(isTwoForTwo(10, [12, 12])).toBe(true);
    expect(isTwoForTwo(10, [12, 11])).toBe(false);
  });
  it('needs two sessions running, the newest ones', () => {
    expect(isTwoForTwo(10, [12])).toBe(false);
    expect(isTwoForTwo(10, [])).toBe(false);
    expect(isTwoForTwo(10, [12, 12, 9])).toBe(false);
    expect(isTwoForTwo(10, [9, 12, 13])).toBe(true);
  });
});
