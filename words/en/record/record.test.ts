import { expect, test } from 'vitest';
import { detailWords, painWords, paceWords } from './record.ts';

test('what a record says beside its numbers, as its coach reads it', () => {
  expect(
    detailWords({
      reason: 'no-time',
      body: 'hurts',
      loads: [
        { block: 0, item: 0, movement: 'goblet squat', kg: 12 },
        { block: 0, item: 1, movement: 'row', kg: 7.5 },
      ],
      chosen: [
        { block: 0, item: 2, from: 'push-up', to: 'knee push-up' },
        { block: 0, item: 3, from: 'burpee', to: '' },
      ],
      rounds: { 0: 4 },
      clockOffSec: 3 * 3600,
    }),
  ).toEqual([
    'because: no time',
    'the body: something hurts',
    'with goblet squat 12 kg, row 7.5 kg',
    '4 rounds, by choice',
    'knee push-up instead of push-up',
    'burpee left out',
    'their phone’s clock is 3 hours ahead',
  ]);
  expect(detailWords({})).toEqual([]);
  expect(detailWords({ clockOffSec: -600 })).toEqual(['their phone’s clock is 10 minutes behind']);
  expect(detailWords({ clockOffSec: 7199 })).toEqual(['their phone’s clock is 2 hours ahead']);
});

test.each([
  ['stand-in', 'wall sit', 'knee, at squat: went on with wall sit'],
  ['left-out', '', 'knee, at squat: left it out'],
  ['ended', '', 'knee, at squat: stopped there'],
] as const)('a pain that was told: %s', (did, to, words) =>
  expect(painWords({ area: 'knee', movement: 'squat', did, to })).toBe(words),
);

test('a pace says how far off, how sure, and what is made of it', () => {
  expect(paceWords(null)).toBe('');
  expect(paceWords({ factor: 1.234, low: 1.1, high: 1.35, records: 9, peers: 0 })).toBe(
    'Repetitions 23 % slower than planned with, out of 9 timed blocks; most likely between 10 % slower and 35 % slower: sessions are planned and fitted for them 25 % slower.',
  );
  expect(paceWords({ factor: 0.95, low: 0.85, high: 1.05, records: 5, peers: 12 })).toContain(
    'out of 5 timed blocks and 12 of others of their level; most likely between 15 % quicker and 5 % slower: not enough to plan with',
  );
});
