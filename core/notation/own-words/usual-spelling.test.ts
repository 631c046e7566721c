import { expect, test } from 'vitest';
import { baseLibrary } from '../../movement/library.ts';
import { analyseText } from '../../session/analyse.ts';
import { readOwnPlan } from './read-plan.ts';
import { usualSpelling } from './usual-spelling.ts';

test.each([
  ['Main: 30 sec on, 15 off, four rounds', 'Main: work 0:30 rest 0:15, 4 rounds'],
  ['Main (Pair): as many rounds as you can in 12 minutes', 'Main (Pair): amrap 12:00'],
  ['EMOM for 10 minutes', 'Main: every 1:00 for 10:00'],
  ['Warm-up: go through it twice', 'Warm-up: 2 rounds'],
  ['Main: 3 rounds, with a minute of rest between rounds', 'Main: 3 rounds, rest 1:00 between rounds'],
  ['8 lunges each leg', '8/side forward lunge'],
  ['squats x 12', '12 squat'],
  ['30 sec side plank per side', '0:30/side side plank'],
  ['push ups to failure', 'max push-up'],
  ['12 squats with 20 kg', '12 squat, @ 20 kg'],
  ['10 squats, 2 sec pause at the bottom', '10 squat, pause 2s'],
])('%j is usually written %j', (line, usual) => {
  expect(usualSpelling(line, baseLibrary)).toBe(usual);
});

test.each([
  '10 squat',
  'see you on the hill',
  'Main: something else',
  '3x10 squats',
  'EMOM',
  '10 heron walks',
  '5 squats 4-1-2',
  '',
  'x'.repeat(500),
])('%j has no other spelling', (line) => {
  expect(usualSpelling(line, baseLibrary)).toBeUndefined();
});

test('a line that can’t be read offers it whole, where it isn’t taken so by itself', () => {
  const work = analyseText('Main: work 45 rest 15\n10 squats\n', baseLibrary);
  expect(work.issues.map((i) => [i.line, i.usual])).toEqual([[1, 'Main: work 0:45 rest 0:15']]);
});

test('what a pasted option says besides stays as words: a reason, how many of the harder one, a fourth option', () => {
  const textOf = (line: string) => readOwnPlan(`3 rounds\n${line}`, baseLibrary).days[0]!.text.split('\n')[1];
  expect(textOf('10 push-ups or 8 wall push-ups if your wrists hurt')).toBe(
    '10 push-up or 8 wall push-up, "wall push-up if your wrists hurt"',
  );
  expect(textOf('12 push-ups (harder: 10 decline push-ups)')).toContain('"harder: 10 decline push-ups"');
  expect(textOf('10 squats (easier: chair squats; easier: 5 sit to stands; easier: marching)')).toContain('"or march"');
  expect(textOf('8 squats at 600/700 kg')).toContain('600/700 kg"');
});
