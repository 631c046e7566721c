import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { baseLibrary } from '../../movement/library.ts';
import { arbitraryBlock } from '../../notation/arbitrary-document.ts';
import { analyseText } from '../../session/analyse.ts';
import { computePlan } from '../../session/plan.ts';
import { resolveBlocks } from '../../session/resolve.ts';
import type { Call } from './calls.ts';
import { cuesOf, worthCalling } from './calls.ts';
import type { ClockEvent, ClockState } from '../clock.ts';
import { runClock, nextCallInMs, startClock } from '../clock.ts';
import type { Stage } from '../stage.ts';
import { buildStages } from '../build-stages.ts';
import { isWaiting } from '../stage.ts';
import { runs } from '../../../tests/long.ts';

const stagesOf = (text: string): Stage[] => {
  const { blocks, plan, issues } = analyseText(text, baseLibrary);
  expect(issues).toEqual([]);
  return buildStages(plan, blocks);
};
/** All calls of [event, at second] pairs, as `second cue words`. */
const called = (stages: readonly Stage[], events: readonly (readonly [ClockEvent, number])[]) => {
  let state = startClock(0);
  const calls: Call[] = [];
  for (const [event, sec] of events) {
    const next = runClock(state, event, stages, sec * 1000);
    state = next.state;
    calls.push(...next.calls);
  }
  return { state, calls };
};

const THIRTY_MINUTES = `Warm-up: work 0:30 rest 0:15, 4 rounds
squat
march

Main (Slots): every 1:00 for 12:00, work cap 0:45
10 push-up
12/side split squat

Finisher: windows 2:00 x 4 rest 0:30
8 burpee
max squat

Cool-down: work 0:45, 10 rounds
side plank, half each side
plank
`;

describe('accuracy, with a clock that is passed in', () => {
  /** Where every call belongs on one line of time, from the stages alone. */
  const due = (stages: readonly Stage[]) => {
    let startSec = 0;
    return stages.flatMap((stage, at) => {
      const own = cuesOf(stage).map((c) => ({ ...c, stage: at, dueSec: startSec + c.atSec }));
      startSec += stage.durationSec;
      return own;
    });
  };

  /** Runs it with timers that fire late by up to `jitterMs`, and phones that sleep now and then; gives each call with the hour it was made at. */
  const run = (stages: readonly Stage[], seed: number, jitterMs: number, sleeps: boolean) => {
    let random = seed;
    const next = () => (random = (random * 1_103_515_245 + 12_345) % 2_147_483_648) / 2_147_483_648;
    let nowMs = 0;
    let state: ClockState = startClock(0);
    const made: (Call & { readonly atMs: number; readonly wokeMs: number })[] = [];
    while (state.status === 'running') {
      const wanted = nowMs + Math.min(nextCallInMs(state, stages, nowMs) ?? 100, 100);
      // A timer that was asked for this instant fires then or a little later; asleep, much later.
      nowMs = wanted + next() * jitterMs + (sleeps && next() < 0.01 ? 500 + next() * 20_000 : 0);
      const run = runClock(state, 'tick', stages, nowMs);
      state = run.state;
      made.push(...run.calls.map((c) => ({ ...c, atMs: nowMs, wokeMs: wanted })));
    }
    return made;
  };

  const stages = stagesOf(THIRTY_MINUTES);
  test('over 30 minutes of a jittering timer no call is early, none more than 50 ms late, none is lost or comes twice', () => {
    const wanted = due(stages);
    expect(wanted.at(-1)!.dueSec).toBeGreaterThan(1800);
    for (const seed of [1, 7, 99]) {
      const made = run(stages, seed, 50, false).filter((c) => c.cue !== 'finish');
      expect(made.map((c) => [c.stage, c.atSec, c.cue])).toEqual(wanted.map((c) => [c.stage, c.atSec, c.cue]));
      for (const [i, { atMs, lateMs }] of made.entries()) {
        const late = atMs - wanted[i]!.dueSec * 1000;
        expect(late).toBeGreaterThan(-1e-6);
        expect(late).toBeLessThanOrEqual(50);
        expect(lateMs).toBeCloseTo(late, 3);
      }
    }
  });

  test('after sleep none is lost, none doubled, each says how late it is; and at once after waking all are there', () => {
    const wanted = due(stages);
    for (const seed of [3, 11, 2026]) {
      const made = run(stages, seed, 40, true);
      expect(made.at(-1)!.cue).toBe('finish');
      const calls = made.slice(0, -1);
      expect(calls.map((c) => [c.stage, c.atSec])).toEqual(wanted.map((c) => [c.stage, c.atSec]));
      expect(calls.some((c) => c.lateMs > 5000)).toBe(true);
      for (const [i, call] of calls.entries()) {
        const dueMs = wanted[i]!.dueSec * 1000;
        expect(call.atMs).toBeGreaterThanOrEqual(dueMs - 1e-6);
        expect(call.lateMs).toBeCloseTo(call.atMs - dueMs, 3);
      }
    }
  });
});

test('every form runs on the clock as long as its timeline says, stage by stage', () => {
  fc.assert(
    fc.property(fc.array(arbitraryBlock, { minLength: 1, maxLength: 3 }), (blocks) => {
      const document = { blocks: blocks.map(({ label: _label, source: _source, ...b }) => b) };
      const resolved = resolveBlocks(document);
      const plan = computePlan(document, baseLibrary);
      const stages = buildStages(plan, resolved);
      let atSec = 0;
      for (const stage of stages) {
        expect(stage.timelineStartSec).toBeGreaterThanOrEqual(atSec - 1e-9);
        expect(stage.timelineEndSec).toBeGreaterThanOrEqual(stage.timelineStartSec);
        const likely = stage.timelineEndSec - stage.timelineStartSec;
        // What a clock rules takes exactly the time that it is drawn with; rounds that may be left out, and a rest of one's choice, aren't.
        const isDrawn = !stage.optional && stage.enoughFromSec === null && !isWaiting(stage);
        if (stage.ruledBy === 'clock' && isDrawn && stage.timelineEndSec < plan.clockSec.likely)
          expect(stage.durationSec).toBeCloseTo(likely, 6);
        atSec = stage.timelineStartSec;
        const cues = cuesOf(stage);
        expect(new Set(cues.map((c) => `${c.atSec} ${c.cue}`)).size).toBe(cues.length);
        for (const c of cues) expect(c.atSec).toBeLessThanOrEqual(Math.max(0, stage.durationSec));
      }
      if (stages.length > 0) expect(stages.at(-1)!.timelineEndSec).toBeCloseTo(plan.clockSec.likely, 6);
    }),
    { numRuns: runs(300) },
  );
});

describe('what is called', () => {
  const words = (text: string, events: readonly (readonly [ClockEvent, number])[]) =>
    called(stagesOf(text), events).calls.map((c) => c.words);
  const TWO = 'Main: work 0:40 rest 0:20, 2 rounds\nsquat\n8/side leg swing';

  test('the next item when rest begins, water at the end of a round, and the last round', () => {
    expect(words(TWO, [['tick', 0]])).toEqual(['Get ready. squat']);
    expect(words(TWO, [['tick', 45]]).at(-1)).toBe('Rest. Next: 8 each side leg swing, left side first');
    expect(words(TWO, [['tick', 65]]).at(-1)).toBe('8 each side leg swing, left side first');
    expect(words(TWO, [['tick', 105]]).at(-1)).toBe('Rest. Water. Next: squat');
    expect(words(TWO, [['tick', 125]]).at(-1)).toBe('Last round. squat');
    expect(words(TWO, [['tick', 185]]).at(-1)).toBe('8 each side leg swing, left side first');
    expect(words(TWO, [['tick', 225]]).at(-1)).toBe('Rest');
  });
  test('a short rest has no water, and a rest within a round has none', () => {
    const short = 'Main: work 0:40 rest 0:14, 2 rounds\nsquat';
    expect(words(short, [['tick', 45]]).at(-1)).toBe('Rest. Next: squat');
    expect(words(short.replace('0:14', '0:15'), [['tick', 45]]).at(-1)).toBe('Rest. Water. Next: squat');
  });
  test('a long list is named by its first three', () => {
    const text = 'Main: amrap 5:00\nsquat\nmarch\nburpee\nplank jack';
    expect(words(text, [['tick', 0]])).toEqual(['Get ready. squat, march, burpee']);
  });
  test('in a slot: that work should be over, and which side it is now', () => {
    const slot = words('Main: every 1:00 x 2, work cap 0:45\n10 squat', [['tick', 50.5]]);
    expect(slot.at(-1)).toBe('Work should be over');
    expect(words('Main: work 0:40 rest 0:20\nside plank, half each side', [['tick', 25]]).at(-1)).toBe(
      'Switch sides, now right',
    );
  });
  test('“more” moves the last three seconds of getting ready', () => {
    const text = 'Warm-up: flow\n5 squat\n\nMain: amrap 5:00\nsquat';
    const stages = stagesOf(text);
    const { state, calls } = called(stages, [
      ['tick', 5],
      ['next', 20],
      ['more', 22],
      ['tick', 36.5],
    ]);
    expect(stages[state.stage]!.kind).toBe('ready');
    expect(calls.filter((c) => c.cue === 'three').map((c) => c.stage)).toEqual([0]);
    expect(runClock(state, 'tick', stages, 37_200).calls.map((c) => c.cue)).toEqual(['three']);
  });
  test('a pause makes none, going on loses none; back calls again', () => {
    const stages = stagesOf(TWO);
    const { calls } = called(stages, [
      ['tick', 24],
      ['pause', 24.5],
      ['tick', 100],
      ['resume', 100],
      ['tick', 101],
    ]);
    expect(calls.filter((c) => c.cue === 'halfway').map((c) => Math.round(c.lateMs))).toEqual([500]);
    const again = called(stages, [
      ['tick', 20],
      ['back', 20],
      ['tick', 20.1],
    ]);
    expect(again.calls.map((c) => c.cue)).toEqual(['ready', 'three', 'two', 'one', 'go', 'go']);
  });
  test('the end is told once', () => {
    const { calls } = called(stagesOf('Main: work 0:20\nsquat'), [
      ['tick', 40],
      ['tick', 50],
    ]);
    expect(calls.filter((c) => c.cue === 'finish')).toHaveLength(1);
  });
  test('what came just late is called all the same; after a sleep the beginning of what runs now', () => {
    const stages = stagesOf(TWO);
    const late = (fromSec: number, toSec: number) =>
      worthCalling(runClock(called(stages, [['tick', fromSec]]).state, 'tick', stages, toSec * 1000).calls).map(
        (c) => c.cue,
      );
    expect(late(42.5, 44.9)).toEqual(['two', 'one']);
    expect(late(10, 110)).toEqual(['rest']);
    expect(late(10, 9000)).toEqual(['finish']);
  });
});

test('the next call is waited for, never longer than a stage lasts; at one’s own pace there is nothing to wait for', () => {
  const stages = stagesOf('Warm-up: flow\n5 squat\n\nMain: for time, cap 1:00\n50 burpee');
  const at = (events: [ClockEvent, number][], sec: number) =>
    nextCallInMs(called(stages, events).state, stages, sec * 1000);
  expect(at([['tick', 0]], 0)).toBe(2000);
  expect(at([['tick', 4.5]], 4.5)).toBe(500);
  expect(at([['tick', 6]], 6)).toBeUndefined();
  const inCap = called(stages, [
    ['tick', 6],
    ['next', 10],
  ]).state;
  expect(nextCallInMs({ ...inCap, calledSec: 0 }, stages, 30_000)).toBe(40_000);
  expect(nextCallInMs({ ...inCap, status: 'paused' }, stages, 30_000)).toBeUndefined();
});
