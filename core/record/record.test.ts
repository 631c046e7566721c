import { describe, expect, test } from 'vitest';
import type { DayDate } from '../calendar/day.ts';
import { baseLibrary } from '../movement/library.ts';
import { parseSession } from '../notation/parse.ts';
import { computePlan } from '../session/plan.ts';
import { formatScore, parseClockText, parseScores, scoreFields, scoreValues } from './score.ts';
import type { StrandDay } from './strand.ts';
import { MAX_WAIT_MS, madeAt } from './record.ts';
import { attendanceRatio, computeAttendance, dayState } from './strand.ts';

const plan = (text: string) => computePlan(parseSession(text, baseLibrary).document, baseLibrary);
const MIXED =
  plan(`Warm-up: flow\n5 squat\nMain: amrap 5:00\n5 squat\nMain: for time\n9 squat\nMain: windows 1:00 x 3\n5 squat\nmax push-up
Main: pyramid +3 in 1:00 rest 0:30\nsquat\nmarch\npush-up\nsit-up\nFinisher: work 0:30 rest 0:30\nmax push-up`);

test('each form asks for its own kind of number', () => {
  expect(scoreFields(MIXED).map(({ kind, fields }) => [kind, fields.length])).toEqual([
    ['rounds+reps', 2],
    ['time', 1],
    ['reps-per-window', 3],
    ['top-set', 2],
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
  expect(scores.map(formatScore)).toEqual(['7 rounds', '3:04', '12, 0, 9 reps', '20 reps']);
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
const sentDay = (date: string, more: Partial<StrandDay> = {}): StrandDay => ({
  date: d(date),
  sent: true,
  releaseMs: Date.parse(`${date}T05:00:00Z`),
  ...more,
});

test('the state of a day for a person', () => {
  const now = Date.parse('2026-05-13T09:00:00Z');
  const state = (day: StrandDay, joined = '2026-05-01', today = '2026-05-13') =>
    dayState(day, d(joined), d(today), now);
  expect(state(sentDay('2026-05-12'))).toBe('missed');
  expect(state(sentDay('2026-05-13'))).toBe('due');
  expect(state(sentDay('2026-05-14'))).toBe('ahead');
  expect(state(sentDay('2026-05-13'), '2026-05-14')).toBe('before');
  expect(state(sentDay('2026-05-13', { sent: false }))).toBe('unsent');
  expect(state(sentDay('2026-05-12', { record: { outcome: 'part', shareRatio: 0.4 } }))).toBe('part');
  // Someone who did a day from before they joined gets it counted.
  expect(state(sentDay('2026-05-12', { record: { outcome: 'done', shareRatio: 1 } }), '2026-05-13')).toBe('done');
});

test('attendance is kept over due, with parts by their share; before, ahead and today’s open day are not due', () => {
  expect(
    computeAttendance([
      { state: 'before' },
      { state: 'done' },
      { state: 'part', shareRatio: 0.6 },
      { state: 'missed' },
      { state: 'not-done' },
      { state: 'due' },
      { state: 'ahead' },
      { state: 'unsent' },
    ]),
  ).toEqual({ kept: 1.6, due: 4, ratio: 0.4 });
  expect(computeAttendance([])).toEqual({ kept: 0, due: 0, ratio: undefined });
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

test('attendance as a list shows it is the ratio of the two figures beside it', () => {
  expect(attendanceRatio(0, 0)).toBeUndefined();
  expect(attendanceRatio(1.6, 4)).toBe(0.4);
  expect(computeAttendance([{ state: 'part', shareRatio: 0.333 }, { state: 'missed' }])).toEqual({
    kept: 0.3,
    due: 2,
    ratio: 0.15,
  });
});

test('a day opens at its very instant, not a millisecond before', () => {
  const opens = Date.parse('2026-05-13T05:00:00Z');
  const at = (nowMs: number) =>
    dayState(sentDay('2026-05-13', { releaseMs: opens }), d('2026-05-01'), d('2026-05-13'), nowMs);
  expect([at(opens - 1), at(opens)]).toEqual(['ahead', 'due']);
});
