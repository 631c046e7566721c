import { expect, test } from 'vitest';
import { COACH_ROLES, isCoachRole, mayAs, seesHealth } from './coach-role.ts';

test('who may do more may do what takes less, and nobody more', () => {
  const may = COACH_ROLES.map((role) => COACH_ROLES.map((least) => mayAs(role, least)));
  expect(may).toEqual([
    [true, true, true],
    [false, true, true],
    [false, false, true],
  ]);
  expect(COACH_ROLES.map(seesHealth)).toEqual([true, true, false]);
  expect(['owner', 'Owner', '', 'admin', 'toString'].map(isCoachRole)).toEqual([true, false, false, false, false]);
});
