import { describe, expect, test } from 'vitest';
import type { DayDate } from '../calendar/day.ts';
import { ANYONE } from '../movement/fit-movement.ts';
import { baseLibrary } from '../movement/library.ts';
import { parseSession } from '../notation/read-session.ts';
import { printSession } from '../notation/print.ts';
import { explainChange } from './fit-change.ts';
import { OF_BLOCK } from './block-changes.ts';
import { fitHeld, withHeldNumbers } from './hold.ts';

const hold = (now: string, earlier: string) => {
  const { document } = parseSession(now, baseLibrary);
  const held = withHeldNumbers(
    document.blocks,
    parseSession(earlier, baseLibrary).document.blocks,
    'as in week 2, agreed with your coach',
    baseLibrary,
  );
  return {
    text: printSession({ ...document, blocks: [...held.blocks] }, baseLibrary),
    words: held.changes.map(explainChange),
  };
};

test('blocks that went on are done as they were: rounds, counts, weights, and the step of a ladder', () => {
  const { text, words } = hold(
    'Warm-up: 3:00 flow\ncircles\n\nMain (Engine): 4 rounds\n12 push-up\n10 goblet squat, @ 14 kg\n0:40 rest\n',
    'Warm-up: 3:00 flow\ncircles\n\nMain (Engine): 3 rounds\n10 knee push-up\n8 goblet squat, @ 12 kg\n0:40 rest\n',
  );
  expect(text).toContain('Main (Engine): 3 rounds\n10 knee push-up\n8 goblet squat, @ 12 kg\n0:40 rest');
  expect(words).toEqual([
    'Engine, 3 rounds instead of 4 rounds: as in week 2, agreed with your coach',
    'knee push-up instead of push-up, 10 instead of 12: as in week 2, agreed with your coach',
    'goblet squat, 8 @ 12 kg instead of 10 @ 14 kg: as in week 2, agreed with your coach',
  ]);
});

test('what is another block stays: another form, other work, more lines, or nothing like it earlier', () => {
  const now = 'Main (Engine): 4 rounds\n12 push-up\n10 squat\n';
  for (const earlier of [
    'Main (Engine): amrap 8:00\n10 push-up\n8 squat\n',
    'Main (Engine): 3 rounds\n10 push-up\n8 hollow hold\n',
    'Main (Engine): 3 rounds\n10 push-up\n8 squat\n5 burpee\n',
    'Finisher (Engine): 3 rounds\n10 push-up\n8 squat\n',
    'Main (Motor): 3 rounds\n10 push-up\n8 squat\n',
    '',
    now,
  ])
    expect(hold(now, earlier)).toEqual({ text: now, words: [] });
});

test('of two blocks that are alike each has its own', () => {
  const { text } = hold(
    'Main: 4 rounds\n12 squat\n\nMain: 5 rounds\n14 squat\n',
    'Main: 3 rounds\n10 squat\n\nMain: 2 rounds\n8 squat\n',
  );
  expect(text).toBe('Main: 3 rounds\n10 squat\n\nMain: 2 rounds\n8 squat\n');
});

describe('a session that is held, as its person does it', () => {
  const fit = (now: string, earlier: string) => {
    const { document } = parseSession(now, baseLibrary);
    const held = { blocks: parseSession(earlier, baseLibrary).document.blocks, reason: 'as in week 2' };
    const fitted = fitHeld(document, document.blocks, { person: ANYONE, held }, baseLibrary);
    return printSession(fitted.document, baseLibrary);
  };
  const session = (rounds: number, head = '') => `${head}Main: ${rounds} rounds\n10 squat\n`;
  test('has the earlier numbers, and what fits the person on top of them', () => {
    expect(fit(session(5), session(3))).toContain('3 rounds');
    const { document } = parseSession(session(5), baseLibrary);
    const held = { blocks: parseSession(session(3), baseLibrary).document.blocks, reason: 'as in week 2' };
    const person = { ...ANYONE, doses: [{ movement: null, repsBy: -2, since: '2026-05-01' as DayDate, words: '' }] };
    const fitted = fitHeld(document, document.blocks, { person, held }, baseLibrary);
    expect(printSession(fitted.document, baseLibrary)).toContain('3 rounds\n8 squat');
    expect(fitted.changes.map((c) => [c.item, c.times])).toEqual([
      [OF_BLOCK, 0.6],
      [0, 0.8],
    ]);
  });
  test('is never more work than was sent, and never a retest', () => {
    expect(fit(session(2), session(3))).toContain('2 rounds');
    expect(fit(session(5, 'Retest: engine\n\n'), session(3))).toContain('5 rounds');
  });
});
