import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { dateOfDay, dayKey } from '../../calendar/day.ts';
import type { DayPlan } from '../day-plan.ts';
import { book, planner, singles, STARTS_ON } from '../programme-fixture.ts';
import type { ArrangeScope, ArrangeSession } from './arrange-week.ts';
import { arrangeWeek, costArrangement, isAllowed } from './arrange-week.ts';
import { buildArrangeScope, moveOffBlocked } from './arrange-scope.ts';
import { applyProgrammeEdits } from '../edit/apply-programme-edit.ts';
import { runs } from '../../../tests/long.ts';

const session = (min: number, effort: number, movement: string): DayPlan =>
  planner.of(`Title: ${movement} ${effort}\nEffort: ${effort}\n\nMain: work 1:00 x ${min}\n${movement}\n`)!;
const KINDS = [
  session(10, 8, 'squat'),
  session(12, 7, 'push-up'),
  session(10, 4, 'band row'),
  session(8, 8, 'march'),
  session(15, 3, 'cat and cow'),
  session(9, 6, 'plank'),
  session(10, 9, 'step-back lunge'),
];
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
    for (let day = 1; day <= 7; day++)
      if (!weekdays.includes(day) && isAllowed(scope.sessions[weekdays.length]!, day, scope))
        tryPlace([...weekdays, day]);
  };
  tryPlace([]);
  return best;
}

const arbitraryScope: fc.Arbitrary<ArrangeScope> = fc
  .record({
    kinds: fc.array(fc.integer({ min: 0, max: KINDS.length - 1 }), { minLength: 1, maxLength: 5 }),
    at: fc.shuffledSubarray([1, 2, 3, 4, 5, 6, 7], { minLength: 5, maxLength: 5 }),
    fixed: fc.array(fc.boolean(), { minLength: 5, maxLength: 5 }),
    allowed: fc.subarray([1, 2, 3, 4, 5, 6, 7], { minLength: 3 }),
    blocked: fc.array(
      fc.record({
        weekday: fc.integer({ min: 1, max: 7 }),
        rule: fc.constantFrom('no session' as const, 'no hard session' as const),
        words: fc.constant('Concert'),
      }),
      { maxLength: 2 },
    ),
    before: fc.option(fc.constantFrom(...KINDS), { nil: undefined }),
    after: fc.option(fc.constantFrom(...KINDS), { nil: undefined }),
  })
  .map(({ kinds, at, fixed, allowed, blocked, before, after }) => ({
    firstWeekday: 1,
    sessions: kinds.map((k, i): ArrangeSession => ({
      weekday: at[i]!,
      title: `S${i}`,
      plan: KINDS[k]!,
      isFixed: fixed[i]! && i % 3 === 0,
    })),
    weekdays: allowed,
    blocked,
    before,
    after,
    thresholds: THRESHOLDS,
  }));

describe('arranging a week', () => {
  it('finds what trying every order finds', () => {
    fc.assert(
      fc.property(arbitraryScope, (scope) => {
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
      }),
      { numRuns: runs(300) },
    );
  });

  it('sets hard days apart, with a reason for each placing', () => {
    const scope: ArrangeScope = {
      sessions: [
        { weekday: 1, title: 'Squats', plan: KINDS[0], isFixed: false },
        { weekday: 2, title: 'March', plan: KINDS[3], isFixed: false },
        { weekday: 4, title: 'Rows', plan: KINDS[2], isFixed: false },
      ],
      weekdays: [1, 2, 4],
      firstWeekday: 1,
      blocked: [],
      before: undefined,
      after: undefined,
      thresholds: THRESHOLDS,
    };
    const result = arrangeWeek(scope);
    expect(result.status === 'arranged' && result.best.weekdays).toEqual([1, 4, 2]);
    expect(result.status === 'arranged' && result.reasons[1]).toMatchObject({
      session: 1,
      weekday: 4,
      kind: 'spares',
      cost: { kind: 'pair', day: 1, facts: { code: 'hard-days' } },
    });
    expect(result.status === 'arranged' && result.now!.points).toBe(100);
  });

  it('leaves a week that is well as it is', () => {
    const scope: ArrangeScope = {
      sessions: [
        { weekday: 1, title: 'Squats', plan: KINDS[0], isFixed: false },
        { weekday: 4, title: 'March', plan: KINDS[3], isFixed: false },
      ],
      weekdays: [1, 4, 6],
      firstWeekday: 1,
      blocked: [],
      before: undefined,
      after: undefined,
      thresholds: THRESHOLDS,
    };
    expect(arrangeWeek(scope)).toMatchObject({
      status: 'arranged',
      best: { weekdays: [1, 4], points: 0 },
      reasons: [
        { session: 0, weekday: 1, kind: 'stays' },
        { session: 1, weekday: 4, kind: 'stays' },
      ],
    });
  });

  it('says what is impossible, and takes an empty week', () => {
    const one: ArrangeSession = { weekday: 1, title: 'Squats', plan: KINDS[0], isFixed: false };
    const blocked = [1, 2].map((weekday) => ({ weekday, rule: 'no hard session' as const, words: 'Concert' }));
    expect(
      arrangeWeek({
        firstWeekday: 1,
        sessions: [one],
        weekdays: [1, 2],
        blocked,
        before: undefined,
        after: undefined,
        thresholds: {},
      }),
    ).toMatchObject({ status: 'impossible', why: 'no-day', title: 'Squats' });
    expect(
      arrangeWeek({
        sessions: [one, one, one],
        weekdays: [1, 2],
        firstWeekday: 1,
        blocked: [],
        before: undefined,
        after: undefined,
        thresholds: {},
      }),
    ).toMatchObject({ status: 'impossible', why: 'too-many', sessions: 3 });
    expect(
      arrangeWeek({
        firstWeekday: 1,
        sessions: [],
        weekdays: [1],
        blocked: [],
        before: undefined,
        after: undefined,
        thresholds: {},
      }),
    ).toMatchObject({ status: 'arranged', best: { weekdays: [], points: 0 } });
  });

  it('moves hard sessions off blocked days, and leaves sent ones', () => {
    const text = (effort: number, movement: string) =>
      `Title: ${movement}\nEffort: ${effort}\n\nMain: work 1:00 x 10\n${movement}\n`;
    const programme = {
      ...singles(
        [
          [1, 1, text(8, 'squat')],
          [1, 3, text(3, 'band row')],
          [2, 1, text(8, 'squat')],
        ],
        2,
      ),
      blocked: [
        { date: '2026-05-04' as never, words: 'Concert', rule: 'no hard session' as const },
        { date: '2026-05-11' as never, words: 'Concert', rule: 'no hard session' as const },
      ],
    };
    const at = { planner, run: { startsOn: STARTS_ON }, locked: new Set(['w2d1']) };
    const { edits, stuck } = moveOffBlocked(programme, at);
    expect(stuck).toEqual([]);
    const result = applyProgrammeEdits(programme, edits, { book, locked: at.locked });
    expect(result.status === 'changed' && result.programme.days.map((d) => [d.week, d.weekday])).toEqual([
      [1, 2],
      [1, 3],
      [2, 1],
    ]);
    expect(buildArrangeScope(programme, 2, at).sessions[0]!.isFixed).toBe(true);
  });

  it('leaves no session on a day that is blocked for it, in any week that has a way; loses none, and moves none that was sent', () => {
    const text = (effort: number, title: number) =>
      `Title: S${title}\nEffort: ${effort}\n\nMain: work 1:00 x 10\nsquat\n`;
    const place = fc.record({ week: fc.integer({ min: 1, max: 2 }), weekday: fc.integer({ min: 1, max: 7 }) });
    const days = fc.uniqueArray(fc.record({ place, effort: fc.constantFrom(3, 8) }), {
      selector: (d) => dayKey(d.place),
      minLength: 1,
      maxLength: 10,
    });
    const blocks = fc.array(
      fc.record({ place, rule: fc.constantFrom('no session' as const, 'no hard session' as const) }),
      { minLength: 1, maxLength: 6 },
    );
    fc.assert(
      fc.property(days, blocks, fc.array(fc.nat(9), { maxLength: 2 }), (own, blocked, sent) => {
        const programme = {
          ...singles(
            own
              .map((d, i) => [d.place.week, d.place.weekday, text(d.effort, i)] as const)
              .sort((a, b) => a[0] - b[0] || a[1] - b[1]),
            2,
          ),
          blocked: blocked.map((b) => ({ date: dateOfDay(STARTS_ON, b.place), words: 'Concert', rule: b.rule })),
        };
        const locked = new Set(sent.flatMap((i) => (own[i] ? [dayKey(own[i].place)] : [])));
        const { edits, stuck } = moveOffBlocked(programme, { planner, run: { startsOn: STARTS_ON }, locked });
        const result =
          edits.length === 0
            ? { status: 'changed' as const, programme }
            : applyProgrammeEdits(programme, edits, { book, locked });
        expect(result.status).toBe('changed');
        if (result.status !== 'changed') return;
        const titles = (p: typeof programme | typeof result.programme, week: number) =>
          p.days
            .filter((d) => d.week === week)
            .map((d) => d.text)
            .sort();
        for (const week of [1, 2]) expect(titles(result.programme, week)).toEqual(titles(programme, week));
        for (const d of result.programme.days) {
          if (locked.has(dayKey(d)) || stuck.some((s) => s.week === d.week)) continue;
          const isHard = planner.of(d.text)!.isHard;
          expect(
            programme.blocked.some((b) => b.date === dateOfDay(STARTS_ON, d) && (b.rule === 'no session' || isHard)),
            `${dayKey(d)} is free for it`,
          ).toBe(false);
        }
        for (const key of locked)
          expect(result.programme.days.find((d) => dayKey(d) === key)?.text).toBe(
            programme.days.find((d) => dayKey(d) === key)!.text,
          );
      }),
      { numRuns: runs(400) },
    );
  });
});
