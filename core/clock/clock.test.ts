import { describe, expect, test } from 'vitest';
import { baseLibrary } from '../movement/library.ts';
import { parseSession } from '../notation/read-session.ts';
import { computePlan } from '../session/plan.ts';
import { resolveBlocks } from '../session/resolve.ts';
import type { ClockEvent } from './clock.ts';
import { callsBetween, cuesOf } from './voice/calls.ts';
import { advance, blockSpentMs, stageSpentMs, startClock } from './clock.ts';
import { buildStages } from './build-stages.ts';
import { seenRounds } from './seen-rounds.ts';
import { seenWork } from './seen-work.ts';

const stagesOf = (text: string) => {
  const { document, issues } = parseSession(text, baseLibrary);
  expect(issues).toEqual([]);
  return buildStages(computePlan(document, baseLibrary), resolveBlocks(document));
};
/** Plays [event, at second] pairs from second 0. */
const play = (text: string, events: readonly (readonly [ClockEvent, number])[]) => {
  const stages = stagesOf(text);
  const state = events.reduce((s, [event, sec]) => advance(s, event, stages, sec * 1000), startClock(0));
  return { stages, state, title: stages[state.stage]?.title };
};
const INTERVALS = 'Main: work 0:40 rest 0:20, 2 rounds\nsquat\neach side side plank';

describe('stages', () => {
  test('an interval clock becomes work and rest in turn, after a moment to get ready', () => {
    const stages = stagesOf(INTERVALS);
    expect(stages.map((s) => [s.kind, s.title, s.durationSec, s.round])).toEqual([
      ['get-ready', 'Get ready', 5, 0],
      ['work', 'squat', 40, 1],
      ['rest', 'Rest', 20, 1],
      ['work', 'side plank', 40, 1],
      ['rest', 'Rest', 20, 1],
      ['work', 'squat', 40, 2],
      ['rest', 'Rest', 20, 2],
      ['work', 'side plank', 40, 2],
      ['rest', 'Rest', 20, 2],
    ]);
    expect(stages[3]!.switchAtSec).toEqual([20]);
    expect(stages[3]!.rounds).toBe(2);
  });

  test('a slot is one countdown with its work cap; what is done in it and after it is one stage', () => {
    const [, first] = stagesOf('Main: every 1:15 x 4, work cap 1:00\n14 alt slow step-back lunge\n10 bottle press');
    expect(first).toMatchObject({ durationSec: 75, workCapSec: 60, figure: '14', details: 'sides in turn', rounds: 2 });
  });

  test('own pace waits for a tap; a hold after it gets a moment to get into position', () => {
    const stages = stagesOf('Warm-up: flow\n10 squat\n0:30/side side stretch');
    expect(stages.map((s) => [s.kind, s.ruledBy, s.durationSec])).toEqual([
      ['get-ready', 'clock', 5],
      ['work', 'own', 22],
      ['get-ready', 'clock', 5],
      ['work', 'clock', 60],
    ]);
    expect(stages[3]!.switchAtSec).toEqual([30]);
  });

  test('an amrap is one span with its list', () => {
    const span = stagesOf('Main: amrap 9:00\n10 squat\n5/side split squat')[1]!;
    expect(span).toMatchObject({ kind: 'span', durationSec: 540, taps: 'round' });
    expect(span.lines).toEqual([
      { item: 0, movement: 'squat', figure: '10', reps: { as: 'one', numbers: [10] }, name: 'squat', details: '' },
      {
        item: 1,
        movement: 'split squat',
        figure: '5',
        reps: { as: 'one', numbers: [5] },
        name: 'split squat',
        details: 'each side',
      },
    ]);
  });

  test('the stages lie on the timeline in order and end with it', () => {
    const stages = stagesOf(`Warm-up: 2 to 3 rounds\n6 squat\n0:20 plank\n${INTERVALS}`);
    for (let i = 1; i < stages.length; i++)
      expect(stages[i]!.timelineStartSec).toBeGreaterThanOrEqual(stages[i - 1]!.timelineStartSec);
    const plan = computePlan(
      parseSession(`Warm-up: 2 to 3 rounds\n6 squat\n0:20 plank\n${INTERVALS}`, baseLibrary).document,
      baseLibrary,
    );
    expect(stages.at(-1)!.timelineEndSec).toBe(plan.clockSec.likely);
  });

  test('a third of two to three rounds may be left out', () => {
    const stages = stagesOf('Warm-up: 2 to 3 rounds\n6 squat');
    expect(stages.filter((s) => s.kind === 'work').map((s) => s.optional)).toEqual([false, false, true]);
  });
});

describe('a round more, on the day', () => {
  const TEXT = 'Main: work 0:30 rest 0:10, 2 rounds, 1 more if time\nsquat\n\nFinisher: work 0:30 rest 0:10\nplank';
  // Ready 5 s, twice 40 s: asked from second 85 on.
  test('is asked for before the rest and the work of it, and isn’t begun by itself', () => {
    const stages = stagesOf(TEXT);
    expect(stages.filter((s) => s.block === 0).map((s) => [s.kind, s.round, s.offersRound])).toEqual([
      ['get-ready', 0, false],
      ['work', 1, false],
      ['rest', 1, false],
      ['work', 2, false],
      ['rest', 2, false],
      ['ready', 3, true],
      ['work', 3, false],
      ['rest', 3, false],
    ]);
    expect(play(TEXT, [['tick', 86]]).title).toBe('One round more, if you have time?');
    const passed = play(TEXT, [['tick', 85 + 20 + 3]]);
    expect(passed.title).toBe('plank');
    expect(seenRounds(passed.state, passed.stages)).toEqual({ 'rounds-0': '2' });
  });
  test('begins by a tap; another word ends the block and no other', () => {
    const taken = play(TEXT, [
      ['tick', 90],
      ['next', 90],
    ]);
    expect([taken.title, taken.state.skippedBlocks]).toEqual(['squat', []]);
    const done = advance(taken.state, 'tick', taken.stages, 135_000);
    expect(seenRounds(done, taken.stages)).toEqual({ 'rounds-0': '3' });
    const enough = play(TEXT, [
      ['tick', 90],
      ['end', 90],
    ]);
    expect([enough.title, enough.state.endedStages]).toEqual(['plank', []]);
    expect(seenWork(enough.state, enough.stages, enough.stages)!.did['0-0']).toBeUndefined();
  });
  test('every further round is asked for anew, and one that was left half-way isn’t counted', () => {
    const text = 'Main: 1 to 3 rounds\n10 squat\n10 push-up';
    expect(stagesOf(text).flatMap((s) => (s.offersRound ? [s.round] : []))).toEqual([2, 3]);
    const half = play(text, [
      ['next', 6],
      ['next', 26],
      ['next', 46],
      ['next', 50],
      ['next', 70],
      ['pause', 75],
    ]);
    expect(seenRounds(half.state, half.stages)).toEqual({ 'rounds-0': '1' });
    expect(seenRounds(startClock(0), stagesOf(text))).toEqual({});
  });
  test('it is asked aloud, without a count towards it; a climb goes on by itself', () => {
    const at = stagesOf(TEXT).findIndex((s) => s.offersRound);
    expect(callsBetween(stagesOf(TEXT), at, [-1, 30], 30, 0).map((c) => c.words)).toEqual([
      'One round more, if you have time?',
    ]);
    expect(stagesOf('Main: climb 4 by 2 every 1:00\nburpee').some((s) => s.offersRound)).toBe(false);
  });
});

describe('the clock', () => {
  test('late ticks carry the time over: 5 + 40 + 20 + 1 s in, the second exercise has run 1 s', () => {
    const { state, title, stages } = play(INTERVALS, [['tick', 66]]);
    expect(title).toBe('side plank');
    expect(stageSpentMs(state, 66_000)).toBe(1000);
    expect(blockSpentMs(state, stages, 66_000)).toBe(61_000);
  });
  test('a pause stops it, however long', () => {
    const { state, title } = play(INTERVALS, [
      ['tick', 10],
      ['pause', 15],
      ['tick', 600],
      ['resume', 615],
      ['tick', 620],
    ]);
    expect(title).toBe('squat');
    expect(stageSpentMs(state, 620_000)).toBe(15_000);
  });
  test('back restarts a stage that ran over 3 s, and else goes to the one before; next skips', () => {
    expect(
      play(INTERVALS, [
        ['tick', 6],
        ['next', 6],
        ['next', 7],
      ]).title,
    ).toBe('side plank');
    const restarted = play(INTERVALS, [
      ['tick', 20],
      ['back', 20],
    ]);
    expect([restarted.title, stageSpentMs(restarted.state, 20_000)]).toEqual(['squat', 0]);
    expect(
      play(INTERVALS, [
        ['tick', 46],
        ['back', 46],
      ]).title,
    ).toBe('squat');
    expect(
      play(INTERVALS, [
        ['tick', 6],
        ['next', 6],
      ]).state.skippedBlocks,
    ).toEqual([0]);
  });
  test('back goes on as it was, running or paused; from the end it waits', () => {
    const status = (...events: (readonly [ClockEvent, number])[]) => play(INTERVALS, events).state.status;
    expect(status(['tick', 20], ['back', 20])).toBe('running');
    expect(status(['tick', 20], ['pause', 20], ['back', 21])).toBe('paused');
    expect(status(['tick', 999], ['back', 1000])).toBe('paused');
  });
  test('it ends by itself, and a tick long after it ended changes nothing', () => {
    const { state } = play(INTERVALS, [
      ['tick', 245],
      ['tick', 9999],
    ]);
    expect(state.status).toBe('finished');
  });
  test('own pace does not go on without a tap, and the time for the score is what ran', () => {
    const text = 'Main: for time, reps 3-2\nsquat\nmarch';
    const { state, title } = play(text, [
      ['tick', 5],
      ['tick', 500],
    ]);
    expect(title).toBe('squat');
    expect(state.status).toBe('running');
    const done = play(text, [
      ['tick', 5],
      ['next', 15],
      ['pause', 20],
      ['resume', 80],
      ['next', 90],
      ['next', 95],
      ['next', 99],
    ]);
    expect(done.state.status).toBe('finished');
    expect(done.state.spentByBlockMs[0]).toBe(34_000);
  });
  test('a cap ends the block wherever one is', () => {
    const { state, title } = play('Main: for time, cap 1:00\n50 burpee\n50 squat\nCool-down: flow\n0:30 plank', [
      ['tick', 5],
      ['tick', 66],
    ]);
    expect(title).toBe('Cool-down: ready?');
    expect(state.spentByBlockMs[0]).toBe(60_000);
  });
  test('rounds are counted in a span only', () => {
    expect(
      play('Main: amrap 9:00\n10 squat', [
        ['tick', 6],
        ['tap', 40],
        ['tap', 80],
      ]).state.tapsByStage,
    ).toEqual({ 1: 2 });
    expect(
      play(INTERVALS, [
        ['tick', 6],
        ['tap', 10],
      ]).state.tapsByStage,
    ).toEqual({});
  });
});

describe('calls', () => {
  test('go, halfway, ten seconds and 3-2-1; a switch of sides takes the place of halfway', () => {
    const stages = stagesOf(INTERVALS);
    expect(cuesOf(stages[1]!)).toEqual([
      { atSec: 0, cue: 'go' },
      { atSec: 20, cue: 'halfway' },
      { atSec: 30, cue: 'ten' },
      { atSec: 37, cue: 'three' },
      { atSec: 38, cue: 'two' },
      { atSec: 39, cue: 'one' },
    ]);
    expect(cuesOf(stages[3]!).map((c) => c.cue)).toEqual(['go', 'switch', 'ten', 'three', 'two', 'one']);
    expect(cuesOf(stages[2]!).map((c) => c.cue)).toEqual(['rest', 'three', 'two', 'one']);
    expect(cuesOf(stages[0]!).map((c) => c.cue)).toEqual(['ready', 'three', 'two', 'one']);
  });
  test('each call comes once', () => {
    const stages = stagesOf(INTERVALS);
    const between = (from: number, to: number) => callsBetween(stages, 1, [from, to], to, 0).map((c) => c.cue);
    expect(between(19.9, 20.1)).toEqual(['halfway']);
    expect(between(20.1, 29)).toEqual([]);
    expect(between(-1, 0)).toEqual(['go']);
  });
});
