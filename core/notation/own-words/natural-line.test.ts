import { describe, expect, test } from 'vitest';
import { baseLibrary } from '../../movement/library.ts';
import { analyseText } from '../../session/analyse.ts';
import { applyEdits } from '../apply-edits.ts';
import { parseSession } from '../read-session.ts';

const itemOf = (line: string) => parseSession(`Main: flow\n${line}\n`, baseLibrary);
const headerOf = (line: string) => parseSession(`${line}\n10 squat\n`, baseLibrary);

describe('natural words that have one reading are taken as they stand', () => {
  test.each([
    ['squat jumps, no arms', ['squat jump, "no arms"']],
    ['squat, hinge, side bend', ['squat', 'hip hinge', 'standing side bend']],
    ['8 lunges per leg, controlled', ['8/side forward lunge, "controlled"']],
    ['10 squats, then 5 push-ups', ['10 squat', '5 push-up']],
    ['squat (slow), lunge', ['squat, slow', 'forward lunge']],
  ])('%s', (line, usual) => {
    const { issues, source, document } = itemOf(line);
    expect(issues).toEqual([]);
    expect(source.natural).toEqual([{ line: 2, usual }]);
    expect(document.blocks[0]!.items).toHaveLength(usual.length);
  });
  test.each([
    ['Main: every 1:00 for 10:00, cap 0:50', 'Main: every 1:00 for 10:00, work cap 0:50'],
    ['Main: 45 sec work, 15 sec rest, 3 rounds', 'Main: work 0:45 rest 0:15, 3 rounds'],
    ['Main: 3 rounds for time, 12 min cap', 'Main: for time, cap 12:00, 3 rounds'],
    ['Main - 4 rounds', 'Main: 4 rounds'],
    ['Finisher (Last): tabata', 'Finisher (Last): work 0:20 rest 0:10 x 8'],
  ])('%s', (line, usual) => {
    const { issues, source } = headerOf(line);
    expect(issues).toEqual([]);
    expect(source.natural).toEqual([{ line: 1, usual: [usual] }]);
  });
  test('however long the session is', () => {
    const text = `Main: flow\n${'10 squat\n'.repeat(200)}8 lunges, each leg\n${'6 press, each arm\n'.repeat(100)}`;
    expect(parseSession(text, baseLibrary).issues).toEqual([]);
  });
  test('a rest in words is one', () => {
    const { document } = parseSession('Main: flow\n10 squat\n30 seconds rest, please\n10 squat\n', baseLibrary);
    expect(document.blocks[0]!.items.map((i) => i.kind)).toEqual(['work', 'work']);
    const { document: rest } = parseSession('Main: flow\n10 squat\nrest, 1 min\n10 squat\n', baseLibrary);
    expect(rest.blocks[0]!.items).toHaveLength(2);
  });
});

describe('what has more than one reading, or loses something, stays an error', () => {
  test.each([
    // Two movements and a load: whose is it?
    'squat, press, 10 kg',
    'squat, hinge, fly to the moon',
    // A word of the notation, misspelt.
    '10 squat, tempoo 4-1-2',
    '10 squat, @ 900 kg',
    '10 squat, pause 3s 3s',
    '10 squat,',
    `${'squat, '.repeat(40)}squat`,
  ])('%s', (line) => {
    expect(itemOf(line).issues).toHaveLength(1);
    expect(itemOf(line).source.natural).toEqual([]);
  });
  test.each([
    'Main: work 45 rest 15',
    'Main: amrap 5:00, 3 rounds',
    'Main: 1 by 1 every 1:00',
    'Main: 3 rounds, 10 min',
  ])('%s', (line) => expect(headerOf(line).issues.length).toBeGreaterThan(0));
  test('so many lines that mean nothing are tried, and no more: time stays short', () => {
    const text = `Main: flow\n${'10 squat, hinge, fly to the moon\n'.repeat(390)}`;
    expect(itemOf(text).issues.length).toBeGreaterThan(380);
  });
});

test('edits and a change of one line go by what was taken', () => {
  const text = 'Main: 30 sec on, 15 off, four rounds\n8 lunges, each leg\n10 squats\n';
  const next = { kind: 'work' as const, choices: [{ name: 'march' }], inTurn: false };
  expect(applyEdits(text, [{ kind: 'set-item', block: 0, item: 1, next }], baseLibrary)).toBe(
    'Main: 30 sec on, 15 off, four rounds\n8 lunges, each leg\nmarch\n',
  );
  const { plan, issues } = analyseText(text, baseLibrary);
  expect(issues).toEqual([]);
  // Two turns of 45 s, four times.
  expect(plan.clockSec.likely).toBe(360);
});
