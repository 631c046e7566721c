import { expect, test } from 'vitest';
import { baseLibrary } from '../movement/library.ts';
import { analyseText } from '../session/analyse.ts';
import { buildStages } from './build-stages.ts';
import { runClock, startClock } from './clock.ts';
import { partnerRounds, turnAt, turnWords } from './turns.ts';

const stageOf = (clause: string, items = '10 squat\n5 push-up\n') => {
  const { plan, blocks, issues } = analyseText(`Main: ${clause}\n${items}`, baseLibrary);
  expect(issues).toEqual([]);
  return buildStages(plan, blocks);
};
const said = (clause: string, items?: string) => {
  const stage = stageOf(clause, items).find((s) => s.kind === 'span')!;
  return [0, 1, 2, 3, 4, 5].map((swaps) => turnWords(turnAt(stage, swaps)!, stage));
};

test('by the list, one does all of it, then the other', () => {
  expect(said('turns of 2 in 5:00').slice(0, 3)).toEqual(['Partner 1', 'Partner 2', 'Partner 1']);
});

test('by item, each does the same item, then the next one comes', () => {
  expect(said('turns of 2 by item in 5:00')).toEqual([
    'Partner 1: 10 squat',
    'Partner 2: 10 squat',
    'Partner 1: 5 push-up',
    'Partner 2: 5 push-up',
    'Partner 1: 10 squat',
    'Partner 2: 10 squat',
  ]);
  expect(said('turns of 3 by item in 5:00', '10 squat\n')[3]).toBe('Partner 1: 10 squat');
});

test('rounds are each partner’s own: by item only once all items were theirs', () => {
  const list = stageOf('turns of 2 in 5:00').find((s) => s.kind === 'span')!;
  const item = stageOf('turns of 2 by item in 5:00').find((s) => s.kind === 'span')!;
  const rounds = (stage: typeof list) =>
    [0, 1, 2, 3, 4, 8].map((n) => [partnerRounds(stage, n, 1), partnerRounds(stage, n, 2)]);
  expect(rounds(list)).toEqual([
    [0, 0],
    [1, 0],
    [1, 1],
    [2, 1],
    [2, 2],
    [4, 4],
  ]);
  expect(rounds(item)).toEqual([
    [0, 0],
    [0, 0],
    [0, 0],
    [1, 0],
    [1, 1],
    [2, 2],
  ]);
});

test('a swap is called with whose turn begins; nobody takes turns elsewhere', () => {
  const stages = stageOf('turns of 2 by item in 5:00');
  let state = startClock(0);
  state = runClock(state, 'tick', stages, 6000).state;
  const { calls } = runClock(state, 'tap', stages, 20_000);
  expect(calls.map((c) => [c.cue, c.words])).toEqual([['number', 'Partner 2: 10 squat']]);
  expect(turnAt(stageOf('amrap 5:00')[1]!, 0)).toBeUndefined();
});
