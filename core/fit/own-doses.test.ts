import { expect, test } from 'vitest';
import type { DayDate } from '../calendar/day.ts';
import { ANYONE } from '../movement/fit-movement.ts';
import { baseLibrary } from '../movement/library.ts';
import type { OwnDose } from '../movement/own-dose.ts';
import { readOwnDoses } from '../movement/own-dose.ts';
import { parseSession } from '../notation/read-session.ts';
import { printSession } from '../notation/print.ts';
import { explainChange } from './fit-change.ts';
import { fitSession } from './fit-session.ts';

const SINCE = '2026-05-13' as DayDate;
const fit = (text: string, doses: readonly Omit<OwnDose, 'since' | 'words'>[]) => {
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
  expect(all(-4)).toContain('1 squat\n4 to 6 push-up\n2 alt step-back lunge');
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

test('rounds, rests and times of one’s own go for the main work, and are said of its block', () => {
  const written =
    'Warm-up: 2 rounds\n5 squat\n\nMain (Engine): 4 rounds, rest 0:45 between rounds\n10 squat\n0:20 rest\n\nFinisher: work 0:40 rest 0:20, 3 rounds\nburpee\n';
  const rounds = fit(written, [{ movement: null, lever: 'rounds', leverBy: 1 }]);
  expect(text(rounds)).toContain('Warm-up: 2 rounds');
  expect(text(rounds)).toContain('Main (Engine): 5 rounds, rest 0:45 between rounds');
  expect(rounds.changes.map(explainChange)[0]).toBe('Engine, 5 rounds instead of 4 rounds: agreed with your coach');
  const rests = fit(written, [{ movement: null, lever: 'rest', leverBy: -5 }]);
  expect(text(rests)).toContain('4 rounds, rest 0:40 between rounds\n10 squat\n0:15 rest');
  expect(text(rests)).toContain('work 0:40 rest 0:15');
  expect(text(fit(written, [{ movement: null, lever: 'work', leverBy: 5 }]))).toContain('work 0:45 rest 0:20');
  expect(fit('Main: 3 rounds\n10 squat\n', [{ movement: null, lever: 'rest', leverBy: 5 }]).changes).toEqual([]);
});

test('what is stored of them is taken as far as it can be used', () => {
  const own = { movement: null, since: SINCE, words: 'x' };
  expect(readOwnDoses([{ ...own, lever: 'rounds', leverBy: 1 }])).toEqual([{ ...own, lever: 'rounds', leverBy: 1 }]);
  expect(readOwnDoses([{ ...own, lever: 'nonsense', leverBy: 1 }])).toBeUndefined();
  expect(readOwnDoses([{ ...own, lever: 'rest', leverBy: 601 }])).toBeUndefined();
});
