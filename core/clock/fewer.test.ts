import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { runs } from '../../tests/long.ts';
import { baseLibrary } from '../movement/library.ts';
import { worthOf } from '../record/adherence/worth.ts';
import { scoreKey } from '../record/scores/score-key.ts';
import { scoreReps } from '../record/scores/score-reps.ts';
import { analyseText } from '../session/analyse.ts';
import { buildStages } from './build-stages.ts';
import type { ClockState } from './clock.ts';
import { advance, startClock } from './clock.ts';
import type { FewerFrom } from './fewer.ts';
import { fewerReps, stepsFewer } from './fewer.ts';
import { fewerOf } from './fewer-stages.ts';
import { applyShapes } from './shapes.ts';
import { stepFewer } from './step-fewer.ts';

const from = (turn: number, item = 0, by: 1 | -1 = 1): FewerFrom => ({ set: 1, turn, item, by });

function sessionOf(text: string) {
  const { blocks, plan, issues } = analyseText(text, baseLibrary);
  expect(issues).toEqual([]);
  return { plan, blocks, stages: buildStages(plan, blocks) };
}

describe('a step fewer', () => {
  test('is a fifth, one at least, and never none; sides in turn stay even', () => {
    expect([1, 2, 3, 5, 8, 10, 12, 20].map((n) => fewerReps(n, 1))).toEqual([1, 1, 2, 4, 6, 8, 10, 16]);
    expect([1, 2, 3].map((steps) => fewerReps(10, steps))).toEqual([8, 6, 4]);
    expect([8, 10, 12].map((n) => fewerReps(n, 1, true))).toEqual([6, 8, 10]);
    expect(fewerReps(6, 1, true)).toBe(4);
    expect(fewerReps(3, 3)).toBe(1);
  });

  test('holds from its place on, until there are more again', () => {
    const places = [from(1, 2), from(3, 0), from(4, 1, -1)];
    const steps = (turn: number, item: number) => stepsFewer(places, { set: 1, turn, item });
    expect([steps(1, 1), steps(1, 2), steps(2, 0), steps(3, 0), steps(4, 0), steps(4, 1)]).toEqual([0, 1, 1, 2, 2, 1]);
    expect(stepsFewer([from(5)], { set: 2, turn: 0, item: 0 })).toBe(1);
    expect(
      stepsFewer(
        Array.from({ length: 9 }, () => from(0)),
        { set: 1, turn: 0, item: 0 },
      ),
    ).toBe(3);
  });
});

/** The figures of all stages of work, lists line by line, after "fewer" was pressed at a stage with so many taps. */
function figuresAfter(
  text: string,
  presses: readonly { readonly at: number; readonly taps?: number; readonly by?: -1 }[],
) {
  const { stages } = sessionOf(text);
  let state: ClockState = startClock(0);
  for (const { at, taps = 0, by = 1 } of presses) {
    state = { ...state, stage: at, tapsByStage: { ...state.tapsByStage, [at]: taps } };
    const change = stepFewer(state, stages, by);
    if (change) state = advance(state, { kind: 'change', change }, stages, 0);
  }
  return applyShapes(stages, state.changes, {}).flatMap((s) =>
    s.lines.length > 0
      ? s.lines.map((l) => (l.carried ? JSON.stringify(l.carried) : l.figure))
      : s.kind === 'work'
        ? [s.figure]
        : [],
  );
}

describe('on the clock', () => {
  const SLOTS = 'Main: every 1:00 for 6:00\n10 squat\n13 lunge, half each side\n8 alt toe tap';
  test('each turn of a clock from there on has fewer, halves and sides in turn as they are counted', () => {
    expect(figuresAfter(SLOTS, [])).toEqual(['10', '7 + 6', '8', '10', '7 + 6', '8']);
    // Stage 0 gets ready; the second turn is stage 2.
    expect(figuresAfter(SLOTS, [{ at: 2 }])).toEqual(['10', '5', '6', '8', '5', '6']);
    expect(figuresAfter(SLOTS, [{ at: 2 }, { at: 3 }, { at: 5, by: -1 }])).toEqual(['10', '5', '4', '6', '5', '6']);
  });

  test('a window’s list, a growing line from its round on, a range, and what is asked for at its end', () => {
    expect(figuresAfter('Main: amrap 8:00\n10 squat\n8 to 12 push-up\n400 m run', [{ at: 1 }])).toEqual([
      '8',
      '6 to 10',
      '400 m',
    ]);
    const [grown] = figuresAfter('Main: amrap 8:00\n4 +2 each round squat', [{ at: 1, taps: 2 }]);
    expect((JSON.parse(grown!) as { values: number[] }).values.slice(0, 5)).toEqual([4, 6, 6, 8, 10]);
    const { stages } = sessionOf('Main: windows 3:00 x 2 rest 1:00\n10 squat\n5/side lunge');
    const change = stepFewer({ ...startClock(0), stage: 1 }, stages, 1)!;
    const asked = applyShapes(stages, [change], {}).find((s) => s.asks?.round)?.asks;
    expect(asked?.round?.map((r) => r.reps)).toEqual([8, 16]);
  });

  test('nothing is offered where nothing would change: times, a pyramid, one of each', () => {
    const offered = (text: string) => stepFewer({ ...startClock(0), stage: 1 }, sessionOf(text).stages, 1) !== null;
    expect(offered('Main: work 0:40 rest 0:20, 2 rounds\nsquat')).toBe(false);
    expect(offered('Main: 3 rounds\n1 squat')).toBe(false);
    expect(offered('Main: 3 rounds\n2 squat')).toBe(true);
  });
});

test('scores stand for what was done: whole rounds before, fewer behind', () => {
  const { blocks, plan } = sessionOf('Main: amrap 8:00\n10 squat\n5/side lunge');
  const score = { block: 0, kind: 'rounds+reps', rounds: 3, reps: 9 } as const;
  expect(scoreReps(score, blocks[0]!)?.total).toBe(69);
  expect(scoreReps(score, blocks[0]!, [from(2)])?.total).toBe(20 + 20 + 16 + 9);
  const keys = [[], [from(0)], [from(2)], [from(0)]].map((fewer) => scoreKey(blocks[0]!, plan.blocks[0]!, [], fewer));
  expect(keys[1]).toBe(keys[3]);
  expect(new Set(keys).size).toBe(3);
});

const HEADERS = [
  'every 1:00 for 6:00',
  'every 0:09 for 0:45',
  '3 rounds',
  '4 rounds, rest 0:20 between rounds',
  'flow',
];
const LINES = [
  'N squat',
  'N/side lunge',
  'N alt toe tap',
  'N squat, half each side',
  'N pairs high knees',
  '0:20 plank',
];
const plainSession = fc
  .tuple(
    fc.constantFrom(...HEADERS),
    fc.constantFrom('', ', 2 sets'),
    fc.array(fc.tuple(fc.constantFrom(...LINES), fc.integer({ min: 1, max: 31 })), { minLength: 1, maxLength: 4 }),
  )
  .map(([header, sets, lines]) =>
    [`Main: ${header}${sets}`, ...lines.map(([line, n]) => line.replace('N', String(n)))].join('\n'),
  );

test('what it was worth is what the clock showed, whenever somebody did fewer, or more again', () => {
  const presses = fc.array(fc.tuple(fc.nat(40), fc.constantFrom(1, 1, -1)), { maxLength: 4 });
  fc.assert(
    fc.property(plainSession, presses, (text, pressed) => {
      const { plan, blocks, stages } = sessionOf(text);
      let state: ClockState = startClock(0);
      for (const [at, by] of pressed.toSorted((a, b) => a[0] - b[0])) {
        state = { ...state, stage: Math.min(at, stages.length - 1) };
        const change = stepFewer(state, stages, by);
        if (change) state = advance(state, { kind: 'change', change }, stages, 0);
      }
      const shown = applyShapes(stages, state.changes, {}).filter((s) => s.kind === 'work' && s.reps !== null);
      const all = shown.reduce((sum, { item, sides, reps }) => {
        const line = blocks[0]!.items[item!]!;
        const counted = line.kind === 'work' && line.dose && 'sides' in line.dose ? line.dose.sides : undefined;
        const isEach = counted === 'pairs' || (counted === 'each' && sides.length !== 1);
        return sum + reps!.numbers.reduce((a, b) => a + b, 0) * (isEach ? 2 : 1);
      }, 0);
      const worth = worthOf(
        { outcome: 'done', shareRatio: 1, scores: [], details: { fewer: fewerOf(state.changes) } },
        { plan, blocks },
        { targets: {}, paced: {} },
        baseLibrary,
      );
      expect(worth?.reps).toBeCloseTo(all, 6);
    }),
    { numRuns: runs(3000) },
  );
});
