import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { baseLibrary } from '../movement/library.ts';
import { analyseText } from '../session/analyse.ts';
import { MAX_STEPS } from '../forms/count-steps.ts';
import { NASTY_PIECES, nastyText } from './nasty-text-fixture.ts';
import { MAX_ISSUES, MAX_LINE_LENGTH, MAX_LINES } from './parse.ts';
import { parseSession } from './read-session.ts';

const read = (text: string) => parseSession(text, baseLibrary);

describe('200 kB of anything', () => {
  // Work that grows with the square of the length would take minutes, and end by the test's own deadline. `npm run bench -- core` measures.
  test('is read to its end', () => {
    for (const nasty of NASTY_PIECES)
      expect([nasty, read(nastyText(nasty, 199_000)).issues.length <= MAX_ISSUES]).toEqual([nasty, true]);
  });

  test('made of any two pieces never throws, and says what is wrong no more than 500 times', () => {
    const piece = fc.constantFrom(...NASTY_PIECES);
    fc.assert(
      fc.property(piece, piece, fc.integer({ min: 1, max: 190_000 }), (a, b, cut) => {
        const { document, issues } = read(nastyText(a, cut) + nastyText(b, 199_000 - cut));
        expect(issues.length).toBeLessThanOrEqual(MAX_ISSUES);
        if (document.blocks.length === 0) expect(issues.length).toBeGreaterThan(0);
      }),
      { numRuns: 40 },
    );
  });
});

test('reading stops at the 500th issue, and keeps what was read before it', () => {
  const { document, issues } = read(`Main: flow\n5 squat\n${'?!\n'.repeat(400)}Finisher: flow\n6 march\n`);
  expect(issues).toHaveLength(MAX_ISSUES);
  expect(issues.at(-1)!.line).toBe(2 + MAX_ISSUES / 2);
  expect(document.blocks.map((b) => b.items.length)).toEqual([1]);
  expect(read(`Main: flow\n5 squat\n${'?\n'.repeat(MAX_ISSUES - 1)}6 march\n`).document.blocks[0]!.items).toHaveLength(
    2,
  );
});

test('a line and a text have lengths of their own', () => {
  const note = (length: number) => `Main: flow\n5 squat  # ${'x'.repeat(length - '5 squat  # '.length)}`;
  expect(read(note(MAX_LINE_LENGTH)).issues).toEqual([]);
  expect(read(note(MAX_LINE_LENGTH + 1)).issues).toMatchObject([{ line: 2, code: 'too-large' }]);
  expect(read(`Main: flow\n5 squat${'\n'.repeat(MAX_LINES - 2)}`).issues).toEqual([]);
  expect(read(`Main: flow\n5 squat${'\r\n'.repeat(MAX_LINES)}`).issues).toMatchObject([{ line: 1, code: 'too-large' }]);
});

test('more steps than can be led are left out, wherever they come from, and the plan stays short', () => {
  const rounds = (n: number) => `: ${n} rounds\n${'5 squat\n'.repeat(40)}`;
  const fits = MAX_STEPS / 80; // 40 items, both sides
  expect(analyseText(`Main (A)${rounds(fits)}`, baseLibrary).issues).toEqual([]);
  for (const [text, line] of [
    [`Main (A)${rounds(fits)}Finisher: 1 round\n1 march\n`, 42],
    [`Main (A)${rounds(fits)}Finisher: same as A\n`, 42],
    [`Main (A)${rounds(60)}Finisher${rounds(60)}`, 42],
  ] as const) {
    const { issues, plan } = analyseText(text, baseLibrary);
    expect(issues).toMatchObject([{ line, code: 'bad-value' }]);
    expect(plan.blocks).toHaveLength(1);
  }
});
