import { expect, test } from 'vitest';
import { baseLibrary } from '../movement/library.ts';
import { analyseText } from './analyse.ts';
import { needsWarmUp } from './needs-warm-up.ts';

test.each([
  ['Main: amrap 5:00\n5 burpee', true],
  ['Main: 3 rounds\n10 push-up', true],
  ['Warm-up: flow\n10 march\n\nMain: amrap 5:00\n5 burpee', false],
  // Nothing is done in it.
  ['Warm-up: flow\nrest 1:00\n\nMain: amrap 5:00\n5 burpee', true],
  // Gentle work is a warm-up itself.
  ['Main: flow\n0:30 side stretch\n10 march', false],
  ['', false],
])('%j: %s', (text, expected) => {
  const { plan, blocks } = analyseText(text, baseLibrary);
  expect(needsWarmUp(plan, blocks)).toBe(expected);
});
