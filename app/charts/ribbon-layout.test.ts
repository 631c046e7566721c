import { expect, test } from 'vitest';
import { baseLibrary } from '../../core/movement/library.ts';
import { parseSession } from '../../core/notation/read-session.ts';
import { computePlan } from '../../core/session/plan.ts';
import { layoutRibbon } from './ribbon-layout.ts';

const plan = (text: string) => computePlan(parseSession(text, baseLibrary).document, baseLibrary);
const INTERVALS = 'Main: work 0:40 rest 0:20, 2 rounds\nsquat\nplank';

test('time runs to scale: 40 s of work and 20 s of rest on 1 px a second', () => {
  const { bars } = layoutRibbon(plan(INTERVALS), { widthPx: 240, heightPx: 40 });
  expect(bars.map((b) => [b.kind, b.x])).toEqual([
    ['work', 0],
    ['rest', 40],
    ['hold', 60],
    ['rest', 100],
    ['work', 120],
    ['rest', 160],
    ['hold', 180],
    ['rest', 220],
  ]);
  expect(bars[0]!.width).toBeCloseTo(39.2, 1);
  expect(bars[0]!.y + bars[0]!.height).toBeCloseTo(38, 1);
});

test('height is effort: a burpee stands higher than a march, rest is a trough', () => {
  const [burpee, , march, rest] = layoutRibbon(plan('Main: work 0:40 rest 0:20\nburpee\nmarch'), {
    widthPx: 240,
    heightPx: 40,
  }).bars;
  expect(burpee!.height).toBeGreaterThan(march!.height);
  expect(march!.height).toBeGreaterThan(rest!.height);
});

test('own pace is drawn as an estimate and ends in dots; blocks are notched', () => {
  const layout = layoutRibbon(plan(`Warm-up: flow\n20 squat\n${INTERVALS}`), { widthPx: 600, heightPx: 40 });
  expect(layout.bars[0]!.kind).toBe('estimate');
  expect(layout.dots).toHaveLength(1);
  expect(layout.notches).toHaveLength(1);
});

test('an amrap shows its likely rounds inside its span, and no further', () => {
  const { bars } = layoutRibbon(plan('Main: amrap 5:00\n10 squat\n10 push-up'), { widthPx: 300, heightPx: 40 });
  expect(bars.length).toBeGreaterThan(10);
  expect(Math.max(...bars.map((b) => b.x + b.width))).toBeLessThanOrEqual(300);
});

test('at 20 px a long session has no more bars than pixels, and its length stays', () => {
  const { bars } = layoutRibbon(plan('Main: work 0:20 rest 0:10 x 120\nsquat'), { widthPx: 20, heightPx: 20 });
  expect(bars.length).toBeLessThanOrEqual(20);
  expect(bars.at(-1)!.x + bars.at(-1)!.width).toBeCloseTo(20, 0);
});

test('an empty plan has nothing to draw', () => {
  expect(layoutRibbon(plan(''), { widthPx: 100, heightPx: 20 }).bars).toEqual([]);
});

test('for the spine every block is one bar of its mean effort, to the same scale', () => {
  const text = `Warm-up: flow\n20 march\n${INTERVALS}\nCool-down: flow\n0:30 calf stretch`;
  const { bars } = layoutRibbon(plan(text), { widthPx: 30, heightPx: 30, detail: 'blocks' });
  expect(bars.map((b) => b.kind)).toEqual(['estimate', 'work', 'hold']);
  expect(bars[1]!.height).toBeGreaterThan(bars[0]!.height);
  expect(bars[1]!.x).toBeCloseTo((14 / 284) * 30, 0);
  expect(layoutRibbon(plan(''), { widthPx: 30, heightPx: 30, detail: 'blocks' }).bars).toEqual([]);
});
