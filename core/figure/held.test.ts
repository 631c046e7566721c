import { vec3 } from 'gl-matrix';
import { describe, expect, test } from 'vitest';
import { findFaults } from './check.ts';
import { describeFigure } from './describe.ts';
import { see } from './draw.ts';
import { anglesToPoints, standAll } from './place.ts';
import { peakOf, pointsAt, prepare } from './play.ts';
import { drawnFigure } from './poses/drawn.ts';
import { NAMED_POSES } from './poses/named.ts';
import { UPRIGHT } from './pose.ts';
import { readFigure } from './read-poses.ts';
import { drawSteps, drawStill } from './still.ts';
import type { Vec } from './vector.ts';
import { angleBetween, cross, minus } from './vector.ts';

const UP: Vec = [0, 1, 0];

test('a cross product is what a general-purpose library says', () => {
  const [a, b] = [[1, 2, 3] as const, [-4, 5, 0.5] as const];
  expect([...vec3.cross([0, 0, 0], [...a], [...b])]).toEqual(cross(a, b));
});

describe('the trunk', () => {
  test('bends to the side half below the waist, and turns and curls above it alone', () => {
    const bent = anglesToPoints({ ...UPRIGHT.at, bend: 30 });
    expect(angleBetween(minus(bent.waist, bent.pelvis), UP)).toBeCloseTo(15, 5);
    expect(angleBetween(minus(bent.shoulders, bent.waist), UP)).toBeCloseTo(30, 5);
    const curled = anglesToPoints({ ...UPRIGHT.at, trunk: 10, curl: 40 });
    expect(angleBetween(minus(curled.waist, curled.pelvis), UP)).toBeCloseTo(10, 5);
    expect(angleBetween(minus(curled.shoulders, curled.waist), UP)).toBeCloseTo(50, 5);
    const turned = anglesToPoints({ ...UPRIGHT.at, twist: 90 });
    expect(turned.shoulderR[0]).toBeGreaterThan(0.1);
    expect(turned.hipR[0]).toBeCloseTo(0, 6);
  });
});

test.each([
  [-161, 0],
  [-163, 1],
])('a knee bent by %s degrees: %s kinds of fault', (shank, kinds) => {
  const figure = readFigure(`side | stand out 0 0 air up 0.5 legR 0 ${shank}`, NAMED_POSES);
  expect(new Set(findFaults(figure, false).map((fault) => fault.kind)).size).toBe(kinds);
});

test('who kneels has the shin on the floor behind the knee, the foot beyond it', () => {
  const { points } = standAll([NAMED_POSES.get('kneel')!])[0]!;
  expect(points.ankleR[1]).toBeCloseTo(0.026, 6);
  expect(points.ankleR[0]).toBeLessThan(points.kneeR[0] - 0.2);
  expect(points.toeR[0]).toBeLessThan(points.ankleR[0] - 0.1);
  expect(points.toeR[1]).toBeGreaterThan(0);
});

test('a wide stance lets the pelvis down no further than the legs ask', () => {
  const [narrow, wide] = standAll(readFigure('front | stand > out 30 30 on feet+', NAMED_POSES).poses);
  expect(wide!.points.pelvis[1]).toBeLessThan(narrow!.points.pelvis[1]);
  expect(wide!.points.pelvis[1]).toBeGreaterThan(narrow!.points.pelvis[1] - 0.1);
});

test('the way of the hand ends where the hand is', () => {
  const squat = drawnFigure('squat')!;
  const played = prepare(squat);
  const { x, y } = see(pointsAt(played, peakOf(played)).handR, 'side');
  const last = drawStill(squat).arc.split('L').at(-1)!.split(' ').map(Number);
  expect(Math.abs(last[0]! - x)).toBeLessThan(1);
  expect(Math.abs(last[1]! - y)).toBeLessThan(1);
});

test('three poses are three steps, of more the first, the middle and the last are shown', () => {
  const bodies = (id: string) => drawSteps(drawnFigure(id)!).map((step) => step.end.leg + step.end.arm);
  expect(new Set(bodies('push-press')).size).toBe(3);
  const steps = drawSteps(drawnFigure('burpee')!);
  const heads = steps.map((step) => Number(/M-?[\d.]+ (-?[\d.]+)/.exec(step.end.head)![1]));
  // Upright, down on the hands, in the air: the last is the highest.
  expect(heads[1]!).toBeGreaterThan(heads[0]! + 30);
  expect(heads[2]!).toBeLessThan(heads[0]! - 5);
});

test.each([
  ['kneeling-side-plank', 'on one hand and the feet'],
  ['lying-side-leg-lift', 'on the side'],
])('%s is %s', (id, from) => expect(describeFigure(drawnFigure(id)!).from).toBe(from));
