import { expect, test } from 'vitest';
import { baseLibrary } from '../movement/library.ts';
import { parseSession } from '../notation/parse.ts';
import { printSession } from '../notation/print.ts';
import { applyLever } from './apply-lever.ts';
import { computeDayPlan } from './day-plan.ts';
import { leverChoices } from './lever-choices.ts';
import { readRule } from './lever-text.ts';
import { leverName } from './lever.ts';

const read = (text: string) => parseSession(text, baseLibrary).document;

test('a double progression has a ceiling of one or more, and steps stay in bounds', () => {
  expect(readRule('reps: double to 1, load +2').status).toBe('done');
  expect(readRule('reps: double to 0, load +2').status).toBe('refused');
  expect(readRule('rounds: at week 52 +1').status).toBe('done');
  expect(readRule('rounds: at week 53 +1').status).toBe('refused');
  expect(readRule('rounds: at week 0 +1').status).toBe('refused');
  expect(readRule('clock: +3600 a week').status).toBe('done');
  expect(readRule('clock: +3601 a week').status).toBe('refused');
});

test('a share of one’s best is at least one per cent and at most 150', () => {
  const pulled = (by: number) =>
    printSession(
      applyLever(read('Main: flow\n5 goblet squat, @ 5%\n'), { lever: { kind: 'load' }, by }, baseLibrary),
      baseLibrary,
    );
  expect(pulled(-10)).toContain('@ 1%');
  expect(pulled(200)).toContain('@ 150%');
});

test('effort is a lever of the session, never of a block', () => {
  const document = read('Effort: 5\n\nMain (A): 3 rounds\n5 squat\n\nMain (B): 2 rounds\n5 march\n');
  const names = leverChoices(document, [], baseLibrary).map((c) => leverName(c.lever));
  expect(names.filter((n) => n.startsWith('effort'))).toEqual(['effort']);
  expect(names).toContain('rounds in A');
  expect(names).toContain('reps of squat');
});

test('work by joint begins at nothing, and counts the seconds of what loads it', () => {
  const scope = { library: baseLibrary, routines: new Map() };
  const joints = (text: string) => computeDayPlan(read(text), 0, scope).workByJoint;
  expect(joints('Main: flow\n0:30 child’s pose')).toMatchObject({ wrist: 0, shoulder: 0, knee: 0 });
  expect(joints('Main: work 0:30 rest 0:30, 2 rounds\npush-up').wrist).toBe(60);
});
