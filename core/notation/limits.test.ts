import { describe, expect, test } from 'vitest';
import { baseLibrary } from '../movement/library.ts';
import { analyseText } from '../session/analyse.ts';
import { GUARD_RAILS } from '../progress/guards/guard.ts';
import { readRule } from '../progress/levers/lever-text.ts';
import { parseSession } from './read-session.ts';

const reads = (text: string): boolean => parseSession(text, baseLibrary).issues.length === 0;
const item = (words: string) => reads(`Main: flow\n${words}`);
const header = (words: string) => reads(`Main: ${words}\n5 squat`);

/** Each pair: the last that is read, and the first that isn't. */
describe('limits of what can be written', () => {
  test.each([
    ['@ 500 kg', '@ 501 kg'],
    ['@ 0.5 kg', '@ 0 kg'],
    ['@ 8x20 kg', '@ 9x20 kg'],
    ['@ 1x20 kg', '@ 0x20 kg'],
    ['@ 150%', '@ 151%'],
    ['@ 1%', '@ 0%'],
    ['@ effort 10', '@ effort 11'],
    ['@ effort 0', '@ effort'],
    ['tempo 30-30-30', 'tempo 31-0-0'],
    ['tempo 0-0-1', 'tempo 0-0-0'],
    ['tempo 4-1-2', 'tempo 4-1'],
  ])('a modifier: %s, but not %s', (last, first) => {
    expect([item(`5 squat, ${last}`), item(`5 squat, ${first}`)]).toEqual([true, false]);
  });
  test.each([
    ['20 sets', '21 sets'],
    ['100 rounds', '101 rounds'],
    ['windows 1:00 x 100', 'windows 1:00 x 101'],
    ['amrap 6:00:00', 'amrap 6:00:01'],
    ['reps 1..100', 'reps 1..101'],
    ['turns of 6 in 5:00', 'turns of 7 in 5:00'],
    ['relay 5-3 teams of 50', 'relay 5-3 teams of 51'],
    ['every 0:05 for 1:00', 'every 0 for 1:00'],
  ])('a header: %s, but not %s', (last, first) => {
    expect([header(last), header(first)]).toEqual([true, false]);
  });
  test('a session: 60 blocks and 400 items', () => {
    expect(reads('Main: flow\n5 squat\n'.repeat(60))).toBe(true);
    expect(reads('Main: flow\n5 squat\n'.repeat(61))).toBe(false);
    expect(reads(`Main: flow\n${'5 squat\n'.repeat(400)}`)).toBe(true);
    expect(reads(`Main: flow\n${'5 squat\n'.repeat(401)}`)).toBe(false);
  });
});

test('a rest among the items takes a slot, and is no interval of work nor any repetition', () => {
  const { plan } = analyseText('Main: every 1:00 for 15:00\n10 squat\n8 push-up\nrest\n', baseLibrary);
  const [block] = plan.blocks;
  expect([block!.clockSec.likely, block!.rounds]).toEqual([900, { low: 5, high: 5 }]);
  expect(block!.reps).toEqual({ squat: 50, 'push-up': 40 });
  const work = plan.timeline.filter((s) => s.kind === 'work').map((s) => s.movementId);
  expect([work.length, plan.workSec + plan.restSec]).toEqual([10, 900]);
});

test('the usual thresholds of guard rails are what docs and screens say', () => {
  expect(Object.fromEntries(Object.entries(GUARD_RAILS).map(([code, rail]) => [code, rail.threshold]))).toEqual({
    'blocked-day': null,
    'hard-days': 7,
    'levers-at-once': 2,
    'lighter-week': 10,
    'load-change': 10,
    monotony: 2,
    'no-lighter-week': 5,
    'reps-change': 25,
    'retest-differs': null,
    'same-area': 40,
    'same-joint': 6,
    'strength-days': 2,
    'target-broken': 10,
    'work-change': 20,
  });
  // Per cent from one on, counts and weeks within what a programme has.
  expect(
    Object.fromEntries(Object.entries(GUARD_RAILS).map(([code, rail]) => [code, [rail.least, rail.most]])),
  ).toEqual({
    'load-change': [1, 500],
    'work-change': [1, 500],
    'reps-change': [1, 500],
    monotony: [0.5, 20],
    'no-lighter-week': [2, 52],
    'lighter-week': [1, 100],
    'same-area': [10, 100],
    'same-joint': [1, 120],
    'hard-days': [1, 10],
    'levers-at-once': [2, 10],
    'strength-days': [1, 7],
    'target-broken': [1, 100],
    'blocked-day': [0, 0],
    'retest-differs': [0, 0],
  });
  for (const rail of Object.values(GUARD_RAILS)) {
    if (rail.threshold === null) continue;
    expect(rail.threshold).toBeGreaterThanOrEqual(rail.least);
    expect(rail.threshold).toBeLessThanOrEqual(rail.most);
  }
});

test('a title has at most 120 letters, a note 500, counted as whole letters', () => {
  const issues = (line: string) =>
    parseSession(`${line}\n\nMain: flow\n5 squat`, baseLibrary).issues.map((i) => i.code);
  expect([issues(`Title: ${'é'.repeat(120)}`), issues(`Title: ${'é'.repeat(121)}`)]).toEqual([[], ['bad-value']]);
  expect([issues(`Note: ${'x'.repeat(500)}`), issues(`Note: ${'x'.repeat(501)}`)]).toEqual([[], ['bad-value']]);
});

test('names: as many letters as a movement has, and not one more', () => {
  const name = (letters: number) => reads(`Main: flow\n10 ${'x'.repeat(letters)}`);
  expect([name(80), name(81)]).toEqual([true, false]);
});

test('levers: until as long a session as there can be, and not a second longer; steps within a year', () => {
  const rule = (schedule: string) => readRule(`rounds: ${schedule}`).status;
  expect([rule('+1 a week until 6:00:00'), rule('+1 a week until 6:00:01')]).toEqual(['done', 'refused']);
  expect([rule('at week 1 +1'), rule('at week 52 +1'), rule('at week 0 +1'), rule('at week 53 +1')]).toEqual([
    'done',
    'done',
    'refused',
    'refused',
  ]);
});
