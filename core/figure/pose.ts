import type { Level } from './body.ts';

/** All numbers of a pose, in degrees but for `up`. */
export const FIELDS = [
  'trunk',
  'curl',
  'bend',
  'twist',
  'nod',
  'look',
  'thighR',
  'outR',
  'shankR',
  'kneeOutR',
  'pointR',
  'turnR',
  'flatR',
  'thighL',
  'outL',
  'shankL',
  'kneeOutL',
  'pointL',
  'turnL',
  'flatL',
  'armR',
  'armOutR',
  'foreR',
  'foreOutR',
  'armL',
  'armOutL',
  'foreL',
  'foreOutL',
  'pitch',
  'roll',
  'yaw',
  'up',
] as const;
/**
 * `trunk` leans forwards and `curl` bends the upper trunk further; `bend` is to the right, `twist` and `look` to the left, `nod`
 * forwards. `thigh`, `shank`, `arm` and `fore` point as `direction` says, each with its `out`. `point` stretches the foot, `turn`
 * turns the toes out, `flat` (0 to 1) keeps the sole level. `pitch`, `roll` and `yaw` turn the whole figure: yaw first, pitch last.
 * `up` is how high it is off the floor, in body heights.
 */
export type Field = (typeof FIELDS)[number];

export const PLACES = ['foot', 'toes', 'knee', 'hand', 'elbow', 'hip', 'seat', 'back', 'chest', 'head'] as const;
export type Place = (typeof PLACES)[number];
export type Side = 'R' | 'L';
export const SIDES: readonly Side[] = ['R', 'L'];
export const signOf = (side: Side): number => (side === 'R' ? 1 : -1);
export const otherSide = (side: Side): Side => (side === 'R' ? 'L' : 'R');

/** A wall stands upright, a strap and a rail are held: they are where the body meets them. */
export const UPRIGHTS = ['wall', 'strap', 'rail'] as const;
export type Upright = (typeof UPRIGHTS)[number];
export type Against = Level | Upright;
export const isUprightPlace = (against: Against): against is Upright =>
  (UPRIGHTS as readonly string[]).includes(against);

/** A part of the body that rests against something. */
export interface Touch {
  readonly place: Place;
  /** Undefined for what there is one of. */
  readonly side: Side | undefined;

  readonly against: Against;
  /** Set down here rather than kept where it was in the pose before. */
  readonly isSetDown: boolean;
}

export interface Pose {
  readonly at: Readonly<Record<Field, number>>;
  /** The first carries the figure: it gives the place, and the others are reached from there. */
  readonly touches: readonly Touch[];
  /** Tipped as a whole so that the first touch and the first of another kind both lie where they should. */
  readonly isLevel: boolean;
  /** How long it takes to come here, beside the other poses. */
  readonly weight: number;
}

const ZERO = Object.fromEntries(FIELDS.map((field) => [field, 0])) as Record<Field, number>;
export const UPRIGHT: Pose = { at: ZERO, touches: [], isLevel: false, weight: 1 };

/** The contact that a touch is kept by: a foot keeps its ball whether the heel is down or up. */
export const contactOf = (touch: Touch): string =>
  `${touch.place === 'foot' || touch.place === 'toes' ? 'ball' : touch.place}${touch.side ?? ''}`;

const SIDEWAYS = new Set<Field>(['bend', 'twist', 'look', 'roll', 'yaw']);

const mirrorField = (field: Field): Field => {
  const [stem, side] = [field.slice(0, -1), field.slice(-1)];
  return (side === 'R' ? `${stem}L` : side === 'L' ? `${stem}R` : field) as Field;
};

/** The same pose with left and right exchanged. */
export function mirror(pose: Pose): Pose {
  const at = Object.fromEntries(
    FIELDS.map((field) => [field, SIDEWAYS.has(field) ? -pose.at[field] || 0 : pose.at[mirrorField(field)]]),
  ) as Record<Field, number>;
  return { ...pose, at, touches: pose.touches.map((t) => ({ ...t, side: t.side && otherSide(t.side) })) };
}

/** The numbers on the way from one pose to another, `ratio` 0 to 1. */
export function blend(from: Pose['at'], to: Pose['at'], ratio: number): Pose['at'] {
  const at = { ...from } as Record<Field, number>;
  for (const field of FIELDS) at[field] += (to[field] - from[field]) * ratio;
  return at;
}
