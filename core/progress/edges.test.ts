import { describe, expect, test } from 'vitest';
import { baseLibrary } from '../movement/library.ts';
import { parseSession } from '../notation/read-session.ts';
import { printSession } from '../notation/print.ts';
import { applyLever } from './levers/apply-lever.ts';
import { computeDayPlan } from './day-plan.ts';
import { leverChoices } from './levers/lever-choices.ts';
import { printRule, readRule } from './levers/lever-text.ts';
import { leverName } from './levers/lever.ts';
import type { SchoolId } from './track/schools.ts';
import { schoolLevers } from './track/schools.ts';

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

describe('what each school begins with, and what a lighter week gets', () => {
  const rules = (id: SchoolId, text: string) => schoolLevers(id, read(text), baseLibrary).map(printRule);
  const REST = 'Effort: 6\n\nMain: work 0:40 rest 0:20, 3 rounds\n10 squat\n';
  const EASY = ['rounds: wave 0, carry 0, lighter -1', 'effort: wave 0, carry 0, lighter -2'];
  test.each([
    ['density', REST, ['rest: -5 a week, lighter 0', ...EASY]],
    ['density', 'Main: every 1:00 x 8\n10 squat\n', ['clock: -5 a week, lighter 0', EASY[0]]],
    ['density', 'Main: amrap 9:00\n10 squat\n', ['reps: +1 a week, lighter 0']],
    ['shape', 'Main: 3 rounds\n8 push-up\n', ['shape: wave 0, carry +1, lighter 0', EASY[0]]],
    ['own-number', REST, EASY],
    ['by-feel', REST, []],
    ['load', 'Main: 3 rounds\n8 goblet squat, @ 12 kg\n', ['reps of goblet squat: double to 12, load +2', EASY[0]]],
    ['load', 'Main: 3 rounds\n5 goblet squat, @ 70%\n', ['reps of goblet squat: double to 7, load +5', EASY[0]]],
    ['load', 'Main: 3 rounds\n8 goblet squat\n', ['load: wave 0, carry +2', EASY[0]]],
    [
      'rounds-and-reps',
      'Main: work 0:40 rest 0:20, 3 rounds\nsquat\n',
      ['rounds: wave 0, carry +1, lighter -1', 'work: wave +5, carry 0, lighter -5'],
    ],
  ] as const)('%s of %j', (id, text, lines) => {
    expect(rules(id, text)).toEqual(lines);
  });
});

test('another shape takes its sides along: of one side, each side is said; a hold becomes a hold', () => {
  const harder = (line: string, by: number) =>
    printSession(
      applyLever(read(`Main: 3 rounds\n${line}\n`), { lever: { kind: 'shape' }, by }, baseLibrary),
      baseLibrary,
    ).split('\n')[1]!;
  for (const line of ['8 push-up', '8 squat', '0:30 plank', '8/side split squat']) {
    for (const by of [-2, -1, 1, 2]) {
      const next = harder(line, by);
      const name = next.replace(/^[\d:]+(?:\/side| alt| pairs)? /, '');
      const movement = baseLibrary.findByName(name)!;
      expect([next, movement.isOneSided]).toEqual([next, /\/side|alt|pairs/.test(next)]);
    }
  }
});

test('bounds of the other rules: waves, lists, the length that ends a rule', () => {
  const status = (line: string) => readRule(line).status;
  expect(status('clock: wave 3600, carry 3600')).toBe('done');
  expect(status('clock: wave 3601, carry 1')).toBe('refused');
  expect(status('clock: wave 1, carry 3601')).toBe('refused');
  expect(status('clock: by week 0 +3600')).toBe('done');
  expect(status('clock: by week 0 +3601')).toBe('refused');
  expect(status('reps: double to 12, load +3601')).toBe('refused');
  expect(status('rounds: +1 a week until 0:01')).toBe('done');
  expect(status('rounds: +1 a week until 0:00')).toBe('refused');
  expect(status('rounds: at week 1 +3600')).toBe('done');
  expect(status('rounds: at week 1 +3601')).toBe('refused');
});
