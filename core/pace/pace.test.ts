import { expect, test } from 'vitest';
import { baseLibrary } from '../movement/library.ts';
import { usualDose } from '../movement/usual-dose.ts';
import {
  CHANGE_OVER_SEC,
  DEFAULT_PACE_SEC,
  MAX_EFFORT_SEC,
  METRES_PER_SEC,
  SEC_PER_KCAL,
  SPEED_FACTOR,
} from './pace.ts';

// Common practice, no source: they stand in the coach's sums, so that a change must be meant.
test('the figures that lengths at one’s own pace rest on', () => {
  expect(DEFAULT_PACE_SEC).toEqual({ low: 1.8, likely: 2.5, high: 3.8 });
  expect(CHANGE_OVER_SEC).toEqual({ low: 3, likely: 5, high: 9 });
  expect(MAX_EFFORT_SEC).toEqual({ low: 20, likely: 40, high: 70 });
  expect(METRES_PER_SEC).toEqual({ low: 3.2, likely: 2.5, high: 1.6 });
  expect(SEC_PER_KCAL).toEqual({ low: 3, likely: 4, high: 6 });
  expect(SPEED_FACTOR).toEqual({ brisk: 0.85, steady: 1, slow: 1.4 });
});

test('what is harder is written with fewer repetitions', () => {
  const counted = baseLibrary.movements.filter((m) => !m.isHold);
  const usual = [1, 2, 3, 4, 5].map((c) => {
    const dose = usualDose(counted.find((m) => m.effortClass === c)!);
    return dose.kind === 'reps' && dose.amount.kind === 'fixed' ? dose.amount.value : undefined;
  });
  expect(usual).toEqual([8, 10, 10, 8, 6]);
});
