import { describe, expect, test } from 'vitest';
import { baseLibrary } from '../../movement/library.ts';
import { lineSpans } from '../../notation/line-spans.ts';
import { analyseText } from '../analyse.ts';
import { itemDetails, itemName, speakDose } from '../../words/describe-item.ts';
import type { WorkItem } from '../../document/document.ts';
import { blockName, describeBlock, explainLength, formatLength, formatMinutes } from './explain.ts';
import { formatHours, wholeMinutes } from '../../words/words.ts';
import { formatRange } from '../../words/format-range.ts';

const first = (text: string) => {
  const { blocks, plan, document } = analyseText(text, baseLibrary);
  return { block: blocks[0]!, plan: plan.blocks[0]!, item: document.blocks[0]!.items[0] as WorkItem };
};
const FOUR = '8 squat\n8 push-up\n8 march\n8 sit-up';

describe('how a length came about', () => {
  test.each([
    [`Main: every 1:15 for 30:00\n${FOUR}`, '6 rounds × 4 × 1:15'],
    [`Main: every 1:00 x 10\n${FOUR}`, '10 × 1:00'],
    ['Main: every 1:00 x 6\n8 squat', '6 × 1:00'],
    [`Main: work 0:45 rest 0:15, 3 rounds\n${FOUR}`, '3 rounds × 4 × 1:00'],
    [`Main: work 60/40/30s rest 30/20/15s\nsquat\nmarch`, '3:00 + 2:00 + 1:30'],
    ['Main: work 0:20 rest 0:10 x 8\nsquat', '8 × 0:30'],
    ['Main: windows 2:00 x 5 rest 0:30\n8 squat', '5 × 2:30'],
    ['Main: amrap 8:00, 2 sets, rest 1:00\n8 squat', '2 sets × 8:00'],
    ['Main: amrap 8:00\n8 squat', ''],
    ['Main: pyramid +2 in 1:00 rest 0:30\nsquat\nmarch', '2 ways × 1:30'],
    ['Main: 3 rounds\n10 squat', '0:48 to 1:30'],
    ['Cool-down: flow\n0:30 plank', ''],
    ['Main: work 0:20 rest 0:10 x 8, 2 sets\nsquat', '2 sets × 8 × 0:30'],
  ])('%j', (text, sum) => {
    const { block, plan } = first(text);
    expect(explainLength(block, plan)).toBe(sum);
  });
});

test.each([
  [0, '0 min'],
  [20, '1 min'],
  [1200, '20 min'],
  [3600, '1 h'],
  [3590, '1 h'],
  [35_820, '9 h 57 min'],
  [7170, '2 h'],
])('%d s over many sessions is %s', (sec, words) => {
  expect(formatHours(sec)).toBe(words);
});

describe('a block in a few words', () => {
  test.each([
    ['Warm-up: flow\n8 march', 'once through, unhurried'],
    ['Main: 2 to 3 rounds\n8 march', 'at your own pace, 2 to 3 rounds'],
    ['Main: for time, cap 9:00, reps 9-6-3\nsquat', 'for time, 9, 6, 3 of each, at most 9:00'],
    ['Main: amrap 9:00\n8 squat', 'as many rounds as you can in 9:00'],
    ['Main: turns of 2 in 5:00\n8 squat', 'in turns of 2, 5:00'],
    [`Main: every 1:00 x 16\n${FOUR}`, 'a new one every 1:00, 4 rounds'],
    ['Main: work 0:40 rest 0:20, 3 rounds\nsquat', '0:40 work, 0:20 rest, 3 rounds'],
    ['Main: windows 2:00 x 5\n8 squat', '5 windows of 2:00, each from the top'],
    ['Main: pyramid +3 in 1:15\nsquat\nmarch', 'up by 3 a set in 1:15, then down in another 1:15'],
    ['Main: by feel, 2 rounds\n3 to 5 squat', 'at your own pace, 2 rounds, by feel: no number is owed'],
  ])('%j', (text, words) => {
    const { block, plan } = first(text);
    expect(describeBlock(block, plan)).toBe(words);
  });
  test('is called by its label, else its role', () => {
    expect([blockName({ role: 'Main', label: 'Go' }), blockName({ role: 'Main' })]).toEqual(['Go', 'Main']);
  });
});

describe('lengths for people', () => {
  test('whole minutes, never none where there is something', () => {
    expect([0, 10, 89, 90, 2390].map(wholeMinutes)).toEqual([0, 1, 1, 2, 40]);
  });
  test('an estimate says so, with its range', () => {
    const sec = { low: 240, likely: 310, high: 410 };
    expect([formatLength(sec), formatRange(sec), formatMinutes(sec)]).toEqual([
      'about 5:10',
      '4:00 to 6:50',
      'about 5 min',
    ]);
    const exact = { low: 300, likely: 300, high: 300 };
    expect([formatLength(exact), formatRange(exact), formatMinutes(exact)]).toEqual(['5:00', '', '5 min']);
  });
});

describe('a line as a participant reads it', () => {
  test.each([
    ['10/side split squat', '10', 'split squat', ['each side']],
    ['10 pairs march', '10', 'march', ['left and right count one']],
    ['0:40 wall sit or chair sit hold', '0:40', 'wall sit or chair sit hold', []],
    ['3+1 burpee', '3, then 1 more each round', 'burpee', []],
    ['max push-up', 'max', 'push-up', ['as many as you can']],
    ['40 skip or 12 double skip', '40', 'skip or 12 double skip', []],
    ['5 [squat, march]', '5', 'squat, then march', []],
    [
      '8 left bottle press, tempo 3-1-1, @ 2x8 kg, may be split, "easy"',
      '8',
      'bottle press',
      ['left side only', '3 s down, 1 s pause, 1 s up', 'with 2 × 8 kg', 'may be split', 'easy'],
    ],
    ['9 squat, then hold by count', '9', 'squat', ['then hold as many seconds']],
    ['200 m run, @ effort 7', '200 m', 'run', ['effort 7 of 10']],
    ['15 cal "rower"', '15 cal', 'rower', []],
    ['3 to 5 squat, @ 70%', '3 to 5', 'squat', ['at 70 %']],
  ])('%s', (line, figure, name, details) => {
    const { item } = first(`Main: 3 rounds\n${line}`);
    expect([speakDose(item.dose, undefined).figure, itemName(item), itemDetails(item, undefined)]).toEqual([
      figure,
      name,
      details,
    ]);
  });
});

describe('what the editor colours', () => {
  const kinds = (line: string) => lineSpans(line).map((s) => [s.kind, line.slice(s.start, s.end)]);
  test('headers, session lines, doses, modifiers, comments', () => {
    expect(kinds('Main (A): every 1:00 x 8')).toEqual([
      ['role', 'Main (A):'],
      ['keyword', 'every'],
      ['number', '1:00'],
      ['number', '8'],
    ]);
    expect(kinds('Title: 3 of 4')).toEqual([['field', 'Title: 3 of 4']]);
    expect(kinds('8 squat, tempo 4-1-2 # deep')[0]).toEqual(['number', '8']);
    expect(kinds('8 squat # deep').at(-1)).toEqual(['comment', '# deep']);
    expect(kinds('')).toEqual([]);
  });
  test('“each side” is a dose once: the side of a side plank is its name', () => {
    expect(kinds('each side side plank')).toEqual([
      ['number', 'each'],
      ['number', 'side'],
    ]);
  });
  test('spans are in order and don’t overlap, whatever the line', () => {
    for (const line of [
      '10/side a, b',
      '"a # b" # c',
      '5 [x, y] or z @ 5 kg',
      '::::',
      '8 "never closed',
      'Main: (',
      '× 8 – 9',
    ]) {
      const spans = lineSpans(line);
      for (let i = 1; i < spans.length; i++) expect(spans[i]!.start).toBeGreaterThanOrEqual(spans[i - 1]!.end);
    }
  });
});
