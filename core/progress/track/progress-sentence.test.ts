import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { baseLibrary } from '../../movement/library.ts';
import { parseSession } from '../../notation/read-session.ts';
import { offsetAt } from '../levers/drag-rule.ts';
import type { Lever } from '../levers/lever.ts';
import { leverChoices } from '../levers/lever-choices.ts';
import { needRules, printRule } from '../levers/lever-text.ts';
import type { SentenceScope } from './progress-sentence.ts';
import { readProgress, sayProgress } from './progress-sentence.ts';

const { document } = parseSession(
  'Effort: 6\n\nMain (Four): every 1:00, 5 rounds\n8 squat\n6 push-up\n\nFinisher: work 0:40 rest 0:20, 3 rounds\ngoblet squat, @ 12 kg\n',
  baseLibrary,
);
const scope = (weeks: number, lighter: readonly number[] = []): SentenceScope => ({
  document,
  library: baseLibrary,
  weeks,
  lighter,
});
const ROUNDS: Lever = { kind: 'rounds', in: 'Four' };
const rule = (line: string) => needRules([line])[0]!;
const read = (sentence: string, lever: Lever = ROUNDS, at = scope(4)) => {
  const answer = readProgress(sentence, lever, at);
  return answer.status === 'done' ? printRule(answer.value) : answer.message;
};

describe('what changes, in one sentence', () => {
  test.each([
    ['rounds in Four: at week 4 +1', 4, [], '5, 5, 5, then 6 in week 4'],
    ['rounds in Four: at week 3 +1', 4, [], '5, 5, then 6 from week 3'],
    ['rounds in Four: +1 a week', 4, [], '5, 6, 7, then 8 in week 4'],
    ['rounds in Four: +1 a week, lighter -1', 5, [3], '5, 6, 4, 7, then 8 in week 5'],
    ['rounds in Four: as written', 4, [], '5 every week'],
    ['rounds: +1 a week', 3, [], 'as written, +1, then +2 in week 3'],
    ['reps in Four: +1 a week', 3, [], '8/6, 9/7, then 10/8 in week 3'],
    ['work: +5 a week', 3, [], '0:40, 0:45, then 0:50 in week 3'],
    ['load: at week 2 +2', 3, [], '12 kg, then 14 kg from week 2'],
    ['rest: -5 a week', 2, [], '0:20, then 0:15 in week 2'],
    ['rounds in Four: at week 4 +1', 1, [], '5 every week'],
  ])('%s in %i weeks, lighter %j', (line, weeks, lighter, said) => {
    expect(sayProgress(rule(line), scope(weeks, lighter))).toBe(said);
  });

  test.each([
    ['5, 5, 5, then 6 in week 4', 'rounds in Four: at week 4 +1'],
    ['Rounds in Four 5, 5, 5, 6.', 'rounds in Four: at week 4 +1'],
    ['5 then 6 from week 3 on', 'rounds in Four: at week 3 +1'],
    ['5, 6, 7, 8', 'rounds in Four: +1 a week'],
    ['5', 'rounds in Four: as written'],
    ['5 every week', 'rounds in Four: as written'],
    ['as written, +1', 'rounds in Four: at week 2 +1'],
    ['6', 'rounds in Four: at week 1 +1'],
    ['then 6 in week 2', 'rounds in Four: at week 2 +1'],
    ['5 rounds, 6 rounds, 4 rounds, 9 rounds', 'rounds in Four: at week 2 +1, at week 3 -2, at week 4 +5'],
  ])('%s', (sentence, line) => {
    expect(read(sentence)).toBe(line);
  });

  test('values of other kinds are said as they stand', () => {
    expect(read('0:40, then 0:50 in week 2', { kind: 'work' })).toBe('work: at week 2 +10');
    expect(read('12, 12.5 kg, 13, 13.5', { kind: 'load' })).toBe('load: +0.5 a week');
    expect(read('8/6, then 10/8 in week 4', { kind: 'reps', in: 'Four' })).toBe('reps in Four: at week 4 +2');
    expect(read('−5, 0:10', { kind: 'rest' })).toBe('rest: at week 1 -5, at week 2 -5');
  });

  test('a step that is said of a lighter week is its own', () => {
    expect(read('5, 5, 5, then 6 in week 4', ROUNDS, scope(4, [4]))).toBe('rounds in Four: at week 4 +1');
  });

  test('lighter weeks stay what they are: their own offset, or a list where they differ', () => {
    expect(read('5, 6, 4, 7, 8', ROUNDS, scope(5, [3]))).toBe('rounds in Four: +1 a week, lighter -1');
    expect(read('5, 6, 7, 4, 6, 7, 8, 4', ROUNDS, scope(8, [4, 8]))).toBe(
      'rounds in Four: wave +1, carry +1, lighter -1',
    );
    expect(read('5, 6, 4, 9, 5, 5, 7', ROUNDS, scope(7, [3, 6]))).toBe('rounds in Four: by week 0 +1 -1 +4 0 0 +2');
  });

  test.each([
    ['', /^Say what rounds in Four are week by week, like “5, then 6 from week 2”/],
    ['5, sixteen', /^“sixteen” is nothing that rounds in Four can come to; write it like “5, then 6 from week 2”/],
    ['5, 6, 7, 8, 9', /^There is no week 5; the progression has 4/],
    ['5, then 6 in week 9', /^There is no week 9/],
    ['5, 5, then 6 in week 1', /^Week 1 is said already/],
    ['0', /nothing that rounds/],
    ['8', /^rounds in Four: at week 1 \+3$/],
  ])('“%s”', (sentence, words) => {
    expect(read(sentence)).toMatch(words);
  });

  test('no pull is 0, and not the negative zero of IEEE 754', () => {
    const lever = { kind: 'load' as const };
    const at = scope(3, [2]);
    const rule = { lever, schedule: { kind: 'list' as const, values: [0, 1, -1] } };
    const again = readProgress(sayProgress(rule, at), lever, at);
    expect(again.status === 'done' && Object.is(offsetAt(again.value, 1, at), 0)).toBe(true);
  });

  test('what is said of a rule, read again, comes to the same week by week', () => {
    const levers = leverChoices(document, [], baseLibrary).map((c) => c.lever);
    fc.assert(
      fc.property(
        fc.constantFrom(...levers),
        fc.array(fc.integer({ min: -1, max: 3 }), { minLength: 1, maxLength: 8 }),
        fc.subarray([2, 4, 6]),
        (lever, values, lighter) => {
          const at = scope(values.length, lighter);
          const own = { lever, schedule: { kind: 'list' as const, values } };
          const said = sayProgress(own, at);
          const again = readProgress(said, lever, at);
          if (again.status !== 'done') throw new Error(`${said}: ${again.message}`);
          expect(sayProgress(again.value, at)).toBe(said);
          // Where a value doesn't stop at a limit, it is the very same pull.
          if (lever.kind === 'load') expect(values.map((_, i) => offsetAt(again.value, i + 1, at))).toEqual(values);
        },
      ),
    );
  });
});
