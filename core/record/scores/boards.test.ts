import { describe, expect, test } from 'vitest';
import { placeWords, tenth } from '../../words/words.ts';
import { baseLibrary } from '../../movement/library.ts';
import { parseSession } from '../../notation/read-session.ts';
import type { BoardPerson } from './boards.ts';
import { boardName, personBoard, placeAll, teamBoard } from './boards.ts';
import { sumWeek } from '../adherence/week-facts.ts';
import { computePlan } from '../../session/plan.ts';
import type { DoneAs } from './shared-total.ts';
import { lineReps, openRounds, readSharedTotal, sharedReps } from './shared-total.ts';

const person = (id: number, team: string, kept: number, more: Partial<BoardPerson> = {}): BoardPerson => ({
  id,
  name: `P${id}`,
  team,
  board: 'name',
  alias: '',
  kept,
  due: 10,
  ...more,
});

describe('boards', () => {
  test('teams by days kept a member: a big team has no advantage, and ties share a place', () => {
    const people = [
      ...Array.from({ length: 8 }, (_, i) => person(i, 'Harbour', 5)),
      person(20, 'Market', 9),
      person(21, 'Market', 5),
      person(30, 'Old Mill', 7),
      person(40, '', 10),
    ];
    const shared = new Map([
      [30, 12],
      [20, 3],
      [21, 4],
    ]);
    expect(
      teamBoard(people, shared).map(({ place, of }) => [place, of.team, of.mean, of.members, of.kept, of.shared]),
    ).toEqual([
      [1, 'Market', 7, 2, 14, 7],
      [1, 'Old Mill', 7, 1, 7, 12],
      [3, 'Harbour', 5, 8, 40, 0],
    ]);
  });
  test('people by days kept, under the name they chose; who is out is on no board but counts with the team', () => {
    const people = [
      person(1, 'A', 5, { board: 'out' }),
      person(2, 'A', 4, { board: 'alias', alias: 'Night owl' }),
      person(3, 'A', 4),
      person(4, 'A', 2, { board: 'alias', alias: '' }),
    ];
    expect(personBoard(people).map(({ place, of }) => [place, of.shown])).toEqual([
      [1, 'Night owl'],
      [1, 'P3'],
      [3, 'P4'],
    ]);
    expect(boardName(people[0]!)).toBeUndefined();
    expect(teamBoard(people)[0]!.of).toMatchObject({ members: 4, kept: 15, mean: 3.75 });
  });
  test('nobody gives empty boards', () => {
    expect([teamBoard([]), personBoard([])]).toEqual([[], []]);
  });
});

test('the shared total: planned repetitions by the share, open rounds as scored, nothing guessed', () => {
  const { document } = parseSession(
    'Main (A): 3 rounds\n10 step-up\n5 squat\n\nMain (B): amrap 8:00\n10 alt step-up\n6/side squat\n',
    baseLibrary,
  );
  const open = openRounds(document.blocks, baseLibrary);
  expect(open).toEqual([
    {
      block: 1,
      items: [
        { item: 0, id: 'step-up', reps: 10 },
        { item: 1, id: 'squat', reps: 12 },
      ],
    },
  ]);
  const lines = lineReps(computePlan(document, baseLibrary));
  expect(lines).toEqual([
    { block: 0, item: 0, id: 'step-up', reps: 30 },
    { block: 0, item: 1, id: 'squat', reps: 15 },
  ]);
  const facts = { lines, openRounds: open };
  const rounds = { block: 1, kind: 'rounds+reps' as const, rounds: 7, reps: 4 };
  // 30 planned, 7 rounds of 10, and 4 of the eighth; then all 10 of it, and 5 squats.
  expect(sharedReps(['step-up'], facts, { shareRatio: 1, scores: [rounds] })).toBe(104);
  const later = { ...rounds, reps: 15 };
  expect(sharedReps(['step-up'], facts, { shareRatio: 1, scores: [later] })).toBe(110);
  expect(sharedReps(['squat'], facts, { shareRatio: 1, scores: [later] })).toBe(15 + 7 * 12 + 5);
  expect(sharedReps(['step-up', 'squat'], facts, { shareRatio: 0, scores: [later] })).toBe(70 + 84 + 15);
  // Behind a line for time nobody knows.
  const timed = openRounds(
    parseSession('Main: amrap 8:00\n5 squat\n0:20 plank\n5 squat\n', baseLibrary).document.blocks,
    baseLibrary,
  );
  const begun = { block: 0, kind: 'rounds+reps' as const, rounds: 2, reps: 8 };
  expect(sharedReps(['squat'], { lines: [], openRounds: timed }, { shareRatio: 1, scores: [begun] })).toBe(25);
  expect(sharedReps(['step-up'], facts, { shareRatio: 0.5, scores: [] })).toBe(15);
  expect(sharedReps(['step-up', 'squat'], facts, { shareRatio: 1, scores: [{ ...rounds, block: 0 }] })).toBe(45);
  expect(sharedReps(['plank'], facts, { shareRatio: 1, scores: [rounds] })).toBe(0);
  // Done as another movement it counts for that one, wherever; left out, for none.
  const march = [
    { block: 0, item: 0, id: 'march' },
    { block: 1, item: 0, id: 'march' },
  ];
  expect(sharedReps(['step-up'], facts, { shareRatio: 1, scores: [rounds], doneAs: march })).toBe(0);
  expect(sharedReps(['march'], facts, { shareRatio: 1, scores: [rounds], doneAs: march })).toBe(104);
  const out = [{ block: 0, item: 1, id: null }];
  expect(sharedReps(['squat'], facts, { shareRatio: 1, scores: [], doneAs: out })).toBe(0);
  expect(readSharedTotal({ words: 'stairs', movements: ['step-up'] })).toEqual({
    words: 'stairs',
    movements: ['step-up'],
  });
  for (const bad of [null, {}, { words: 3, movements: [] }, { words: 'x', movements: [1] }])
    expect(readSharedTotal(bad)).toBeUndefined();
});

test('a week summed up: what was owed, what was kept, and about how long that was', () => {
  const days = [
    { week: 1, likelySec: 9999 },
    { week: 2, likelySec: 1200 },
    { week: 2, likelySec: 600 },
  ];
  const people = [
    { states: ['done', 'done', 'part'] as const, records: [undefined, { shareRatio: 1 }, { shareRatio: 0.25 }] },
    { states: ['done', 'missed', 'part'] as const, records: [undefined, undefined, undefined] },
    { states: ['done', 'bonus', 'late'] as const, records: [{ shareRatio: 1 }, { shareRatio: 1 }, { shareRatio: 1 }] },
  ];
  // 1200 + a quarter and a half of 600 = 1650 s; a bonus raises neither, a late one is owed.
  expect(sumWeek(2, days, people)).toEqual({ due: 5, done: 3, minutes: 28 });
  expect(sumWeek(3, days, people)).toEqual({ due: 0, done: 0, minutes: 0 });
});

test('places go by exact values, and those who share one say so', () => {
  const placed = placeAll(
    ['a3', 'b2', 'c2', 'd1'],
    (t) => Number(t[1]),
    (t) => t,
  );
  expect(placed.map(({ place, isShared, of }) => placeWords({ place, isShared }) + of)).toEqual([
    '1a3',
    '2=b2',
    '2=c2',
    '4d1',
  ]);
  // 15 of 4 are 3.75, 19 of 5 are 3.8: to a tenth they are alike, and still one is before the other.
  const member = (id: number, team: string, kept: number) => ({
    id,
    name: String(id),
    team,
    board: 'name' as const,
    alias: '',
    kept,
    due: 5,
  });
  const people = [
    ...[4, 4, 4, 3].map((kept, i) => member(i, 'A', kept)),
    ...[4, 4, 4, 4, 3].map((kept, i) => member(10 + i, 'B', kept)),
  ];
  expect(teamBoard(people).map(({ place, isShared, of }) => [place, isShared, of.team, tenth(of.mean)])).toEqual([
    [1, false, 'B', '3.8'],
    [2, false, 'A', '3.8'],
  ]);
});

test('a shared total counts one’s own number of a line, and one’s own rounds', () => {
  const { document } = parseSession('Main: 5 rounds\n10 step-up\n10 squat\n', baseLibrary);
  const plan = computePlan(document, baseLibrary);
  const facts = { lines: lineReps(plan), openRounds: openRounds(document.blocks, baseLibrary) };
  const total = (doneAs: readonly DoneAs[]) => sharedReps(['step-up'], facts, { shareRatio: 1, scores: [], doneAs });
  expect(total([])).toBe(50);
  expect(total([{ block: 0, item: 0, id: 'step-up', times: 0.8 }])).toBe(40);
  expect(total([{ block: 0, item: -1, id: null, times: 0.8 }])).toBe(40);
  expect(total([{ block: 0, item: 1, id: 'squat', times: 0.5 }])).toBe(50);
});
