import { describe, expect, test } from 'vitest';
import type { Guard } from '../../core/progress/guards/guard.ts';
import { GUARD_CODES } from '../../core/progress/guards/guard.ts';
import { costWords, impossibleWords, placingWords } from './arrange.ts';
import { guardSubject, guardWords, monotonyWords, RAIL_WORDS, strainWords, weeksWords } from './guards.ts';

const week = { weeks: [5], places: [], threshold: 10 };
const day = { week: 4, weekday: 3 };
const GUARDS: readonly Guard[] = [
  { code: 'load-change', ...week, was: 1050, now: 1330, pct: 26.67, against: 4 },
  { code: 'work-change', ...week, was: 600, now: 1200, pct: 100, against: 3, between: { kind: 'pause' } },
  {
    code: 'reps-change',
    ...week,
    pattern: 'squat',
    was: 60,
    now: 90,
    pct: 50,
    against: 3,
    between: { kind: 'lighter', value: 40 },
  },
  { code: 'lighter-week', ...week, was: 150, now: 140, pct: -6.67, against: 4 },
  { code: 'monotony', ...week, loadAu: [1200, 1200], monotony: [2.69, 3.02], strainAu: [3228, 3624] },
  { code: 'no-lighter-week', ...week, weeks: [1, 2, 3, 4, 5, 6] },
  { code: 'strength-days', ...week, weeks: [1, 2, 4], days: 0 },
  { code: 'strength-days', ...week, days: 1 },
  { code: 'same-area', ...week, weekdays: [1, 2], shared: [{ area: 'legs', pct: [100, 55.5] }] },
  {
    code: 'same-joint',
    ...week,
    weeks: [1, 3, 4],
    weekdays: [7, 1],
    shared: [
      { joint: 'wrist', sec: [600, 480] },
      { joint: 'knee', sec: [360, 400] },
    ],
  },
  { code: 'hard-days', ...week, weekdays: [5, 6], efforts: [8, 7] },
  { code: 'levers-at-once', ...week, track: 'Four', levers: ['rounds', 'reps'] },
  { code: 'target-broken', ...week, places: [day], title: 'T', likelySec: 1800, targetSec: 1200 },
  { code: 'target-broken', ...week, places: [day], title: '', likelySec: 1000, targetSec: 1200 },
  { code: 'blocked-day', ...week, places: [day], title: 'T', with: 'Concert', effort: 8 },
  { code: 'blocked-day', ...week, places: [day], title: '', with: 'Travel' },
  { code: 'retest-differs', ...week, retest: 'spring', first: { week: 1, weekday: 1 }, other: day },
];

test('what is worth a look is said with its figures', () => {
  expect(GUARDS.map((g) => `${guardSubject(g, 1)}. ${guardWords(g, 1)}`)).toMatchInlineSnapshot(`
    [
      "Week 4 → 5. Planned load 1050 → 1330, +26.7 %.",
      "Week 3 → 5. Work 10 min → 20 min, +100 %. After a week without sessions; this is against week 3.",
      "Week 3 → 5. Repetitions of squat 60 → 90, +50 %. After a lighter week (40) that is the plan; this is against week 3.",
      "Week 5, lighter. Planned load 150 → 140, −6.7 % on week 4.",
      "Week 5. The days are much alike: load 1200, monotony 2.69 to 3.02 (sample SD), strain 3228 to 3624.",
      "Weeks 1 to 6. 6 weeks without a lighter one.",
      "Weeks 1, 2 and 4. No strength day.",
      "Week 5. 1 strength day.",
      "Monday and Tuesday. Both ask most of legs: 100 and 56 % of the work, week 5.",
      "Sunday and Monday. Both ask a lot of the wrists and knees: 10 and 8 min; 6 and 7 min in week 1; also in weeks 3, 4.",
      "Friday and Saturday. Both are hard: effort 8 and 7, week 5.",
      "Four, week 5. Rounds and reps move at once.",
      "Wednesday, week 4. T is likely 30:00, 10:00 over its target of 20:00.",
      "Wednesday, week 4. The session is likely 16:40, 3:20 short of its target of 20:00.",
      "Wednesday, week 4. Concert: T, effort 8, stands on it.",
      "Wednesday, week 4. Travel: a session stands on it.",
      "Retest spring. The session of Wednesday, week 4 is not the one of Monday, week 1, so their scores don’t compare.",
    ]
  `);
});

test('days are named by the weekday that a week begins on', () => {
  const hard = GUARDS.find((g) => g.code === 'hard-days')!;
  expect([guardSubject(hard, 1), guardSubject(hard, 7)]).toEqual(['Friday and Saturday', 'Thursday and Friday']);
});

test('no rule calls anything safe, and each says where it comes from', () => {
  for (const code of GUARD_CODES) {
    const { name, means, source, from } = RAIL_WORDS[code];
    expect(`${name} ${means} ${source}`).not.toMatch(/\bsafe|injury risk|must/i);
    expect(source.startsWith(from)).toBe(true);
    expect(from.length).toBeGreaterThan(5);
  }
});

test.each([
  [[3], 'week 3'],
  [[1, 2], 'weeks 1, 2'],
  [[1, 2, 3, 5], 'weeks 1 to 3 and 5'],
] as const)('%j is %s', (weeks, words) => {
  expect(weeksWords(weeks)).toBe(words);
});

describe('a week that is arranged', () => {
  const sessions = ['Squats', 'March', 'Rows'].map((title, i) => ({
    title,
    weekday: 1 + i,
    plan: undefined,
    isFixed: false,
  }));
  const scope = { firstWeekday: 1 as const, sessions };
  const hard = (at: number) =>
    ({ kind: 'pair', day: at, points: 100, facts: { code: 'hard-days', efforts: [8, 7] } }) as const;

  test('says what it is charged for', () => {
    expect([0, 2, 7].map((at) => costWords(hard(at), scope))).toEqual([
      'the Sunday before and Monday: both are hard (effort 8 and 7)',
      'Tuesday and Wednesday: both are hard (effort 8 and 7)',
      'Sunday and the Monday after: both are hard (effort 8 and 7)',
    ]);
    expect(costWords({ kind: 'moved', session: 1, points: 2 }, scope)).toBe('March moves from Tuesday');
  });

  test('says why each session stands where it does', () => {
    const at = { session: 1, weekday: 4 };
    expect(
      [
        { ...at, kind: 'held' } as const,
        { ...at, kind: 'stays' } as const,
        { ...at, kind: 'blocked', with: 'Concert' } as const,
        { ...at, kind: 'spares', cost: hard(1) } as const,
        { ...at, kind: 'moves' } as const,
        { ...at, kind: 'moves', leaves: 2, takes: 0 } as const,
      ].map((placing) => placingWords(placing, scope)),
    ).toMatchInlineSnapshot(`
      [
        "March is held on Thursday.",
        "March stays on Thursday.",
        "March goes to Thursday: Concert on Tuesday.",
        "March goes to Thursday, else Monday and Tuesday: both are hard (effort 8 and 7).",
        "March goes to Thursday, which is free.",
        "March goes to Thursday, which Rows leaves; Squats takes Tuesday.",
      ]
    `);
  });

  test('says why it can’t be, and what helps', () => {
    expect(impossibleWords({ status: 'impossible', why: 'no-day', title: 'Squats' })).toContain(
      'no day left for Squats',
    );
    expect(impossibleWords({ status: 'impossible', why: 'too-many', sessions: 3 })).toContain('3 sessions don’t fit');
  });
});

test('seven days that are the same are the most monotonous week, and a week that can’t be judged says so', () => {
  expect([1.2936, Infinity, undefined].map(monotonyWords)).toEqual(['1.29', '∞', '–']);
  expect([1422.94, Infinity, undefined].map(strainWords)).toEqual(['1423', '∞', '–']);
});
