import { expect, test } from 'vitest';
import { countSessions } from './count-sessions.ts';
import { planProgramme } from '../plan-programme.ts';
import { planner, singles } from '../programme-fixture.ts';

test('sessions and those still to write are what the weeks add up to', () => {
  const programme = singles(
    [
      [1, 1, ''],
      [1, 2, ' \n '],
      [1, 4, 'Main: flow\n5 squat\n'],
      [2, 1, 'no notation'],
    ],
    2,
  );
  expect(countSessions(programme.days)).toEqual({ sessions: 4, toWrite: 2 });
  expect(planProgramme(programme, planner).reduce((sum, w) => sum + w.toWrite, 0)).toBe(2);
  expect(countSessions([])).toEqual({ sessions: 0, toWrite: 0 });
});
