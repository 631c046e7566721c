import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { LeverRule, Schedule } from './schedule.ts';
import { buildWeeks, pullsAt } from './schedule.ts';
import { runs } from '../../../tests/long.ts';

const offsets = (schedule: Schedule, weeks: number, lighter: readonly number[] = [], lighterBy?: number): number[] =>
  Array.from(
    { length: weeks },
    (_, i) =>
      pullsAt(
        { lever: { kind: 'reps' }, schedule, ...(lighterBy !== undefined && { lighterBy }) } satisfies LeverRule,
        i + 1,
        { lighter },
      )[0]!.by,
  );

describe('schedules', () => {
  it('each week: lighter weeks don’t count, and hold what was where nothing else is said', () => {
    expect(offsets({ kind: 'each-week', by: 2 }, 6, [4])).toEqual([0, 2, 4, 4, 6, 8]);
    expect(offsets({ kind: 'each-week', by: 2 }, 6, [4], -3)).toEqual([0, 2, 4, -3, 6, 8]);
  });
  it('at week w: three weeks as written, a step in the fourth (common practice)', () => {
    expect(offsets({ kind: 'at-weeks', steps: [{ week: 4, by: 1 }] }, 4)).toEqual([0, 0, 0, 1]);
    expect(
      offsets(
        {
          kind: 'at-weeks',
          steps: [
            { week: 3, by: 1 },
            { week: 5, by: 2 },
          ],
        },
        6,
      ),
    ).toEqual([0, 0, 1, 1, 3, 3]);
  });
  it('a list goes by the week, lighter ones included, and its last value stays', () => {
    expect(offsets({ kind: 'list', values: [0, 1, 2, -2] }, 6, [4], 9)).toEqual([0, 1, 2, -2, -2, -2]);
  });
  it('wave: three up, one easy, and again from the start or higher', () => {
    expect(offsets({ kind: 'wave', by: 1, carry: 0 }, 8, [4, 8], -2)).toEqual([0, 1, 2, -2, 0, 1, 2, -2]);
    expect(offsets({ kind: 'wave', by: 0, carry: 1 }, 8, [4, 8], -1)).toEqual([0, 0, 0, -1, 1, 1, 1, -1]);
    expect(offsets({ kind: 'wave', by: 1, carry: 1 }, 8, [4, 8], 0)).toEqual([0, 1, 2, 0, 1, 2, 3, 0]);
  });
  it('double: reps to the ceiling, then the load, and both held in a lighter week', () => {
    const rule: LeverRule = {
      lever: { kind: 'reps', of: 'squat' },
      schedule: { kind: 'double', ceiling: 10, loadBy: 2 },
    };
    const at = (week: number) => pullsAt(rule, week, { lighter: [5], baseReps: 8 }).map((p) => p.by);
    expect([1, 2, 3, 4, 5, 6].map(at)).toEqual([
      [0, 0],
      [1, 0],
      [2, 0],
      [0, 2],
      [0, 2],
      [1, 2],
    ]);
  });
  it('until a length: stops where it was told to', () => {
    const rule: LeverRule = { lever: { kind: 'rounds' }, schedule: { kind: 'until-length', by: 1, sec: 1800 } };
    expect([1, 2, 3, 4, 5].map((w) => pullsAt(rule, w, { lighter: [], mostSteps: 2 })[0]!.by)).toEqual([0, 1, 2, 2, 2]);
    expect(pullsAt(rule, 5, { lighter: [], mostSteps: 0 })[0]!.by).toBe(0);
  });
  it('a first week that is lighter starts from what is written; a week before the first is our own mistake', () => {
    expect(offsets({ kind: 'each-week', by: 1 }, 3, [1])).toEqual([0, 0, 1]);
    expect(
      () =>
        offsets({ kind: 'each-week', by: 1 }, 1) &&
        pullsAt({ lever: { kind: 'reps' }, schedule: { kind: 'each-week', by: 1 } }, 0, { lighter: [] }),
    ).toThrow(RangeError);
    expect(buildWeeks([2, 4], 5)).toBe(3);
  });
});

/** Week by week with nothing but counters: the slow and plain version that the formulas are held against. */
function walk(
  schedule: Schedule,
  weeks: number,
  lighter: readonly number[],
  lighterBy: number | undefined,
  baseReps: number,
  mostSteps: number,
): number[] {
  const out: number[] = [];
  let [shown, steps, sinceLighter, lighterSeen, reps] = [0, -1, -1, 0, baseReps - 1];
  for (let week = 1; week <= weeks; week++) {
    const isLighter = lighter.includes(week);
    if (schedule.kind === 'list') {
      shown = schedule.values[week - 1] ?? schedule.values.at(-1)!;
      out.push(shown);
      continue;
    }
    if (isLighter) {
      lighterSeen += 1;
      sinceLighter = -1;
      out.push(lighterBy ?? shown);
      continue;
    }
    steps += 1;
    sinceLighter += 1;
    reps = reps >= Math.max(baseReps, schedule.kind === 'double' ? schedule.ceiling : baseReps) ? baseReps : reps + 1;
    if (schedule.kind === 'each-week') shown = steps * schedule.by;
    if (schedule.kind === 'until-length') shown = Math.min(steps, mostSteps) * schedule.by;
    if (schedule.kind === 'wave') shown = lighterSeen * schedule.carry + sinceLighter * schedule.by;
    if (schedule.kind === 'at-weeks')
      shown = schedule.steps.filter((s) => s.week <= week).reduce((sum, s) => sum + s.by, 0);
    if (schedule.kind === 'double') shown = reps - baseReps;
    out.push(shown);
  }
  return out;
}

describe('schedules against a plain walk through the weeks', () => {
  const by = fc.integer({ min: -5, max: 5 });
  const schedule: fc.Arbitrary<Schedule> = fc.oneof(
    fc.record({ kind: fc.constant('each-week' as const), by }),
    fc.record({ kind: fc.constant('wave' as const), by, carry: by }),
    fc.record({ kind: fc.constant('list' as const), values: fc.array(by, { minLength: 1, maxLength: 9 }) }),
    fc.record({
      kind: fc.constant('at-weeks' as const),
      steps: fc.array(fc.record({ week: fc.integer({ min: 1, max: 20 }), by }), { maxLength: 4 }),
    }),
    fc.record({
      kind: fc.constant('double' as const),
      ceiling: fc.integer({ min: 4, max: 14 }),
      loadBy: fc.constant(2),
    }),
    fc.record({ kind: fc.constant('until-length' as const), by, sec: fc.constant(1800) }),
  );
  it('agree in every week', () => {
    fc.assert(
      fc.property(
        schedule,
        fc.uniqueArray(fc.integer({ min: 1, max: 20 }), { maxLength: 6 }).map((w) => w.sort((a, b) => a - b)),
        fc.option(by, { nil: undefined }),
        fc.integer({ min: 4, max: 12 }),
        fc.integer({ min: 0, max: 6 }),
        fc.uniqueArray(fc.integer({ min: 1, max: 20 }), { maxLength: 2 }),
        (s, lighter, lighterBy, baseReps, mostSteps, passedBy) => {
          const rule: LeverRule = {
            lever: { kind: 'reps' },
            schedule: s,
            ...(lighterBy !== undefined && { lighterBy }),
            ...(passedBy.length > 0 && { notLighterIn: passedBy }),
          };
          // A week that the lever passes by, or says a step of, is like any other.
          const said = s.kind === 'at-weeks' ? s.steps.filter((x) => x.by !== 0).map((x) => x.week) : [];
          const counted = lighter.filter((week) => !passedBy.includes(week) && !said.includes(week));
          const clever = Array.from(
            { length: 20 },
            (_, i) => pullsAt(rule, i + 1, { lighter, baseReps, mostSteps })[0]!.by,
          );
          expect(clever.map((v) => v + 0)).toEqual(
            walk(s, 20, counted, lighterBy, baseReps, mostSteps).map((v) => v + 0),
          );
        },
      ),
      { numRuns: runs(500) },
    );
  });
});
