import { describe, expect, test } from 'vitest';
import { scoresAgain } from '../../../core/record/scores/again.ts';
import type { Score } from '../../../core/record/scores/score.ts';
import { againWords } from './scores.ts';

const words = (score: Score, first: Score, perRound?: number) =>
  scoresAgain({ 1: 0 }, [first, score], () => perRound).map((a) => [againWords(a, false), againWords(a, true)]);
const reps = (block: number, n: number): Score => ({ block, kind: 'reps', reps: n });
const time = (block: number, sec: number, n?: number): Score => ({
  block,
  kind: 'time',
  sec,
  ...(n !== undefined && { reps: n }),
});
const rounds = (block: number, n: number, more: number): Score => ({
  block,
  kind: 'rounds+reps',
  rounds: n,
  reps: more,
});

describe('a block that is done again within a session', () => {
  test('more is said to everybody, less to the coach', () => {
    expect(words(reps(1, 38), reps(0, 36))).toEqual([
      ['38 reps against 36 reps: 2 reps more', '38 reps against 36 reps: 2 reps more'],
    ]);
    expect(words(reps(1, 35), reps(0, 36))).toEqual([
      ['35 reps against 36 reps', '35 reps against 36 reps: 1 rep fewer'],
    ]);
    expect(words(reps(1, 36), reps(0, 36))[0]![0]).toBe('36 reps against 36 reps: the same again');
  });
  test('a time is quicker; the cap counts repetitions, and a capped one can’t be subtracted from a finished one', () => {
    expect(words(time(1, 184), time(0, 200))[0]![0]).toBe('3:04 against 3:20: 16 seconds quicker');
    expect(words(time(1, 201), time(0, 200))[0]![1]).toBe('3:21 against 3:20: 1 second slower');
    expect(words(time(1, 300, 40), time(0, 300, 38))[0]![0]).toContain('2 reps more');
    expect(words(time(1, 200), time(0, 300, 38))[0]).toEqual([
      '3:20 against 38 reps by the cap of 5:00',
      '3:20 against 38 reps by the cap of 5:00',
    ]);
  });
  test('rounds are told in repetitions where a round is known, and only then', () => {
    expect(words(rounds(1, 7, 0), rounds(0, 6, 23), 24)[0]![0]).toBe('7 rounds against 6 rounds + 23 reps: 1 rep more');
    expect(words(rounds(1, 7, 0), rounds(0, 6, 23))[0]![0]).toBe('7 rounds against 6 rounds + 23 reps');
    expect(words(rounds(1, 6, 3), rounds(0, 6, 5))[0]![1]).toContain('2 reps fewer');
  });
  test('sets, turns and windows are counted in their own', () => {
    const top = (block: number, tops: number[]): Score => ({ block, kind: 'top-set', tops });
    expect(words(top(1, [3.5, 4]), top(0, [3, 3]))[0]![0]).toContain('1.5 sets more');
    const slots = (block: number, n: number): Score => ({ block, kind: 'whole-slots', slots: n });
    expect(words(slots(1, 9), slots(0, 8))[0]![0]).toContain('1 turn more');
    const windows = (block: number, all: number[]): Score => ({ block, kind: 'reps-per-window', reps: all });
    expect(words(windows(1, [12, 11]), windows(0, [11, 11]))[0]![0]).toBe(
      '12, 11 reps, 23 in all, best 12 against 11, 11 reps, 22 in all, best 11: 1 rep more',
    );
  });
  test('without both scores, or of two kinds or parts, nothing is said', () => {
    expect(scoresAgain({ 1: 0 }, [reps(1, 3)], () => undefined)).toEqual([]);
    expect(scoresAgain({}, [reps(1, 3), reps(0, 2)], () => undefined)).toEqual([]);
    expect(words(reps(1, 3), time(0, 60))).toEqual([]);
    expect(
      scoresAgain(
        { 1: 0 },
        [
          { ...reps(1, 3), part: 2 },
          { ...reps(0, 2), part: 1 },
        ],
        () => undefined,
      ),
    ).toEqual([]);
  });
});
