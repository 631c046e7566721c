import { describe, expect, test } from 'vitest';
import { baseLibrary } from '../movement/library.ts';
import { analyseText } from '../session/analyse.ts';
import { applyEdits } from './apply-edits.ts';
import { parseSession } from './read-session.ts';
import { rewriteText } from './rewrite.ts';
import { printSession } from './print.ts';

const HEADER = 'Main: work 0:30 rest 0:10';
const LINE = 'left then right: hip raise, hydrant, lateral kickback';
const linesOf = (text: string) =>
  printSession(parseSession(text, baseLibrary).document, baseLibrary).trim().split('\n');
const issueOf = (line: string) => parseSession(`${HEADER}\n${line}\n`, baseLibrary).issues[0]!;

describe('left then right', () => {
  test('is the list with the one side, then the list with the other', () => {
    const { document, issues, source } = parseSession(`${HEADER}\n${LINE}\n`, baseLibrary);
    expect(issues).toEqual([]);
    const items = document.blocks[0]!.items.map((i) => i.kind === 'work' && `${i.side} ${i.choices[0]!.name}`);
    expect(items).toEqual([
      'left hip raise',
      'left hydrant',
      'left lateral kickback',
      'right hip raise',
      'right hydrant',
      'right lateral kickback',
    ]);
    expect(source.blocks[0]!.items.map((i) => i.line)).toEqual([2, 2, 2, 2, 2, 2]);
    expect(linesOf(`${HEADER}\n${LINE}\n`)).toEqual([HEADER, LINE]);
    // Six turns of 40 s.
    expect(analyseText(`${HEADER}\n${LINE}\n`, baseLibrary).plan.clockSec.likely).toBe(240);
  });
  test('the other way about, with numbers and loads, and a remark', () => {
    const line = 'right then left: 8 split squat, 6 step-up';
    expect(linesOf(`Main: 3 rounds\n${line}  # slowly\n`)).toEqual(['Main: 3 rounds', `${line}  # slowly`]);
  });
  test('what it can’t say is printed a line each', () => {
    const own = ['left hip raise, tempo 2-1-2', 'left hydrant', 'right hip raise, tempo 2-1-2', 'right hydrant'];
    expect(linesOf(`${HEADER}\n${own.join('\n')}\n`)).toEqual([HEADER, ...own]);
    const uneven = ['left hip raise', 'left hydrant', 'right hip raise'];
    expect(linesOf(`${HEADER}\n${uneven.join('\n')}\n`)).toEqual([HEADER, ...uneven]);
  });
  test.each([
    ['left then right:', 'come the movements'],
    ['left then right: hip raise,, hydrant', 'between two commas'],
    ['left then right: hip raise,', 'follows the comma'],
    ['left then right: 8/side hip raise', 'says the sides of all'],
    ['left then right: left hip raise', 'says the sides of all'],
    ['left then right: rest', 'says the sides of all'],
    ['left then right: hip raise, 0 hydrant', 'dose of 0'],
  ])('%s', (line, message) => expect(issueOf(line).message).toContain(message));
  test('what changes all of them keeps the one line; what changes one sets it apart', () => {
    const text = `${HEADER}\nleft then right: 8 hip raise, 6 hydrant  # slowly\n10 squats, then 5 push-ups\n`;
    const read = parseSession(text, baseLibrary);
    const [block] = read.document.blocks;
    const more = (by: (n: number, at: number) => number) => ({
      ...read.document,
      blocks: [
        {
          ...block!,
          items: block!.items.map((item, i) =>
            item.kind === 'work' && item.dose?.kind === 'reps' && item.dose.amount.kind === 'fixed'
              ? {
                  ...item,
                  dose: { ...item.dose, amount: { ...item.dose.amount, value: by(item.dose.amount.value, i) } },
                }
              : item,
          ),
        },
      ],
    });
    const written = (next: typeof read.document) =>
      rewriteText({ ...read, text }, next, baseLibrary)
        .trim()
        .split('\n');
    expect(written(more((n) => n + 2)).slice(1)).toEqual([
      'left then right: 10 hip raise, 8 hydrant  # slowly',
      '12 squat',
      '7 push-up',
    ]);
    expect(written(more((n, at) => (at === 2 ? 1 : n)))).toContain('right 1 hip raise'.replace('right 1', '1 right'));
  });
  test('an edit of one of them sets the line apart; one before it doesn’t', () => {
    const text = `${HEADER}\n${LINE}  # slowly\n`;
    const work = (name: string) => ({ kind: 'work' as const, choices: [{ name }], inTurn: false });
    const set = applyEdits(text, [{ kind: 'set-item', block: 0, item: 4, next: work('march') }], baseLibrary);
    expect(set.trim().split('\n')).toEqual([
      HEADER,
      'left hip raise  # slowly',
      'left hydrant',
      'left lateral kickback',
      'right hip raise',
      'march',
      'right lateral kickback',
    ]);
    const removed = applyEdits(text, [{ kind: 'remove-item', block: 0, item: 0 }], baseLibrary);
    expect(removed).not.toContain('left hip raise');
    expect(removed).toContain('right lateral kickback');
    const before = applyEdits(text, [{ kind: 'insert-item', block: 0, at: 0, next: work('march') }], baseLibrary);
    expect(before.trim().split('\n')).toEqual([HEADER, 'march', `${LINE}  # slowly`]);
    const within = applyEdits(text, [{ kind: 'insert-item', block: 0, at: 3, next: work('march') }], baseLibrary);
    expect(within.trim().split('\n')[4]).toBe('march');
    const behind = applyEdits(text, [{ kind: 'insert-item', block: 0, at: 6, next: work('march') }], baseLibrary);
    expect(behind.trim().split('\n')).toEqual([HEADER, `${LINE}  # slowly`, 'march']);
    const moved = applyEdits(text, [{ kind: 'move-item', block: 0, item: 0, toBlock: 0, at: 6 }], baseLibrary);
    expect(moved.trim().split('\n').at(-1)).toBe('left hip raise  # slowly');
  });
});
