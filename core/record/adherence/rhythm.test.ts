import { expect, test } from 'vitest';
import { lostAfterDue } from './rhythm.ts';

const weeks = (...sessions: readonly number[]) =>
  sessions.flatMap((count, i) => Array.from({ length: count }, () => ({ week: i + 1 })));

test('someone has dropped off after two weeks of the programme’s rhythm, and never before four due days', () => {
  expect(lostAfterDue(weeks(3, 3, 3))).toBe(6);
  expect(lostAfterDue(weeks(6, 6, 6, 6))).toBe(12);
  expect(lostAfterDue(weeks(1, 1))).toBe(4);
  expect(lostAfterDue([])).toBe(4);
  // A pause between has no sessions, and a short last week is one of many; 2.5 a week are 5 in two.
  expect(lostAfterDue(weeks(5, 0, 5, 5, 2))).toBe(10);
  expect(lostAfterDue(weeks(2, 3))).toBe(5);
});
