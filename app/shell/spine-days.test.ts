import { describe, expect, test } from 'vitest';
import type { DayDate } from '../../core/calendar/day.ts';
import type { RunShift } from '../../core/calendar/release.ts';
import type { Day } from '../../db/queries/programme.ts';
import { baseLibrary } from '../../core/movement/library.ts';
import { analyseText } from '../../core/session/analyse.ts';
import { dayState, spineDays, usualDay } from './spine-days.ts';

const programme = { weeks: 2, run: { rules: { startsOn: '2026-05-11' as DayDate, shifts: [] as RunShift[] } } };
const day = (weekday: number, more: Partial<Day> = {}): Day => ({
  id: weekday,
  session: String(weekday),
  week: 1,
  weekday,
  text: '',
  revision: 1,
  isReady: false,
  isRead: true,
  changedAtMs: 0,
  sent: null,
  ...more,
});
const GOOD = 'Title: Legs\nMain: 3 rounds\n10 squat';
const sent = (text: string): Day['sent'] => ({ versionId: 1, number: 1, text, sentAtMs: 0 });
const plan = (text: string) => {
  const { document, blocks, plan: own, issues } = analyseText(text, baseLibrary);
  return { document, blocks, plan: own, errors: issues.length };
};
const spine = (days: readonly Day[], today = '2026-05-13') => spineDays(programme, days, today as DayDate, plan);

describe('how far a day has come', () => {
  test.each([
    ['empty', day(1)],
    ['to-read', day(1, { text: GOOD, isRead: false })],
    ['draft', day(1, { text: GOOD })],
    ['faulty', day(1, { text: 'Main: wat' })],
    ['ready', day(1, { text: GOOD, isReady: true })],
    ['sent', day(1, { text: GOOD, sent: sent(GOOD) })],
    ['changed', day(1, { text: `${GOOD}\n5 march`, sent: sent(GOOD) })],
  ] as const)('%s', (state, d) => {
    expect(dayState(d, d.text === '' ? undefined : plan(d.text))).toBe(state);
  });
});

describe('the spine', () => {
  test('has every day of the weeks, those without a session too', () => {
    const days = spine([day(1, { text: GOOD }), day(3)]);
    expect(days).toHaveLength(14);
    expect(days.map((d) => d.state).slice(0, 4)).toEqual(['draft', 'none', 'empty', 'none']);
    expect(days[0]).toMatchObject({ key: 'w1d1', title: 'Legs', isPast: true, isToday: false, likelySec: 66 });
    expect(Object.values(days[0]!.outline!.paths)).toEqual([expect.stringMatching(/^M[^M]+z$/)]);
    expect(days[2]).toMatchObject({ isToday: true, outline: null });
  });
  test('opens on today’s session, else the next, else the last, else the first day', () => {
    expect(usualDay(spine([day(1), day(3), day(5)]))).toBe('w1d3');
    expect(usualDay(spine([day(1), day(5)]))).toBe('w1d5');
    expect(usualDay(spine([day(1), day(2)]))).toBe('w1d2');
    expect(usualDay(spine([]))).toBe('w1d1');
    expect(usualDay([])).toBe('w1d1');
  });
});

test('a plan that was moved on for all has its later dates', () => {
  const shifts = [
    { week: 1, weekday: 3, weeks: 1, timeZone: null },
    { week: 2, weekday: 1, weeks: 1, timeZone: 'Asia/Tokyo' },
  ];
  const moved = spineDays(
    { weeks: 2, run: { rules: { ...programme.run.rules, shifts } } },
    [],
    '2026-05-20' as DayDate,
    plan,
  );
  expect([0, 1, 2, 7].map((i) => moved[i]!.words)).toEqual([
    'Monday 11 May',
    'Tuesday 12 May',
    'Wednesday 20 May',
    'Monday 25 May',
  ]);
  expect(moved.filter((d) => d.isToday).map((d) => d.key)).toEqual(['w1d3']);
});
