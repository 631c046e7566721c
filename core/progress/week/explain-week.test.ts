import { describe, expect, it } from 'vitest';
import { describeSchedule, explainWeek } from './explain-week.ts';
import { readRules } from '../levers/lever-text.ts';
import { book, makeTrack } from '../programme-fixture.ts';

const SLOTS =
  'Title: S\nTarget: 40 min\nEffort: 6\n\nMain (Four): every 1:00 for 24:00\n10 goblet squat @ 12 kg, tempo 3-1-1\n12 band row\n14 alt step-back lunge\n8 push-up\n';
const INTERVALS = 'Title: I\nEffort: 7\n\nMain: work 0:40 rest 0:20, 3 rounds\nsquat\nband row\n';
const WINDOWS = 'Title: W\n\nMain: windows 2:00 x 5 rest 0:30\n8 squat\nmax push-up\n';
const LIST = 'Title: L\n\nMain: for time, reps 9-7-5-3\nsquat\nburpee\n';
const SPAN = 'Title: A\n\nMain: amrap 8:00\n5 squat\n5 knee push-up\n';

function explain(text: string, lines: string, week: number, against = week - 1, lighter: readonly number[] = []) {
  const track = makeTrack('t', text, readRules(lines).rules);
  return explainWeek(book.read(track), book.week(track, week, lighter), book.week(track, against, lighter));
}

describe('what changed in a week, and why', () => {
  it.each([
    [
      'the four-week step (common practice)',
      SLOTS,
      'rounds: at week 4 +1',
      4,
      'rounds 6 → 7, 24:00 → 28:00',
      'rounds: +1 round from week 4',
    ],
    [
      'reps of everything, sides in turn by two',
      SLOTS,
      'reps: +1 a week',
      2,
      'reps 10/12/14/8 → 11/13/16/9',
      'reps: +1 rep every week',
    ],
    [
      'reps of one movement',
      SLOTS,
      'reps of band row: +2 a week',
      3,
      'reps of band row 14 → 16',
      'reps of band row: +2 reps every week',
    ],
    ['load', SLOTS, 'load: at week 3 +2', 3, 'load 12 kg → 14 kg', 'load: +2 kg from week 3'],
    ['tempo', SLOTS, 'tempo: +1 a week', 2, 'tempo 3-1-1 → 4-1-1', 'tempo: +1 s every week'],
    [
      'a slot’s clock',
      SLOTS,
      'clock: by week 0 -5',
      2,
      'clock 1:00 → 0:55, 24:00 → 22:00',
      'clock: −5 s on what is written, by its list',
    ],
    ['effort', SLOTS, 'effort: +1 a week', 2, 'effort 6 → 7', 'effort: +1 point every week'],
    ['work of intervals', INTERVALS, 'work: +5 a week', 2, 'work 0:40 → 0:45, 6:00 → 6:30', 'work: +5 s every week'],
    ['rest', INTERVALS, 'rest: -5 a week', 3, 'rest 0:15 → 0:10, 5:30 → 5:00', 'rest: −5 s every week'],
    ['windows', WINDOWS, 'windows: +1 a week', 2, 'windows 5 → 6, 12:30 → 15:00', 'windows: +1 window every week'],
    [
      'a list by round',
      LIST,
      'reps of list: +1 a week',
      2,
      'reps of list 9-7-5-3 → 10-8-6-4, about',
      'reps of list: +1 rep every week',
    ],
    ['a span', SPAN, 'clock: +60 a week', 2, 'clock 8:00 → 9:00, 8:00 → 9:00', 'clock: +60 s every week'],
    [
      'a length to grow to',
      SLOTS,
      'rounds: +1 a week until 32:00',
      3,
      'rounds 7 → 8, 28:00 → 32:00',
      'rounds: +1 round a week until 32:00',
    ],
  ] as const)('%s', (_name, text, lines, week, words, why) => {
    const explained = explain(text, lines, week);
    // An estimated length depends on paces; that it is told as an estimate is what counts.
    expect(explained.words.replace(/(, about) .*/, '$1')).toBe(words);
    expect(explained.why).toEqual(['Rounds and reps first', why]);
  });

  it('double progression: reps to the ceiling, then the load, each with its reason', () => {
    const lines = 'reps of goblet squat: double to 12, load +2';
    expect(explain(SLOTS, lines, 2).words).toBe('reps of goblet squat 10 → 11');
    const next = explain(SLOTS, lines, 4);
    expect(next.changes.map((c) => [c.lever.kind, c.from, c.to])).toEqual([
      ['reps', '12', '10'],
      ['load', expect.stringContaining('12 kg') as string, expect.stringContaining('14 kg') as string],
    ]);
    expect(next.why).toContain('load of goblet squat: reps by one a week to 12, then +2 kg and from the start again');
  });

  it('a lighter week says that it is one; the week after it goes back on', () => {
    const lines = 'rounds: wave 0, carry +1, lighter -2';
    expect(explain(SLOTS, lines, 4, 3, [4])).toMatchObject({
      words: 'rounds 6 → 4, 24:00 → 16:00',
      why: ['Rounds and reps first', 'rounds: a lighter week, −2 rounds on what is written'],
    });
    expect(explain(SLOTS, lines, 5, 4, [4]).words).toBe('rounds 4 → 7, 16:00 → 28:00');
  });

  it('weeks that are alike say so and give no reason; a length that stays isn’t told', () => {
    expect(explain(SLOTS, 'rounds: at week 4 +1', 3)).toMatchObject({ words: 'as in week 2', why: [], changes: [] });
    expect(explain(SLOTS, '', 9, 1)).toMatchObject({ words: 'as in week 1' });
    expect(explain(SLOTS, 'reps: +1 a week', 2)).not.toHaveProperty('lengthSec');
    expect(explain(SLOTS, 'rounds: at week 2 +1', 2).lengthSec).toEqual({ from: 1440, to: 1680, isEstimated: false });
  });

  it('a lever that the session has nothing for changes nothing', () => {
    expect(explain(SPAN, 'load: +2 a week\nwindows: +1 a week', 5)).toMatchObject({ words: 'as in week 4', why: [] });
  });
});

describe('a rule as a coach would say it', () => {
  it.each([
    ['rounds: +1 a week', '+1 round every week'],
    ['reps: at week 3 +2, at week 6 -1', '+2 reps from week 3, −1 rep from week 6'],
    ['load: as written', 'as written'],
    ['reps: by week 0 +1 -2', 'week by week 0 +1 −2'],
    ['reps: wave +1', '+1 rep a week up to a lighter one, then from the start again'],
    ['rounds: wave 0, carry +1', 'the same up to a lighter week, +1 round after each lighter week'],
    ['reps: double to 12, load +2.5', 'reps by one a week to 12, then +2.5 kg and from the start again'],
    ['rest: -5 a week until 20:00', '−5 s a week until 20:00'],
  ] as const)('%s: %s', (line, words) => {
    expect(describeSchedule(readRules(line).rules[0]!)).toBe(words);
  });
});
