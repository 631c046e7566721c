import { describe, expect, test } from 'vitest';
import type { DayDate } from '../../calendar/day.ts';
import { addDays } from '../../calendar/day.ts';
import type { InsightDay, InsightPerson } from './insights.ts';
import {
  blockAtShare,
  COMPLETION_BY,
  completionBy,
  countDays,
  dropOff,
  feltDays,
  retestSlopes,
  summariseSlopes,
  survivalOf,
  weekLoads,
} from './insights.ts';
import type { DayState } from '../adherence/strand.ts';

const START = '2026-05-04' as DayDate;
const day = (i: number, more: Partial<InsightDay> = {}): InsightDay => ({
  dayId: i,
  key: `w${Math.floor(i / 2) + 1}d${(i % 2) + 1}`,
  week: Math.floor(i / 2) + 1,
  weekdayName: i % 2 === 0 ? 'Monday' : 'Thursday',
  title: `S${i}`,
  form: 'rounds',
  theme: '',
  likelySec: 1200,
  planned: 5,
  ...more,
});
/** `d7` done with effort 7, `m` missed, `a` ahead. */
const person = (states: string, more: Partial<InsightPerson> = {}): InsightPerson => {
  const marks = states.split(' ');
  const words: Record<string, DayState> = { d: 'done', m: 'missed', a: 'ahead', b: 'before', e: 'excused', o: 'bonus' };
  return {
    states: marks.map((s) => words[s[0]!]!),
    records: marks.map((s) => ({ effort: s.length > 1 ? Number(s.slice(1)) : null, shareRatio: s[0] === 'd' ? 1 : 0 })),
    dates: marks.map((_, i) => addDays(START, Math.floor(i / 2) * 7 + (i % 2) * 3)),
    joinedOn: START,
    leftOn: null,
    today: addDays(START, 27),
    ...more,
  };
};

describe('what was done of what was due', () => {
  const days = [
    day(0),
    day(1, { likelySec: 600 }),
    day(2, { form: 'every minute', likelySec: 2460 }),
    day(3, { form: '', theme: 'live' }),
  ];
  const counts = countDays([person('d m d a'), person('b d d e'), person('m m o m')], 4);
  test('counts owed days alone', () => {
    expect(counts.map(({ due, done }) => ({ due, done }))).toEqual([
      { due: 2, done: 1 },
      { due: 3, done: 1 },
      { due: 2, done: 2 },
      { due: 1, done: 0 },
    ]);
  });
  test('lengths part at 15, 25 and 40 minutes', () => {
    const at = (minutes: number) =>
      completionBy('length', [day(0, { likelySec: minutes * 60 })], countDays([person('d')], 1)).map((c) => c.label)[0];
    expect([15, 16, 25, 26, 40, 41].map(at)).toEqual([
      'up to 15 min',
      '16 to 25 min',
      '16 to 25 min',
      '26 to 40 min',
      '26 to 40 min',
      'over 40 min',
    ]);
  });
  test('by week, weekday, length, form and theme; what has no label is left out', () => {
    const by = (what: Parameters<typeof completionBy>[0]) =>
      completionBy(what, days, counts).map((c) => `${c.label} ${c.share.count}/${c.share.of}`);
    expect(by('week')).toEqual(['week 1 2/5', 'week 2 2/3']);
    expect(by('weekday')).toEqual(['Monday 3/4', 'Thursday 1/4']);
    expect(by('length')).toEqual(['up to 15 min 1/3', '16 to 25 min 1/3', 'over 40 min 2/2']);
    expect(by('form')).toEqual(['rounds 2/5', 'every minute 2/2']);
    expect(by('theme')).toEqual(['live 0/1']);
  });
  test('the days behind a figure add up to it; one on which nothing was due is none', () => {
    for (const what of COMPLETION_BY)
      for (const { share, days: own } of completionBy(what, days, counts)) {
        expect([own.reduce((n, d) => n + d.done, 0), own.reduce((n, d) => n + d.due, 0)]).toEqual([
          share.count,
          share.of,
        ]);
        expect(own.every((d) => d.due > 0)).toBe(true);
      }
    expect(completionBy('weekday', days, counts)[0]!.days.map((d) => `${d.key} ${d.title} ${d.done}/${d.due}`)).toEqual(
      ['w1d1 S0 1/2', 'w2d1 S2 2/2'],
    );
  });
});

describe('drop-off', () => {
  test('at the last day done, where six due days without one followed', () => {
    const gone = person('d d d m m m m m m');
    expect(survivalOf(gone, 6)).toEqual({ time: 2, isEvent: true });
    expect(survivalOf(person('d d d m m m m m'), 6)).toEqual({ time: 4, isEvent: false });
    expect(survivalOf(person('m m m m m m'), 6)).toEqual({ time: 1, isEvent: true });
    expect(survivalOf(person('d e e e e e e e'), 6)).toEqual({ time: 4, isEvent: false });
    expect(survivalOf(person('d d d', { leftOn: addDays(START, 20) }), 6)).toEqual({ time: 3, isEvent: true });
    expect(survivalOf(person('d d', { leftOn: addDays(START, 40) }), 6)!.isEvent).toBe(false);
    expect(survivalOf(person('a a'), 6)).toBeUndefined();
    // Weeks count from joining.
    expect(survivalOf(person('b b b b d d m m m m m m', { joinedOn: addDays(START, 14) }), 6)).toEqual({
      time: 1,
      isEvent: true,
    });
  });
  test('numbers at risk with it', () => {
    const off = dropOff([person('d d d m m m m m m'), person('d d d d'), person('a a')], 6);
    expect(off).toMatchObject({ people: 2, gone: 1, lastWeek: 4, median: 2 });
    expect(off.steps).toMatchObject([{ time: 2, atRisk: 2, events: 1, share: 0.5 }]);
  });
});

test('effort felt beside planned: the mean, the middle half, how many said so', () => {
  const felt = feltDays(
    [day(0), day(1)],
    countDays([person('d4 m9'), person('d6 m'), person('d8 m'), person('d m')], 2),
  );
  expect(felt).toEqual([
    { dayId: 0, week: 1, title: 'S0', planned: 5, mean: 6, low: 5, high: 7, said: 3, loadAu: 120, loadPerDueAu: 90 },
  ]);
});

test('a week’s load, monotony and strain: rest days are 0, an unrated session is missing', () => {
  const days = [day(0, { likelySec: 1800 }), day(1, { likelySec: 1200 })];
  const loads = (own: readonly InsightDay[], ...states: InsightPerson[]) => {
    const counts = countDays(states, own.length);
    return weekLoads(
      own.map((d, i) => ({ ...d, due: counts[i]!.due })),
      feltDays(own, counts),
    );
  };
  const rated = loads(days, person('d6 d3'));
  // 180 and 60 on two days, 0 on five: mean 240 / 7, sample SD 68.0336.
  expect(rated).toMatchObject([{ week: 1, plannedAu: 250, feltAu: 240, perDueAu: 240, said: 2, due: 2 }]);
  expect(rated[0]!.monotony).toBeCloseTo(240 / 7 / 68.0336, 4);
  expect(rated[0]!.strain).toBeCloseTo((240 * (240 / 7)) / 68.0336, 1);
  expect(loads(days, person('d6 m'))).toMatchObject([
    { feltAu: undefined, monotony: undefined, plannedAu: 250, perDueAu: 180 },
  ]);
  // Half of it done is half of its load; who missed it, or didn't say, is due all the same.
  const half = person('d6 d3');
  const part = { ...half, records: half.records.map((r, i) => (i === 0 ? { ...r!, shareRatio: 0.5 } : r)) };
  expect(loads(days, part, person('m d'), person('d8 d5'))).toMatchObject([
    { feltAu: (90 + 240) / 2 + (60 + 100) / 2, perDueAu: (90 + 240) / 3 + (60 + 100) / 3, said: 4, due: 6 },
  ]);
  expect(loads([day(0, { planned: null })])[0]!.plannedAu).toBeUndefined();
  expect(loads([3, 1, 2].map((w) => day(0, { week: w }))).map((w) => w.week)).toEqual([1, 2, 3]);
  expect(loads([])).toEqual([]);
});

test('a retest’s slope goes from first to last of one key, never across shapes', () => {
  const at = (key: string, i: number, amount: number) => ({
    key,
    label: 'Engine',
    date: addDays(START, i),
    score: { block: 0, kind: 'reps' as const, reps: amount },
    work: { perRound: null, plannedReps: null },
    words: `${amount}`,
  });
  const slopes = retestSlopes([
    at('a', 21, 60),
    at('a', 0, 50),
    at('a', 10, 70),
    at('b', 0, 40),
    at('c', 0, 9),
    at('c', 5, 8),
  ]);
  expect(slopes.map((s) => [s.firstWords, s.lastWords, s.changePct])).toEqual([
    ['50', '60', 20],
    ['9', '8', expect.closeTo(-11.111, 2)],
  ]);
  expect(summariseSlopes(slopes)).toMatchObject([
    { label: 'Engine', people: 2, better: { count: 1, of: 2 }, medianPct: expect.closeTo(4.444, 2) },
  ]);
});

test('the block in which a share of a session ends', () => {
  const blocks = [
    { name: 'Warm-up', likelySec: 300 },
    { name: 'Main', likelySec: 600 },
    { name: 'Finisher', likelySec: 300 },
  ];
  expect([0, 0.25, 0.26, 0.75, 0.76, 1].map((s) => blockAtShare(blocks, s))).toEqual([
    'Warm-up',
    'Warm-up',
    'Main',
    'Main',
    'Finisher',
    'Finisher',
  ]);
  expect(blockAtShare([], 0.5)).toBe('');
});
