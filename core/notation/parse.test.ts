import { expect, test, describe } from 'vitest';
import { baseLibrary } from '../movement/library.ts';
import { MAX_TEXT_BYTES } from './parse.ts';
import { parseSession } from './read-session.ts';
import { printSession } from './print.ts';

const read = (text: string) => parseSession(text, baseLibrary);
const item = (line: string) => {
  const { document, issues } = read(`Main: 3 rounds\n${line}`);
  expect(issues).toEqual([]);
  return document.blocks[0]!.items[0]!;
};
const header = (clauses: string) => {
  const { document, issues } = read(`Main: ${clauses}\n10 squat\n5 push-up`);
  expect(issues).toEqual([]);
  return document.blocks[0]!;
};
const WHOLE = `Title: Quiet legs, strong back
Target: 40 min
Kit: chair, bottle

Warm-up: 2 to 3 rounds
6 wrist circle, slow
4/side kneeling hip opener
5 chair squat, tempo 4-1-2

Main (Four in turn): every 1:15 for 30:00, work cap 1:00
8 suitcase deadlift to row
10 bottle press
14 alt slow step-back lunge
0:40 wall sit or chair sit hold

Finisher: for time, reps 9-7-5-3
chair dip or wall push-up
bridge march

Cool-down: flow
0:45/side doorway chest stretch
`;

test('the whole session of the notation page reads without an issue and prints back to itself', () => {
  const { document, issues } = read(WHOLE);
  expect(issues).toEqual([]);
  expect(document.blocks.map((b) => b.time.kind)).toEqual(['own', 'slots', 'own', 'flow']);
  const printed = printSession(document, baseLibrary);
  expect(read(printed).document).toEqual(document);
  expect(printSession(read(printed).document, baseLibrary)).toBe(printed);
});

describe('doses', () => {
  test.each([
    ['10 squat', { kind: 'reps', amount: { kind: 'fixed', value: 10 } }],
    ['10/side split squat', { kind: 'reps', amount: { kind: 'fixed', value: 10 }, sides: 'each' }],
    ['10 alt step-back lunge', { kind: 'reps', amount: { kind: 'fixed', value: 10 }, sides: 'alternate' }],
    ['10 pairs mountain climber', { kind: 'reps', amount: { kind: 'fixed', value: 10 }, sides: 'pairs' }],
    ['3 to 5 push-up', { kind: 'reps', amount: { kind: 'range', low: 3, high: 5 } }],
    ['6-6-9 squat', { kind: 'reps', amount: { kind: 'list', values: [6, 6, 9] } }],
    ['7..5 squat', { kind: 'reps', amount: { kind: 'list', values: [7, 6, 5] } }],
    ['3+1 squat', { kind: 'reps', amount: { kind: 'growing', start: 3, step: 1 } }],
    ['0:30 plank', { kind: 'time', amountSec: { kind: 'fixed', value: 30 } }],
    ['30s plank', { kind: 'time', amountSec: { kind: 'fixed', value: 30 } }],
    ['0:30/side side plank', { kind: 'time', amountSec: { kind: 'fixed', value: 30 }, sides: 'each' }],
    ['200 m run', { kind: 'distance', metres: 200 }],
    ['15 cal "rowing machine"', { kind: 'energy', kcal: 15 }],
    ['max push-up', { kind: 'max' }],
    ['each side side plank', { kind: 'given', sides: 'each' }],
    ['alt step-back lunge', { kind: 'given', sides: 'alternate' }],
    ['squat', undefined],
  ])('%s', (line, dose) => {
    const read = item(line);
    expect(read.kind === 'work' && read.dose).toEqual(dose);
  });

  test('a known name wins over another reading of the same words; quotation marks take any words as they stand', () => {
    expect(item('90-90 hip switch')).toMatchObject({ choices: [{ name: '90-90 hip switch' }] });
    expect(item('6 "left over right or not"')).toMatchObject({ choices: [{ name: 'left over right or not' }] });
    expect(item('40 skip or 12 double skip')).toMatchObject({
      choices: [{ name: 'skip' }, { name: 'double skip', dose: { kind: 'reps', amount: { value: 12 } } }],
    });
    expect(item('8 left split squat')).toMatchObject({ side: 'left', choices: [{ name: 'split squat' }] });
    expect(item('[squat, wall push-up, march]')).toMatchObject({
      inTurn: true,
      choices: [{ name: 'squat' }, { name: 'wall push-up' }, { name: 'march' }],
    });
  });
});

test('modifiers are read in any order, with typographic dashes and times signs', () => {
  expect(
    item('12 squat, slow, tempo 4–1–2, pause 3s, then hold 0:10, @ 2×8 kg, may be split, "eyes up"'),
  ).toMatchObject({
    speed: 'slow',
    tempo: { downSec: 4, pauseSec: 1, upSec: 2 },
    pauseSec: 3,
    thenHold: 10,
    load: { kind: 'weight', kg: 8, pieces: 2 },
    mayBeSplit: true,
    words: ['eyes up'],
  });
  expect(item('10 squat, then hold by count')).toMatchObject({ thenHold: 'by-count' });
  expect(item('10 squat @ 70%')).toMatchObject({ load: { kind: 'share', pct: 70 } });
  expect(item('10 squat, @ effort 7')).toMatchObject({ load: { kind: 'effort', effort: 7 } });
});

describe('clauses', () => {
  test.each([
    ['flow', { time: { kind: 'flow' } }],
    ['2 to 3 rounds', { time: { kind: 'own', forTime: false }, rounds: { low: 2, high: 3 } }],
    ['reps 10..1', { count: { kind: 'list', values: [10, 9, 8, 7, 6, 5, 4, 3, 2, 1] } }],
    ['reps 2..8 by 2', { count: { kind: 'list', values: [2, 4, 6, 8], cycling: false } }],
    [
      'amrap 9:00, reps 4-8-12 cycling',
      { time: { kind: 'span', sec: 540 }, count: { values: [4, 8, 12], cycling: true } },
    ],
    ['for time, 3 rounds, cap 12:00', { time: { kind: 'own', forTime: true, capSec: 720 } }],
    ['every 1:15 x 20', { time: { kind: 'slots', slotSec: 75, slots: 20 } }],
    ['emom 16:00, work cap 0:50', { time: { kind: 'slots', slotSec: 60, slots: 16, workCapSec: 50 } }],
    ['work 25/35/45s rest 20s', { time: { kind: 'intervals', workSec: [25, 35, 45], restSec: [20] } }],
    [
      'work 0:45 rest 0:15, 3 rounds',
      { time: { kind: 'intervals', workSec: [45], restSec: [15] }, rounds: { low: 3, high: 3 } },
    ],
    ['WORK 0:20 REST 0:10 X 8', { time: { kind: 'intervals', total: 8 } }],
    ['windows 1:15 x 6 rest 0:45', { time: { kind: 'windows', windowSec: 75, windows: 6, restSec: 45 } }],
    ['pyramid +3 in 1:15 rest 0:45', { time: { kind: 'pyramid', step: 3, workSec: 75, restSec: 45 } }],
    ['turns of 2 in 5:00', { time: { kind: 'span', sec: 300, turnsOf: 2 } }],
    ['relay 24-16-8', { relay: {}, count: { values: [24, 16, 8] } }],
    ['by feel', { count: { kind: 'by-feel' } }],
    ['3 rounds, rest 0:20 to 0:40 between rounds', { between: { of: 'rounds', lowSec: 20, highSec: 40 } }],
    ['work 0:45 rest 0:15, stations', { time: { stations: true } }],
    ['amrap 4:00, 2 sets, rest 1:00, then rest 2:00', { sets: { count: 2, restSec: 60 }, thenRestSec: 120 }],
  ])('%s', (clauses, expected) => {
    expect(header(clauses)).toMatchObject(expected);
  });
});

describe('errors name the place and a remedy, and none hides the next', () => {
  test.each([
    ['Main: every 1:00 for 16:00, amrap 9:00\n8 squat', 1, 'two-clocks'],
    ['Main: 3 rounds\n0 squat', 2, 'bad-value'],
    ['Main: every 2:00 for 1:00\n8 squat', 1, 'contradiction'],
    ['Main: every 1:15 for 31:00\n8 squat', 1, 'contradiction'],
    ['Main: same as Opener', 1, 'unknown-label'],
    ['Main (A): same as A', 1, 'contradiction'],
    ['Main: 3 rounds', 1, 'no-items'],
    ['10 squat', 1, 'out-of-place'],
    ['Mian: 3 rounds\n10 squat', 1, 'unknown-line'],
    ['Main: 3 ronds\n10 squat', 1, 'missing'],
    ['Main: evry 1:00 for 4:00\n10 squat', 1, 'unknown-clause'],
    ['Main: flow\n10 squat, tempoo 4-1-2', 2, 'unknown-modifier'],
    ['Main: flow\n10 "squat', 2, 'unclosed-quote'],
    ['Main: flow\n[squat, march', 2, 'unclosed-bracket'],
    ['Main: work 45 rest 15\n10 squat', 1, 'missing'],
    ['Main: flow\n0:75 plank', 2, 'bad-value'],
    ['Main: flow\n12', 2, 'missing'],
    ['Title: a\nTitle: b', 2, 'repeated'],
    ['Main: flow\nrest', 1, 'no-items'],
    ['Main: flow\n10 squat\nrest', 3, 'missing'],
  ])('%j', (text, line, code) => {
    const { issues } = read(text);
    expect(issues[0]).toMatchObject({ line, code });
    expect(issues[0]!.column).toBeGreaterThan(0);
    expect(issues[0]!.message).toMatch(/[.?]$/);
  });

  test('the nearest right spelling is suggested', () => {
    expect(read('Mian: 3 rounds\n10 squat').issues[0]!.suggestions[0]).toBe('Main:');
    expect(read('Main: flow\n10 squat, breisk').issues[0]!.suggestions[0]).toBe('brisk');
    expect(read('Main: emmom 4:00\n1 squat').issues[0]!.suggestions[0]).toBe('emom');
  });

  test.each([
    ['Mian: 3 rounds\n10 squat', 'Main: 3 rounds'],
    ['Main: 3 ronds\n10 squat', 'Main: 3 rounds'],
    ['Main: evry 1:00 for 4:00\n10 squat', 'Main: every 1:00 for 4:00'],
    ['Main: every 1:15 for 31:00, work cap 1:00\n10 squat', 'Main: every 1:15 for 30:00, work cap 1:00'],
    ['Main: work 45 rest 0:15\n10 squat', 'Main: work 45s rest 0:15'],
    ['Main: 3 rounds, rest 1:00\n10 squat', 'Main: 3 rounds, rest 1:00 between rounds'],
    ['Main: flow\n10 squat, breisk', 'Main: flow\n10 squat, brisk'],
  ])('the first suggestion, put in its place, mends %j', (text, mended) => {
    const issue = read(text).issues[0]!;
    const lines = text.split('\n');
    const line = lines[issue.line - 1]!;
    lines[issue.line - 1] = line.slice(0, issue.column - 1) + issue.suggestions[0]! + line.slice(issue.endColumn - 1);
    expect(lines.join('\n').startsWith(mended)).toBe(true);
    expect(read(lines.join('\n')).issues).toEqual([]);
  });

  test('three bad lines are three issues, and the good lines between them are read', () => {
    const { issues, document } = read('Main: flow\n0 squat\n5 push-up\n6 squat, tempoo 4-1-2\n7 march\n8');
    expect(issues.map((i) => i.line)).toEqual([2, 4, 6]);
    expect(document.blocks[0]!.items).toHaveLength(2);
  });

  test('more than 200 kB is refused with the limit named; 400 items are read and the next is not', () => {
    expect(read('x'.repeat(MAX_TEXT_BYTES + 1)).issues[0]).toMatchObject({
      code: 'too-large',
      message: expect.stringContaining('200 kB'),
    });
    const many = read(`Main: flow\n${'5 squat\n'.repeat(401)}`);
    expect(many.issues).toMatchObject([{ line: 402, code: 'too-many-items' }]);
    expect(many.document.blocks[0]!.items).toHaveLength(400);
  });
});

test('comments survive, before a line, behind it and at the end', () => {
  const text = '# plan\nTitle: A  # short\n\n# main work\nMain: 3 rounds\n# careful\n10 squat  # slow ones\n# done\n';
  const { document, issues } = read(text);
  expect(issues).toEqual([]);
  expect(printSession(document, baseLibrary)).toBe(text);
});

test('an empty text is an empty document without an issue', () => {
  expect(read('')).toMatchObject({ document: { blocks: [] }, issues: [] });
  expect(read('\n \n# only a remark\n').issues).toEqual([]);
});
