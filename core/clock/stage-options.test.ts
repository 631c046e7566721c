import { describe, expect, test } from 'vitest';
import { ANYONE } from '../movement/fit-movement.ts';
import { baseLibrary } from '../movement/library.ts';
import { analyseText } from '../session/analyse.ts';
import { buildStages } from './build-stages.ts';
import { shapeLadders } from './shape-ladders.ts';
import type { ShapeChange } from './shape-change.ts';
import { applyShapes, chosenShapes } from './shapes.ts';
import { withStageOptions } from './stage-options.ts';

const open = (text: string) => {
  const { document, blocks, plan, issues } = analyseText(text, baseLibrary);
  expect(issues).toEqual([]);
  return {
    stages: withStageOptions(buildStages(plan, blocks), document, blocks, baseLibrary),
    ladders: shapeLadders(blocks, baseLibrary, ANYONE),
  };
};
const choose = (from: number, item: number, option: number): ShapeChange => ({
  kind: 'option',
  from,
  block: 0,
  item,
  option,
});

describe('an option that is chosen on the clock', () => {
  const OWN = 'Main: 2 rounds\n10 alt step-back lunge or 8/side split squat @ 8 kg\n12 squat';
  test('brings its count, its sides and its load, from there on', () => {
    const { stages, ladders } = open(OWN);
    const at = stages.findIndex((s) => s.kind === 'work' && s.movement === 'step-back lunge');
    const shown = applyShapes(stages, [choose(at, 0, 1)], ladders);
    expect(shown[at]).toMatchObject({
      movement: 'split squat',
      title: 'split squat',
      figure: '8',
      sides: ['left', 'right'],
      details: 'each side · with 8 kg',
      nextWords: '8 each side split squat',
    });
    // At one's own pace it takes as long as this one takes, not the other.
    expect(shown[at]!.durationSec).not.toBe(stages[at]!.durationSec);
    const second = stages.findLastIndex((s) => s.kind === 'work' && s.movement === 'step-back lunge');
    expect(applyShapes(stages, [choose(second, 0, 1)], ladders)[at]!.movement).toBe('step-back lunge');
    expect(shown[second]!.movement).toBe('split squat');
  });
  test('brings its own tempo, or none', () => {
    const { stages, ladders } = open('Main: flow\n5 squat tempo 4-1-2 or 8 push-up tempo 2-0-1 or 6 lunge');
    const at = stages.findIndex((s) => s.kind === 'work');
    expect(stages[at]!.tempo).toEqual({ downSec: 4, pauseSec: 1, upSec: 2, reps: 5 });
    const tempo = (option: number) => applyShapes(stages, [choose(at, 0, option)], ladders)[at]!.tempo;
    expect(tempo(1)).toEqual({ downSec: 2, pauseSec: 0, upSec: 1, reps: 8 });
    expect([tempo(2), tempo(0)]).toEqual([null, stages[at]!.tempo]);
  });
  test('the first again is the one that was written, by itself', () => {
    const { stages, ladders } = open(OWN);
    const at = stages.findIndex((s) => s.kind === 'work' && s.movement === 'step-back lunge');
    const shown = applyShapes(stages, [choose(at, 0, 1), choose(at, 0, 0)], ladders);
    expect(shown[at]).toMatchObject({ title: 'step-back lunge', figure: '10' });
    expect(chosenShapes(stages, [choose(at, 0, 1), choose(at, 0, 0)], ladders)).toEqual([]);
  });
  test('is what the record says; easier and harder go on from it', () => {
    const { stages, ladders } = open(OWN);
    const at = stages.findIndex((s) => s.kind === 'work' && s.movement === 'step-back lunge');
    expect(chosenShapes(stages, [choose(at, 0, 1)], ladders)).toEqual([
      { block: 0, item: 0, from: 'step-back lunge', to: 'split squat' },
    ]);
    const { names, at: own } = ladders['split squat']!;
    const step: ShapeChange = { kind: 'step', from: at, block: 0, item: 0, by: -1 };
    expect(chosenShapes(stages, [choose(at, 0, 1), step], ladders)[0]!.to).toBe(names[own - 1]);
  });
  test('in a clock’s interval the time stays, the sides are shared out', () => {
    const { stages, ladders } = open('Main: work 0:40 rest 0:20, 2 rounds\nsquat or each side split squat\nmarch');
    const at = stages.findIndex((s) => s.kind === 'work' && s.movement === 'squat');
    const shown = applyShapes(stages, [choose(at, 0, 1)], ladders)[at]!;
    expect(shown).toMatchObject({ durationSec: 40, switchAtSec: [20], sides: ['left', 'right'] });
  });
  test('one without a dose has the line’s number, and sides only if it has sides', () => {
    const { stages, ladders } = open('Main: 2 rounds\n10 alt step-back lunge or chair squat or side lunge');
    const at = stages.findIndex((s) => s.kind === 'work' && s.movement === 'step-back lunge');
    expect(stages[at]!.options!.map((o) => o.details)).toEqual(['sides in turn', '', 'sides in turn']);
    expect(applyShapes(stages, [choose(at, 0, 1)], ladders)[at]!.figure).toBe('10');
  });
  test('in a list it is a line’s', () => {
    const { stages, ladders } = open('Main: amrap 8:00\n10 squat or 6 squat jump\n8 push-up');
    const at = stages.findIndex((s) => s.lines.length > 0);
    expect(stages[at]!.lines[0]!.options!.map((o) => `${o.figure} ${o.name}`)).toEqual(['10 squat', '6 squat jump']);
    expect(stages[at]!.lines[1]!.options).toBeUndefined();
    const [first, second] = applyShapes(stages, [choose(at, 0, 1)], ladders)[at]!.lines;
    expect(first).toMatchObject({ figure: '6', name: 'squat jump', movement: 'squat jump' });
    expect(second).toMatchObject({ figure: '8', name: 'push-up' });
  });
  test('a session that leaves nothing to choose is the same', () => {
    const { stages } = open('Main: 2 rounds\n10 squat');
    expect(stages.every((s) => s.options === undefined)).toBe(true);
  });
});

describe('the clock of a line with more to say', () => {
  test('the load of the round', () => {
    const { stages } = open('Main: 3 rounds\n8 squat, @ 8/10 kg');
    expect(stages.filter((s) => s.kind === 'work' && s.movement === 'squat').map((s) => s.details)).toEqual([
      'with 8 kg',
      'with 10 kg',
      'with 10 kg',
    ]);
  });
  test('a surprise isn’t called before its turn, and then it is', () => {
    const { stages } = open('Main: flow\n10 squat\n12 push-up, a surprise');
    const at = stages.findIndex((s) => s.kind === 'work' && s.movement === 'push-up');
    expect(stages[at]).toMatchObject({ nextWords: 'something more', title: 'push-up', figure: '12' });
  });
  test('the coach’s neighbours come first behind easier and harder, for this line alone', () => {
    const { stages, ladders } = open('Main: flow\n8 push-up, easier incline push-up, harder ring push-up\n8 push-up');
    const at = stages.findIndex((s) => s.kind === 'work' && s.movement === 'push-up');
    const step = (item: number, by: -1 | 1): ShapeChange => ({ kind: 'step', from: at, block: 0, item, by });
    const titles = (...changes: ShapeChange[]) =>
      applyShapes(stages, changes, ladders)
        .filter((s) => s.kind === 'work')
        .map((s) => s.title);
    expect(titles(step(0, -1))).toEqual(['incline push-up', 'push-up']);
    expect(titles(step(0, 1))).toEqual(['ring push-up', 'push-up']);
    expect(titles(step(1, -1))).toEqual(['push-up', 'knee push-up']);
    // Behind the coach's own the ladder goes on.
    expect(titles(step(0, -1), step(0, -1))).toEqual(['knee push-up', 'push-up']);
  });
});
