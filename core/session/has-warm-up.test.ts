import { expect, test } from 'vitest';
import { baseLibrary } from '../movement/library.ts';
import { hasWarmUp } from './has-warm-up.ts';
import { analyseText } from './analyse.ts';

test.each([
  ['Warm-up: flow\n10 squat\n\nMain: amrap 5:00\n5 burpee', true],
  ['Main: amrap 5:00\n5 burpee', false],
  // Nothing is done in it.
  ['Warm-up: flow\nrest 1:00\n\nMain: amrap 5:00\n5 burpee', false],
  ['Cool-down: flow\n0:30 side stretch', true],
  ['', true],
])('%j: %s', (text, expected) => {
  expect(hasWarmUp(analyseText(text, baseLibrary).blocks)).toBe(expected);
});
