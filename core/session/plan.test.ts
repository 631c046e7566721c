import { describe, expect, test } from 'vitest';
import { baseLibrary } from '../movement/library.ts';
import { parseSession } from '../notation/read-session.ts';
import type { SessionPlan } from './plan.ts';
import { computePlan } from './plan.ts';

const plan = (text: string): SessionPlan => {
  const { document, issues } = parseSession(text, baseLibrary);
  expect(issues).toEqual([]);
  return computePlan(document, baseLibrary);
};
const min = (text: string) => {
  const [m, s] = text.split(':').map(Number);
  return m! * 60 + s!;
};
const FIVE = '10 squat\npush-up\nmarch\nplank\nsit-up';
const NINE = Array.from({ length: 9 }, () => 'squat').join('\n');

describe('clocks have an exact length (docs/formulas.md 1, common practice, no source)', () => {
  test.each([
    ['5 exercises x 3 rounds at 45/15', `Main: work 0:45 rest 0:15, 3 rounds\n${FIVE}`, '15:00'],
    ['5 exercises x 2 rounds at 30/30', `Main: work 30s rest 30s, 2 rounds\n${FIVE}`, '10:00'],
    ['20/10, eight times', 'Main: work 0:20 rest 0:10 x 8\nsquat\npush-up', '4:00'],
    ['two such blocks', 'Main: work 0:20 rest 0:10 x 8\nsquat\nMain: work 0:20 rest 0:10 x 8\nmarch', '8:00'],
    ['9 exercises, rounds of 60/30, 40/20, 30/15', `Main: work 60/40/30s rest 30/20/15s\n${NINE}`, '29:15'],
    [
      'work growing 30, 40, 50 s with the rest kept at 30 s, two exercises',
      'Main: work 30/40/50s rest 30s\nsquat\nmarch',
      '7:00',
    ],
    ['every minute, 4 stations x 6 rounds', 'Main: every 1:00 x 24\n8 squat\n8 push-up\n8 march\n8 sit-up', '24:00'],
    ['a seventh round', 'Main: every 1:00 x 28\n8 squat\n8 push-up\n8 march\n8 sit-up', '28:00'],
    [
      '20:00 with 4 working minutes and 1 of rest',
      'Main: every 1:00 for 20:00\n8 squat\n8 push-up\n8 march\n8 sit-up\nrest',
      '20:00',
    ],
    ['two 8:00 halves with 1:00 between', 'Main: amrap 8:00, 2 sets, rest 1:00\n8 squat\n8 march', '17:00'],
    ['five windows of 1:30 with 0:30 rest', 'Main: windows 1:30 x 5 rest 0:30\n10 squat\nmax push-up', '10:00'],
    ['seven 2:00 windows', 'Main: windows 2:00 x 7\n10 squat\nmax push-up', '14:00'],
    ['partners in three blocks of 4:00', 'Main: turns of 2 in 4:00, 3 sets\n8 squat\n8 push-up', '12:00'],
    [
      'a pyramid of three pairs at 1:15/0:45',
      'Main: pyramid +3 in 1:15 rest 0:45\nsquat\npush-up\nmarch\nsit-up\nburpee\nplank jack',
      '12:00',
    ],
    ['then rest counts in the session', 'Main: amrap 8:00, then rest 2:00\n8 squat', '10:00'],
  ])('%s', (_name, text, length) => {
    const { clockSec, estimated, blocks } = plan(text);
    expect(clockSec).toEqual({ low: min(length), likely: min(length), high: min(length) });
    expect(estimated).toBe(false);
    expect(blocks[0]!.estimated).toBe(false);
  });

  test('9 exercises at 60/30, 40/20, 30/15 are 13:30 + 9:00 + 6:45', () => {
    const { timeline } = plan(`Main: work 60/40/30s rest 30/20/15s\n${NINE}`);
    const ends = [1, 2, 3].map((round) => timeline.filter((s) => s.round === round).at(-1)!.endSec);
    expect(ends).toEqual([min('13:30'), min('22:30'), min('29:15')]);
  });

  test('twelve minutes of partners, twice, are 24:00', () => {
    const text = 'Main: turns of 2 in 4:00, 3 sets\n8 squat\n8 push-up\n';
    expect(plan(text + text).clockSec.likely).toBe(min('24:00'));
  });
});

describe('counts (docs/formulas.md 1, common practice, no source)', () => {
  test('21-15-9 is 45 of each', () => {
    expect(plan('Main: for time, reps 21-15-9\nsquat\npush-up').reps).toEqual({ squat: 45, 'push-up': 45 });
  });
  test('10 down to 1 with a hold of as many seconds is 55 reps and 55 s of hold on each side', () => {
    const { reps, timeline } = plan('Main: reps 10..1\neach side side plank dip, then hold by count');
    expect(reps).toEqual({ 'side-plank-dip': 110 });
    for (const side of ['left', 'right']) {
      const held = timeline.filter((s) => s.kind === 'hold' && s.side === side);
      expect(held.reduce((sum, s) => sum + s.endSec - s.startSec, 0)).toBe(55);
    }
  });
  test.each([
    ['10 squat', { squat: 30 }],
    ['10/side split squat', { 'split-squat': 60 }],
    ['10 alt step-back lunge', { 'step-back-lunge': 30 }],
    ['10 pairs mountain climber', { 'mountain-climber': 60 }],
    ['3 to 5 push-up', { 'push-up': 12 }],
    ['6-6-9 squat', { squat: 21 }],
    ['7..5 squat', { squat: 18 }],
    ['3+1 squat', { squat: 12 }],
    ['0:30 plank', {}],
    ['max push-up', {}],
    ['40 skip or 12 double skip', { skip: 120 }],
    ['[squat, wall push-up, march]', {}],
    ['5 [squat, wall push-up, march]', { squat: 5, 'wall-push-up': 5, march: 5 }],
    ['5 Nordic hop-over', { 'nordic-hop-over': 15 }],
  ])('3 rounds of %s', (line, reps) => {
    expect(plan(`Main: 3 rounds\n${line}`).reps).toEqual(reps);
  });
  test('a cycling list starts over: 4-8-12 in six slots of one item is 48', () => {
    expect(plan('Main: every 1:00 x 6, reps 4-8-12 cycling\nsquat').reps).toEqual({ squat: 48 });
  });
});

describe('sides', () => {
  test.each([
    [30, 15, 15],
    [40, 20, 20],
    [50, 25, 25],
  ])('one-sided work of %i s is %i and %i with a call to switch (common practice)', (sec, left, right) => {
    const { timeline } = plan(`Main: work ${sec}s rest 10s\neach side side plank`);
    expect(timeline.filter((s) => s.side).map((s) => [s.side, s.endSec - s.startSec])).toEqual([
      ['left', left],
      ['right', right],
    ]);
  });
  test.each([
    [21, 11, 10],
    [15, 8, 7],
    [13, 7, 6],
  ])('of an odd count of %i the first side takes %i and the other %i', (n, left, right) => {
    const { timeline } = plan(`Main: flow\n${n} bottle press, half each side`);
    expect(timeline.map((s) => [s.side, s.reps])).toEqual([
      ['left', left],
      ['right', right],
    ]);
  });
  test('0:30/side takes 60 s, 0:30 half each side takes 30 s', () => {
    expect(plan('Main: flow\n0:30/side side plank').clockSec.likely).toBe(60);
    expect(plan('Main: flow\n0:30 side plank, half each side').clockSec.likely).toBe(30);
  });
});

test('the session of the notation page: its exact and estimated parts', () => {
  const p = plan(`Target: 40 min
Warm-up: 2 to 3 rounds
6 wrist circle, slow
4/side kneeling hip opener
5 chair squat, tempo 4-1-2
Main (Four in turn): every 1:15 for 30:00, work cap 1:00
8 suitcase deadlift to row
10 bottle press
14 alt slow step-back lunge
0:40 wall sit or chair sit hold
Finisher: for time, reps 9-7-5-3
chair dip or wall push-up
bridge march
Cool-down: flow
0:45/side doorway chest stretch`);
  expect(p.blocks.map((b) => b.score)).toEqual(['none', 'none', 'time', 'none']);
  expect(p.blocks.map((b) => b.estimated)).toEqual([true, false, true, false]);
  expect(p.blocks[1]).toMatchObject({
    clockSec: { likely: 1800 },
    rounds: { low: 6, high: 6 },
    intervals: 24,
    reps: { 'suitcase-deadlift-to-row': 48, 'bottle-press': 60, 'slow-step-back-lunge': 84 },
  });
  expect(p.blocks[2]!.reps).toEqual({ 'chair-dip': 24, 'bridge-march': 24 });
  expect(p.blocks[3]!.clockSec).toEqual({ low: 90, likely: 90, high: 90 });
  expect(p.kit).toEqual(['chair', '2 bottles', 'wall']);
  // Five chair squats at tempo 4-1-2 are 35 s, exactly.
  expect(p.timeline.find((s) => s.movementId === 'chair-squat')).toMatchObject({ estimated: true, reps: 5 });
  const squat = p.timeline.find((s) => s.movementId === 'chair-squat')!;
  expect(squat.endSec - squat.startSec).toBe(35);
  expect(p.clockSec.low).toBeLessThan(p.clockSec.likely);
  expect(p.clockSec.likely).toBeLessThan(p.clockSec.high);
});

test('a cap ends a block for time in every estimate', () => {
  expect(plan('Main: for time, cap 1:00, reps 21-15-9\nsquat\nburpee').clockSec).toEqual({
    low: 60,
    likely: 60,
    high: 60,
  });
});

test('what is written is counted, also where the cap is likely to come first', () => {
  const p = plan('Main: for time, cap 2:00, reps 10..1\nburpee');
  expect([p.clockSec.likely, p.reps, p.movements[0]!.reps]).toEqual([120, { burpee: 55 }, 55]);
  expect(plan('Main: 4 rounds, cap 1:00\n10 squat\n10 push-up').movements.map((m) => [m.id, m.reps])).toEqual([
    ['squat', 40],
    ['push-up', 40],
  ]);
  expect(plan('Main: for time, cap 0:10\n10 squat\n10 march').movements.map((m) => [m.id, m.reps])).toEqual([
    ['squat', 10],
    ['march', 10],
  ]);
});

test('rest between rounds and sets never trails', () => {
  const p = plan('Main: 3 rounds, rest 0:30 between rounds\n0:20 plank');
  expect(p.clockSec.likely).toBe(3 * 20 + 2 * 30);
  expect(p.restSec).toBe(60);
  expect(plan('Main: work 0:20 rest 0:10 x 2, 2 sets, rest 1:00\nsquat').clockSec.likely).toBe(60 + 60 + 60);
});

test('same as takes the clock and items of the block with that label', () => {
  const p = plan('Main (One): amrap 6:00\n8 squat\nFinisher (Again): same as One, then rest 1:00');
  expect(p.blocks.map((b) => [b.label, b.score, b.clockSec.likely])).toEqual([
    ['One', 'rounds+reps', 360],
    ['Again', 'rounds+reps', 360],
  ]);
  expect(p.clockSec.likely).toBe(780);
});

test('scores follow the form', () => {
  const score = (text: string) => plan(text).blocks[0]!.score;
  expect(score('Main: amrap 5:00\nmax push-up')).toBe('reps');
  expect(score('Main: amrap 5:00\n5 push-up')).toBe('rounds+reps');
  expect(score('Main: windows 1:00 x 3\n5 push-up')).toBe('reps-per-window');
  expect(score('Main: pyramid +2 in 1:00\nsquat\nmarch')).toBe('top-set');
  expect(score('Main: for time\n5 push-up')).toBe('time');
  expect(score('Main: work 0:30 rest 0:30\nmax push-up')).toBe('reps');
  expect(score('Main: flow\n5 push-up')).toBe('none');
});

test('the timeline has no gaps or overlaps, and its parts add up to every block', () => {
  const p =
    plan(`Warm-up: 2 to 3 rounds\n6 squat\n0:20 plank\nMain: every 1:00 x 7, then rest 1:00\n8 burpee\nrest\nMain: amrap 3:00\n5 squat\n5 march
Main: windows 1:00 x 2 rest 0:20\n5 squat\nmax push-up\nFinisher: relay 6-4 teams of 3\nsquat`);
  let at = 0;
  for (const s of p.timeline) {
    expect(s.startSec).toBe(at);
    expect(s.endSec).toBeGreaterThan(s.startSec);
    at = s.endSec;
  }
  expect(at).toBe(p.clockSec.likely);
  expect(p.workSec + p.restSec).toBe(p.clockSec.likely);
  for (const [i, block] of p.blocks.entries()) {
    const sec = p.timeline.filter((s) => s.block === i).reduce((sum, s) => sum + s.endSec - s.startSec, 0);
    expect(sec - block.thenRestSec).toBe(block.clockSec.likely);
    expect(block.workSec + block.restSec).toBe(block.clockSec.likely);
  }
});

test('an empty document plans to nothing', () => {
  expect(plan('')).toMatchObject({
    clockSec: { low: 0, likely: 0, high: 0 },
    timeline: [],
    blocks: [],
    reps: {},
    kit: [],
    estimated: false,
  });
});

test('a clock without rest has no steps of it, not even of no length', () => {
  const steps = (text: string) => {
    const { document } = parseSession(text, baseLibrary);
    return computePlan(document, baseLibrary).steps.map((s) => s.purpose);
  };
  expect(steps('Main: work 0:30, 2 rounds\nsquat')).toEqual(['interval', 'interval']);
  expect(steps('Main: work 0:30 rest 0:10, 2 rounds\nsquat')).toEqual(['interval', 'rest', 'interval', 'rest']);
});
