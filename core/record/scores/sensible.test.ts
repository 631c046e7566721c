import { expect, test } from 'vitest';
import { baseLibrary } from '../../movement/library.ts';
import { analyseText } from '../../session/analyse.ts';
import type { Score } from './score.ts';
import { sensibleBounds, withHistory } from './sensible.ts';

const boundsWith = (text: string, best?: Score) => {
  const { plan, blocks } = analyseText(text, baseLibrary);
  const bounds = sensibleBounds(plan, blocks, baseLibrary);
  return withHistory(bounds, best ? { 0: { best: { dayWords: '', score: best } } } : {})[0]!;
};

test('what is near to one’s own best isn’t asked about; the plan’s own bounds stay otherwise', () => {
  const AMRAP = 'Main: amrap 4:00\n10 squat';
  const plain = boundsWith(AMRAP).mostReps!;
  expect(boundsWith(AMRAP, { block: 0, kind: 'reps', reps: 10 }).mostReps).toBe(plain);
  expect(boundsWith(AMRAP, { block: 0, kind: 'reps', reps: plain }).mostReps).toBe(Math.ceil(plain * 1.5));
  expect(
    boundsWith('Main: amrap 4:00\n10 squat\n5 push-up', { block: 0, kind: 'rounds+reps', rounds: 100, reps: 4 })
      .mostReps,
  ).toBe(2256);
  const FOR_TIME = 'Main: 3 rounds for time\n10 squat';
  const least = boundsWith(FOR_TIME).leastSec!;
  expect(boundsWith(FOR_TIME, { block: 0, kind: 'time', sec: least }).leastSec).toBe(Math.floor(least / 1.5));
  expect(boundsWith(FOR_TIME, { block: 0, kind: 'time', sec: 9, reps: 4 }).leastSec).toBe(least);
  expect(boundsWith(FOR_TIME, { block: 0, kind: 'time', sec: 900 }).leastSec).toBe(least);
});
