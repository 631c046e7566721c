import { describe, expect, test } from 'vitest';
import { baseLibrary } from '../movement/library.ts';
import { scoreFields } from '../record/scores/score.ts';
import { analyseText } from '../session/analyse.ts';
import type { ClockEvent } from './clock.ts';
import { advance, openQuestion, startClock, tapsOf, topSetOf } from './clock.ts';
import { seenScores } from './seen-scores.ts';
import { buildStages } from './build-stages.ts';
import { carriedFigure } from './stage.ts';

const open = (text: string) => {
  const { blocks, plan, issues } = analyseText(text, baseLibrary);
  expect(issues).toEqual([]);
  return { plan, stages: buildStages(plan, blocks) };
};
/** Plays [event, at second] pairs from second 0, and says what stands on the screen. */
const play = (text: string, events: readonly (readonly [ClockEvent, number])[]) => {
  const { plan, stages } = open(text);
  const state = events.reduce((s, [event, sec]) => advance(s, event, stages, sec * 1000), startClock(0));
  const stage = stages[state.stage];
  const figures = (stage?.lines ?? []).map((line) =>
    line.carried ? carriedFigure(line.carried, tapsOf(state), topSetOf(state, stages)) : line.figure,
  );
  return { state, stages, stage, figures, seen: () => seenScores(state, stages, scoreFields(plan)) };
};

describe('the number to do now', () => {
  test('a cycling list by the round that was tapped, a growing count, and a movement that takes turns', () => {
    const text = 'Main: amrap 8:00, reps 4-8-12 cycling\nsquat\n3+1 burpee\n5 [march, skip]';
    expect(play(text, [['tick', 6]]).figures).toEqual(['4', '3', '5']);
    expect(
      play(text, [
        ['tick', 6],
        ['tap', 60],
      ]).figures,
    ).toEqual(['8', '4', '5']);
    expect(
      play(text, [
        ['tick', 6],
        ['tap', 60],
        ['tap', 90],
        ['tap', 120],
      ]).figures,
    ).toEqual(['4', '6', '5']);
    expect(
      play(text, [
        ['tick', 6],
        ['tap', 60],
        ['untap', 61],
      ]).figures,
    ).toEqual(['4', '3', '5']);
    expect(play(text, [['tick', 6]]).stage!.lines[2]!.names).toEqual(['march', 'skip']);
  });

  const PYRAMID = 'Main: pyramid +3 in 1:15 rest 0:45\nbear crawl\nchair dip';
  test('a pyramid’s set up, and down from the one that was stopped in', () => {
    const up: [ClockEvent, number][] = [
      ['tick', 6],
      ['tap', 20],
      ['tap', 40],
    ];
    expect(play(PYRAMID, up).figures).toEqual(['9', '9']);
    const down = play(PYRAMID, [...up, ['tick', 81], ['tick', 126]]);
    expect([down.stage!.title, down.figures]).toEqual(['Down by 3 from the set you stopped in', ['9', '9']]);
    expect(play(PYRAMID, [...up, ['tick', 126], ['tap', 140], ['tap', 150], ['tap', 160]]).figures).toEqual(['3', '3']);
  });
  test('it asks for that set when the time is up; half a set counts half, and is done again whole', () => {
    const at = play(PYRAMID, [
      ['tick', 6],
      ['tap', 20],
      ['tick', 81],
    ]);
    expect(openQuestion(at.state, at.stages)).toBe(1);
    expect(at.stages[1]!.asks!.question).toBe('How many sets did you finish?');
    const answered = play(PYRAMID, [
      ['tick', 6],
      ['tap', 20],
      ['tick', 81],
      [{ kind: 'answer', stage: 1, value: 2.5 }, 82],
      ['tick', 126],
    ]);
    expect(openQuestion(answered.state, answered.stages)).toBeUndefined();
    expect([answered.figures, answered.seen()]).toEqual([['9', '9'], { 'score-0-0': '2', 'score-0-0-begun': '5' }]);
  });

  test('windows ask for their number; sets and partners are counted apart', () => {
    const windows = play('Main: windows 1:00 x 2 rest 0:30\n5 squat\nmax sit-through', [
      ['tick', 66],
      [{ kind: 'answer', stage: 1, value: 14 }, 70],
    ]);
    expect(windows.seen()).toEqual({ 'score-0-0': '14' });
    const sets = play('Main: amrap 1:00, 2 sets, rest 0:30\n5 squat', [
      ['tick', 6],
      ['tap', 30],
      ['tick', 100],
      ['tap', 110],
    ]);
    expect([sets.stage!.set, sets.stage!.sets, sets.seen()]).toEqual([
      2,
      2,
      { 'score-0.1-rounds': '1', 'score-0.2-rounds': '1' },
    ]);
    const turns = play('Main: turns of 2 in 5:00, scored\n10 squat', [
      ['tick', 6],
      ['tap', 30],
      ['tap', 60],
      ['tap', 90],
    ]);
    expect([turns.stage!.taps, turns.stage!.partners, turns.seen()]).toEqual([
      'swap',
      2,
      { 'score-0.1-rounds': '2', 'score-0.2-rounds': '1' },
    ]);
  });

  test('a single max isn’t rounds, and nothing is counted while getting ready', () => {
    const max = play('Main: amrap 2:00\nmax push-up', [['tick', 6]]);
    expect([max.stage!.taps, max.stage!.title]).toEqual([null, 'As many push-up as you can']);
    expect(
      play('Main: amrap 2:00\n5 push-up', [
        ['tick', 1],
        ['tap', 2],
      ]).state.tapsByStage,
    ).toEqual({});
  });

  test('what comes next is a movement, never a rule', () => {
    const { stages } = open('Main: amrap 2:00\n5 push-up\n10 squat\n\nMain: every 1:00 x 2\n8 squat');
    expect(stages.filter((s) => s.kind === 'span' || s.kind === 'work').map((s) => s.nextWords)).toEqual([
      'push-up, squat',
      '8 squat',
      '8 squat',
    ]);
  });
});

describe('a breath between blocks', () => {
  const TEXT = 'Warm-up: flow\n10 squat\n\nMain (Engine): amrap 2:00\n5 burpee';
  test('after own pace nothing starts by itself: a count of ten that can be made longer, or a tap', () => {
    const ready = play(TEXT, [
      ['tick', 6],
      ['next', 30],
    ]);
    expect([ready.stage!.kind, ready.stage!.title, ready.stage!.durationSec]).toEqual(['ready', 'Engine: ready?', 10]);
    expect(
      play(TEXT, [
        ['tick', 6],
        ['next', 30],
        ['tick', 39],
      ]).stage!.kind,
    ).toBe('ready');
    expect(
      play(TEXT, [
        ['tick', 6],
        ['next', 30],
        ['tick', 41],
      ]).stage!.kind,
    ).toBe('span');
    expect(
      play(TEXT, [
        ['tick', 6],
        ['next', 30],
        ['more', 32],
        ['tick', 49],
      ]).stage!.kind,
    ).toBe('ready');
    expect(
      play(TEXT, [
        ['tick', 6],
        ['next', 30],
        ['more', 32],
        ['tick', 51],
      ]).stage!.kind,
    ).toBe('span');
    expect(
      play(TEXT, [
        ['tick', 6],
        ['next', 30],
        ['next', 33],
      ]).stage!.kind,
    ).toBe('span');
    expect(
      play(TEXT, [
        ['tick', 6],
        ['next', 30],
        ['next', 33],
      ]).state.skippedBlocks,
    ).toEqual([]);
  });
  test('where a block begins its rules are said, and nowhere else', () => {
    const { stages } = open(
      'Main: every 1:00 x 2, work cap 0:40\n5 squat\n\nMain: flow\n5 march\n\nMain (B): windows 0:30 x 2 rest 0:10\n5 squat',
    );
    const rules = ['a new one every 1:00, 2 rounds', 'work is over by 0:40 of each; what is left is rest'];
    expect(stages[0]!.rules).toEqual(rules);
    expect(stages[1]!.rules).toEqual([]);
    expect(stages.find((s) => s.kind === 'ready')!.rules).toEqual([
      '2 windows of 0:30, each from the top',
      '0:10 rest after each window',
    ]);
  });
  test('the rest after a block says what it is before', () => {
    const { stages } = open('Main: amrap 1:00, then rest 2:00\n5 burpee\n\nFinisher (Last): amrap 1:00\n5 squat');
    expect(stages.find((s) => s.kind === 'rest')!.title).toBe('Rest before Last');
  });
  test('a rest in a range may be ended from its shortest on', () => {
    const { stages } = open('Main: 2 rounds, rest 0:20 to 0:40 between rounds\n0:10 plank');
    expect(stages.find((s) => s.kind === 'rest')).toMatchObject({ durationSec: 40, enoughFromSec: 20 });
  });
});

describe('holds and sides', () => {
  test('a hold after repetitions has a clock of its own, side by side', () => {
    const { stages } = open('Main: 2 rounds\n8/side split squat, then hold by count\n5 squat, then hold 0:10');
    expect(stages.slice(1, 7).map((s) => [s.ruledBy, s.title, s.figure, s.details, s.durationSec])).toEqual([
      ['own', 'split squat', '8', 'left · each side · then hold as many seconds', 22],
      ['clock', 'hold split squat', '0:08', 'left', 8],
      ['own', 'split squat', '8', 'right · each side · then hold as many seconds', 22],
      ['clock', 'hold split squat', '0:08', 'right', 8],
      ['own', 'squat', '5', 'then hold 10 s', 11],
      ['clock', 'hold squat', '0:10', '', 10],
    ]);
  });
  test('half each side in a slot has its switch: seven, then six', () => {
    const [, slot] = open('Main: every 1:00 x 2\n13 step-back lunge, half each side').stages;
    expect(slot!.figure).toBe('7 + 6');
    expect(slot!.switchAtSec).toHaveLength(1);
    expect(slot!.switchAtSec[0]).toBeGreaterThan(10);
  });
  test('left and right that count one are shown as one', () => {
    expect(open('Main: 2 rounds\n10 pairs step-back lunge').stages[1]!.figure).toBe('10');
  });
});

test('who works alone is one, a total is one round, and what is counted begins at nothing', () => {
  const { stages } = open('Main: amrap 1:00\n5 squat\n\nMain: accumulate\n50 squat');
  expect(stages.map((s) => s.partners)).toEqual(stages.map(() => 1));
  expect(stages.at(-1)!.round).toBe(1);
  expect(tapsOf(startClock(0))).toBe(0);
});
