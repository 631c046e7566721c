import { expect, test } from 'vitest';
import type { GroupReason } from '../../core/progress/person/propose-group.ts';
import type { PersonReason } from '../../core/progress/person/propose.ts';
import { proposalWhy, proposalWords } from './proposals.ts';

const counted = { due: 3, done: 3 };
const said = { due: 20, done: 16, felt: 8, said: 9, silent: 7, planned: 6 };
const reps = { school: 'rounds-and-reps', step: { kind: 'pull', lever: 'reps', by: 1 } } as const;
const REASONS: readonly (PersonReason | GroupReason)[] = [
  { code: 'pain', said: 'hip, at squat', spare: null },
  { code: 'pain', said: 'knee, at lunge', spare: 'knees' },
  { code: 'little-done', due: 3, done: 1, week: 3 },
  { code: 'still-held', due: 3, done: 1, week: 3 },
  { code: 'let-go', ...counted, week: 3 },
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
  { code: 'felt-easier', ...counted, efforts: [4, 4], by: 2.04, ...reps },
  {
    code: 'felt-easier',
    ...counted,
    efforts: [4, 4],
    by: 2,
    school: 'load',
    step: { kind: 'pull', lever: 'load', by: 2 },
  },
  {
    code: 'felt-easier',
    ...counted,
    efforts: [4, 4],
    by: 2,
    school: 'density',
    step: { kind: 'pull', lever: 'rest', by: -5 },
  },
  {
    code: 'felt-easier',
    ...counted,
    efforts: [4, 4],
    by: 2,
    school: 'shape',
    step: { kind: 'shape', from: 'a', to: 'b', fromName: 'knee push-up', toName: 'push-up' },
  },
  { code: 'as-planned', due: 1, done: 1, efforts: [] },
  { code: 'turns', block: 'Main', reps: 2, over: 6, said: 9, silent: 9 },
  { code: 'turns', block: 'Main', reps: 2, over: 2, said: 3, silent: 0, names: ['Ada', 'Bo'] },
  { code: 'few', due: 20, done: 9 },
  { code: 'few', due: 3, done: 1, names: ['Ada'] },
  { code: 'few', due: 3, done: 0, names: [] },
  { code: 'unrated', due: 20, done: 16 },
  { code: 'felt-harder-by-all', ...said },
  { code: 'felt-harder-by-all', ...said, names: ['Ada', 'Bo'] },
  { code: 'felt-easier-by-all', ...said, felt: 4, ...reps },
  { code: 'felt-as-planned', ...said, felt: 6.5 },
];

test('a proposal says what, and why with its figures', () => {
  expect(REASONS.map((r) => `${proposalWords(r)}, because ${proposalWhy(r)}`)).toMatchInlineSnapshot(`
    [
      "a week of easier shapes, because it hurt: hip, at squat",
      "other shapes for sore knees, because it hurt: knee, at lunge",
      "the numbers of week 3 again, until you let go, because 1 of 3 sessions done: first more of it, then harder",
      "week 3 again, as agreed, because 1 of 3 sessions done",
      "let go of the numbers of week 3: on with everybody, because 3 of 3 sessions done with them",
      "a week of easier shapes, because 3 of 3 sessions done, effort 8, 8 and 8, 2 more than planned",
      "goblet squat: 2 kg more, the smallest step, because 3 of 3 sessions done, 12 and 12 in the last sets against 10",
      "curl: 1 kg more, the smallest step, because 3 of 3 sessions done, 12, 12 of 8 to 12, every set at the top",
      "band row: heavy band, the step after medium band, because 3 of 3 sessions done, 12 and 12 in the last sets against 10",
      "knee push-up in place of push-up from now on, because taken by choice in the last 2 sessions that had it",
      "one rep fewer on every line of the main work, because 3 of 3 sessions done, fewer repetitions on the way in 2 of them",
      "one rep more on every line of the main work, two where sides take turns, the next step of “rounds and reps first”, because 3 of 3 sessions done, effort 4 and 4, 2 less than planned",
      "2 kg more where a weight is written, the next step of “load first”, because 3 of 3 sessions done, effort 4 and 4, 2 less than planned",
      "5 s less of rest, the next step of “density first”, because 3 of 3 sessions done, effort 4 and 4, 2 less than planned",
      "push-up in place of knee push-up, the next step of “harder shape first”, because 3 of 3 sessions done, effort 4 and 4, 2 less than planned",
      "as planned, because 1 of 1 session done",
      "2 reps off every station of Main, because 6 of 9 who said overran the turn; 9 didn’t say",
      "2 reps off every station of Main, because Ada and Bo overran the turn",
      "the same again, until you let go, because 9 of 20 did it",
      "the same again, until you let go, because only Ada of 3 did it",
      "the same again, until you let go, because nobody of 3 did it",
      "as planned, because 16 of 20 did it, and no effort is planned to hold theirs against",
      "the same again, until you let go, because 16 of 20 did it; effort 8 in the middle of 9 who said, planned 6; 7 didn’t say",
      "the same again, until you let go, because Ada and Bo felt it as 8 in the middle, planned 6",
      "one rep more on every line of the main work, two where sides take turns, the next step of “rounds and reps first”, because 16 of 20 did it; effort 4 in the middle of 9 who said, planned 6; 7 didn’t say",
      "as planned, because 16 of 20 did it; effort 6.5 in the middle of 9 who said, planned 6; 7 didn’t say",
    ]
  `);
});
