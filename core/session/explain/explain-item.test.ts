import { expect, test } from 'vitest';
import { baseLibrary } from '../../movement/library.ts';
import { analyseText } from '../analyse.ts';
import { computeAreaWork } from '../area-work.ts';
import { explainItem } from './explain-item.ts';

const explain = (text: string, item = 0) => {
  const { blocks, plan } = analyseText(text, baseLibrary);
  return explainItem(blocks[0]!, 0, item, plan, baseLibrary);
};

test.each([
  [
    'Main: every 1:15 for 30:00, work cap 1:00\n8 squat\n10 bottle press\n5 march\n5 plank jack',
    [
      '8 × 6 turns = 48',
      'about 1:48 of it in the session',
      'takes about 0:18 (0:13 to 0:24) of a turn of 1:15; work should be over by 1:00',
    ],
  ],
  ['Main: reps 9-7-5-3\nchair dip', ['9 + 7 + 5 + 3 = 24', 'about 0:53 of it in the session']],
  ['Main: 3 rounds\n8/side split squat', ['16 (both sides) × 3 turns = 48', 'about 2:12 of it in the session']],
  ['Main: 3 rounds\n0:20 plank', ['1:00 of it in the session']],
  ['Main: amrap 8:00\n8 squat\n8 march', ['as often as the time allows: what is done is the score']],
  ['Main: work 0:40 rest 0:20, 3 rounds\nsquat', ['2:00 of it in the session']],
])('%j', (text, lines) => {
  expect(explain(text)).toEqual(lines);
});

test('a rest and a place that isn’t there have nothing to add up', () => {
  expect(explain('Main: every 1:00 x 4\n5 squat\nrest', 1)).toEqual([]);
  expect(explain('Main: flow\n5 squat', 7)).toEqual([]);
});

test('work by area adds the seconds of what is done, most first', () => {
  const { plan } = analyseText(
    'Main: work 0:40 rest 0:20, 2 rounds\nsquat\npush-up\nstep-back lunge, half each side\n"some dance"',
    baseLibrary,
  );
  expect(computeAreaWork(plan, baseLibrary)).toEqual([
    { area: 'legs', sec: 160 },
    { area: 'push', sec: 80 },
  ]);
  expect(computeAreaWork({ timeline: [] }, baseLibrary)).toEqual([]);
});
