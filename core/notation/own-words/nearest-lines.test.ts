import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { baseLibrary } from '../../movement/library.ts';
import { analyseText } from '../../session/analyse.ts';
import { applyEdits } from '../apply-edits.ts';
import { parseSession } from '../read-session.ts';
import { nearestLines } from './nearest-lines.ts';

describe('lines that come near to one that can’t be read', () => {
  test.each([
    ['Main: amrp 10 minutes', ['Main: amrap 10:00']],
    ['Main: evry 1:00 for 10:00', ['Main: every 1:00 for 10:00', 'Main: every 1:00 x 16']],
    ['Main: every minute for 10 with a twist', ['Main: every 1:00 for 10:00']],
    ['Main (Mine): 3 rounds, wobble 4', ['Main (Mine): 3 rounds']],
    ['Main: work 40 rst 20', ['Main: work 0:40 rest 0:20', 'Main: rest 0:20 between items']],
    ['10 squat, temp 4-1-2', ['10 squat, tempo 4-1-2', '10 squat, tempo 4-1-2, "temp"']],
    ['10 squats, wobbly 4', ['10 squat, "wobbly 4"']],
    ['sqat jumpp 10 !! x', ['10 squat jump', '10 jumping jack']],
    ['', []],
    ['?', []],
  ])('%s', (line, expected) => {
    expect(nearestLines(line, baseLibrary)).toEqual(expected);
  });

  test('each can be read, and none repeats what was typed', () => {
    const words = fc.constantFrom(
      'Main:',
      'squat',
      '10',
      'rounds',
      'amrp',
      'every',
      '1:00',
      '/side',
      ',',
      'tempo',
      'x',
      '@',
      '"',
    );
    fc.assert(
      fc.property(fc.array(words, { maxLength: 9 }), (parts) => {
        const line = parts.join(' ');
        for (const near of nearestLines(line, baseLibrary)) {
          expect(near).not.toBe(line.trim());
          const host = line.trim().startsWith('Main:') ? `${near}\nsquat` : `Main: flow\n${near}`;
          expect([near, parseSession(host, baseLibrary).issues]).toEqual([near, []]);
        }
      }),
    );
  });

  test('they stand beside the first fault of a line, and not where no other wording mends it', () => {
    const issues = (text: string) => analyseText(text, baseLibrary).issues.map((i) => [i.code, i.nearest]);
    expect(issues('Main: flow\n10 squats, wobbly 4\n')).toEqual([['unknown-modifier', ['10 squat, "wobbly 4"']]]);
    // A remark stays with its line.
    expect(issues('Main: flow\n10 squats, wobbly 4 # mine  \n')).toEqual([
      ['unknown-modifier', ['10 squat, "wobbly 4" # mine']],
    ]);
    expect(issues('Main: same as Nothing\n')).toEqual([['unknown-label', undefined]]);
  });
});

test('all lines in natural words, written at once, are the session as it was read', () => {
  const text =
    'Main: 45 sec work, 15 sec rest, 3 rounds\n8 lunges, each leg\nsquat, hinge, side bend\n10 squat jumps # low\n';
  const before = analyseText(text, baseLibrary);
  const edits = before.findings.flatMap((f) => (f.code === 'natural-words' ? f.changes.flatMap((c) => c.edits) : []));
  expect(edits.length).toBeGreaterThan(2);
  const after = analyseText(applyEdits(text, edits, baseLibrary), baseLibrary);
  expect(after.findings.filter((f) => f.code === 'natural-words')).toEqual([]);
  expect(after.document.blocks.map((b) => b.items.map((i) => ({ ...i, comments: undefined })))).toEqual(
    before.document.blocks.map((b) => b.items.map((i) => ({ ...i, comments: undefined }))),
  );
});
