import { describe, expect, test } from 'vitest';
import { baseLibrary } from '../movement/library.ts';
import { parseSession } from '../notation/read-session.ts';
import { printSession } from '../notation/print.ts';
import { analyseText } from '../session/analyse.ts';
import { buildSheet } from '../session/session-sheet.ts';
import type { WorkItem } from './document.ts';
import { asCounted, hasOptions, withOption } from './option.ts';

const itemOf = (line: string): WorkItem => {
  const { document, issues } = parseSession(`Main: 3 rounds\n${line}\n`, baseLibrary);
  expect(issues).toEqual([]);
  return document.blocks[0]!.items[0] as WorkItem;
};
const again = (line: string): string => {
  const { document } = parseSession(`Main: 3 rounds\n${line}\n`, baseLibrary);
  return printSession(document, baseLibrary).split('\n')[1]!;
};
const sheetLine = (line: string) => {
  const { document, blocks, plan } = analyseText(`Main: 3 rounds\n${line}\n`, baseLibrary);
  return buildSheet(document, blocks, plan, baseLibrary).blocks[0]!.lines[0]!;
};

describe('an option is whole', () => {
  const LINE = '10 alt step-back lunge or 5/side split squat @ 8 kg';
  test('two doses, two ways of counting sides, and a load that only the second has', () => {
    const item = itemOf(LINE);
    expect(item.load).toBeUndefined();
    expect(item.choices).toEqual([
      { name: 'step-back lunge' },
      {
        name: 'split squat',
        dose: { kind: 'reps', amount: { kind: 'fixed', value: 5 }, sides: 'each' },
        load: { kind: 'weight', kg: 8, pieces: 1 },
      },
    ]);
    expect(again(LINE)).toBe(LINE);
  });
  test('behind a comma it is said of the whole line; what an option says itself goes before that', () => {
    const item = itemOf('8 squat tempo 4-1-2 or 12 sit-to-stand, tempo 3-0-3, @ 10 kg');
    expect(withOption(item, 0)).toMatchObject({ tempo: { downSec: 4 }, load: { kg: 10 } });
    expect(withOption(item, 1)).toMatchObject({
      tempo: { downSec: 3 },
      load: { kg: 10 },
      dose: { amount: { value: 12 } },
    });
  });
  test('behind the only movement it makes no difference', () => {
    expect(again('8 squat tempo 4-1-2 @ 10 kg')).toBe('8 squat, tempo 4-1-2, @ 10 kg');
  });
  test('an option without a dose has the line’s; its sides take the place of “half each side”', () => {
    const item = itemOf('13 step-up or 5/side split squat or squat, half each side');
    expect(withOption(item, 1).halfEachSide).toBeUndefined();
    expect(withOption(item, 2)).toMatchObject({ halfEachSide: true, dose: { amount: { value: 13 } } });
    expect(hasOptions(item)).toBe(true);
    expect(hasOptions(itemOf('13 step-up'))).toBe(false);
  });
  test('the first is counted, with its own tempo: 8 at 4-1-2 are 56 s', () => {
    const item = itemOf('8 squat tempo 4-1-2 or 12 sit-to-stand');
    expect(asCounted(item).tempo).toEqual({ downSec: 4, pauseSec: 1, upSec: 2 });
    const { plan } = analyseText('Main: flow\n8 squat tempo 4-1-2 or 12 sit-to-stand\n', baseLibrary);
    expect(plan.workSec).toBe(56);
  });
  test('on the sheet each says its own', () => {
    expect(sheetLine(LINE)).toMatchObject({
      figure: '10',
      name: 'step-back lunge (sides in turn) or 5 split squat (each side, with 8 kg)',
      details: 'your choice',
    });
  });
  test('at most three; a comma before “or” is mended by a press', () => {
    const four = parseSession('Main: flow\n5 squat or march or plank or bridge\n', baseLibrary).issues;
    expect(four[0]!.message).toContain('at most 3 options');
    const [comma] = parseSession('Main: flow\n5 squat, tempo 4-1-2 or march\n', baseLibrary).issues;
    expect(comma!.suggestions).toEqual(['5 squat tempo 4-1-2 or']);
  });
});

describe('what a line may say besides', () => {
  test('loads by round', () => {
    const line = '8 squat, @ 2x8/10/12 kg';
    expect(itemOf(line).load).toEqual({ kind: 'weight', kg: 8, pieces: 2, laterKg: [10, 12] });
    expect(again(line)).toBe(line);
    expect(sheetLine(line).details).toBe('with 2 × 8, 10, 12 kg, round by round');
    expect(parseSession('Main: flow\n8 squat, @ 8/600 kg\n', baseLibrary).issues).toHaveLength(1);
  });
  test('the coach’s own neighbours', () => {
    const line = '8 push-up, easier wall push-up, harder ring push-up';
    expect(again(line)).toBe(line);
    expect(sheetLine(line).details).toBe('easier: wall push-up · harder: ring push-up');
    expect(parseSession('Main: flow\n8 push-up, easier\n', baseLibrary).issues).toHaveLength(1);
  });
  test('a surprise is counted, needs its kit, and tells nothing of itself', () => {
    const text = 'Main: flow\n10 squat\n12 bottle press, a surprise\n';
    const { document, blocks, plan } = analyseText(text, baseLibrary);
    expect(plan.reps['bottle-press']).toBe(12);
    expect(plan.kit).toEqual(['2 bottles']);
    expect(buildSheet(document, blocks, plan, baseLibrary).blocks[0]!.lines[1]).toEqual({
      figure: '',
      name: 'something more',
    });
  });
});
