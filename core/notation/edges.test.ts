import { describe, expect, test } from 'vitest';
import { baseLibrary } from '../movement/library.ts';
import type { SessionEdit } from './session-edit.ts';
import { applyEdits } from './apply-edits.ts';
import { Cursor } from '../text/cursor.ts';
import { readOwnPlan } from './own-words/read-plan.ts';
import { parseSession } from './read-session.ts';
import { tokenizeLine } from '../text/tokens.ts';

const edit = (text: string, ...edits: SessionEdit[]) => applyEdits(text, edits, baseLibrary);
const issues = (text: string) => parseSession(text, baseLibrary).issues.map((i) => i.message);

describe('what stands beside a clock that doesn’t go with it', () => {
  const FLOW = '“flow” is once through, unhurried; remove it, or what stands beside it.';
  const RELAY = 'A relay has its own numbers and runs without a clock.';
  test.each([
    ['flow, 3 rounds', FLOW],
    ['flow, reps 5', FLOW],
    ['flow, by feel', FLOW],
    ['flow, cap 5:00', FLOW],
    ['flow, relay 6-4', FLOW],
    ['flow, for time', FLOW],
    ['relay 6-4, 3 rounds', RELAY],
    ['relay 6-4, reps 5', RELAY],
    ['relay 6-4, by feel', RELAY],
    ['relay 6-4, amrap 5:00', RELAY],
    ['amrap 5:00, for time', '“for time” runs without a clock; remove one of the two.'],
    ['amrap 5:00, cap 3:00', 'A cap goes with “for time” or rounds; this block’s clock ends it already.'],
    ['amrap 5:00, work cap 0:40', 'A work cap goes with a clock of turns like “every 1:15 for 30:00”.'],
    ['amrap 5:00, stations', 'Stations go with an interval clock like “work 0:45 rest 0:15”.'],
    ['3 rounds, stations', 'Stations go with an interval clock like “work 0:45 rest 0:15”.'],
    ['3 rounds, work cap 0:40', 'A work cap goes with a clock of turns like “every 1:15 for 30:00”.'],
    ['amrap 5:00, 3 rounds', 'The clock of this block says how long it goes on; leave the rounds out.'],
    ['windows 1:00 x 2, 3 rounds', 'The clock of this block says how long it goes on; leave the rounds out.'],
    ['pyramid +2 in 1:00, 3 rounds', 'A pyramid carries its own numbers from set to set.'],
    ['pyramid +2 in 1:00, by feel', 'A pyramid carries its own numbers from set to set.'],
    ['reps 5-4, by feel', 'By feel owes no number; remove the list, or “by feel”.'],
    ['reps 5-4 cycling', 'A cycling list needs a clock or a number of rounds.'],
    ['reps 5-4-3, 2 rounds', 'The list of reps has 3 numbers, and so as many rounds; the rounds say something else.'],
    ['flow, amrap 5:00', '“flow” is unhurried, without a clock; remove one of the two.'],
    ['amrap 5:00, flow', '“flow” is unhurried, without a clock; remove one of the two.'],
    ['amrap 5:00, amrap 6:00', 'A block has one clock, and this is its second; begin a new block for it.'],
    ['for time, for time', 'for time is said twice in one header; keep one.'],
    ['scored, scored', 'scored is said twice in one header; keep one.'],
    ['every 1:00 x 4, work cap 1:30', 'The work cap is later than the end of the turn.'],
    ['every 2:00 for 1:00', 'One turn is longer than the whole clock.'],
    ['work 30/40s rest 10/20/30s', 'Work is given for 2 rounds and rest for 3.'],
    ['work 0:20 rest 0:10 x 8, 3 rounds', '“x” says how many intervals there are; leave the rounds out.'],
    ['work 30/40s rest 10s, 3 rounds', 'The clock is given for 2 rounds, and the rounds say 3.'],
  ])('%s', (header, message) => {
    expect(issues(`Main: ${header}\n5 squat`)).toContain(message);
  });
  test.each([
    'relay 6-4, cap 5:00',
    'for time, 3 rounds, cap 9:00',
    'reps 5-4-3, 3 rounds',
    'work 30/40s rest 10s, 2 rounds',
  ])('goes together: %s', (header) => {
    expect(issues(`Main: ${header}\n5 squat`).filter((m) => !m.includes('dose'))).toEqual([]);
  });
  test('numbers at their limits', () => {
    const reads = (header: string) => issues(`Main: ${header}\n5 squat`).length === 0;
    expect([reads('20 sets'), reads('21 sets')]).toEqual([true, false]);
    expect([reads('turns of 6 in 1:00'), reads('turns of 7 in 1:00'), reads('turns of 1 in 1:00')]).toEqual([
      true,
      false,
      false,
    ]);
    expect([reads('relay 5 teams of 50'), reads('relay 5 teams of 51')]).toEqual([true, false]);
    expect([reads('every 0:01 x 1000'), reads('every 0:01 x 1001')]).toEqual([true, false]);
    expect([reads('windows 1:00 x 100'), reads('windows 1:00 x 101')]).toEqual([true, false]);
    expect([reads('pyramid +100 in 1:00'), reads('pyramid +101 in 1:00')]).toEqual([true, false]);
  });
});

test('free words have at most 200 letters', () => {
  const reads = (n: number) => issues(`Main: flow\n5 squat, "${'x'.repeat(n)}"`).length === 0;
  expect([reads(200), reads(201)]).toEqual([true, false]);
});

test('a line above the blocks is changed and its comment stays, of a title and a note as of a number', () => {
  const text = 'Title: One # keep\nTarget: 30 min # promise\nNote: Two # hold\n\nMain: flow\n5 squat\n';
  expect(edit(text, { kind: 'set-field', field: 'Title', value: 'New' })).toContain('Title: New # keep\n');
  expect(edit(text, { kind: 'set-field', field: 'Note', value: 'Newer' })).toContain('Note: Newer # hold\n');
  expect(edit(text, { kind: 'set-field', field: 'Target', value: '40 min' })).toContain('Target: 40 min # promise\n');
  expect(edit(text, { kind: 'set-field', field: 'Note', value: null })).not.toContain('Note');
});

test('a block that is moved takes no blank lines along and leaves none behind', () => {
  const text = 'Main (A): flow\n5 squat\n\n\nMain (B): flow\n5 march\n\n';
  const moved = edit(text, { kind: 'move-block', block: 1, at: 0 });
  expect(moved.trimEnd()).toBe('Main (B): flow\n5 march\n\nMain (A): flow\n5 squat');
});

test('a block done again counts with its sets, through any chain of references', () => {
  // 60 items x 8 rounds x 4 sets, both sides: 3,840 steps; with it again 7,680, with it a third time too many.
  const lines = Array.from({ length: 60 }, () => '5 squat').join('\n');
  const text = (more: string) =>
    `Main (Long): 8 rounds, 4 sets, rest 1:00\n${lines}\n\nMain (Again): same as Long\n${more}`;
  expect(parseSession(text(''), baseLibrary).issues).toEqual([]);
  expect(parseSession(text('\nMain: same as Again'), baseLibrary).issues.map((i) => i.code)).toEqual(['bad-value']);
});

test('a block that says again what it refers to, and says it differently: the clauses are marked, from first to last letter', () => {
  const lines = ['Main (A): amrap 6:00', '5 squat', '', 'Finisher: same as A, amrap 8:00'];
  const { issues } = parseSession(lines.join('\n'), baseLibrary);
  expect(issues).toMatchObject([{ line: 4, code: 'contradiction', column: 11, endColumn: 32 }]);
});

describe('boundaries of reading and editing', () => {
  test('a block moved to the last place, or one that isn’t there', () => {
    const text = 'Main (A): 2 rounds\n5 squat\n\nMain (B): 2 rounds\n5 march\n';
    const moved = edit(text, { kind: 'move-block', block: 0, at: 2 });
    expect(moved).toBe('Main (B): 2 rounds\n5 march\n\nMain (A): 2 rounds\n5 squat\n');
    expect(edit(text, { kind: 'move-block', block: 1, at: 0 })).toBe(moved);
    expect(edit(text, { kind: 'move-block', block: 0, at: 1 })).toBe(text);
    expect(() => edit(text, { kind: 'move-block', block: 0, at: 3 })).toThrow('there are 2 blocks');
  });

  test('three numbers with colons are hours, and a fourth is no part of them', () => {
    const kinds = (line: string) => tokenizeLine(line, 1).tokens.map((t) => t.text);
    expect(kinds('1:02:03 squat')[0]).toBe('1:02:03');
    expect(kinds('1:02:03:04 squat')[0]).toBe('1:02:03');
    expect(kinds('1: squat')[0]).toBe('1');
  });

  test('what stands between two tokens, and nothing where there are none', () => {
    const { tokens } = tokenizeLine('5  slow   squat', 1);
    const cursor = new Cursor(tokens, 1, '5  slow   squat');
    expect(cursor.slice(0, 3)).toBe('5 slow squat');
    expect(cursor.slice(1, 2)).toBe('slow');
    expect(cursor.slice(2, 2)).toBe('');
    expect(cursor.slice(2, 1)).toBe('');
    expect(cursor.slice(1, 9)).toBe('');
    expect(cursor.slice(7, 9)).toBe('');
  });

  test('a range needs an end above its start', () => {
    const guessed = (line: string) => readOwnPlan(line, baseLibrary).days[0]!.text;
    expect(guessed('3 sets of 8-8 squats\nsquat')).not.toContain('8 to 8');
    expect(guessed('squats 8-9')).toContain('8 to 9 squat');
    expect(guessed('squats 9-8')).not.toContain('9 to 8');
    expect(guessed('squats x 1000')).toContain('1000 squat');
  });

  test('an unlabelled header keeps what is said behind it, and an item says its comment', () => {
    const { document } = parseSession('Main: 2 rounds # breathe\n5 squat # low\n', baseLibrary);
    expect(document.blocks[0]!.comments).toEqual({ after: 'breathe' });
    expect(document.blocks[0]).not.toHaveProperty('label');
    expect(parseSession('Main (A): 2 rounds\n5 squat\n', baseLibrary).document.blocks[0]).not.toHaveProperty(
      'comments',
    );
  });

  test('a block that refers may say the same rules again, not others', () => {
    const first = 'Main (A): 3 rounds\n5 squat\n\nMain (B): 2 rounds\n5 march\n\n';
    expect(issues(`${first}Main: same as "A", 3 rounds\n`)).toEqual([]);
    expect(issues(`${first}Main: same as "A", 2 rounds\n`)[0]).toContain('“A” has another clock or count');
    expect(issues(`${first}Main: same as "A"\n5 squat\n`)).toEqual([]);
    expect(issues(`${first}Main: same as "A"\n6 squat\n`)[0]).toContain('“A” has “5 squat” in this place');
    expect(issues(`${first}Main: same as "A"\n5 squat\n5 march\n`)[0]).toContain('“A” has 1 lines, and these are 2');
  });
});
