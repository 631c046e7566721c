import { describe, expect, test } from 'vitest';
import type { DayDate } from '../calendar/day.ts';
import { baseLibrary } from '../movement/library.ts';
import { parseSession } from '../notation/read-session.ts';
import { computePlan } from '../session/plan.ts';
import { formatScore, parseClockText, parseScores, scoreFields, scoreValues } from './scores/score.ts';
import type { DayState } from './adherence/strand.ts';
import { MAX_WAIT_MS, madeAt } from './record.ts';
import { dayStates } from './adherence/build-strand.ts';
import type { Standing } from './adherence/strand.ts';
import { attendanceRatio, computeAdherence, isStillHere } from './adherence/strand.ts';

const plan = (text: string) => computePlan(parseSession(text, baseLibrary).document, baseLibrary);
const MIXED =
  plan(`Warm-up: flow\n5 squat\nMain: amrap 5:00\n5 squat\nMain: for time\n9 squat\nMain: windows 1:00 x 3\n5 squat\nmax push-up
Main: pyramid +3 in 1:00 rest 0:30\nsquat\nmarch\npush-up\nsit-up\nFinisher: work 0:30 rest 0:30\nmax push-up`);

test('each form asks for its own kind of number', () => {
  expect(scoreFields(MIXED).map(({ kind, fields }) => [kind, fields.length])).toEqual([
    ['rounds+reps', 2],
    ['time', 1],
    ['reps-per-window', 3],
    ['top-set', 6],
    ['reps', 1],
  ]);
});

test('scores are read from a form, blank blocks owe none, and shown again as they were', () => {
  const form: Record<string, string> = {
    'score-1-rounds': '7',
    'score-1-reps': '',
    'score-2-time': '3:04',
    'score-3-0': '12',
    'score-3-2': '9',
    'score-5-reps': ' 20 ',
  };
  const { scores, errors } = parseScores(MIXED, (name) => form[name] ?? '');
  expect(errors).toEqual([]);
  expect(scores.map(formatScore)).toEqual(['7 rounds', '3:04', '12, 0, 9 reps, 21 in all, best 12', '20 reps']);
  const shown = Object.assign({}, ...scores.map(scoreValues)) as Record<string, string>;
  expect(parseScores(MIXED, (name) => shown[name] ?? '').scores).toEqual(scores);
});

test('what can’t be read is an error at its field', () => {
  const { errors } = parseScores(MIXED, (name) => ({ 'score-1-rounds': 'seven', 'score-2-time': '3:75' })[name] ?? '');
  expect(errors.map((e) => e.name)).toEqual(['score-1-rounds', 'score-2-time']);
  expect([parseClockText('1:02:05'), parseClockText('3.04'), parseClockText('184'), parseClockText('-1')]).toEqual([
    3725,
    184,
    184,
    undefined,
  ]);
});

const d = (text: string) => text as DayDate;
interface OneDay {
  readonly date: DayDate;
  readonly sent: boolean;
  readonly releaseMs: number;
  readonly closesMs: number | null;
  readonly isAway: boolean;
  readonly record?: Standing;
}
const sentDay = (date: string, more: Partial<OneDay> = {}): OneDay => ({
  date: d(date),
  sent: true,
  releaseMs: Date.parse(`${date}T05:00:00Z`),
  closesMs: null,
  isAway: false,
  ...more,
});
/** The state of a plan’s one day, as every page has it. */
const dayState = ({ date, sent, isAway, record, ...own }: OneDay, joinedOn: DayDate, today: DayDate, nowMs: number) =>
  dayStates(
    [{ dayId: 1, week: 1, weekday: 1, index: 0, of: 1, sent }],
    { joinedOn, records: [record], absences: isAway ? [{ kind: 'pause', from: date, to: date }] : [] },
    {
      today,
      own: [{ date, lookMs: own.releaseMs, endsMs: own.releaseMs, ...own }],
      dates: [date],
      wasShut: [false],
      open: new Map(),
    },
    nowMs,
  )[0];

test('the state of a day for a person', () => {
  const now = Date.parse('2026-05-13T09:00:00Z');
  const state = (day: OneDay, joined = '2026-05-01', today = '2026-05-13') => dayState(day, d(joined), d(today), now);
  expect(state(sentDay('2026-05-12'))).toBe('missed');
  expect(state(sentDay('2026-05-13'))).toBe('due');
  expect(state(sentDay('2026-05-14'))).toBe('ahead');
  expect(state(sentDay('2026-05-13'), '2026-05-14')).toBe('before');
  expect(state(sentDay('2026-05-13', { sent: false }))).toBe('unsent');
  expect(state(sentDay('2026-05-12', { record: { outcome: 'part', shareRatio: 0.4 } }))).toBe('part');
  // Whoever did what wasn't owed has done something more; saying that one doesn't is nothing.
  expect(state(sentDay('2026-05-12', { record: DONE }), '2026-05-13')).toBe('bonus');
  expect(state(sentDay('2026-05-12', { record: DONE, isAway: true }))).toBe('bonus');
  expect(state(sentDay('2026-05-12', { record: DONE, sent: false }))).toBe('bonus');
  expect(state(sentDay('2026-05-12', { record: { outcome: 'not-done', shareRatio: 0 }, isAway: true }))).toBe(
    'excused',
  );
});

const DONE = { outcome: 'done', shareRatio: 1 } as const;

test('a day is made up until its window closes, to the millisecond; what comes later is late, a “not today” never', () => {
  const closesMs = Date.parse('2026-05-15T00:00:00Z');
  const made = (madeAtMs: number, outcome: 'done' | 'not-done' = 'done') =>
    dayState(
      sentDay('2026-05-12', { closesMs, record: { outcome, shareRatio: 1, madeAtMs } }),
      d('2026-05-01'),
      d('2026-05-20'),
      closesMs,
    );
  expect([made(closesMs - 1), made(closesMs), made(closesMs, 'not-done')]).toEqual(['done', 'late', 'not-done']);
});

test('adherence: attendance is done over due, the dose what was done of what was prescribed', () => {
  const states: DayState[] = [
    ...(['before', 'done', 'part', 'missed', 'not-done', 'done', 'excused', 'bonus'] as const),
    ...(['done', 'late', 'done', 'due', 'ahead', 'unsent'] as const),
  ];
  const by = {
    records: states.map((state) => (state === 'part' ? { shareRatio: 0.6 } : undefined)),
    weights: states.map((_, i) => 600 + i),
    dates: states.map((_, i) => d(`2026-05-${String(i + 1).padStart(2, '0')}`)),
  };
  expect(computeAdherence(states, by)).toEqual({
    due: 8,
    done: 5,
    ratio: 5 / 8,
    inPart: 1,
    bonus: 2,
    prescribed: 8 * 600 + 1 + 2 + 3 + 4 + 5 + 8 + 9 + 10,
    worked: Math.round((601 + 0.6 * 602 + 605 + 608 + 610) * 100) / 100,
    inARow: 1,
    longestRow: 2,
    missedInARow: 0,
    lastOn: '2026-05-11',
  });
  expect(computeAdherence([])).toMatchObject({ due: 0, done: 0, ratio: undefined, inARow: 0, lastOn: null });
});

test('rest, excused and still open days don’t break a row; a missed one does', () => {
  const row = (...states: DayState[]) => computeAdherence(states).inARow;
  expect(row('done', 'excused', 'unsent', 'part', 'bonus', 'done', 'due')).toBe(3);
  expect(row('done', 'missed', 'done')).toBe(1);
  expect(computeAdherence(['missed', 'due', 'not-done']).missedInARow).toBe(2);
});

test('of 20 enrolled 15 stay and 12 finish: each ratio beside its own two numbers (docs/formulas.md 5)', () => {
  expect([attendanceRatio(12, 20), attendanceRatio(12, 15)]).toEqual([0.6, 0.8]);
  expect(attendanceRatio(0, 0)).toBeUndefined();
});

test('someone is still here until they leave, or six due days go by without one done', () => {
  const today = d('2026-05-13');
  expect(isStillHere({ missedInARow: 5 }, null, today, 6)).toBe(true);
  expect(isStillHere({ missedInARow: 6 }, null, today, 6)).toBe(false);
  expect(isStillHere({ missedInARow: 0 }, today, today, 6)).toBe(false);
  expect(isStillHere({ missedInARow: 0 }, d('2026-05-14'), today, 6)).toBe(true);
});

describe('when a log was made', () => {
  const NOW = Date.parse('2026-05-13T09:00:00Z');
  test('is how long it waited on the device, before now; the device’s clock itself doesn’t matter', () => {
    const years = 10 * 365 * 24 * 3600 * 1000;
    for (const clockOff of [0, -years, years])
      expect(madeAt({ madeAtMs: NOW + clockOff - 60_000, sentAtMs: NOW + clockOff }, NOW)).toBe(NOW - 60_000);
  });
  test('is now where the device says nothing, or nonsense; never later, and never ages ago', () => {
    for (const said of [
      {},
      { madeAtMs: 5 },
      { sentAtMs: 5 },
      { madeAtMs: 9, sentAtMs: 5 },
      { madeAtMs: NaN, sentAtMs: 1 },
    ])
      expect(madeAt(said, NOW)).toBe(NOW);
    expect(madeAt({ madeAtMs: 0, sentAtMs: NOW }, NOW)).toBe(NOW - MAX_WAIT_MS);
  });
});

test('a day opens at its very instant, not a millisecond before', () => {
  const opens = Date.parse('2026-05-13T05:00:00Z');
  const at = (nowMs: number) =>
    dayState(sentDay('2026-05-13', { releaseMs: opens }), d('2026-05-01'), d('2026-05-13'), nowMs);
  expect([at(opens - 1), at(opens)]).toEqual(['ahead', 'due']);
});
