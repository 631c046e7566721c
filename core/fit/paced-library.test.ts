import { expect, test } from 'vitest';
import { parseSession } from '../notation/read-session.ts';
import { computePlan } from '../session/plan.ts';
import { baseLibrary } from '../movement/library.ts';
import { pacedLibrary } from './paced-library.ts';

const plan = (text: string, factor: number) => {
  const library = pacedLibrary(baseLibrary, factor);
  return computePlan(parseSession(text, library).document, library);
};

test('someone slower takes longer for what is counted, and as long for what is held or clocked', () => {
  const counted = 'Main: 3 rounds\n10 squat\n12 push-up\n';
  const [anybody, slower, quicker] = [1, 1.2, 0.8].map((f) => plan(counted, f).workSec);
  expect(slower! / anybody!).toBeCloseTo(1.2, 1);
  expect(quicker! / anybody!).toBeCloseTo(0.8, 1);
  expect(plan('Main: 3 rounds\n0:40 plank\n', 1.2)).toEqual(plan('Main: 3 rounds\n0:40 plank\n', 1));
  expect(plan('Main: work 0:40 rest 0:20, 3 rounds\nsquat\n', 1.2).clockSec.likely).toBe(180);
});

test('nothing else of a movement changes, by whatever name it is asked for', () => {
  const library = pacedLibrary(baseLibrary, 1.5);
  const { paceSec, ...rest } = library.findByName('squats')!;
  const { paceSec: usual, ...same } = baseLibrary.findByName('squats')!;
  expect(rest).toEqual(same);
  expect(paceSec.likely).toBeCloseTo(1.5 * usual.likely, 1);
  expect(library.find('squat')).toBe(library.findOnShelf('squat'));
  expect(pacedLibrary(baseLibrary, 1)).toBe(baseLibrary);
  expect(pacedLibrary(baseLibrary, 1.5)).toBe(library);
});
