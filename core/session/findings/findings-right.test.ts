import { describe, expect, test } from 'vitest';
import { baseLibrary } from '../../movement/library.ts';
import { analyseText } from '../analyse.ts';
import { groupFindings } from './group-findings.ts';
import { computeRoomKit } from '../room-kit.ts';
import { buildSheet } from '../session-sheet.ts';

const findings = (text: string) => analyseText(text, baseLibrary).findings;
const of = (text: string, code: string) => findings(text).filter((f) => f.code === code);

describe('kit', () => {
  test('a movement that nobody knows may need what was announced', () => {
    expect(of('Kit: kettlebell\nMain: 3 rounds\n10 squat', 'kit-unused')).toHaveLength(1);
    expect(of('Kit: kettlebell\nMain: 3 rounds\n10 crane dance', 'kit-unused')).toEqual([]);
  });
  test('what was announced is passed on as it was where a movement may need it, and else only what is needed', () => {
    const kit = (text: string) => {
      const { document, blocks, plan } = analyseText(text, baseLibrary);
      return buildSheet(document, blocks, plan, baseLibrary).kit;
    };
    expect(kit('Kit: heavy rucksack\nMain: flow\n5 chair dip\n5 crane dance')).toBe('heavy rucksack, chair');
    expect(kit('Kit: heavy rucksack\nMain: flow\n5 chair dip')).toBe('chair');
    expect(kit('Kit: none\nMain: flow\n5 squat')).toBe('nothing but yourself');
  });
  test('a pair of any implement counts twice', () => {
    const { document, blocks } = analyseText('Group: 6\nMain: 3 rounds\n10 goblet squat, @ 2x8 kg', baseLibrary);
    const [first] = computeRoomKit(document.groupSize, blocks, baseLibrary);
    expect(first!.count).toBe(12);
  });
});

test('the two sides of one movement are not two alike in a row; two movements are', () => {
  const text = (a: string, b: string) => `Main: 3 rounds\n10 ${a}\n10 ${b}\n0:20 plank`;
  expect(of(text('left split squat', 'right split squat'), 'same-area-in-a-row')).toEqual([]);
  expect(of(text('squat', 'split squat'), 'same-area-in-a-row')).toHaveLength(1);
});

test('wrists are prepared by words too', () => {
  const text = (warm: string) => `Warm-up: flow\n${warm}\n\nMain: 4 rounds\n12 push-up`;
  expect(of(text('10 squat'), 'wrists-unprepared')).toHaveLength(1);
  expect(of(text('0:30 wrist rocking'), 'wrists-unprepared')).toEqual([]);
  expect(of(text('10 squat, "roll the wrists"'), 'wrists-unprepared')).toEqual([]);
});

test('landings after work: stretching is no work, and what begins a block is fresh', () => {
  const late = (before: string) => `Main: flow\n${before}\n\nMain: flow\n10 squat\n10 squat jump`;
  expect(of(late('25:00 plank'), 'impact-after-fatigue')).toHaveLength(1);
  expect(of(late('25:00 child’s pose'), 'impact-after-fatigue')).toEqual([]);
  expect(of('Main: flow\n25:00 plank\n\nMain: flow\n10 squat jump', 'impact-after-fatigue')).toEqual([]);
});

test('what is offered for a new name is the same exercise or a shape of it, never another one', () => {
  const offers = (name: string) =>
    of(`Main: flow\n10 ${name}`, 'new-movement').flatMap((f) =>
      f.changes.flatMap((c) => (c.does.kind === 'rename' ? [c.does.name] : [])),
    );
  expect(offers('pusch-up')).toContain('push-up');
  expect(offers('banana squat').every((label) => label.endsWith('squat'))).toBe(true);
  expect(offers('squat thing')).toEqual([]);
});

test('several of one kind are one, with their lines; a kind of one stands as it is', () => {
  const groups = groupFindings(findings('Main: flow\n10 crane dance\n10 heron walk\n5 split squat'));
  const fresh = groups.find((g) => g.code === 'new-movement')!;
  expect(fresh.findings.map((f) => f.line)).toEqual([2, 3]);
  expect(groups.find((g) => g.code === 'one-sided')!.findings).toHaveLength(1);
});

describe('a slot clock by rounds', () => {
  test('5 rounds of 4 items at 1:00 are 20:00', () => {
    const { document, plan, issues } = analyseText(
      'Main: every 1:00, 5 rounds\n10 squat\n8 push-up\n12 march\n0:20 plank',
      baseLibrary,
    );
    expect(issues).toEqual([]);
    expect(document.blocks[0]!.time).toEqual({ kind: 'slots', slotSec: 60, slots: 20 });
    expect([plan.clockSec.likely, plan.blocks[0]!.rounds, plan.reps.squat]).toEqual([1200, { low: 5, high: 5 }, 50]);
  });
  test.each([
    ['Main: every 1:00\n5 squat', 'Say how long the turns go on'],
    ['Main: every 1:00 x 5, 5 rounds\n5 squat', 'leave the rounds out'],
    ['Main: every 1:00, 2 to 3 rounds\n5 squat', 'write one number'],
    ['Main: every 1:00, 100 rounds\n5 squat\n5 march\n5 burpee\n5 push-up', 'more than six hours'],
  ])('%j is told', (text, message) => {
    expect(analyseText(text, baseLibrary).issues.map((i) => i.message)).toEqual([expect.stringContaining(message)]);
  });
  test('a length that leaves a part of a round over is said, with what is whole', () => {
    const [found] = of('Main: every 1:00 x 5\n5 squat\n5 march', 'part-round');
    expect(found).toMatchObject({ slots: 5, rounds: 2, items: 2, over: 1 });
    expect(found!.changes.map((c) => c.does)).toEqual([
      { kind: 'whole-rounds', rounds: 2, sec: 240 },
      { kind: 'whole-rounds', rounds: 3, sec: 360 },
    ]);
    expect(of('Main: every 1:00 x 4\n5 squat\n5 march', 'part-round')).toEqual([]);
  });
});
