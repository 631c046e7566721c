import { expect, test } from 'vitest';
import { dayKey } from '../../calendar/day.ts';
import { book, ENGINE_TEXT, makeProgramme, makeTrack, planner, singles } from '../programme-fixture.ts';
import type { ProgrammeDocument } from '../programme-document.ts';
import { findProgrammeDay } from '../programme-document.ts';
import { recurring } from '../track/make-track.ts';
import { applyProgrammeEdits } from './apply-programme-edit.ts';
import { emptyWeeksAfter, fillDays } from './fill-weeks.ts';
import type { ProgrammeEdit } from './programme-edit.ts';

const NONE = new Set<string>();
const SLOW = 'Title: Slow\n\nMain: flow\n6 cat and cow\n';
const edited = (programme: ProgrammeDocument, edits: readonly ProgrammeEdit[], locked = NONE) => {
  const result = applyProgrammeEdits(programme, edits, { book, locked });
  if (result.status === 'refused') throw new Error(result.message);
  return result.programme;
};
const textAt = (programme: ProgrammeDocument, week: number, weekday: number) =>
  findProgrammeDay(programme, { week, weekday })?.text;

test('days to write take what stands last before them on their weekday; nothing that is written changes', () => {
  const before = singles([
    [1, 1, SLOW],
    [2, 1, ''],
    [3, 1, 'Title: Other\n\nMain: flow\n4 squat\n'],
    [4, 1, ' \n'],
    [1, 3, ''],
    [2, 3, SLOW],
    [3, 3, ''],
  ]);
  const { edits, filled, left } = fillDays(before, NONE);
  expect(filled.map(dayKey)).toEqual(['w2d1', 'w4d1', 'w3d3']);
  expect(left).toBe(1);
  const after = edited(before, edits);
  expect(textAt(after, 2, 1)).toBe(SLOW);
  expect(textAt(after, 4, 1)).toMatch(/Other/);
  expect(textAt(after, 3, 3)).toBe(SLOW);
  expect(textAt(after, 1, 3)).toBe('');
  for (const day of before.days.filter((d) => d.text.trim() !== ''))
    expect(textAt(after, day.week, day.weekday)).toBe(day.text);
  // Once more there is nothing to fill.
  expect(fillDays(after, NONE)).toEqual({ edits: [], filled: [], left: 1 });
});

test('a session of a track comes to the track’s next number, its numbers grown; sent days stay', () => {
  const programme = makeProgramme({ lighter: [] });
  const open: ProgrammeDocument = {
    ...programme,
    days: programme.days.map((d) => (d.weekday === 4 && d.week > 1 ? { week: d.week, weekday: 4, text: '' } : d)),
  };
  const { edits, filled } = fillDays(open, new Set(['w3d4']));
  expect(filled.map(dayKey)).toEqual(['w2d4', 'w4d4']);
  const after = edited(open, edits);
  expect(textAt(after, 2, 4)).toBe(textAt(programme, 2, 4));
  expect(textAt(after, 4, 4)).toBe(textAt(programme, 4, 4));
  expect(textAt(after, 3, 4)).toBe('');
});

test('what takes the next of some routines takes the one of its week', () => {
  const before = singles([
    [1, 1, 'Main: flow\nnext of a, b, c\n'],
    [3, 1, ''],
  ]);
  expect(textAt(edited(before, fillDays(before, NONE).edits), 3, 1)).toMatch(/next of c, a, b/);
});

test('nothing to write, or nothing before it', () => {
  expect(fillDays(singles([]), NONE)).toEqual({ edits: [], filled: [], left: 0 });
  expect(fillDays(singles([[1, 1, '']]), NONE)).toEqual({ edits: [], filled: [], left: 1 });
});

test('empty weeks are those after it without a text and without a sent day', () => {
  const programme = singles(
    [
      [1, 1, SLOW],
      [2, 1, ''],
      [3, 2, SLOW],
      [5, 1, ''],
    ],
    6,
  );
  expect(emptyWeeksAfter(programme, 1, NONE)).toEqual([2, 4, 5, 6]);
  expect(emptyWeeksAfter(programme, 1, new Set(['w5d1']))).toEqual([2, 4, 6]);
  expect(emptyWeeksAfter(programme, 6, NONE)).toEqual([]);
  const after = edited(
    programme,
    emptyWeeksAfter(programme, 1, NONE).map((to) => ({ kind: 'copy-week', from: 1, to })),
  );
  expect([2, 4, 5, 6].map((week) => textAt(after, week, 1))).toEqual([SLOW, SLOW, SLOW, SLOW]);
  expect(textAt(after, 3, 2)).toBe(SLOW);
});

test('what could recur: each written session outside of tracks with days to write after it on its weekday', () => {
  const programme: ProgrammeDocument = {
    ...singles([
      [1, 1, SLOW],
      [2, 1, ''],
      [1, 2, SLOW],
      [1, 4, ENGINE_TEXT],
      [2, 4, SLOW],
      [3, 4, ''],
      [1, 6, 'Title: Own'],
      [2, 6, ''],
    ]),
    tracks: [makeTrack('own', ENGINE_TEXT)],
  };
  const own = programme.days.map((d) =>
    d.weekday === 6 && d.week === 1 ? { ...d, track: { id: 'own', week: 1, isPinned: false } } : d,
  );
  expect(recurring({ ...programme, days: own }, planner, NONE).map((r) => [dayKey(r.place), r.later])).toEqual([
    ['w1d1', 1],
    ['w2d4', 1],
  ]);
  expect(recurring({ ...programme, days: own }, planner, new Set(['w1d1', 'w3d4']))).toEqual([]);
});
