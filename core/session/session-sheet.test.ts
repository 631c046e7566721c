import { expect, test } from 'vitest';
import { baseLibrary } from '../movement/library.ts';
import { analyseText } from './analyse.ts';
import { buildSheet } from './session-sheet.ts';

const sheet = (text: string) => {
  const { document, blocks, plan } = analyseText(text, baseLibrary);
  return buildSheet(document, blocks, plan, baseLibrary);
};

test('a session is put into the words that its reader sees', () => {
  const read = sheet(`Title: Quiet legs
Effort: 7
Note: Slowly today

Main (Four in turn): work 0:40 rest 0:20, 2 rounds, then rest 2:00
squat
8 wall push-up, slow
0:30 rest
`);
  expect(read).toMatchObject({ title: 'Quiet legs', effort: 7, note: 'Slowly today', range: '', kit: 'a free wall' });
  expect(read.length).toMatch(/^\d+ min$/);
  const [main] = read.blocks;
  expect([main!.name, main!.thenRest]).toEqual(['Four in turn', 'then rest 2:00']);
  expect(main!.rule).toMatch(/2 rounds.* · \d+ min$/);
  expect(main!.lines).toEqual([
    { figure: '0:40', name: 'squat', choices: ['squat'] },
    { figure: '8', name: 'wall push-up', choices: ['wall push-up'], details: 'slow' },
    { figure: '0:30' },
  ]);
});

test('an estimate has its range, a list by round its times, and nothing said is nothing shown', () => {
  expect(sheet('Main: 3 rounds\n10 squat or march').range).toMatch(/^\d+ to \d+$/);
  const [block] = sheet('Main: work 30/40/50s rest 0:20\nsquat or march').blocks;
  expect(block!.rule).toContain('0:30, 0:40, 0:50 work');
  expect(block!.lines[0]).toMatchObject({ figure: '', choices: ['squat', 'march'], details: 'your choice' });
  expect(sheet('')).toEqual({
    title: 'Today’s session',
    length: sheet('').length,
    range: '',
    effort: null,
    kit: 'nothing but yourself',
    note: '',
    film: null,
    blocks: [],
  });
});
