import { expect, test } from 'vitest';
import { baseLibrary } from '../../movement/library.ts';
import { analyseText } from '../../session/analyse.ts';
import { buildStages } from '../build-stages.ts';
import { hasWork } from '../stage.ts';
import { partsWords, setUpWords, withSetUps } from './set-up.ts';

/** What is set up before each stage of work, with the parts of a movement where they are told. */
function setUps(text: string): string[] {
  const { plan, blocks, issues } = analyseText(text, baseLibrary);
  expect(issues).toEqual([]);
  return withSetUps(buildStages(plan, blocks), baseLibrary)
    .filter(hasWork)
    .map(({ setUp }) =>
      setUp ? [...setUpWords(setUp), partsWords(setUp)].filter(Boolean).join('; ') : 'nothing known',
    );
}

test('a position is said where it changes, and standing to begin with is none', () => {
  expect(
    setUps('Main: flow\\n5 squat\\n5 bridge\\n5 dead bug\\n5 push-up\\n5 cat and cow\\n'.replaceAll('\\n', '\n')),
  ).toEqual(['', 'on your back', '', 'down to the floor', 'on hands and knees']);
  expect(setUps('Main: flow\n5 bridge\n')).toEqual(['on your back']);
  expect(setUps('Main: flow\n5 pull-up\n5 kneeling hip opener\n5 seated march\n')).toEqual([
    'to the bar',
    'kneel down',
    'sit down',
  ]);
});

test('kit is taken once in a block, and again in the next where it was put down', () => {
  expect(
    setUps(
      'Main: flow\n5 kettlebell swing\n5 squat\n5 kettlebell swing\n5 exercise ball crunch\n\nFinisher: flow\n5 squat\n5 kettlebell swing\n',
    ),
  ).toEqual(['take a kettlebell', '', '', 'on your back; take an exercise ball', 'stand up', 'take a kettlebell']);
  // A wall is there already.
  expect(setUps('Main: flow\n0:30 wall sit\n')).toEqual(['']);
});

test('a movement made of others is taken apart at its first turn only; a name that nobody knows says nothing', () => {
  expect(setUps('Main: 2 rounds\n5 burpee\n5 heron walk\n')).toEqual([
    'first step-back squat thrust, then squat jump',
    'nothing known',
    '',
    'nothing known',
  ]);
  // In a list each line stands for itself: nothing is taken apart there.
  expect(setUps('Main: amrap 5:00\n5 burpee\n5 squat\n')).toEqual(['']);
});
