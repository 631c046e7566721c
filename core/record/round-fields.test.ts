import { expect, test } from 'vitest';
import { baseLibrary } from '../movement/library.ts';
import { analyseText } from '../session/analyse.ts';
import { readRounds, roundFields } from './round-fields.ts';

const fieldsOf = (text: string) => {
  const { plan, blocks } = analyseText(text, baseLibrary);
  return roundFields(plan, blocks);
};

test('a block that leaves its last rounds to the day asks for them', () => {
  expect(fieldsOf('Main (Legs): 3 rounds, 1 more if time\n10 squat\n\nFinisher: 2 rounds\n8 sit-up')).toEqual([
    { name: 'rounds-0', block: 0, blockName: 'Legs', low: 3, high: 4 },
  ]);
  expect(fieldsOf('Main: work 0:30 rest 0:30, 2 to 5 rounds\nsquat').map(({ low, high }) => [low, high])).toEqual([
    [2, 5],
  ]);
  expect(fieldsOf('Main: climb 4 by 2 every 1:00\nsquat')).toEqual([]);
});

test('only a number within the plan’s is taken', () => {
  const fields = fieldsOf('Main: 3 to 5 rounds\n10 squat');
  const read = (text: string) => readRounds(fields, () => text);
  expect([read('3'), read(' 5 ')]).toEqual([{ 0: 3 }, { 0: 5 }]);
  for (const text of ['', '2', '6', 'four', '4.5', '-4', '9999']) expect([text, read(text)]).toEqual([text, {}]);
});
