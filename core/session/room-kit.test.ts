import { expect, test } from 'vitest';
import { baseLibrary } from '../movement/library.ts';
import { analyseText } from './analyse.ts';
import { atEachStation, computeRoomKit } from './room-kit.ts';

const room = (text: string) => {
  const { document, blocks } = analyseText(text, baseLibrary);
  return computeRoomKit(document.groupSize, blocks, baseLibrary);
};

test('12 people at 4 stations are 3 at each; a pair of weights needs twice (docs/formulas.md 1, common practice, no source)', () => {
  expect(atEachStation(12, 4)).toBe(3);
  expect(atEachStation(13, 4)).toBe(4);
  expect(
    room(
      'Group: 12 people\nMain: work 0:40 rest 0:20, stations, 3 rounds\nbottle press, @ 2x5 kg\nchair squat\ngoblet squat, @ 8 kg\nmarch',
    ),
  ).toEqual([
    { piece: 'bottle', count: 9 },
    { piece: 'chair', count: 3 },
  ]);
});

test('in other forms everyone does the same at one time', () => {
  expect(
    room(
      'Group: 12 people\nMain: 3 rounds\n10 bottle press, @ 2x5 kg\n10 goblet squat\n10 chair squat\nFinisher: flow\n8 band row',
    ),
  ).toEqual([
    { piece: 'bottle', count: 24 },
    { piece: 'chair', count: 12 },
    { piece: 'band', count: 12 },
  ]);
});

test('without a group, or without kit, there is nothing to count', () => {
  expect(room('Main: 3 rounds\n10 bottle press')).toEqual([]);
  expect(room('Group: 8\nMain: flow\n0:30 wall sit')).toEqual([]);
});
