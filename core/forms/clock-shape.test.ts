import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { baseLibrary } from '../movement/library.ts';
import { arbitraryBlock } from '../notation/arbitrary-document.ts';
import { parseSession } from '../notation/read-session.ts';
import { printSession } from '../notation/print.ts';
import { headerNumbers, stepHeaderNumber, withHeaderNumber, withShape } from './clock-shape.ts';
import { shapeOf, SHAPES } from './forms.ts';
import { countSteps, MAX_STEPS } from './count-steps.ts';
import type { Block } from '../document/document.ts';
import { nextSides, stepDose } from '../session/step-dose.ts';
import { runs } from '../../tests/long.ts';

const readBack = (block: Block) => {
  const { document, issues } = parseSession(printSession({ blocks: [block] }, baseLibrary), baseLibrary);
  expect(issues).toEqual([]);
  return document.blocks[0]!;
};
const block = (header: string) => parseSession(`Main: ${header}\n10 squat\n8 march`, baseLibrary).document.blocks[0]!;

test('every block can take every form: it reads back, and is of that form', () => {
  fc.assert(
    fc.property(arbitraryBlock, fc.constantFrom(...SHAPES), (any, shape) => {
      const next = withShape(any, shape);
      expect(shapeOf(next)).toBe(shape);
      expect(readBack(next)).toEqual(next);
      expect(next.items).toHaveLength(any.items.length);
    }),
    { numRuns: runs(1200) },
  );
});

test('a number set in a header is the number read back, kept within its limits', () => {
  fc.assert(
    fc.property(arbitraryBlock, fc.nat(), fc.integer({ min: -50, max: 3000 }), (any, at, wanted) => {
      const numbers = headerNumbers(any);
      fc.pre(numbers.length > 0);
      const { key, least, most } = numbers[at % numbers.length]!;
      const next = withHeaderNumber(any, key, wanted);
      fc.pre(countSteps(next) <= MAX_STEPS);
      expect(headerNumbers(readBack(next)).find((n) => n.key === key)!.value).toBe(
        Math.min(most, Math.max(least, wanted)),
      );
    }),
    { numRuns: runs(800) },
  );
});

test.each([
  ['every 1:15 for 30:00, work cap 1:00', ['every 75', 'slots 24', 'work over by 60']],
  ['work 0:45 rest 0:15, 3 rounds', ['work 45', 'rest 15', 'rounds 3']],
  ['work 25/35/45s rest 20s', ['rest 20']],
  ['amrap 9:00, 2 sets, rest 1:00, then rest 2:00', ['length 540', 'sets 2', 'rest after 120']],
  ['for time, cap 12:00, reps 21-15-9', ['cap 720']],
  ['flow', []],
  ['pyramid +3 in 1:15 rest 0:45', ['more a set 3', 'each way 75', 'rest 45']],
])('the numbers of %s', (header, numbers) => {
  expect(headerNumbers(block(header)).map((n) => `${n.label} ${n.value}`)).toEqual(numbers);
});

test('times step by 5 s, by 15 s from two minutes and by 60 s from ten; counts by one', () => {
  const step = (value: number, by: 1 | -1, unit: 'sec' | 'count' = 'sec') => stepHeaderNumber({ value, unit }, by);
  expect([
    step(40, 1),
    step(42, 1),
    step(42, -1),
    step(120, 1),
    step(120, -1),
    step(600, 1),
    step(600, -1),
    step(6, 1, 'count'),
  ]).toEqual([45, 45, 40, 135, 115, 660, 585, 7]);
});

describe('doses step', () => {
  const dose = (line: string) => {
    const item = parseSession(`Main: 3 rounds\n${line} squat`, baseLibrary).document.blocks[0]!.items[0]!;
    if (item.kind !== 'work' || !item.dose) throw new Error('no dose');
    return item.dose;
  };
  test.each([
    ['10', 1, '11'],
    ['1', -1, '1'],
    ['10/side', -1, '9/side'],
    ['0:40', 1, '0:45'],
    ['0:42', -1, '0:40'],
    ['12:00', 1, '13:00'],
    ['0:03', -1, '0:01'],
    ['3 to 5', 1, '4 to 6'],
    ['9-7-5', -1, '8-6-4'],
    ['3+1', 1, '4+1'],
    ['200 m', 1, '250 m'],
    ['15 cal', -1, '14 cal'],
    ['max', 1, 'max'],
  ] as const)('%s by %i is %s', (from, by, to) => {
    expect(stepDose(dose(from), by)).toEqual(dose(to));
  });
  test('sides go round in a circle; a time has one way of counting them', () => {
    expect(nextSides(dose('10'))).toEqual(dose('10/side'));
    expect(nextSides(dose('10 pairs'))).toEqual(dose('10'));
    expect(nextSides(dose('0:30'))).toEqual(dose('0:30/side'));
    expect(nextSides(dose('0:30/side'))).toEqual(dose('0:30'));
    expect(nextSides(dose('15 cal'))).toEqual(dose('15 cal'));
  });
});
