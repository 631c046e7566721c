import { RANGE_DEG } from './body.ts';
import { see } from './draw.ts';
import type { View } from './figure.ts';
import type { Point, Points } from './points.ts';
import type { Field, Pose, Side } from './pose.ts';
import { signOf } from './pose.ts';
import { degrees } from './vector.ts';

/** A joint that is taken hold of: what lies between it and `from` is turned. */
export interface Handle {
  readonly point: Point;
  readonly from: Point;
  /** What is turned. */
  readonly part: 'trunk' | 'head' | 'thigh' | 'shank' | 'arm' | 'fore';
  /** What is turned forwards, and what to the side. */
  readonly forwards: Field;
  readonly sideways: Field | undefined;
  readonly side: Side | undefined;
}

const limb = (side: Side): readonly Handle[] => {
  const one = (point: string, from: string, part: 'thigh' | 'shank' | 'arm' | 'fore', sideways: string): Handle => ({
    point: `${point}${side}` as Point,
    from: `${from}${side}` as Point,
    part,
    forwards: `${part}${side}`,
    sideways: `${sideways}${side}` as Field,
    side,
  });
  return [
    one('knee', 'hip', 'thigh', 'out'),
    one('ankle', 'knee', 'shank', 'kneeOut'),
    one('elbow', 'shoulder', 'arm', 'armOut'),
    one('wrist', 'elbow', 'fore', 'foreOut'),
  ];
};

/** The joints that can be taken hold of, the nearer side last: it lies on top. */
export const HANDLES: readonly Handle[] = [
  { point: 'shoulders', from: 'pelvis', part: 'trunk', forwards: 'trunk', sideways: 'bend', side: undefined },
  { point: 'head', from: 'shoulders', part: 'head', forwards: 'nod', sideways: undefined, side: undefined },
  ...limb('L'),
  ...limb('R'),
];

const fieldOf = (handle: Handle, view: View): Field =>
  view === 'front' && handle.sideways ? handle.sideways : handle.forwards;

/** The angle that a handle turns, as one looks at it, in degrees. */
export const handleValue = (pose: Pose, handle: Handle, view: View): number => pose.at[fieldOf(handle, view)];

const clamp = (value: number, low: number, high: number): number => Math.min(high, Math.max(low, value));

/** How far a field goes beside the rest of the pose. */
function within({ at }: Pose, field: Field, deg: number): number {
  const side = field.slice(-1) as Side;
  switch (field.slice(0, -1)) {
    case 'thigh':
      return clamp(deg, RANGE_DEG.hipForward[0] - at.trunk, RANGE_DEG.hipForward[1] - at.trunk);
    case 'shank':
      return clamp(deg, at[`thigh${side}`] - RANGE_DEG.kneeBend[1], at[`thigh${side}`]);
    case 'fore':
      return clamp(deg, at[`arm${side}`], at[`arm${side}`] + RANGE_DEG.elbowBend[1]);
    case 'arm':
      return clamp(deg, RANGE_DEG.shoulderForward[0], RANGE_DEG.shoulderForward[1] + 30);
    case 'out':
      return clamp(deg, RANGE_DEG.hipOut[0], RANGE_DEG.hipOut[1]);
  }
  if (field === 'trunk') return clamp(deg, -60, 110);
  if (field === 'bend') return clamp(deg, RANGE_DEG.trunkBend[0], RANGE_DEG.trunkBend[1]);
  return field === 'nod' ? clamp(deg, -50, 45) : clamp(deg, -180, 200);
}

/** The pose with a joint turned to so many degrees, as far as it goes; what hangs on a thigh or an upper arm goes along. */
export function turnJoint(pose: Pose, handle: Handle, view: View, deg: number): Pose {
  const field = fieldOf(handle, view);
  const turned = Math.round(within(pose, field, deg));
  const at: Record<Field, number> = { ...pose.at, [field]: turned };
  const below: Readonly<Record<string, string>> = { thigh: 'shank', arm: 'fore', out: 'kneeOut', armOut: 'foreOut' };
  const next = handle.side && below[field.slice(0, -1)];
  if (next) at[`${next}${handle.side}` as Field] += turned - pose.at[field];
  return { ...pose, at };
}

/** The pose with a joint turned towards a place of the picture. */
export function towards(
  pose: Pose,
  handle: Handle,
  points: Points,
  view: View,
  place: { readonly x: number; readonly y: number },
): Pose {
  const from = see(points[handle.from], view);
  const [dx, dy] = [place.x - from.x, place.y - from.y];
  const isUp = handle.side === undefined;
  const { trunk, curl, pitch } = pose.at;
  if (view === 'front') {
    // Seen from before, the figure's right is on the left.
    const right = -dx;
    if (isUp) return turnJoint(pose, handle, view, degrees(Math.atan2(right, -dy)));
    return turnJoint(pose, handle, view, degrees(Math.atan2(signOf(handle.side) * right, dy)));
  }
  if (isUp) {
    const lean = degrees(Math.atan2(dx, -dy)) - pitch;
    return turnJoint(pose, handle, view, handle.point === 'head' ? lean - trunk - curl : lean);
  }
  const deg = degrees(Math.atan2(dx, dy)) + pitch;
  const now = handleValue(pose, handle, view);
  // The same direction can be said a whole turn apart: the nearer one is meant.
  return turnJoint(pose, handle, view, deg + 360 * Math.round((now - deg) / 360));
}
