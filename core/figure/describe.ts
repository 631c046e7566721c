import type { Figure } from './figure.ts';
import { peakOf, prepare } from './play.ts';
import type { Pose, Side } from './pose.ts';
import { SIDES } from './pose.ts';

/** How a body is placed, before anything moves. */
export type Posture =
  | 'standing'
  | 'standing on one leg'
  | 'squatting'
  | 'bent forwards'
  | 'in a split stance'
  | 'kneeling'
  | 'half kneeling'
  | 'on hands and knees'
  | 'on hands and feet'
  | 'on forearms and feet'
  | 'on hands upside down'
  | 'on the back'
  | 'on the belly'
  | 'on the side'
  | 'on one hand and the feet'
  | 'sitting on a chair'
  | 'sitting on the floor'
  | 'hanging'
  | 'in the air';

/** What a joint does between the first pose and the furthest; degrees. `R` and `L` where one side does it alone. */
export interface Motion {
  readonly kind:
    | 'knees bend'
    | 'knees straighten'
    | 'thighs lift'
    | 'legs go back'
    | 'legs go out'
    | 'legs come in'
    | 'trunk leans'
    | 'trunk comes up'
    | 'trunk bends'
    | 'trunk turns'
    | 'back rounds'
    | 'back arches'
    | 'elbows bend'
    | 'elbows straighten'
    | 'arms go up'
    | 'arms come down'
    | 'heels lift'
    | 'body leaves the floor';
  readonly side: Side | undefined;
  readonly deg: number;
}

export interface FigureText {
  readonly from: Posture;
  /** What it goes through, from the first to the last; neighbours differ. */
  readonly through: readonly Posture[];
  /** The largest first; empty for a hold. */
  readonly motions: readonly Motion[];
  readonly isHold: boolean;
}

const rests = (pose: Pose, place: string): number => pose.touches.filter((touch) => touch.place === place).length;

/** Which posture a pose is, by what it rests on and how it lies. */
export function postureOf(pose: Pose): Posture {
  const { at } = pose;
  const feet = rests(pose, 'foot') + rests(pose, 'toes');
  const knees = rests(pose, 'knee');
  const hands = rests(pose, 'hand');
  if (pose.touches.length === 0) return 'in the air';
  if (pose.touches.some((touch) => touch.against === 'bar' || touch.against === 'dip')) return 'hanging';
  if (at.yaw !== 0) return hands + rests(pose, 'elbow') > 0 ? 'on one hand and the feet' : 'on the side';
  if (
    pose.touches.some((touch) => touch.place === 'seat' && touch.against !== 'floor') &&
    at.pitch > -30 &&
    at.pitch < 60
  )
    return 'sitting on a chair';
  if (rests(pose, 'back') > 0 || (rests(pose, 'seat') > 0 && at.pitch < -45)) return 'on the back';
  if (rests(pose, 'chest') > 0 || (rests(pose, 'seat') > 0 && at.pitch > 60)) return 'on the belly';
  if (rests(pose, 'seat') > 0) return 'sitting on the floor';
  if (rests(pose, 'elbow') > 0) return knees > 0 ? 'on hands and knees' : 'on forearms and feet';
  const floorHands = pose.touches.filter((touch) => touch.place === 'hand' && touch.against !== 'wall').length;
  if (floorHands > 0 && knees > 0) return 'on hands and knees';
  if (floorHands > 0) return at.pitch > 140 ? 'on hands upside down' : 'on hands and feet';
  if (knees > 0) return feet > 0 ? 'half kneeling' : 'kneeling';
  if (feet === 1 && hands === 0) return 'standing on one leg';
  const kneeBend = (side: Side): number => at[`thigh${side}`] - at[`shank${side}`];
  if (Math.min(kneeBend('R'), kneeBend('L')) > 70) return 'squatting';
  if (Math.abs(at.thighR - at.thighL) > 25) return 'in a split stance';
  return at.trunk + at.curl / 2 > 40 ? 'bent forwards' : 'standing';
}

/** Less than this many degrees isn't worth a word. */
const WORTH_DEG = 14;
const MOST_MOTIONS = 4;

function motionsBetween(from: Pose, to: Pose): readonly Motion[] {
  const change = (of: (at: Pose['at'], side: Side) => number, side: Side): number =>
    of(to.at, side) - of(from.at, side);
  const found: Motion[] = [];
  const add = (deg: number, more: Motion['kind'] | undefined, less: Motion['kind'] | undefined, side?: Side): void => {
    const kind = deg > 0 ? more : less;
    if (kind && Math.abs(deg) >= WORTH_DEG) found.push({ kind, side, deg: Math.abs(deg) });
  };
  /** Said once where both sides do the same. */
  const both = (of: (at: Pose['at'], side: Side) => number, more?: Motion['kind'], less?: Motion['kind']): void => {
    const [right, left] = [change(of, 'R'), change(of, 'L')];
    if (Math.abs(right - left) < WORTH_DEG) add((right + left) / 2, more, less);
    else SIDES.forEach((side) => add(change(of, side), more, less, side));
  };
  both((at, side) => at[`thigh${side}`] - at[`shank${side}`], 'knees bend', 'knees straighten');
  both((at, side) => at[`thigh${side}`] + at.trunk, 'thighs lift', 'legs go back');
  both((at, side) => at[`out${side}`], 'legs go out', 'legs come in');
  both((at, side) => at[`fore${side}`] - at[`arm${side}`], 'elbows bend', 'elbows straighten');
  both((at, side) => raised(at, side), 'arms go up', 'arms come down');
  both((at, side) => at[`point${side}`], 'heels lift', undefined);
  add(to.at.trunk - from.at.trunk, 'trunk leans', 'trunk comes up');
  add(to.at.curl - from.at.curl, 'back rounds', 'back arches');
  add(Math.abs(to.at.bend) - Math.abs(from.at.bend), 'trunk bends', undefined);
  add(Math.abs(to.at.twist - from.at.twist), 'trunk turns', undefined);
  if (to.touches.length === 0 && from.touches.length > 0)
    found.push({ kind: 'body leaves the floor', side: undefined, deg: 180 });
  return found.sort((a, b) => b.deg - a.deg).slice(0, MOST_MOTIONS);
}

/** How far an arm is from hanging, in degrees. */
const raised = (at: Pose['at'], side: Side): number => {
  const [a, o] = [(at[`arm${side}`] * Math.PI) / 180, (at[`armOut${side}`] * Math.PI) / 180];
  return (Math.acos(Math.min(1, Math.max(-1, Math.cos(a) * Math.cos(o)))) * 180) / Math.PI;
};

/** What a drawing shows, made of its poses: where it begins, what moves most, where it comes to. */
export function describeFigure(figure: Figure): FigureText {
  const played = prepare(figure);
  const peak = peakOf(played);
  const [from, to] = [figure.poses[0]!, figure.poses[peak]!];
  return {
    from: postureOf(from),
    through: figure.poses.map(postureOf).filter((posture, i, all) => posture !== all[i - 1]),
    motions: peak === 0 ? [] : motionsBetween(from, to),
    isHold: peak === 0,
  };
}
