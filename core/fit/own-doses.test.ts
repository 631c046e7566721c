import { expect, test } from 'vitest';
import type { DayDate } from '../calendar/day.ts';
import { ANYONE } from '../movement/fit-movement.ts';
import { baseLibrary } from '../movement/library.ts';
import { readOwnDoses } from '../movement/own-dose.ts';
import { parseSession } from '../notation/read-session.ts';
import { printSession } from '../notation/print.ts';
import { explainChange, fitSession } from './fit-session.ts';

const SINCE = '2026-05-13' as DayDate;
const fit = (text: string, doses: readonly { movement: string | null; repsBy?: number; loadBy?: number }[]) => {
  const { document } = parseSession(text, baseLibrary);
  const own = doses.map((d) => ({ ...d, since: SINCE, words: '' }));
  return fitSession(document, document.blocks, { ...ANYONE, doses: own }, baseLibrary);
};
const text = (fitted: ReturnType<typeof fit>) => printSession(fitted.document, baseLibrary);

test('a weight of one’s own goes for its movement in every block, and is said as a count, not as another shape', () => {
  const fitted = fit('Main: 3 rounds\n10 goblet squat, @ 12 kg\n8 push-up\n', [
    { movement: 'goblet-squat', loadBy: 2 },
  ]);
  expect(text(fitted)).toContain('10 goblet squat, @ 14 kg\n8 push-up');
  expect(fitted.changes.map(explainChange)).toEqual([
    'goblet squat, 10 @ 14 kg instead of 10 @ 12 kg: agreed with your coach',
  ]);
});

test('what is agreed for all goes for counted lines of the main work alone, down to one', () => {
  const all = (by: number) =>
    text(
      fit('Warm-up: flow\n5 squat\n\nMain: 3 rounds\n2 squat\n8 to 10 push-up\n6 alt step-back lunge\n0:30 plank\n', [
        { movement: null, repsBy: by },
      ]),
    );
  expect(all(1)).toContain(
    'Warm-up: flow\n5 squat\n\nMain: 3 rounds\n3 squat\n9 to 11 push-up\n8 alt step-back lunge\n0:30 plank',
  );
  expect(all(-4)).toContain('1 squat\n4 to 6 push-up\n1 alt step-back lunge');
});

test('several add up; what has no number stays as it is, and nobody changes anything by nothing', () => {
  const fitted = fit('Main: 3 rounds\n10 squat\n', [
    { movement: null, repsBy: 2 },
    { movement: 'squat', repsBy: 1 },
  ]);
  expect(text(fitted)).toContain('13 squat');
  expect(fit('Main: 3 rounds\nsquat\n', [{ movement: 'squat', loadBy: 4 }]).changes).toEqual([]);
  expect(fit('Main: 3 rounds\n10 squat\n', [{ movement: 'push-up', repsBy: 4 }]).changes).toEqual([]);
});

test('what is stored is read as far as all of it can be used', () => {
  const good = { movement: null, since: SINCE, words: 'x', repsBy: 1 };
  expect(readOwnDoses([good])).toEqual([good]);
  for (const bad of [
    null,
    {},
    [null],
    [{ ...good, repsBy: 1.5 }],
    [{ ...good, repsBy: 51 }],
    [{ ...good, loadBy: 101 }],
    [{ ...good, since: 'soon' }],
    [{ ...good, movement: 3 }],
    [{ ...good, words: 1 }],
    Array.from({ length: 41 }, () => good),
  ])
    expect(readOwnDoses(bad)).toBeUndefined();
});
