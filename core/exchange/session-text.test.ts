import { expect, test } from 'vitest';
import { baseLibrary } from '../movement/library.ts';
import { computePlan } from '../session/plan.ts';
import { resolveBlocks } from '../session/resolve.ts';
import { buildSheet } from '../session/session-sheet.ts';
import { parseSession } from '../notation/read-session.ts';
import { sheetText } from './session-text.ts';

const TEXT = `Title: Quiet legs, strong back
Effort: 6
Note: Shoes off.
Film: https://films.example.org/quiet-legs
Warm-up: 2 rounds
6 arm circle each side

Main: work 0:40 rest 0:20, 3 rounds, then rest 1:00
squat
push-up`;
const { document } = parseSession(TEXT, baseLibrary);
const sheet = buildSheet(document, resolveBlocks(document), computePlan(document, baseLibrary), baseLibrary);

test('a session as plain text: exact numbers, ready for any chat', () => {
  expect(sheetText(sheet)).toMatchInlineSnapshot(`
    "Quiet legs, strong back
    about 8 min (7 to 8), effort 6 of 10
    Have ready: nothing but yourself
    Shoes off.

    Warm-up: at your own pace, 2 rounds · about 1 min
    - 6 arm circle each side

    Main: 0:40 work, 0:20 rest, 3 rounds · 6 min
    - 0:40 squat
    - 0:40 push-up
    then rest 1:00

    Film of Quiet legs, strong back: https://films.example.org/quiet-legs"
  `);
});
