import { describe, expect, test } from 'vitest';
import { ANYONE } from '../movement/fit-movement.ts';
import { baseLibrary } from '../movement/library.ts';
import { analyseText } from '../session/analyse.ts';
import { runClock, startClock } from './clock.ts';
import type { ShapeChange } from './shape-change.ts';
import { shapeLadders } from './shape-ladders.ts';
import { applyShapes, chosenShapes, HURT_AREAS, shapeAt } from './shapes.ts';
import { buildStages } from './build-stages.ts';

const open = (text: string, person = ANYONE) => {
  const { blocks, plan, issues } = analyseText(text, baseLibrary);
  expect(issues).toEqual([]);
  return { stages: buildStages(plan, blocks), ladders: shapeLadders(blocks, baseLibrary, person) };
};
const step = (from: number, by: -1 | 1, item: number | null = null): ShapeChange => ({
  kind: 'step',
  from,
  block: item === null ? null : 0,
  item,
  by,
});
const TEXT = 'Main: work 0:40 rest 0:20, 2 rounds\npush-up\n8/side split squat';

describe('shapes that one may go to', () => {
  test('steps of the ladder, easiest first, counted as the movement is; what is spared is none', () => {
    const { ladders } = open(TEXT);
    const own = ladders['push-up']!;
    expect(own.names[own.at]).toBe('push-up');
    expect(own.names.slice(0, own.at)).toEqual(['wall push-up', 'chair push-up', 'knee push-up']);
    expect(own.names.slice(own.at + 1)).toHaveLength(2);
    const quiet = open('Main: flow\n10 squat', { ...ANYONE, spares: ['no-jumping'] }).ladders.squat!;
    for (const name of quiet.names) expect(baseLibrary.findByName(name)!.impact).toBeLessThan(2);
    expect(open('Main: flow\n0:30 plank').ladders.plank!.names.every((n) => baseLibrary.findByName(n)!.isHold)).toBe(
      true,
    );
    expect(open('Main: flow\n5 wobble flop').ladders).toEqual({});
  });
  test('for each area that can be spared there is something else, or nothing', () => {
    const { standIns } = open(TEXT).ladders['push-up']!;
    const wrist = baseLibrary.findByName(standIns['wrist or elbow']!)!;
    expect(wrist.demand.wrist).toBeLessThan(2);
    expect(standIns.hip).toBeUndefined();
    expect(Object.keys(standIns).every((a) => HURT_AREAS.some((h) => h.area === a))).toBe(true);
  });
});

describe('changed on the way', () => {
  const { stages, ladders } = open(TEXT);
  const titles = (...changes: ShapeChange[]) => applyShapes(stages, changes, ladders).map((s) => s.title);
  test('nothing changed is the same list', () => {
    expect(applyShapes(stages, [], ladders)).toBe(stages);
  });
  test('one item, from here on: what was done stays', () => {
    const later = titles(step(5, -1, 0));
    expect(later.filter((t) => /push-up/.test(t))).toEqual(['push-up', 'knee push-up']);
    expect(titles(step(1, -1, 0)).filter((t) => /push-up/.test(t))).toEqual(['knee push-up', 'knee push-up']);
  });
  test('everything: each by one step, as far as its ladder goes, and back again', () => {
    const all = titles(step(0, -1));
    expect(all).toContain('knee push-up');
    expect(all).not.toContain('split squat');
    expect(titles(step(0, -1), step(0, 1))).toEqual(stages.map((s) => s.title));
    const lowest = shapeAt(
      Array.from({ length: 9 }, () => step(0, -1)),
      ladders,
      {
        stage: 1,
        block: 0,
        item: 0,
        written: 'push-up',
      },
    );
    expect(lowest).toBe('wall push-up');
  });
  test('what the coach says of a movement isn’t said of another in its place', () => {
    const own = open('Main: work 0:40 rest 0:20\nWatch: hurry\npush-up, cue "elbows in"');
    const [, changed] = applyShapes(own.stages, [step(0, -1, 0)], own.ladders);
    expect(own.stages[1]!.coachCues.map((c) => c.words)).toEqual(['elbows in', 'Watch: hurry']);
    expect(changed!.coachCues.map((c) => c.words)).toEqual(['Watch: hurry']);
  });
  test('words, sides and time stay those of the stage', () => {
    const [changed] = applyShapes(stages, [step(3, -1, 1)], ladders).slice(3);
    expect(changed).toMatchObject({ durationSec: 40, figure: '8', sides: stages[3]!.sides });
    expect(changed!.nextWords).toMatch(/^8 each side /);
  });
  test('what hurts is left out: its time is rest, and at one’s own pace nothing is waited for', () => {
    const out: ShapeChange = { kind: 'swap', from: 1, movement: 'push-up', to: null };
    const changed = applyShapes(stages, [out], ladders);
    expect(changed[1]).toMatchObject({
      kind: 'rest',
      ruledBy: 'clock',
      durationSec: 40,
      title: 'Rest: push-up is left out',
    });
    expect(changed).toHaveLength(stages.length);
    const own = open('Main: 2 rounds\n10 push-up\n10 squat');
    const without = applyShapes(own.stages, [out], own.ladders);
    const { state, calls } = runClock(startClock(0), 'tick', without, 6000);
    expect(without[state.stage]!.title).toBe('squat');
    expect(calls.map((c) => c.words).at(-1)).toBe('10 squat');
  });
  test('a stand-in takes its place in lists too, and is told', () => {
    const span = open('Main: amrap 8:00\n10 push-up\n12 squat');
    const swap: ShapeChange = { kind: 'swap', from: 1, movement: 'push-up', to: 'wall push-up' };
    const [, changed] = applyShapes(span.stages, [swap], span.ladders);
    expect(changed!.lines.map((l) => l.name)).toEqual(['wall push-up', 'squat']);
    expect(changed!.nextWords).toBe('wall push-up, squat');
    const none = applyShapes(span.stages, [{ ...swap, to: null }], span.ladders)[1]!;
    expect(none.lines[0]).toMatchObject({ name: 'push-up', figure: '', details: 'left out' });
    expect(chosenShapes(span.stages, [swap], span.ladders)).toEqual([
      { block: 0, item: 0, from: 'push-up', to: 'wall push-up' },
    ]);
    expect(chosenShapes(span.stages, [{ ...swap, to: null }], span.ladders)[0]!.to).toBe('');
    expect(chosenShapes(stages, [step(5, -1, 0), step(5, 1, 0)], ladders)).toEqual([]);
  });
});
