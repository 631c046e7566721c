import { expect, test } from 'vitest';
import { baseLibrary } from '../../movement/library.ts';
import { createDayPlanner } from '../day-plan.ts';
import { emptyProgramme } from '../programme-document.ts';
import { EXAMPLES, findExample } from '../examples/examples.ts';
import { pictureWeeks, sessionsAWeek } from './weeks-picture.ts';

const planner = createDayPlanner({ library: baseLibrary, routines: new Map() });
const planOf = (text: string) => planner.of(text)!;

test('a picture has each session where it stands, with its minutes and effort', () => {
  const programme = emptyProgramme({ title: 'x', weeks: 2, weekdays: [1, 3], firstWeekday: 3 });
  // Weeks that begin on a Wednesday: that is day 1, and Monday day 6.
  expect(programme.days.map((d) => d.weekday)).toEqual([1, 6, 1, 6]);
  const days = programme.days.map((d, i) =>
    i === 0 ? { ...d, text: 'Effort: 6\n\nMain: every 1:00 for 8:00\n5 squat\n' } : d,
  );
  expect(pictureWeeks({ ...programme, days: [...days, { week: 9, weekday: 1, text: '' }] }, planOf)).toEqual([
    [[8, 6], null, null, null, null, [0, null], null],
    [[0, null], null, null, null, null, [0, null], null],
  ]);
});

test('and says how many sessions a week has', () => {
  for (const id of Object.keys(EXAMPLES)) {
    const picture = pictureWeeks(findExample(id)!, planOf);
    expect(picture.flat().filter((d) => d !== null).length).toBe(findExample(id)!.days.length);
  }
  const d = [10, null] as const;
  expect(sessionsAWeek([[d, null, d]])).toBe('2');
  expect(sessionsAWeek([[d], [d, d, d]])).toBe('1 to 3');
  expect(sessionsAWeek([[null], [null]])).toBe('0');
  expect(sessionsAWeek([])).toBe('0');
});
