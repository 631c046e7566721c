import { expect, test } from 'vitest';
import { judgeScreening, SCREENING_QUESTIONS } from './screening.ts';

const answers = (yes: number | undefined) =>
  SCREENING_QUESTIONS.map((_, i) => (i === yes ? ('yes' as const) : ('no' as const)));

test('one yes means a clinician first, unless one was seen; all no is clear; a gap decides nothing', () => {
  expect(judgeScreening(answers(undefined), false)).toBe('clear');
  for (let i = 0; i < SCREENING_QUESTIONS.length; i++) {
    expect(judgeScreening(answers(i), false)).toBe('wait');
    expect(judgeScreening(answers(i), true)).toBe('seen');
  }
  expect(judgeScreening([...answers(undefined).slice(1), undefined], false)).toBeUndefined();
  expect(judgeScreening([], false)).toBeUndefined();
});
