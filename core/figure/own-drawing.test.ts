import { describe, expect, test } from 'vitest';
import { RANGE_DEG } from './body.ts';
import { MAX_OWN_POSES, readOwnDrawing } from './own-drawing.ts';
import { NAMED_POSES } from './poses/named.ts';
import { standAll } from './place.ts';
import { HANDLES, handleValue, towards, turnJoint } from './turn-joint.ts';
import { see } from './draw.ts';

describe('a drawing of a coach’s own', () => {
  test('is read where a body can do it', () => {
    expect(readOwnDrawing('side | stand > squatting').status).toBe('drawn');
  });

  test.each([
    ['stand', 'unread'],
    ['', 'unread'],
    ['side | wobble', 'unread'],
    ['side | stand legs', 'unread'],
    ['side | stand legs 9e9 0', 'unread'],
    ['side | stand > legs 0 -178', 'faulty'],
    [`side | ${Array.from({ length: MAX_OWN_POSES + 1 }, () => 'stand').join(' > ')}`, 'too-many'],
  ])('%s is %s, and never throws', (text, status) => expect(readOwnDrawing(text).status).toBe(status));
});

describe('turning a joint', () => {
  const stand = NAMED_POSES.get('stand')!;
  const handle = (name: string) => HANDLES.find((h) => `${h.part}${h.side ?? ''}` === name)!;

  test('what hangs on it goes along', () => {
    const turned = turnJoint(stand, handle('thighR'), 'side', 60);
    expect([turned.at.thighR, turned.at.shankR]).toEqual([60, 60]);
    expect(turned.at.thighL).toBe(stand.at.thighL);
  });

  test('it stops where the joint does', () => {
    const thigh = turnJoint(stand, handle('thighR'), 'side', 175);
    expect(thigh.at.thighR).toBe(RANGE_DEG.hipForward[1]);
    expect(turnJoint(stand, handle('shankR'), 'side', 90).at.shankR).toBe(stand.at.thighR);
    expect(turnJoint(stand, handle('foreR'), 'side', -60).at.foreR).toBe(stand.at.armR);
    expect(turnJoint(stand, handle('head'), 'side', 90).at.nod).toBe(45);
  });

  test('from the front it goes out to the side', () => {
    const turned = turnJoint(stand, handle('armL'), 'front', 80);
    expect(turned.at.armOutL).toBe(80);
    expect(handleValue(turned, handle('armL'), 'front')).toBe(80);
  });

  test.each([
    ['side', 'armR', 70],
    ['side', 'thighL', 50],
    ['side', 'trunk', 30],
    ['front', 'armR', 60],
    ['front', 'thighL', 30],
  ] as const)('from the %s, %s drawn to where it would be at %s degrees comes there', (view, name, deg) => {
    const base = { ...stand, at: { ...stand.at, armR: 0, foreR: 0, armL: 0, foreL: 0 } };
    const wanted = standAll([turnJoint(base, handle(name), view, deg)])[0]!;
    const { points } = standAll([base])[0]!;
    const h = handle(name);
    const from = see(points[h.from], view);
    const moved = see(wanted.points[h.point], view);
    const wantedFrom = see(wanted.points[h.from], view);
    const place = { x: from.x + moved.x - wantedFrom.x, y: from.y + moved.y - wantedFrom.y };
    const got = handleValue(towards(base, h, points, view, place), h, view);
    expect(Math.abs(got - deg)).toBeLessThanOrEqual(4);
  });
});
