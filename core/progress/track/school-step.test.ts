import { expect, test } from 'vitest';
import { baseLibrary } from '../../movement/library.ts';
import { parseSession } from '../../notation/read-session.ts';
import type { SchoolId } from './schools.ts';
import { nextSteps, schoolStep } from './school-step.ts';

const step = (id: SchoolId, text: string) => schoolStep(id, parseSession(text, baseLibrary).document, baseLibrary);
const FOUR = 'Main: 3 rounds, rest 0:45 between rounds\n10 goblet squat, @ 12 kg\n8 knee push-up\n';

test('each school has a next step of its own', () => {
  expect(step('rounds-and-reps', FOUR)).toEqual({ kind: 'pull', lever: 'reps', by: 1 });
  expect(step('density', FOUR)).toEqual({ kind: 'pull', lever: 'rest', by: -5 });
  expect(step('load', FOUR)).toEqual({ kind: 'pull', lever: 'load', by: 2 });
  expect(step('shape', 'Main: 3 rounds\n8 knee push-up\n')).toMatchObject({ kind: 'shape', from: 'knee-push-up' });
  expect(step('own-number', FOUR)).toBeNull();
  expect(step('by-feel', FOUR)).toBeNull();
});

test('where a session has nothing of a school it goes by repetitions, and without any by what its form grows by', () => {
  const squats = 'Main: 3 rounds\n10 squat\n';
  expect(step('density', squats)).toEqual({ kind: 'pull', lever: 'reps', by: 1 });
  expect(step('load', squats)).toEqual({ kind: 'pull', lever: 'reps', by: 1 });
  const intervals = 'Main: work 0:40 rest 0:20, 3 rounds\nsquat\nplank\n';
  expect(step('rounds-and-reps', intervals)).toEqual({ kind: 'pull', lever: 'rounds', by: 1 });
  expect(step('density', intervals)).toEqual({ kind: 'pull', lever: 'rest', by: -5 });
  expect(step('density', 'Main: every 1:00 for 9:00\n8 squat\n6 push-up\n')).toEqual({
    kind: 'pull',
    lever: 'clock',
    by: -5,
  });
  expect(step('rounds-and-reps', '')).toBeNull();
});

test('of one session the steps of all schools', () => {
  const { document } = parseSession(FOUR, baseLibrary);
  expect(Object.keys(nextSteps(document, baseLibrary)).length).toBe(6);
});
