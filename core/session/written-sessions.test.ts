import { describe, expect, test } from 'vitest';
import { baseLibrary } from '../movement/library.ts';
import { parseSession } from '../notation/read-session.ts';
import { printSession } from '../notation/print.ts';
import { computePlan } from './plan.ts';

/**
 * Sessions of every form with lengths and counts worked out by hand; the sum stands beside each. Paces, in seconds a
 * repetition, are the library's likely ones: squat 2.2, push-up 2, burpee 5, march 0.7, side plank dip 1.5, bottle
 * press 2.4, mountain climber 0.71; a change-over between different movements at one's own pace is 5 s.
 */
interface Written {
  readonly text: string;
  /** As m:ss. */
  readonly length: string;
  readonly sum: string;
  readonly isExact?: false;
  readonly reps?: Record<string, number>;
  readonly score?: string;
  readonly intervals?: number;
}

const FIVE = 'squat\npush-up\nmarch\nplank\nsit-up';
const FOUR = '8 squat\n10 push-up\n12 march\n14 sit-up';

const WRITTEN: readonly Written[] = [
  // By an interval clock
  {
    text: `Main: work 0:45 rest 0:15, 3 rounds\n${FIVE}`,
    length: '15:00',
    sum: '3 x 5 x 60 s, the last rest counted',
    reps: {},
    score: 'none',
    intervals: 15,
  },
  { text: `Main: work 30s rest 30s, 2 rounds\n${FIVE}`, length: '10:00', sum: '2 x 5 x 60 s', intervals: 10 },
  {
    text: 'Main: work 0:20 rest 0:10 x 8\n10 push-up\n8 squat',
    length: '4:00',
    sum: '8 x 30 s; each item has 4 turns',
    reps: { 'push-up': 40, squat: 32 },
    intervals: 8,
  },
  {
    text: 'Main: work 60/40/20s rest 20s\nsquat\nmarch\nplank',
    length: '9:00',
    sum: '3 x (80 + 60 + 40) s',
    intervals: 9,
  },
  { text: 'Main: work 0:40, 3 rounds\nsquat\nmarch\nplank\nsit-up', length: '8:00', sum: '3 x 4 x 40 s without rest' },
  {
    text: 'Main: work 0:40, 3 rounds, rest 1:00 between rounds\nsquat\nmarch\nplank\nsit-up',
    length: '10:00',
    sum: '3 x 160 s + 2 x 60 s, none after the last',
  },
  {
    text: 'Main: work 0:40 rest 0:20\neach side side plank',
    length: '1:00',
    sum: '20 s + 20 s + 20 s of rest',
    intervals: 1,
  },
  {
    text: 'Group: 12 people\nMain: work 0:30 rest 0:15, stations, 2 rounds\nsquat\nmarch\nplank\nsit-up',
    length: '6:00',
    sum: '2 x 4 x 45 s',
    intervals: 8,
  },
  {
    text: 'Main: work 0:20 rest 0:10 x 8, 2 sets, rest 1:00\nsquat',
    length: '9:00',
    sum: '240 + 60 + 240 s',
    intervals: 16,
  },
  {
    text: 'Main: work 0:30 rest 0:30 x 6\nmax push-up\nsquat',
    length: '6:00',
    sum: '6 x 60 s',
    score: 'reps',
    reps: {},
  },
  {
    text: 'Main: work 0:40 rest 0:20, reps 10-8-6\nsquat\npush-up',
    length: '6:00',
    sum: '3 rounds x 2 x 60 s; 10 + 8 + 6 of each',
    reps: { squat: 24, 'push-up': 24 },
  },
  // Slots
  {
    text: `Main: every 1:00 x 24\n${FOUR}`,
    length: '24:00',
    sum: '6 rounds x 4 x 60 s',
    reps: { squat: 48, 'push-up': 60, march: 72, 'sit-up': 84 },
    intervals: 24,
  },
  {
    text: `Main: every 1:00 x 28\n${FOUR}`,
    length: '28:00',
    sum: 'a seventh round',
    reps: { squat: 56, 'push-up': 70, march: 84, 'sit-up': 98 },
  },
  {
    text: 'Main: every 1:15 for 30:00, work cap 1:00\n8 suitcase deadlift to row\n10 bottle press\n14 alt slow step-back lunge\n0:40 wall sit',
    length: '30:00',
    sum: '24 x 75 s; 6 turns each',
    reps: { 'suitcase-deadlift-to-row': 48, 'bottle-press': 60, 'slow-step-back-lunge': 84 },
  },
  {
    text: 'Main: emom 16:00\n12 squat\n10 push-up',
    length: '16:00',
    sum: '16 x 60 s; 8 turns each',
    reps: { squat: 96, 'push-up': 80 },
  },
  { text: 'Main: every 2:00 x 5\n15 burpee', length: '10:00', sum: '5 x 120 s; 5 x 15', reps: { burpee: 75 } },
  {
    text: 'Main: every 1:00 for 20:00\n8 squat\n8 push-up\n8 march\n8 sit-up\nrest',
    length: '20:00',
    sum: '4 cycles of 4 + 1 min; 4 x 8',
    reps: { squat: 32, 'push-up': 32, march: 32, 'sit-up': 32 },
  },
  {
    text: 'Main: every 0:30 x 10, reps 3-6-9 cycling\nsquat',
    length: '5:00',
    sum: '10 x 30 s; 3 x (3 + 6 + 9) + 3 = 57',
    reps: { squat: 57 },
  },
  { text: 'Main: every 1:00 x 6\n3+1 squat', length: '6:00', sum: '3 + 4 + 5 + 6 + 7 + 8 = 33', reps: { squat: 33 } },
  {
    text: 'Main: every 1:00 x 4\n10/side step-back lunge\n10 alt side lunge',
    length: '4:00',
    sum: '2 turns each; 2 x 20, 2 x 10',
    reps: { 'step-back-lunge': 40, 'side-lunge': 20 },
  },
  // A span to fill
  { text: 'Main: amrap 9:00\n8 squat\n8 march', length: '9:00', sum: 'as said', score: 'rounds+reps', reps: {} },
  {
    text: 'Main: amrap 8:00, 2 sets, rest 1:00\n8 squat\n8 march',
    length: '17:00',
    sum: '480 + 60 + 480 s',
    score: 'rounds+reps',
  },
  { text: 'Main: amrap 5:00\nmax push-up', length: '5:00', sum: 'as said', score: 'reps' },
  { text: 'Main: turns of 2 in 4:00, 3 sets\n8 squat\n8 push-up', length: '12:00', sum: '3 x 240 s' },
  {
    text: 'Main: amrap 6:00, then rest 2:00\n8 squat\nMain: amrap 4:00\n8 march',
    length: '12:00',
    sum: '360 + 120 + 240 s',
  },
  // Windows
  {
    text: 'Main: windows 1:30 x 5 rest 0:30\n10 squat\nmax push-up',
    length: '10:00',
    sum: '5 x 120 s',
    score: 'reps-per-window',
    intervals: 5,
  },
  { text: 'Main: windows 2:00 x 7\n6 burpee\nmax squat', length: '14:00', sum: '7 x 120 s', score: 'reps-per-window' },
  { text: 'Main: windows 1:15 x 6 rest 0:45\n12 march\nmax [squat, push-up]', length: '12:00', sum: '6 x 120 s' },
  // Pyramids
  {
    text: 'Main: pyramid +3 in 1:15 rest 0:45\nsquat\npush-up\nmarch\nsit-up\nburpee\nplank jack',
    length: '12:00',
    sum: '3 pairs x 2 ways x 120 s',
    score: 'top-set',
    intervals: 6,
    reps: {},
  },
  {
    text: 'Main: pyramid +2 in 1:00 rest 0:30\nsquat\nmarch',
    length: '3:00',
    sum: '2 x 90 s',
    score: 'top-set',
    intervals: 2,
  },
  // At one's own pace
  {
    text: 'Main: for time, reps 21-15-9\nsquat\npush-up',
    length: '3:34',
    sum: '46 + 42 + 33 + 30 + 20 + 18 s of work and 5 change-overs of 5 s = 214',
    isExact: false,
    reps: { squat: 45, 'push-up': 45 },
    score: 'time',
  },
  {
    text: 'Main: 3 rounds\n10 squat\n0:30 plank',
    length: '3:01',
    sum: '3 x (22 + 5 + 30) + 2 x 5',
    isExact: false,
    reps: { squat: 30 },
  },
  {
    text: 'Main: 2 to 3 rounds\n10 squat',
    length: '1:06',
    sum: '3 x 22 s likely',
    isExact: false,
    reps: { squat: 30 },
  },
  {
    text: 'Main: 3 rounds, rest 0:30 between rounds\n10 push-up',
    length: '2:00',
    sum: '3 x 20 + 2 x 30',
    isExact: false,
    reps: { 'push-up': 30 },
  },
  { text: 'Main: 4 rounds\n0:20 plank', length: '1:20', sum: '4 x 20 s held', reps: {} },
  {
    text: 'Main: reps 10..1\neach side side plank dip, then hold by count',
    length: '4:40',
    sum: 'a side: 15+14+12+11+9+8+6+5+3+2 = 85 of dips and 55 held; twice 140',
    isExact: false,
    reps: { 'side-plank-dip': 110 },
  },
  {
    text: 'Main: reps 2..8 by 2\nburpee',
    length: '1:40',
    sum: '2 + 4 + 6 + 8 = 20; 20 x 5 s',
    isExact: false,
    reps: { burpee: 20 },
  },
  {
    text: 'Main: by feel\n3 to 5 push-up',
    length: '0:08',
    sum: '4 likely x 2 s',
    isExact: false,
    reps: { 'push-up': 4 },
  },
  {
    text: 'Main: relay 24-16-8 teams of 3\nsquat',
    length: '5:18',
    sum: '53 + 106 waiting, 35 + 70, 18 + 36',
    isExact: false,
    reps: { squat: 48 },
  },
  // Doses and modifiers
  { text: 'Cool-down: flow\n0:45/side doorway chest stretch', length: '1:30', sum: '2 x 45 s', reps: {} },
  { text: 'Main: flow\n0:30 side plank, half each side', length: '0:30', sum: '15 + 15 s' },
  {
    text: 'Main: flow\n21 bottle press, half each side',
    length: '0:50',
    sum: '11 x 2.4 = 26, 10 x 2.4 = 24',
    isExact: false,
    reps: { 'bottle-press': 21 },
  },
  {
    text: 'Main: flow\n10 pairs mountain climber',
    length: '0:14',
    sum: '20 x 0.71',
    isExact: false,
    reps: { 'mountain-climber': 20 },
  },
  { text: 'Main: flow\n8 squat, tempo 3-1-1', length: '0:40', sum: '8 x 5 s', reps: { squat: 8 } },
  {
    text: 'Main: flow\n8 push-up, pause 2s',
    length: '0:32',
    sum: '8 x (2 + 2) s',
    isExact: false,
    reps: { 'push-up': 8 },
  },
  {
    text: 'Main: flow\n10 squat, then hold 0:10',
    length: '0:32',
    sum: '22 + 10 s',
    isExact: false,
    reps: { squat: 10 },
  },
  {
    text: 'Main: flow\n8 left bottle press\n8 right bottle press',
    length: '0:38',
    sum: '19 + 19 s, one movement, no change-over',
    isExact: false,
    reps: { 'bottle-press': 16 },
  },
  { text: 'Main: flow\n200 m run', length: '1:20', sum: '200 m at 2.5 m/s', isExact: false, reps: {} },
  { text: 'Main: flow\n15 cal "rowing machine"', length: '1:00', sum: '15 x 4 s', isExact: false, reps: {} },
  {
    text: 'Main: 3 rounds\n40 skip or 12 double skip',
    length: '1:06',
    sum: 'the first is counted: 3 x 22 s',
    isExact: false,
    reps: { skip: 120 },
  },
  {
    text: 'Main: 3 rounds\n5 [squat, push-up, march]',
    length: '0:35',
    sum: '11 + 5 + 10 + 5 + 4 s, one movement a round',
    isExact: false,
    reps: { squat: 5, 'push-up': 5, march: 5 },
  },
  // References
  {
    text: 'Main (Opener): amrap 6:00\n8 squat\nFinisher: same as Opener, then rest 1:00',
    length: '13:00',
    sum: '360 + 360 + 60 s',
    score: 'rounds+reps',
  },
];

const sec = (text: string) => text.split(':').reduce((sum, part) => sum * 60 + Number(part), 0);

test('there are at least forty, of every form', () => {
  expect(WRITTEN.length).toBeGreaterThanOrEqual(40);
});

describe.each(WRITTEN)('$text', ({ text, length, sum, isExact = true, reps, score, intervals }) => {
  const { document, issues } = parseSession(text, baseLibrary);
  const plan = computePlan(document, baseLibrary);
  test(`is ${length}: ${sum}`, () => {
    expect(issues).toEqual([]);
    expect(plan.clockSec.likely).toBe(sec(length));
    if (isExact && score !== 'time') expect(plan.blocks.every((b) => !b.estimated) || /tempo/.test(text)).toBe(true);
    if (!isExact) expect(plan.estimated).toBe(true);
    if (reps) expect(plan.reps).toEqual(reps);
    if (score) expect(plan.blocks[0]!.score).toBe(score);
    if (intervals) expect(plan.blocks[0]!.intervals).toBe(intervals);
    expect(parseSession(printSession(document, baseLibrary), baseLibrary).document).toEqual(document);
  });
});
