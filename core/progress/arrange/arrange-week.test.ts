import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { DayPlan } from '../day-plan.ts';
import { planner, singles, STARTS_ON } from '../programme-fixture.ts';
import type { ArrangeScope, ArrangeSession } from './arrange-week.ts';
import { arrangeWeek, costArrangement, isAllowed } from './arrange-week.ts';
import { buildArrangeScope, moveOffBlocked } from './arrange-scope.ts';
import { applyProgrammeEdits } from '../apply-programme-edit.ts';
import { book } from '../programme-fixture.ts';

const session = (min: number, effort: number, movement: string): DayPlan => planner.of(`Title: ${movement} ${effort}\nEffort: ${effort}\n\nMain: work 1:00 x ${min}\n${movement}\n`)!;
const KINDS = [session(10, 8, 'squat'), session(12, 7, 'push-up'), session(10, 4, 'band row'), session(8, 8, 'march'), session(15, 3, 'cat and cow'), session(9, 6, 'plank'), session(10, 9, 'step-back lunge')];
const THRESHOLDS = { 'hard-days': 7, 'same-joint': 3, 'same-area': 40 };

/** All orders of the sessions over the seven days, one by one. */
function naive(scope: ArrangeScope): number | undefined {
  let best: number | undefined;
  const tryPlace = (weekdays: number[]) => {
    if (weekdays.length === scope.sessions.length) {
      const { points } = costArrangement(weekdays, scope);
      if (best === undefined || points < best) best = points;
      return;
    }
    for (let day = 1; day <= 7; day++) if (!weekdays.includes(day) && isAllowed(scope.sessions[weekdays.length]!, day, scope)) tryPlace([...weekdays, day]);
  };
  tryPlace([]);
  return best;
}

const arbitraryScope: fc.Arbitrary<ArrangeScope> = fc.record({
  kinds: fc.array(fc.integer({ min: 0, max: KINDS.length - 1 }), { minLength: 1, maxLength: 5 }),
  at: fc.shuffledSubarray([1, 2, 3, 4, 5, 6, 7], { minLength: 5, maxLength: 5 }), fixed: fc.array(fc.boolean(), { minLength: 5, maxLength: 5 }),
  allowed: fc.subarray([1, 2, 3, 4, 5, 6, 7], { minLength: 3 }), blocked: fc.array(fc.record({ weekday: fc.integer({ min: 1, max: 7 }), rule: fc.constantFrom('no session' as const, 'no hard session' as const), words: fc.constant('Concert') }), { maxLength: 2 }),
  before: fc.option(fc.constantFrom(...KINDS), { nil: undefined }), after: fc.option(fc.constantFrom(...KINDS), { nil: undefined }),
}).map(({ kinds, at, fixed, allowed, blocked, before, after }) => ({
  sessions: kinds.map((k, i): ArrangeSession => ({ weekday: at[i]!, title: `S${i}`, plan: KINDS[k]!, isFixed: fixed[i]! && i % 3 === 0 })), weekdays: allowed, blocked, before, after, thresholds: THRESHOLDS,
}));

describe('arranging a week', () => {
  it('finds what trying every order finds', () => {
    fc.assert(fc.property(arbitraryScope, (scope) => {
      const result = arrangeWeek(scope);
      expect(result.status === 'arranged' ? result.best.points : undefined).toBe(naive(scope));
      if (result.status !== 'arranged') return;
      expect(new Set(result.best.weekdays).size).toBe(scope.sessions.length);
      scope.sessions.forEach((s, i) => expect(isAllowed(s, result.best.weekdays[i]!, scope)).toBe(true));
      if (result.runnerUp) {
        expect(result.runnerUp.points).toBeGreaterThanOrEqual(result.best.points);
        expect(result.runnerUp.weekdays).not.toEqual(result.best.weekdays);
      }
      expect(result.reasons).toHaveLength(scope.sessions.length);
    }), { numRuns: 300 });
  });

  it('sets hard days apart, with a reason for each placing', () => {
    const scope: ArrangeScope = { sessions: [{ weekday: 1, title: 'Squats', plan: KINDS[0], isFixed: false }, { weekday: 2, title: 'March', plan: KINDS[3], isFixed: false }, { weekday: 4, title: 'Rows', plan: KINDS[2], isFixed: false }], weekdays: [1, 2, 4], blocked: [], before: undefined, after: undefined, thresholds: THRESHOLDS };
    const result = arrangeWeek(scope);
    expect(result.status === 'arranged' && result.best.weekdays).toEqual([1, 4, 2]);
    expect(result.status === 'arranged' && result.reasons[1]).toMatch(/March goes to Thursday, else Monday and Tuesday: both are hard/);
    expect(result.status === 'arranged' && result.now!.points).toBe(100);
  });

  it('leaves a week that is well as it is', () => {
    const scope: ArrangeScope = { sessions: [{ weekday: 1, title: 'Squats', plan: KINDS[0], isFixed: false }, { weekday: 4, title: 'March', plan: KINDS[3], isFixed: false }], weekdays: [1, 4, 6], blocked: [], before: undefined, after: undefined, thresholds: THRESHOLDS };
    expect(arrangeWeek(scope)).toMatchObject({ status: 'arranged', best: { weekdays: [1, 4], points: 0 }, reasons: ['Squats stays on Monday.', 'March stays on Thursday.'] });
  });

  it('says what is impossible, and takes an empty week', () => {
    const one: ArrangeSession = { weekday: 1, title: 'Squats', plan: KINDS[0], isFixed: false };
    const blocked = [1, 2].map((weekday) => ({ weekday, rule: 'no hard session' as const, words: 'Concert' }));
    expect(arrangeWeek({ sessions: [one], weekdays: [1, 2], blocked, before: undefined, after: undefined, thresholds: {} })).toMatchObject({ status: 'impossible', message: expect.stringMatching(/no day left for Squats/) });
    expect(arrangeWeek({ sessions: [one, one, one], weekdays: [1, 2], blocked: [], before: undefined, after: undefined, thresholds: {} })).toMatchObject({ status: 'impossible', message: expect.stringMatching(/3 sessions don’t fit/) });
    expect(arrangeWeek({ sessions: [], weekdays: [1], blocked: [], before: undefined, after: undefined, thresholds: {} })).toMatchObject({ status: 'arranged', best: { weekdays: [], points: 0 } });
  });

  it('moves hard sessions off blocked days, and leaves sent ones', () => {
    const text = (effort: number, movement: string) => `Title: ${movement}\nEffort: ${effort}\n\nMain: work 1:00 x 10\n${movement}\n`;
    const programme = { ...singles([[1, 1, text(8, 'squat')], [1, 3, text(3, 'band row')], [2, 1, text(8, 'squat')]], 2), blocked: [{ date: '2026-05-04' as never, words: 'Concert', rule: 'no hard session' as const }, { date: '2026-05-11' as never, words: 'Concert', rule: 'no hard session' as const }] };
    const at = { planner, startsOn: STARTS_ON, locked: new Set(['w2d1']) };
    const { edits, stuck } = moveOffBlocked(programme, at);
    expect(stuck).toEqual([]);
    const result = applyProgrammeEdits(programme, edits, { book, locked: at.locked });
    expect(result.status === 'changed' && result.programme.days.map((d) => [d.week, d.weekday])).toEqual([[1, 2], [1, 3], [2, 1]]);
    expect(buildArrangeScope(programme, 2, at).sessions[0]!.isFixed).toBe(true);
  });
});
