import fc from 'fast-check';
import { expect, test } from 'vitest';
import { runs } from '../../../tests/long.ts';
import { relativeChange } from './relative-change.ts';
import type { Score } from './score.ts';
import { isBetter } from './score.ts';

const rounds = (n: number, reps: number): Score => ({ block: 0, kind: 'rounds+reps', rounds: n, reps });
const time = (sec: number, reps?: number): Score => ({
  block: 0,
  kind: 'time',
  sec,
  ...(reps !== undefined && { reps }),
});
const work = { perRound: 24, plannedReps: 120 };

test('seven rounds against six and 23 of 24 is a repetition, not a seventh', () => {
  expect(relativeChange(rounds(6, 23), rounds(7, 0), work)).toBeCloseTo(-1 / 168, 9);
  expect(relativeChange(rounds(7, 0), rounds(6, 23), work)).toBeCloseTo(1 / 167, 9);
  expect(relativeChange(rounds(6, 23), rounds(7, 0), { ...work, perRound: null })).toBeCloseTo(-1 / 7, 9);
});

test('times by their seconds, caps by their repetitions, one of each by its rate', () => {
  expect(relativeChange(time(220), time(200), work)).toBeCloseTo(-0.1, 9);
  expect(relativeChange(time(600, 90), time(600, 100), work)).toBeCloseTo(-0.1, 9);
  expect(relativeChange(time(600, 90), time(600), work)).toBeCloseTo(-0.25, 9);
  expect(relativeChange(time(600), time(600, 90), work)).toBeCloseTo(1 / 3, 9);
  expect(relativeChange(time(600, 90), time(600), { ...work, plannedReps: null })).toBeNull();
});

test('nothing is said of different kinds, or against nothing', () => {
  expect(relativeChange(rounds(1, 0), time(60), work)).toBeNull();
  expect(relativeChange(rounds(1, 0), rounds(0, 0), work)).toBeNull();
});

const score = fc.oneof(
  fc.tuple(fc.nat(20), fc.nat(23)).map(([n, reps]) => rounds(n, reps)),
  fc.integer({ min: 1, max: 599 }).map((sec) => time(sec)),
  fc.nat(119).map((reps) => time(600, reps)),
  fc.nat(300).map((n): Score => ({ block: 0, kind: 'reps', reps: n })),
  fc
    .array(fc.nat(40), { minLength: 3, maxLength: 3 })
    .map((reps): Score => ({ block: 0, kind: 'reps-per-window', reps })),
  fc.array(fc.nat(9), { minLength: 2, maxLength: 2 }).map((tops): Score => ({ block: 0, kind: 'top-set', tops })),
  fc.nat(20).map((slots): Score => ({ block: 0, kind: 'whole-slots', slots })),
);

test('what is better is better in figure, what is equal is 0', () => {
  fc.assert(
    fc.property(score, score, (a, b) => {
      const change = relativeChange(a, b, work);
      if (change === null) return;
      expect(Math.sign(change)).toBe(isBetter(a, b) ? 1 : isBetter(b, a) ? -1 : 0);
    }),
    { numRuns: runs(2000) },
  );
});
