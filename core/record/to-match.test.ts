import { describe, expect, test } from 'vitest';
import type { DayDate } from '../calendar/day.ts';
import { baseLibrary } from '../movement/library.ts';
import { parseSession } from '../notation/parse.ts';
import { analyseText } from '../session/analyse.ts';
import type { Score } from './score.ts';
import { formatScore, isBetter, parseScores, scoreFields, scoreValues } from './score.ts';
import { earlierRecords, lastAndBest, toMatch } from './to-match.ts';

const rounds = (n: number, reps = 0): Score => ({ block: 0, kind: 'rounds+reps', rounds: n, reps });
const on = (dayWords: string, ...scores: Score[]) => ({ dayWords, scores });

describe('the last and the best number', () => {
  test.each([
    [[], ''],
    [[on('Wed 22 Apr', rounds(7, 4))], '7 rounds + 4 reps on Wed 22 Apr'],
    [
      [on('Wed 22 Apr', rounds(8)), on('Wed 13 May', rounds(7, 4))],
      '7 rounds + 4 reps on Wed 13 May; best 8 rounds on Wed 22 Apr',
    ],
    [[on('Wed 22 Apr', rounds(6)), on('Wed 13 May', rounds(7, 4))], '7 rounds + 4 reps on Wed 13 May, your best'],
    [[on('Wed 22 Apr', { block: 0, kind: 'reps', reps: 9 })], ''],
  ] as const)('%#', (earlier, words) => {
    expect(lastAndBest(earlier, 0, 'rounds+reps')).toBe(words);
  });

  test('less time is better, any time is better than a cap that came first, and there more reps are', () => {
    const time = (sec: number, reps?: number): Score => ({
      block: 0,
      kind: 'time',
      sec,
      ...(reps !== undefined && { reps }),
    });
    expect(isBetter(time(200), time(210))).toBe(true);
    expect(isBetter(time(720, 80), time(719))).toBe(false);
    expect(isBetter(time(720, 81), time(720, 80))).toBe(true);
    expect(isBetter(rounds(7), { block: 0, kind: 'reps', reps: 1 })).toBe(false);
    expect(isBetter(rounds(8, 0), rounds(7, 99))).toBe(true);
  });
});

test('a block that repeats another is held against its score, through others too', () => {
  const { document, plan } = analyseText(
    'Main (One): amrap 3:00\n8 squat\n\nMain (Again): same as One\n\nFinisher (Third): same as Again\n',
    baseLibrary,
  );
  const found = toMatch(document, plan, [on('Wed 22 Apr', rounds(5))]);
  expect(found.sameAs).toEqual({ 1: 0, 2: 0 });
  expect(found.words).toEqual({ 0: '5 rounds on Wed 22 Apr', 1: 'the score of One', 2: 'the score of One' });
});

describe('same as', () => {
  const issues = (text: string) => parseSession(text, baseLibrary).issues;
  const FIRST = 'Main (One): amrap 3:00, reps 4-8 cycling\nsquat\n10 march\n\n';
  test.each([
    'Main: same as One',
    'Main: same as One, amrap 3:00, reps 4-8 cycling',
    'Main: same as One, amrap 3:00, reps 4-8 cycling, then rest 1:00\nsquat\n10 march',
    'Main: same as One\nsquat\n10 march',
  ])('may say again what is the same: %j', (again) => {
    expect(issues(FIRST + again)).toEqual([]);
  });
  test.each([
    ['Main: same as One, amrap 4:00', '“One” has another clock or count', ['same as "One"']],
    ['Main: same as One, amrap 3:00', '“One” has another clock or count', ['same as "One"']],
    ['Main: same as One\nsquat\n12 march', '“One” has “10 march” in this place', ['10 march']],
    ['Main: same as One\nsquat', '“One” has “10 march” in this place', []],
    ['Main: same as One\nsquat\n10 march\n5 burpee', '“One” has 2 lines, and these are 3', []],
  ])('what differs is told where it is, with what mends it: %j', (again, message, suggestions) => {
    expect(issues(FIRST + again)).toEqual([expect.objectContaining({ suggestions, code: 'contradiction' })]);
    expect(issues(FIRST + again)[0]!.message).toContain(message);
  });
});

test('a slot clock by rounds is held against the slots that it means', () => {
  const text = (rounds: number) =>
    `Main (One): every 1:00, 5 rounds\n5 squat\n5 march\n\nMain: same as One, every 1:00, ${rounds} rounds\n`;
  expect(parseSession(text(5), baseLibrary).issues).toEqual([]);
  expect(parseSession(text(4), baseLibrary).issues[0]!.message).toBe(
    '“One” has another clock or count: every 1:00 for 10:00. Write the same, or leave it out.',
  );
});

describe('scores of sets and of partners', () => {
  const fields = (text: string) =>
    scoreFields(analyseText(text, baseLibrary).plan).map((s) => [s.whose, ...s.fields.map((f) => f.name)]);
  test('each set has its own fields, each partner too where it is asked', () => {
    expect(fields('Main: amrap 3:00, 2 sets, rest 1:00\n8 squat')).toEqual([
      ['set 1', 'score-0.1-rounds', 'score-0.1-reps'],
      ['set 2', 'score-0.2-rounds', 'score-0.2-reps'],
    ]);
    expect(fields('Main: turns of 2 in 5:00, scored\n8 squat')).toEqual([
      ['partner 1', 'score-0.1-rounds', 'score-0.1-reps'],
      ['partner 2', 'score-0.2-rounds', 'score-0.2-reps'],
    ]);
  });
  test('a warm-up isn’t scored unless the coach asks', () => {
    expect(fields('Warm-up: amrap 3:00\n8 squat')).toEqual([]);
    expect(fields('Warm-up: amrap 3:00, scored\n8 squat')).toHaveLength(1);
    expect(fields('Main: 3 rounds\n8 squat')).toEqual([]);
    expect(fields('Main: 3 rounds, scored\n8 squat')).toEqual([['', 'score-0-time']]);
  });
  test('one movement is counted itself where it is max; with a number, a list or none it has rounds', () => {
    const kind = (text: string) => scoreFields(analyseText(text, baseLibrary).plan)[0]!.kind;
    expect(kind('Main: amrap 3:00\nmax squat')).toBe('reps');
    for (const text of ['Main: amrap 3:00\nsquat', 'Main: amrap 3:00, reps 5-4\nsquat', 'Main: amrap 3:00\n5 squat'])
      expect(kind(text)).toBe('rounds+reps');
  });
  test('half a set counts half, written in three ways', () => {
    const { plan } = analyseText('Main: pyramid +3 in 1:15 rest 0:45\nsquat\nburpee', baseLibrary);
    for (const written of ['3.5', '3,5', '3½']) {
      const { scores } = parseScores(plan, () => written);
      expect(scores).toEqual([{ block: 0, kind: 'top-set', tops: [3.5] }]);
      expect(formatScore(scores[0]!)).toBe('top set 3.5');
      expect(scoreValues(scores[0]!)).toEqual({ 'score-0-0': '3.5' });
    }
    expect(parseScores(plan, () => '3.2').errors).toHaveLength(1);
  });
});

test('earlier records are those of the retest before the day, whatever its letters’ case; a day that isn’t there has none', () => {
  const day = (dayId: number, date: string, retest: string | null, n?: number) => ({
    dayId,
    date: date as DayDate,
    retest,
    record: n === undefined ? undefined : { scores: [rounds(n)] },
  });
  const days = [
    day(1, '2026-05-11', 'Spring', 5),
    day(2, '2026-05-12', 'other', 9),
    day(3, '2026-05-13', null),
    day(4, '2026-05-15', 'spring', 7),
  ];
  expect(earlierRecords(days, 4, 'spring')).toEqual([{ dayWords: '11 May', scores: [rounds(5)] }]);
  expect(earlierRecords(days, 1, 'spring')).toEqual([]);
  expect(earlierRecords(days, 99, 'spring')).toEqual([]);
  expect(earlierRecords(days, 4, undefined)).toEqual([]);
});
