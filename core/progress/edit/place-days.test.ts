import { expect, test } from 'vitest';
import { applyProgrammeEdits } from './apply-programme-edit.ts';
import { findConflict, placeDays, placingEdits, weeksToAdd } from './place-days.ts';
import { emptyProgramme } from '../programme-document.ts';
import { createTrackBook } from './regenerate.ts';
import { baseLibrary } from '../../movement/library.ts';

const day = (text: string, week: number | null, weekday: number | null) => ({ text, week, weekday });

test('the plan’s first week is the one that is written, and its days keep their distance', () => {
  const placed = placeDays([day('a', 3, 2), day('b', 5, 1), day('c', null, 4)], 6);
  expect(placed.map(({ week, weekday, text }) => [week, weekday, text])).toEqual([
    [6, 2, 'a'],
    [6, 4, 'c'],
    [8, 1, 'b'],
  ]);
});

test('days without a place and empty ones are left out, until the coach chooses', () => {
  const days = [day('a', null, null), day(' \n', null, 2), day('b', null, 3)];
  expect(placeDays(days, 1).map((d) => d.text)).toEqual(['b']);
  const chosen = new Map([
    [0, { week: 2, weekday: 5 }],
    [2, null],
  ]);
  expect(placeDays(days, 1, chosen)).toEqual([{ week: 2, weekday: 5, text: 'a', from: [0] }]);
});

test('two parts for one day stand below one another, with one title', () => {
  const placed = placeDays(
    [day('Title: A\n\nMain: flow\nsquat\n', null, 1), day('Title: B\nKit: mat\n\nMain: flow\nplank\n', null, 1)],
    1,
  );
  expect(placed).toEqual([
    { week: 1, weekday: 1, text: 'Title: A\n\nMain: flow\nsquat\n\nMain: flow\nplank\n', from: [0, 1] },
  ]);
});

test('what a day meets is named', () => {
  const placed = { week: 2, weekday: 1, text: 'Main: flow\nsquat\n', from: [0] };
  expect(findConflict(placed, undefined, 2)).toBe('free');
  expect(findConflict(placed, { text: ' \n', isSent: false }, 2)).toBe('free');
  expect(findConflict(placed, { text: 'Main: flow\nsquat', isSent: true }, 2)).toBe('same');
  expect(findConflict(placed, { text: 'Main: flow\nplank', isSent: false }, 2)).toBe('taken');
  expect(findConflict(placed, { text: 'Main: flow\nplank', isSent: true }, 2)).toBe('sent');
  expect(findConflict(placed, undefined, 1)).toBe('beyond');
});

test('the edits write every day, and the programme grows only where that was wished', () => {
  const placed = placeDays([day('Main: flow\nsquat\n', 1, 1), day('Main: flow\nplank\n', 3, 7)], 2);
  expect(weeksToAdd(placed, 2)).toBe(2);
  expect(weeksToAdd(placed, 9)).toBe(0);
  expect(weeksToAdd([{ week: 80, weekday: 1, text: 'a', from: [0] }], 50)).toBe(2);
  const programme = emptyProgramme({ title: 'P', weeks: 2, weekdays: [] });
  const book = createTrackBook({ library: baseLibrary, routines: new Map() });
  const apply = (addWeeks: number) =>
    applyProgrammeEdits(programme, placingEdits(placed, { weeks: 2, addWeeks }), { book, locked: new Set() });
  const short = apply(0);
  expect(short.status === 'changed' && [short.programme.weeks, short.programme.days.length]).toEqual([2, 1]);
  const long = apply(2);
  expect(long.status === 'changed' && [long.programme.weeks, ...long.programme.days.map((d) => d.week)]).toEqual([
    4, 2, 4,
  ]);
});
