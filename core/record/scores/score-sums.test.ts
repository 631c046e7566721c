import { expect, test } from 'vitest';
import { sumWords } from '../../../words/en/record/scores.ts';
import type { Score } from './score.ts';
import { whoseWords } from './score.ts';
import { scoreSums } from './score-sums.ts';

const reps = (part: number, n: number): Score => ({ block: 0, part, kind: 'reps', reps: n });
const rounds = (part: number, n: number, more: number): Score => ({
  block: 0,
  part,
  kind: 'rounds+reps',
  rounds: n,
  reps: more,
});
const time = (part: number, sec: number): Score => ({ block: 0, part, kind: 'time', sec });
const sums = (scores: Score[], sets: number, persons: number, perRound?: number) =>
  scoreSums(scores, [{ block: 0, sets, persons }], () => perRound).map(sumWords);

test('sets are added for each partner, partners over all sets, whole rounds out of repetitions', () => {
  expect(sums([rounds(1, 7, 10), rounds(2, 6, 12)], 2, 1, 18)).toEqual(['all sets together: 14 rounds + 4 reps']);
  expect(sums([reps(1, 20), reps(2, 18), reps(3, 17), reps(4, 15)], 2, 2)).toEqual([
    'partner 1, all sets together: 37 reps',
    'partner 2, all sets together: 33 reps',
    'all partners together: 70 reps',
  ]);
  expect(whoseWords(4, { sets: 2, persons: 2 })).toBe('set 2, partner 2');
  expect(whoseWords(2, { sets: 1, persons: 2 })).toBe('partner 2');
  expect(whoseWords(1, { sets: 1, persons: 1 })).toBe('');
});

test('a part that is missing makes no sum; times of partners aren’t added, those of sets are', () => {
  expect(sums([reps(1, 20)], 2, 1)).toEqual([]);
  expect(sums([reps(1, 20), reps(2, 18), reps(3, 17)], 2, 2)).toEqual(['partner 1, all sets together: 37 reps']);
  expect(sums([time(1, 100), time(2, 90)], 1, 2)).toEqual([]);
  expect(sums([time(1, 100), time(2, 90)], 2, 1)).toEqual(['all sets together: 3:10']);
});
