import { describe, expect, test } from 'vitest';
import { baseLibrary } from '../../movement/library.ts';
import { parseSession } from '../../notation/read-session.ts';
import { analyseText } from '../../session/analyse.ts';
import type { Score } from './score.ts';
import { formatScore, isBetter, parseScores, scoreFields, scoreValues } from './score.ts';

const rounds = (n: number, reps = 0): Score => ({ block: 0, kind: 'rounds+reps', rounds: n, reps });

describe('the better number', () => {
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
      const { scores } = parseScores(plan, (name) => (name === 'score-0-0' ? written : ''));
      expect(scores).toEqual([{ block: 0, kind: 'top-set', tops: [3.5] }]);
      expect(formatScore(scores[0]!)).toBe('top set 3.5');
      expect(scoreValues(scores[0]!)).toEqual({ 'score-0-0': '3.5' });
    }
    const { scores } = parseScores(plan, (name) =>
      name === 'score-0-0' ? '4' : name === 'score-0-0-begun' ? '9' : '2',
    );
    expect(scores).toEqual([{ block: 0, kind: 'top-set', tops: [4], begun: [9], downs: [2] }]);
    expect(formatScore(scores[0]!)).toBe('top set 4 + 9 reps, then 2 coming down');
    expect(scoreValues(scores[0]!)).toEqual({ 'score-0-0': '4', 'score-0-0-begun': '9', 'score-0-0-down': '2' });
    const part = (tops: number[], begun: number[]): Score => ({ block: 0, kind: 'top-set', tops, begun });
    expect(isBetter(part([4], [9]), part([4], [8]))).toBe(true);
    expect(isBetter(part([4.5], [0]), part([4], [14]))).toBe(true);
    const top = (tops: number[], downs?: number[]): Score => ({
      block: 0,
      kind: 'top-set',
      tops,
      ...(downs && { downs }),
    });
    expect(isBetter(top([4], [2]), top([4], [1]))).toBe(true);
    expect(isBetter(top([4], [9]), top([4.5]))).toBe(false);
    expect(parseScores(plan, () => '3.2').errors).toHaveLength(3);
  });
});
