import { BODY, LEVEL, THICKNESS } from './body.ts';
import { centreOfMass } from './mass.ts';
import type { Against, Pose, Side, Touch } from './pose.ts';
import { SIDES, blend, contactOf, isUprightPlace, signOf } from './pose.ts';
import type { Point, Points, Sided } from './points.ts';
import type { Vec } from './vector.ts';
import {
  across,
  add,
  between,
  cross,
  direction,
  distance,
  length,
  minus,
  pitched,
  rolled,
  times,
  unit,
  yawed,
} from './vector.ts';

type At = Pose['at'];

/** The trunk's directions at a height of the spine: up along it, and across to the right. */
export function trunkAxes(at: At, share: number): { up: Vec; right: Vec } {
  const lean = at.trunk + at.curl * share;
  const bend = at.bend * (0.5 + share / 2);
  const up = pitched(rolled([0, 1, 0], bend), lean);
  const right = pitched(rolled([0, 0, 1], bend), lean);
  return { up, right: turnAbout(right, up, at.twist * share) };
}

const turnAbout = (right: Vec, up: Vec, deg: number): Vec => {
  const a = (deg * Math.PI) / 180;
  return add(times(right, Math.cos(a)), times(cross(up, right), Math.sin(a)));
};

const layDown = (v: Vec, at: At): Vec => pitched(rolled(yawed(v, at.yaw), at.roll), at.pitch);

function legPoints(points: Points, at: At, side: Side): void {
  const sign = signOf(side);
  const thigh = direction(at[`thigh${side}`], at[`out${side}`], sign);
  const shank = direction(at[`shank${side}`], at[`kneeOut${side}`], sign);
  const hip: Vec = [0, 0, sign * BODY.halfHips];
  const knee = add(hip, times(thigh, BODY.thigh));
  points[`hip${side}`] = layDown(hip, at);
  points[`knee${side}`] = layDown(knee, at);
  points[`ankle${side}`] = layDown(add(knee, times(shank, BODY.shank)), at);
  const ahead = yawed(direction(at[`shank${side}`] + 90, 0, sign), -sign * at[`turn${side}`]);
  const neutral = unit(across(ahead, shank), ahead);
  const a = (at[`point${side}`] * Math.PI) / 180;
  setFoot(points, at, side, layDown(add(times(neutral, Math.cos(a)), times(shank, Math.sin(a))), at));
}

/** Draws the foot from its ankle; the sole is level where the pose says so. */
function setFoot(points: Points, at: At, side: Side, pointing: Vec): void {
  const level = unit([pointing[0], 0, pointing[2]], unit(layDown([1, 0, 0], at)));
  const along = unit(between(pointing, level, at[`flat${side}`]), pointing);
  const ankle = points[`ankle${side}`];
  const shank = unit(minus(ankle, points[`knee${side}`]));
  // The sole lies on the side of the shank's end; where foot and shank are in line, below.
  const leg = between(shank, [0, -1, 0], at[`flat${side}`]);
  const down = unit(across(leg, along), unit(across([0, -1, 0], along), [0, -1, 0]));
  const sole = add(ankle, times(down, BODY.ankleHeight));
  points[`heel${side}`] = add(sole, times(along, -BODY.heel));
  points[`ball${side}`] = add(sole, times(along, BODY.ball));
  points[`toe${side}`] = add(sole, times(along, BODY.toe));
}

function armPoints(points: Points, at: At, side: Side, shoulders: Vec): void {
  const sign = signOf(side);
  const { right } = trunkAxes(at, 1);
  const turned = (v: Vec): Vec => rolled(yawed(v, at.twist), at.bend);
  const shoulder = add(shoulders, times(right, sign * BODY.halfShoulders));
  const elbow = add(shoulder, times(turned(direction(at[`arm${side}`], at[`armOut${side}`], sign)), BODY.upperArm));
  const fore = turned(direction(at[`fore${side}`], at[`foreOut${side}`], sign));
  const wrist = add(elbow, times(fore, BODY.forearm));
  points[`shoulder${side}`] = layDown(shoulder, at);
  points[`elbow${side}`] = layDown(elbow, at);
  points[`wrist${side}`] = layDown(wrist, at);
  points[`hand${side}`] = layDown(add(wrist, times(fore, BODY.hand)), at);
}

/** Where everything is by the pose's angles alone, the pelvis at the origin. */
export function anglesToPoints(at: At): Points {
  const points = {} as Points;
  const low = trunkAxes(at, 0).up;
  const high = trunkAxes(at, 1).up;
  const waist = times(low, BODY.lowerTrunk);
  const shoulders = add(waist, times(high, BODY.upperTrunk));
  const headUp = pitched(rolled([0, 1, 0], at.bend), at.trunk + at.curl + at.nod);
  points.pelvis = [0, 0, 0];
  points.waist = layDown(waist, at);
  points.shoulders = layDown(shoulders, at);
  points.head = layDown(add(shoulders, times(headUp, BODY.neck)), at);
  for (const side of SIDES) {
    legPoints(points, at, side);
    armPoints(points, at, side, shoulders);
  }
  return points;
}

const POINT_OF = {
  foot: 'ball',
  toes: 'ball',
  knee: 'knee',
  hand: 'wrist',
  elbow: 'elbow',
  hip: 'hip',
  seat: 'pelvis',
  back: 'shoulders',
  chest: 'shoulders',
  head: 'head',
} as const;

/** Where a touch is: below the middle of what touches, by its thickness. */
export function touchPoint(points: Points, touch: Touch): Vec {
  const stem = POINT_OF[touch.place];
  const middle = points[`${stem}${touch.side ?? ''}` as Point];
  return isUprightPlace(touch.against) ? middle : [middle[0], middle[1] - thicknessOf(touch), middle[2]];
}

const thicknessOf = (touch: Touch): number =>
  touch.place === 'foot' || touch.place === 'toes' ? THICKNESS.ball : THICKNESS[touch.place];

const levelOf = ({ against }: Touch): number | undefined => (isUprightPlace(against) ? undefined : LEVEL[against]);

function shift(points: Points, by: Vec): void {
  for (const name of Object.keys(points) as Point[]) points[name] = add(points[name], by);
}

const LEG = { top: 'hip', middle: 'knee', end: 'ankle', upper: BODY.thigh, lower: BODY.shank } as const;
const ARM = { top: 'shoulder', middle: 'elbow', end: 'wrist', upper: BODY.upperArm, lower: BODY.forearm } as const;

/**
 * Bends a limb so that its end is at `target`, in the plane in which it was bent before; straight towards it where that is out of
 * reach. The two-bone solution by the law of cosines.
 */
function reach(points: Points, side: Side, limb: typeof LEG | typeof ARM, target: Vec): void {
  const top = points[`${limb.top}${side}`];
  const before = minus(points[`${limb.middle}${side}`], top);
  const line = minus(target, top);
  const most = limb.upper + limb.lower - 1e-6;
  const far = Math.min(most, Math.max(length(line), Math.abs(limb.upper - limb.lower) + 1e-6));
  const along = unit(line, [0, -1, 0]);
  const forwards: Vec = limb === LEG ? [1, 0, 0] : [-1, 0, 0];
  const sideways = unit(across(before, along), unit(across(forwards, along), [0, 0, 1]));
  const share = (limb.upper ** 2 + far ** 2 - limb.lower ** 2) / (2 * far);
  const bulge = Math.sqrt(Math.max(0, limb.upper ** 2 - share ** 2));
  points[`${limb.middle}${side}`] = add(top, add(times(along, share), times(sideways, bulge)));
  const end = add(top, times(along, far));
  const moved = minus(end, points[`${limb.end}${side}`]);
  const ends: readonly Sided[] = limb === LEG ? ['ankle', 'heel', 'ball', 'toe'] : ['wrist', 'hand'];
  for (const name of ends) points[`${name}${side}`] = add(points[`${name}${side}`], moved);
}

/** Brings what a limb touches with to `at`; nothing for what isn't a limb's end. */
function reachTouch(points: Points, touch: Touch, place: Vec): void {
  const { side } = touch;
  if (side === undefined) return;
  const by = minus(place, touchPoint(points, touch));
  if (length(by) < 1e-9) return;
  if (touch.place === 'foot' || touch.place === 'toes') reach(points, side, LEG, add(points[`ankle${side}`], by));
  if (touch.place === 'hand') reach(points, side, ARM, add(points[`wrist${side}`], by));
}

const handLies = (against: Against, fore: Vec, flat: Vec): Vec => {
  if (against === 'wall') return [0, 1, 0];
  return against === 'bar' || isUprightPlace(against) ? fore : flat;
};

/** The hand lies on what it touches. */
function layHands(points: Points, at: At, touches: readonly Touch[]): void {
  for (const touch of touches) {
    if (touch.place !== 'hand' || touch.side === undefined) continue;
    const wrist = points[`wrist${touch.side}`];
    const fore = minus(wrist, points[`elbow${touch.side}`]);
    const ahead = layDown([0, 1, 0], at);
    const flat = unit([ahead[0], 0, ahead[2]], unit(layDown([1, 0, 0], at)));
    const lies: Vec = handLies(touch.against, unit(fore), flat);
    points[`hand${touch.side}`] = add(wrist, times(lies, BODY.hand));
  }
}

/** A pose with its place: where each contact is, and where the pelvis came to be. */
export interface Standing {
  readonly pose: Pose;
  readonly points: Points;
  readonly pins: ReadonlyMap<string, Vec>;
  /** How far the furthest limb fell short of what it should touch. */
  readonly shortBy: number;
}

/** Tips the figure until the first touch and the first of another kind are at their heights. */
function levelPitch(pose: Pose): number {
  const first = pose.touches[0];
  const second = pose.touches.find((t) => t.place !== first?.place);
  if (!first || !second) return pose.at.pitch;
  const rise = (levelOf(second) ?? 0) - (levelOf(first) ?? 0);
  const off = (pitch: number): number => {
    const points = anglesToPoints({ ...pose.at, pitch });
    return touchPoint(points, second)[1] - touchPoint(points, first)[1] - rise;
  };
  let [a, b] = [pose.at.pitch, pose.at.pitch + 5];
  let [offA, offB] = [off(a), off(b)];
  for (let i = 0; i < 30 && Math.abs(offB) > 1e-7 && offA !== offB; i++) {
    const next = b - (offB * (b - a)) / (offB - offA);
    [a, offA] = [b, offB];
    b = Math.min(a + 20, Math.max(a - 20, next));
    offB = off(b);
  }
  return b;
}

/** Between two hands or feet that stay, rather than over the first of them. */
function centre(points: Points, touches: readonly Touch[], kept: (touch: Touch) => Vec | undefined): void {
  const off = touches
    .filter((touch) => touch.side !== undefined && kept(touch) && touch.place === touches[0]!.place)
    .map((touch) => kept(touch)![2] - touchPoint(points, touch)[2]);
  if (off.length === 2) shift(points, [0, 0, (off[0]! + off[1]!) / 2]);
}

/** On one foot the body shifts sideways until its mass is over it. */
function overOneFoot(points: Points, touches: readonly Touch[], targets: readonly Vec[]): void {
  const [only, ...more] = touches;
  if (!only || more.length > 0 || (only.place !== 'foot' && only.place !== 'toes')) return;
  for (let i = 0; i < 2; i++) shift(points, [0, 0, targets[0]![2] - centreOfMass(points)[2]]);
}

/** Lets the pelvis down until feet that are too far apart for straight legs are reached. */
function lowerToReach(points: Points, touches: readonly Touch[], targets: readonly Vec[]): void {
  for (let i = 0; i < 12; i++) {
    let by = 0;
    touches.forEach((touch, t) => {
      if ((touch.place !== 'foot' && touch.place !== 'toes') || touch.side === undefined) return;
      const ankle = add(points[`ankle${touch.side}`], minus(targets[t]!, touchPoint(points, touch)));
      const far = distance(ankle, points[`hip${touch.side}`]) - (BODY.thigh + BODY.shank - 1e-4);
      const hipAbove = points[`hip${touch.side}`][1] - ankle[1];
      if (far > 0 && hipAbove > 0.15) by = Math.max(by, (far * (BODY.thigh + BODY.shank)) / hipAbove);
    });
    if (by === 0) return;
    shift(points, [0, -by, 0]);
  }
}

const lowest = (points: Points): number => Math.min(...Object.values(points).map((p) => p[1]));

/** Puts a pose on what it rests on, keeping the contacts of the pose before. */
function stand(given: Pose, before: Standing | undefined): Standing {
  const pose: Pose = given.isLevel ? { ...given, at: { ...given.at, pitch: levelPitch(given) } } : given;
  const points = anglesToPoints(pose.at);
  const kept = (touch: Touch): Vec | undefined => (touch.isSetDown ? undefined : before?.pins.get(contactOf(touch)));
  const from = before?.points.pelvis ?? [0, 0, 0];
  const [first] = pose.touches;
  if (!first) shift(points, [from[0], pose.at.up - lowest(points), from[2]]);
  else {
    const carrier = pose.touches.find(kept) ?? first;
    const now = touchPoint(points, carrier);
    const target = kept(carrier) ?? [now[0] + from[0], levelOf(carrier) ?? now[1], now[2] + from[2]];
    shift(points, minus(target, now));
    centre(points, pose.touches, kept);
    if (levelOf(first) === undefined && !before) shift(points, [0, -lowest(points), 0]);
  }
  const targets = pose.touches.map((touch): Vec => {
    const now = touchPoint(points, touch);
    return kept(touch) ?? [now[0], levelOf(touch) ?? now[1], now[2]];
  });
  overOneFoot(points, pose.touches, targets);
  lowerToReach(points, pose.touches, targets);
  const pins = new Map<string, Vec>();
  let shortBy = 0;
  pose.touches.forEach((touch, i) => {
    reachTouch(points, touch, targets[i]!);
    const now = touchPoint(points, touch);
    shortBy = Math.max(shortBy, distance(now, targets[i]!));
    pins.set(contactOf(touch), now);
  });
  for (const side of SIDES) if (!pins.has(`ball${side}`)) liftFoot(points, side, 0);
  settle(points, pose.at, pose.touches);
  return { pose, points, pins, shortBy };
}

/** Places the poses of a movement one after another. */
export function standAll(poses: readonly Pose[], before?: Standing): readonly Standing[] {
  const all: Standing[] = [];
  for (const pose of poses) all.push(stand(pose, all.at(-1) ?? before));
  return all;
}

const sameVec = (a: Vec | undefined, b: Vec | undefined): boolean => !!a && !!b && distance(a, b) < 0.012;
const FOOT_LIFT = 0.035;

/** Where everything is on the way from one placed pose to the next; what touches in both stays where it is. */
export function onTheWay(from: Standing, to: Standing, ratio: number): Points {
  if (ratio <= 0) return from.points;
  if (ratio >= 1) return to.points;
  const at = blend(from.pose.at, to.pose.at, ratio);
  const points = anglesToPoints(at);
  const stays = to.pose.touches.filter((t) => sameVec(from.pins.get(contactOf(t)), to.pins.get(contactOf(t))));
  const pinOf = (t: Touch): Vec => between(from.pins.get(contactOf(t))!, to.pins.get(contactOf(t))!, ratio);
  const [first] = stays;
  if (first) shift(points, minus(pinOf(first), touchPoint(points, first)));
  else shift(points, minus(between(from.points.pelvis, to.points.pelvis, ratio), points.pelvis));
  const targets = stays.map(pinOf);
  // Sideways it is carried from one pose to the next; the legs follow.
  shift(points, [0, 0, between(from.points.pelvis, to.points.pelvis, ratio)[2] - points.pelvis[2]]);
  lowerToReach(points, stays, targets);
  stays.forEach((touch, i) => reachTouch(points, touch, targets[i]!));
  const staying = new Set(stays.map(contactOf));
  for (const side of SIDES) {
    if (staying.has(`ball${side}`)) continue;
    const steps = from.pins.has(`ball${side}`) && to.pins.has(`ball${side}`);
    liftFoot(points, side, steps ? FOOT_LIFT * Math.sin(Math.PI * ratio) : 0);
  }
  settle(points, at, stays);
  return points;
}

/** Shins, hands and toes come to lie on the floor rather than in it. */
function settle(points: Points, at: At, touches: readonly Touch[]): void {
  layHands(points, at, touches);
  const rests = (side: Side, ...places: readonly Touch['place'][]) =>
    touches.some((touch) => touch.side === side && places.includes(touch.place));
  for (const side of SIDES) {
    if (rests(side, 'knee') && !rests(side, 'foot', 'toes')) layShin(points, side);
    if (points[`wrist${side}`][1] < THICKNESS.hand && !rests(side, 'hand', 'elbow')) {
      const [x, , z] = points[`wrist${side}`];
      reach(points, side, ARM, [x, THICKNESS.hand, z]);
    }
    for (const tip of [`hand${side}`, `toe${side}`] as const) {
      const [x, y, z] = points[tip];
      if (y < 0) points[tip] = [x, 0, z];
    }
  }
}

/** A shin that is near the floor lies on it, the foot stretched behind. */
function layShin(points: Points, side: Side): void {
  const knee = points[`knee${side}`];
  const shin = minus(points[`ankle${side}`], knee);
  if (Math.abs(shin[1]) > BODY.shank * 0.5) return;
  const drop = THICKNESS.shin - knee[1];
  const along = unit([shin[0], 0, shin[2]], [-1, 0, 0]);
  const ankle = add(knee, add(times(along, Math.sqrt(Math.max(0, BODY.shank ** 2 - drop ** 2))), [0, drop, 0]));
  points[`ankle${side}`] = ankle;
  points[`heel${side}`] = add(ankle, [0, BODY.heel, 0]);
  points[`ball${side}`] = add(ankle, add(times(along, BODY.ball), [0, -0.014, 0]));
  points[`toe${side}`] = add(ankle, add(times(along, BODY.toe), [0, -0.016, 0]));
}

/** A foot that moves doesn't go through the floor. */
function liftFoot(points: Points, side: Side, least: number): void {
  const low = Math.min(...(['heel', 'ball', 'toe'] as const).map((part) => points[`${part}${side}`][1]));
  if (low < least) reach(points, side, LEG, add(points[`ankle${side}`], [0, least - low, 0]));
}
