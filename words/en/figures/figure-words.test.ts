import { expect, test } from 'vitest';
import { describeFigure } from '../../../core/figure/describe.ts';
import { drawnFigure } from '../../../core/figure/poses/drawn.ts';
import { toSheetFigure } from './sheet-figures.ts';
import { figureWords } from './figure-words.ts';

test('for the other side the other side is named', () => {
  const figure = drawnFigure('bird-dog')!;
  const { words, otherWords } = toSheetFigure(figure, 3);
  expect(words).toContain('right hip opens');
  expect(otherWords).toContain('left hip opens');
  expect(toSheetFigure({ ...figure, alternates: true }, 3).sec).toBe(6);
  expect(toSheetFigure(figure, 0.4).sec).toBe(1.2);
});

test.each([
  ['squat', 'From standing: hips bend, knees bend, arms go up, trunk leans forwards.'],
  ['push-up', 'From hands and feet: elbows bend by a right angle, arms come down.'],
  ['plank', 'Held: hands and feet.'],
  ['bird-dog', 'From hands and knees: right hip opens, right knee straightens, left arm goes up.'],
  ['burpee', 'From standing, then hands and feet, then a squat, then the air.'],
])('%s: %s', (id, words) => expect(figureWords(describeFigure(drawnFigure(id)!))).toBe(words));
