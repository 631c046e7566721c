import { expect, test } from 'vitest';
import { advanceSteady, startSteady } from './steady-clock.ts';

/** Where the clock stands after readings of [running, wall] seconds, from 0 and 1000. */
const after = (...readings: [number, number][]) =>
  readings.reduce(
    (clock, [running, wall]) => advanceSteady(clock, { runningMs: running * 1000, wallMs: (1000 + wall) * 1000 }),
    startSteady({ runningMs: 0, wallMs: 1_000_000 }),
  ).atMs / 1000;

test.each<[string, [number, number][], number]>([
  [
    'both run',
    [
      [1, 1],
      [2, 2],
    ],
    2,
  ],
  ['the wall drifts a little', [[10, 11.5]], 10],
  [
    'the phone sleeps, and one clock with it',
    [
      [1, 1],
      [1.2, 31.2],
    ],
    31.2,
  ],
  [
    'the wall is set back an hour',
    [
      [1, 1],
      [2, -3599],
    ],
    2,
  ],
  [
    'the wall is set ahead by four hours',
    [
      [1, 1],
      [2, 14_402],
    ],
    2,
  ],
  ['a sleep of nearly three hours', [[0, 10_799]], 10_799],
  [
    'the running clock never goes back',
    [
      [5, 5],
      [3, 6],
    ],
    5,
  ],
])('%s', (_what, readings, at) => expect(after(...readings)).toBeCloseTo(at, 6));
