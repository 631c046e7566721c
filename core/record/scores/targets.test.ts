import { describe, expect, test } from 'vitest';
import type { DayDate } from '../../calendar/day.ts';
import { baseLibrary } from '../../movement/library.ts';
import { analyseText } from '../../session/analyse.ts';
import type { Score } from './score.ts';
import { fingerprint, repsOfRound, scoreKey } from './score-key.ts';
import { addScores, findTarget, paceTo, targetWords } from './targets.ts';
import type { EarlierRecord } from './to-match.ts';
import { earlierRecords, toMatch } from './to-match.ts';

const rounds = (n: number, reps = 0): Score => ({ block: 0, kind: 'rounds+reps', rounds: n, reps });
const reps = (n: number): Score => ({ block: 0, kind: 'reps', reps: n });
const time = (sec: number, done?: number): Score => ({
  block: 0,
  kind: 'time',
  sec,
  ...(done !== undefined && { reps: done }),
});
const on = (dayWords: string, score: Score) => ({ dayWords, score });
const open = (text: string) => {
  const { document, blocks, plan, issues } = analyseText(text, baseLibrary);
  expect(issues).toEqual([]);
  return { document, blocks, plan, reshaped: [] as number[] };
};
const keyOf = (text: string, block = 0, chosen: { item: number; to: string }[] = []) => {
  const { blocks, plan } = open(text);
  return scoreKey(blocks[block]!, plan.blocks[block]!, chosen);
};

describe('what may be compared', () => {
  const FIRST = 'Main (One): amrap 8:00\n10 squat\n8 push-up';
  test.each([
    ['another name, role and film', 'Finisher (Two): amrap 8:00\nFilm: https://example.org/f\n10 squat\n8 push-up'],
    ['rest after it, and remarks', 'Main: amrap 8:00, then rest 1:00\n# slowly\n10 squat, "proud chest"\n8 push-up'],
    ['neighbours to go to', 'Main: amrap 8:00\n10 squat, easier chair squat\n8 push-up, harder ring push-up'],
    ['a surprise in it', 'Main: amrap 8:00\n10 squat\n8 push-up, a surprise'],
    ['the other name of a movement’s dose', 'Main: amrap 480s\n10 squat\n8 push-up'],
  ])('the same with %s', (_what, text) => expect(keyOf(text)).toBe(keyOf(FIRST)));
  test.each([
    ['another shape', FIRST.replace('push-up', 'knee push-up')],
    ['another number', FIRST.replace('8 push-up', '9 push-up')],
    ['another clock', FIRST.replace('8:00', '9:00')],
    ['another order', 'Main: amrap 8:00\n8 push-up\n10 squat'],
    ['one line more', `${FIRST}\n5 burpee`],
    ['a load', FIRST.replace('10 squat', '10 squat, @ 8 kg')],
    ['a rest in it', `${FIRST}\n0:20 rest`],
  ])('not with %s', (_what, text) => expect(keyOf(text)).not.toBe(keyOf(FIRST)));
  test('a shape chosen on the way is the shape; what was left out is gone', () => {
    expect(keyOf(FIRST, 0, [{ item: 1, to: 'knee push-up' }])).toBe(keyOf(FIRST.replace('push-up', 'knee push-up')));
    expect(keyOf(FIRST, 0, [{ item: 1, to: '' }])).toBe(keyOf('Main: amrap 8:00\n10 squat'));
  });
  test('an option that was chosen is what was done: its count, its load', () => {
    const text = 'Main: amrap 8:00\n10 squat\n8 push-up or 5 pike push-up @ 2 kg';
    expect(keyOf(text, 0, [{ item: 1, to: 'pike push-up' }])).toBe(
      keyOf('Main: amrap 8:00\n10 squat\n5 pike push-up, @ 2 kg'),
    );
    expect(keyOf(text)).not.toBe(keyOf(text, 0, [{ item: 1, to: 'pike push-up' }]));
  });
  test('a lone movement for the most is told by its time, by whatever clock; what isn’t scored has none', () => {
    expect(keyOf('Main: amrap 1:00\nmax push-up')).toBe(keyOf('Finisher: work 1:00\nmax push-up'));
    expect(keyOf('Main: amrap 1:00\nmax push-up')).not.toBe(keyOf('Main: amrap 2:00\nmax push-up'));
    expect(keyOf('Main: amrap 1:00\nmax push-up')).not.toBe(keyOf('Main: amrap 1:00\nmax knee push-up'));
    expect(keyOf('Warm-up: flow\n5 squat')).toBe('');
  });
  test('the fingerprint is FNV-1a of 64 bits (known values, from memory)', () => {
    expect(fingerprint('')).toBe(0xcbf29ce484222325n.toString(36));
    expect(fingerprint('a')).toBe(0xaf63dc4c8601ec8cn.toString(36));
  });
});

describe('a target', () => {
  const target = (score: Score, more: Parameters<typeof findTarget>[1] = {}) =>
    findTarget([on('Wed 13 May', score)], more)!;
  test.each<[string, Score, string]>([
    ['one or two more', reps(41), '42 or 43'],
    ['a twentieth of many', reps(100), '101 to 105'],
    ['from nothing', reps(0), '1 or 2'],
    ['a time a little shorter', time(200), '3:14 to 3:19'],
    ['a short time', time(3), '0:02'],
    ['no time at all', time(1), ''],
    ['reps by the cap', time(600, 80), '81 to 84 reps by the cap'],
    ['rounds whose reps nobody knows', rounds(7, 4), '7 rounds + 5 or 6 reps'],
    ['windows together', { block: 0, kind: 'reps-per-window', reps: [12, 11, 11] }, '35 or 36 in all'],
    ['the next turn', { block: 0, kind: 'whole-slots', slots: 9 }, 'turn 10'],
    ['sets', { block: 0, kind: 'top-set', tops: [3, 3.5] }, 'half a set or one more in all'],
  ])('%s', (_what, score, aim) => expect(target(score).aim).toBe(aim));

  test('rounds carry over where a round’s reps are known', () => {
    expect(target(rounds(7, 17), { perRound: 18 }).aim).toBe('8 rounds or 8 rounds + 1 rep');
  });
  test('last and best are told apart; alone it is no best', () => {
    const words = (...scores: Score[]) => {
      const earlier = scores.map((s, i) => on(`day ${i + 1}`, s));
      return targetWords(findTarget(earlier, {})!, earlier.length);
    };
    expect(words(reps(41))).toBe('41 reps on day 1: aim for 42 or 43');
    expect(words(reps(39), reps(41))).toBe('41 reps on day 2, the best: aim for 42 or 43');
    expect(words(reps(45), reps(41))).toBe('41 reps on day 2; best 45 reps on day 1: aim for 42 or 43');
    expect(words(time(1))).toBe('0:01 on day 1');
  });
  test('without anything to compare there is none', () => expect(findTarget([], {})).toBeUndefined());
  test('pace by the minute: evenly, 20 by 2:00 for 40 in 4:00; none for a short block, none at its end', () => {
    expect(paceTo(40, 240, String)).toEqual([
      { atSec: 60, words: '10 by 1:00', reps: 10 },
      { atSec: 120, words: '20 by 2:00', reps: 20 },
      { atSec: 180, words: '30 by 3:00', reps: 30 },
    ]);
    expect(paceTo(40, 119, String)).toEqual([]);
    expect(target(reps(39), { totalSec: 240 }).pace[1]).toEqual({ atSec: 120, words: '20 by 2:00', reps: 20 });
    expect(target(rounds(7, 17), { totalSec: 480, perRound: 18 }).pace[3]!.words).toBe('4 rounds by 4:00');
    expect(target(rounds(7, 17), { totalSec: 480 }).pace).toEqual([]);
    expect(target(time(200), { totalSec: 480 }).pace).toEqual([]);
  });
  test('a round’s repetitions: both sides counted; unknown where one line is open, or numbers come by list', () => {
    const perRound = (text: string) => repsOfRound(open(text).blocks[0]!);
    expect(perRound('Main: amrap 8:00\n10 squat\n5/side split squat\n6 alt lunge')).toBe(26);
    expect(perRound('Main: amrap 8:00\n10 squat\n0:20 plank')).toBeUndefined();
    expect(perRound('Main: amrap 8:00, reps 4-8 cycling\n10 squat')).toBeUndefined();
  });
});

test('two halves of a score are added, whole rounds out of reps made where they are known', () => {
  expect(addScores([rounds(7, 10), rounds(6, 12)], 18)).toEqual(rounds(14, 4));
  expect(addScores([rounds(7, 10), rounds(6, 12)])).toEqual(rounds(13, 22));
  expect(addScores([reps(20), reps(19)])).toEqual(reps(39));
  expect(addScores([time(100), time(90)])).toEqual(time(190));
  expect(addScores([time(100), time(90, 4)])).toBeUndefined();
  const windows = (...own: number[]): Score => ({ block: 0, kind: 'reps-per-window', reps: own });
  expect(addScores([windows(12, 10), windows(11, 9)])).toEqual(windows(12, 10, 11, 9));
  const tops = (up: number[], downs?: number[]): Score => ({
    block: 0,
    kind: 'top-set',
    tops: up,
    ...(downs && { downs }),
  });
  expect(addScores([tops([4, 3]), tops([3.5, 3], [2, 1])])).toEqual(tops([7.5, 6], [2, 1]));
  expect(addScores([reps(20)])).toBeUndefined();
  expect(addScores([reps(20), rounds(1)])).toBeUndefined();
});

describe('a session held against what was done before', () => {
  const TEXT = 'Retest: spring\nMain: amrap 8:00\n10 squat\n8 push-up';
  const key = keyOf(TEXT);
  const before = (score: Score, more: Partial<EarlierRecord> = {}): EarlierRecord => ({
    dayWords: 'Wed 22 Apr',
    retest: null,
    scores: [score],
    reshaped: [],
    ...more,
  });
  const words = (...earlier: EarlierRecord[]) => toMatch(open(TEXT), earlier).words[0];
  test('by its key, wherever it stood', () => {
    expect(words(before({ ...rounds(5), key }))).toBe('5 rounds on Wed 22 Apr: aim for 5 rounds + 1 or 2 reps');
    expect(words(before({ ...rounds(5), block: 3, key }))).toContain('5 rounds');
    expect(words(before({ ...rounds(5), key: 'another' }, { retest: 'spring' }))).toBeUndefined();
  });
  test('without one by its retest, in the same place, and only as it was written', () => {
    expect(words(before(rounds(5), { retest: 'SPRING' }))).toContain('5 rounds');
    expect(words(before(rounds(5), { retest: 'autumn' }))).toBeUndefined();
    expect(words(before({ ...rounds(5), block: 1 }, { retest: 'spring' }))).toBeUndefined();
    expect(words(before(rounds(5), { retest: 'spring', reshaped: [0] }))).toBeUndefined();
    expect(toMatch({ ...open(TEXT), reshaped: [0] }, [before(rounds(5), { retest: 'spring' })]).words).toEqual({});
  });
  test('sets are held against sets, both added', () => {
    const two = 'Main: amrap 3:00, 2 sets, rest 1:00\n8 squat';
    const part = (n: number, p: number): Score => ({ ...rounds(n), part: p, key: keyOf(two) });
    expect(toMatch(open(two), [before(part(4, 1), { scores: [part(4, 1), part(3, 2)] })]).words[0]).toMatch(
      /^7 rounds on/,
    );
  });
  test('a block that repeats another is held against its score, through others too', () => {
    const text = 'Main (One): amrap 3:00\n8 squat\n\nMain (Again): same as One\n\nFinisher (Third): same as Again\n';
    const found = toMatch(open(text), []);
    expect(found.sameAs).toEqual({ 1: 0, 2: 0 });
    expect(found.words).toEqual({ 1: 'the score of One', 2: 'the score of One' });
    const { blocks, plan } = open(text);
    const first = { ...rounds(5), key: scoreKey(blocks[0]!, plan.blocks[0]!) };
    expect(Object.keys(toMatch(open(text), [before(first)]).targets)).toEqual(['0']);
    expect(Object.keys(toMatch(open(text), [before({ ...first, block: 1 })]).targets)).toEqual(['0', '1']);
  });
  test('only days before it; a day that isn’t there has none', () => {
    const day = (dayId: number, n?: number) => ({
      dayId,
      date: `2026-05-1${dayId}` as DayDate,
      retest: null,
      record: n === undefined ? undefined : { scores: [rounds(n)], fit: [{ block: 2 }] },
    });
    const days = [day(1, 5), day(2), day(3, 7), day(4, 8)];
    expect(earlierRecords(days, 4).map((r) => [r.dayWords, r.reshaped])).toEqual([
      ['11 May', [2]],
      ['13 May', [2]],
    ]);
    expect(earlierRecords(days, 9)).toEqual([]);
  });
});
