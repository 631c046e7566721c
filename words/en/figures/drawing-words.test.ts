import { expect, test } from 'vitest';
import { readOwnDrawing } from '../../../core/figure/own-drawing.ts';
import { drawingWords, faultWords } from './drawing-words.ts';

test.each([
  ['side | stand > squatting', ''],
  ['side | stand wobble', '“wobble” can’t be read in the drawing; change it, or begin again from its name.'],
  ['side | stand air up 0.5 > legR 0 -178', 'The right knee bends 174°, further than it goes. Change the pose.'],
])('%s', (text, words) => expect(drawingWords(readOwnDrawing(text))).toBe(words));

test('each fault says which part it is', () => {
  expect(faultWords({ kind: 'floor', point: 'kneeL', below: 0.1 })).toBe('The left knee is below the floor.');
  expect(faultWords({ kind: 'range', joint: 'trunkTwist', deg: 99.6 })).toBe(
    'The trunk turns 100°, further than it goes.',
  );
  expect(faultWords({ kind: 'trunk', point: 'wristR', inside: 0.01 })).toBe('The right wrist is within the trunk.');
});
