import { expect, test } from 'vitest';
import type { GroupReason, PersonReason } from '../../core/progress/person/propose.ts';
import { proposalWhy, proposalWords } from './proposals.ts';

const counted = { due: 3, done: 3 };
const said = { due: 20, done: 16, felt: 8, ratings: 16, planned: 6 };
const REASONS: readonly (PersonReason | GroupReason)[] = [
  { code: 'pain', said: 'hip, at squat', spare: null },
  { code: 'pain', said: 'knee, at lunge', spare: 'knees' },
  { code: 'little-done', due: 3, done: 1 },
  { code: 'felt-harder', ...counted, efforts: [8, 8, 8], by: 2 },
  {
    code: 'load',
    ...counted,
    name: 'goblet squat',
    more: { kg: 2 },
    sign: { kind: 'two-for-two', lastSets: [12, 12], goalReps: 10 },
  },
  {
    code: 'load',
    ...counted,
    name: 'curl',
    more: { kg: 1 },
    sign: { kind: 'top', sets: [12, 12], goalReps: 8, ceilingReps: 12 },
  },
  {
    code: 'load',
    ...counted,
    name: 'band row',
    more: { after: 'medium band', step: 'heavy band' },
    sign: { kind: 'two-for-two', lastSets: [12, 12], goalReps: 10 },
  },
  { code: 'own-shape', ...counted, from: 'push-up', to: 'knee push-up', times: 2 },
  { code: 'fewer', ...counted, sessions: 2 },
  { code: 'felt-easier', ...counted, efforts: [4, 4], by: 2.04, more: { reps: 1 } },
  { code: 'felt-easier', ...counted, efforts: [4, 4], by: 2, more: { kg: 2 } },
  { code: 'as-planned', due: 1, done: 1, efforts: [] },
  { code: 'turns', block: 'Main', reps: 2, over: 7, of: 9 },
  { code: 'few', due: 20, done: 9 },
  { code: 'unrated', due: 20, done: 16 },
  { code: 'felt-harder-by-all', ...said },
  { code: 'felt-easier-by-all', ...said, felt: 4 },
  { code: 'felt-as-planned', ...said, felt: 6.5 },
];

test('a proposal says what, and why with its figures', () => {
  expect(REASONS.map((r) => `${proposalWords(r)}, because ${proposalWhy(r)}`)).toMatchInlineSnapshot(`
    [
      "a week of easier shapes, because it hurt: hip, at squat",
      "other shapes for sore knees, because it hurt: knee, at lunge",
      "the same again, because 1 of 3 sessions done: first more of it, then harder",
      "a week of easier shapes, because 3 of 3 sessions done, effort 8, 8 and 8, 2 more than planned",
      "goblet squat: 2 kg more, the smallest step, because 3 of 3 sessions done, 12 and 12 in the last sets against 10",
      "curl: 1 kg more, the smallest step, because 3 of 3 sessions done, 12, 12 of 8 to 12, every set at the top",
      "band row: heavy band, the step after medium band, because 3 of 3 sessions done, 12 and 12 in the last sets against 10",
      "knee push-up in place of push-up from now on, because taken by choice in the last 2 sessions that had it",
      "one rep fewer on every line of the main work, because 3 of 3 sessions done, fewer repetitions on the way in 2 of them",
      "one rep more on every line of the main work, because 3 of 3 sessions done, effort 4 and 4, 2 less than planned",
      "2 kg more where a weight is written, because 3 of 3 sessions done, effort 4 and 4, 2 less than planned",
      "as planned, because 1 of 1 session done",
      "2 reps off every station of Main, because 7 of 9 overran the turn",
      "the same again, because 9 of 20 did it",
      "as planned, because 16 of 20 did it",
      "the same again, because 16 of 20 did it; effort 8 in the middle of 16, planned 6",
      "one rep more on every line, because 16 of 20 did it; effort 4 in the middle of 16, planned 6",
      "as planned, because 16 of 20 did it; effort 6.5 in the middle of 16, planned 6",
    ]
  `);
});
