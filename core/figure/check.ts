import { BODY, RANGE_DEG } from './body.ts';
import { centreOfMass } from './mass.ts';
import type { Figure } from './figure.ts';
import type { Points } from './points.ts';
import type { Played } from './play.ts';
import { frameAt, prepare } from './play.ts';
import type { Pose } from './pose.ts';
import { SIDES, isUprightPlace } from './pose.ts';
import type { Vec } from './vector.ts';
import { add, angleBetween, distance, dot, minus, times } from './vector.ts';

/** What a body can't do, with how far it is from what it can. */
export type Fault =
  | { readonly kind: 'range'; readonly joint: string; readonly deg: number }
  | { readonly kind: 'length'; readonly part: string; readonly off: number }
  | { readonly kind: 'floor'; readonly point: string; readonly below: number }
  | { readonly kind: 'touch'; readonly off: number }
  | { readonly kind: 'trunk'; readonly point: string; readonly inside: number }
  | { readonly kind: 'balance'; readonly off: number };

const BONES = [
  ['hip', 'knee', BODY.thigh],
  ['knee', 'ankle', BODY.shank],
  ['shoulder', 'elbow', BODY.upperArm],
  ['elbow', 'wrist', BODY.forearm],
] as const;

/** Angles of the joints that a pose has by what it says. */
function rangeFaults(pose: Pose): readonly Fault[] {
  const { at } = pose;
  const faults: Fault[] = [];
  const check = (joint: string, deg: number, [low, high]: readonly [number, number]) => {
    if (deg < low - 0.5 || deg > high + 0.5) faults.push({ kind: 'range', joint, deg });
  };
  check('trunkCurl', at.curl, RANGE_DEG.trunkCurl);
  check('trunkBend', at.bend, RANGE_DEG.trunkBend);
  check('trunkTwist', at.twist, RANGE_DEG.trunkTwist);
  for (const side of SIDES) {
    check(`hipForward${side}`, at[`thigh${side}`] + at.trunk, RANGE_DEG.hipForward);
    check(`hipOut${side}`, at[`out${side}`], RANGE_DEG.hipOut);
    check(`ankle${side}`, -at[`point${side}`], [-RANGE_DEG.ankleDown, RANGE_DEG.ankleUp]);
  }
  return faults;
}

/** The bend of knees and elbows where the figure came to be. */
function bendFaults(points: Points): readonly Fault[] {
  return SIDES.flatMap((side) => {
    const bend = (a: keyof Points, b: keyof Points, c: keyof Points) =>
      angleBetween(minus(points[b], points[a]), minus(points[c], points[b]));
    const knee = bend(`hip${side}`, `knee${side}`, `ankle${side}`);
    const elbow = bend(`shoulder${side}`, `elbow${side}`, `wrist${side}`);
    return [
      ...(knee > RANGE_DEG.kneeBend[1] + 0.5 ? [{ kind: 'range', joint: `knee${side}`, deg: knee } as const] : []),
      ...(elbow > RANGE_DEG.elbowBend[1] + 0.5 ? [{ kind: 'range', joint: `elbow${side}`, deg: elbow } as const] : []),
    ];
  });
}

function lengthFaults(points: Points): readonly Fault[] {
  return SIDES.flatMap((side) =>
    BONES.flatMap(([from, to, length]) => {
      const off = Math.abs(distance(points[`${from}${side}`], points[`${to}${side}`]) - length);
      return off > 1e-6 ? [{ kind: 'length', part: `${from}${side}`, off } as const] : [];
    }),
  );
}

/** A hundredth of the body's height may sink in: flesh and mats give way. */
const SINKS = 0.012;

function floorFaults(points: Points): readonly Fault[] {
  return (Object.keys(points) as (keyof Points)[]).flatMap((point) =>
    points[point][1] < -SINKS ? [{ kind: 'floor', point, below: -points[point][1] } as const] : [],
  );
}

/** Knees, hands and feet stay out of the trunk, seen as a rod thinner than the body. */
const CORE = 0.035;

function trunkFaults(points: Points): readonly Fault[] {
  const names = SIDES.flatMap((s) => [`knee${s}`, `ankle${s}`, `elbow${s}`, `wrist${s}`] as const);
  return names.flatMap((point) => {
    const off = Math.min(
      toSegment(points[point], points.pelvis, points.waist),
      toSegment(points[point], points.waist, points.shoulders),
    );
    return off < CORE ? [{ kind: 'trunk', point, inside: CORE - off } as const] : [];
  });
}

function toSegment(point: Vec, from: Vec, to: Vec): number {
  const way = minus(to, from);
  const ratio = Math.min(1, Math.max(0, dot(minus(point, from), way) / dot(way, way)));
  return distance(point, add(from, times(way, ratio)));
}

/** What is lower than this, in body heights, lies on the floor and bears weight. */
const LIES_BELOW = 0.06;
/** A foot's width beyond what it stands on (Drillis and Contini, from memory). */
const BALANCE_ROOM = 0.055;

/** What one sits or lies on is as broad as the body there. */
const SEAT_HALF = 0.08;
const around = ([x, y, z]: Vec): readonly Vec[] =>
  [-SEAT_HALF, SEAT_HALF].flatMap((dx) => [-SEAT_HALF, SEAT_HALF].map((dz): Vec => [x + dx, y, z + dz]));

/** How far the centre of mass is from over what the body rests on; 0 over it. Nothing to say in the air or while hanging. */
export function offBalance(points: Points, pose: Pose): number {
  if (
    pose.touches.length === 0 ||
    pose.touches.some((t) => t.against === 'bar' || t.against === 'dip' || isUprightPlace(t.against))
  )
    return 0;
  const under = pose.touches.flatMap((touch): readonly Vec[] => {
    const side = touch.side ?? 'R';
    if (touch.place === 'foot') return [points[`heel${side}`], points[`toe${side}`]];
    if (touch.place === 'toes') return [points[`ball${side}`], points[`toe${side}`]];
    if (touch.place === 'knee') return [points[`knee${side}`], points[`ankle${side}`]];
    if (touch.place === 'hand') return [points[`wrist${side}`], points[`hand${side}`]];
    if (touch.place === 'elbow') return [points[`elbow${side}`], points[`wrist${side}`]];
    if (touch.place === 'seat') return around(points.pelvis);
    if (touch.place === 'hip') return [...around(points[`hip${side}`]), points.shoulders];
    return touch.place === 'head' ? [points.head] : [...around(points.shoulders), points.pelvis];
  });
  under.push(...Object.values(points).filter((point) => point[1] < LIES_BELOW));
  const [x, , z] = centreOfMass(points);
  const outside = (values: readonly number[], at: number) =>
    Math.max(0, Math.min(...values) - at, at - Math.max(...values));
  return Math.hypot(
    outside(
      under.map((p) => p[0]),
      x,
    ),
    outside(
      under.map((p) => p[2]),
      z,
    ),
  );
}

/** Moments of a repetition at which a figure is looked at. */
const MOMENTS = 24;

/** All that a body couldn't do in a repetition; empty for a good drawing. `isSlow` asks for balance at each pose as well. */
export function findFaults(figure: Figure, isSlow: boolean, played: Played = prepare(figure)): readonly Fault[] {
  const moments = played.stops.length === 1 ? [0] : Array.from({ length: MOMENTS }, (_, i) => i / MOMENTS);
  const frames = moments.map((moment) => frameAt(played, moment));
  const short = Math.max(...played.stops.map((stop) => stop.shortBy));
  return [
    ...figure.poses.flatMap(rangeFaults),
    ...frames.flatMap((points) => [
      ...bendFaults(points),
      ...lengthFaults(points),
      ...floorFaults(points),
      ...trunkFaults(points),
    ]),
    ...(short > TOUCH_OFF ? [{ kind: 'touch', off: short } as const] : []),
    ...(isSlow
      ? played.stops.flatMap((stop) => {
          const off = offBalance(stop.points, stop.pose);
          return off > BALANCE_ROOM ? [{ kind: 'balance', off } as const] : [];
        })
      : []),
  ];
}

/** One centimetre of a person of 1.75 m. */
const TOUCH_OFF = 0.01 / 1.75;
