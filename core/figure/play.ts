import type { Figure } from './figure.ts';
import { mirror } from './pose.ts';
import type { Standing } from './place.ts';
import type { Points } from './points.ts';
import { onTheWay, standAll } from './place.ts';
import { distance, minus } from './vector.ts';

/** A figure whose poses are placed, in the order in which one repetition goes through them. */
export interface Played {
  readonly figure: Figure;
  readonly stops: readonly Standing[];
  /** When each stop is reached, 0 to 1 of a repetition. */
  readonly atRatio: readonly number[];
}

/** The poses of one repetition (two, one a side, where it alternates), back at the first in the end. */
export function prepare(figure: Figure): Played {
  const stops = stopsOf(figure);
  const weights = stops.slice(1).map((stop) => stop.weight);
  const sum = weights.reduce((a, b) => a + b, 0) || 1;
  let passed = 0;
  const atRatio = [0, ...weights.map((weight) => (passed += weight) / sum)];
  return { figure, stops: stops.map((stop) => stop.standing), atRatio };
}

interface Stop {
  readonly standing: Standing;
  /** How long the way to it takes. */
  readonly weight: number;
}

const stopsOf = ({ poses, goesRound, alternates }: Figure): readonly Stop[] => {
  if (goesRound) {
    const through = [...poses, ...(alternates ? poses.map(mirror) : []), poses[0]!];
    return standAll(through).map((standing) => ({ standing, weight: standing.pose.weight }));
  }
  const first = thereAndBack(standAll(poses));
  if (!alternates) return first;
  const other = standAll(poses.map(mirror), first.at(-1)!.standing);
  return [...first, ...thereAndBack([first[0]!.standing, ...other.slice(1)]).slice(1)];
};

const thereAndBack = (out: readonly Standing[]): readonly Stop[] => [
  ...out.map((standing) => ({ standing, weight: standing.pose.weight })),
  ...out
    .slice(0, -1)
    .map((standing, i) => ({ standing, weight: out[i + 1]!.pose.weight }))
    .reverse(),
];

/** Slow at both ends, as a limb moves. */
const ease = (ratio: number): number => (1 - Math.cos(Math.PI * ratio)) / 2;

/** Where everything is at a moment of the repetition, `ratio` 0 to 1; it repeats beyond. */
export function frameAt({ figure, stops, atRatio }: Played, ratio: number): Points {
  if (stops.length === 1) return stops[0]!.points;
  const moment = ratio - Math.floor(ratio);
  const next = Math.max(
    1,
    atRatio.findIndex((at) => at > moment),
  );
  const from = atRatio[next - 1]!;
  const span = atRatio[next]! - from || 1;
  const part = (moment - from) / span;
  const points = onTheWay(stops[next - 1]!, stops[next]!, figure.travels ? part : ease(part));
  return figure.travels ? goingAlong(points) : points;
}

/** Seen by an eye that keeps beside the pelvis. */
export function goingAlong(points: Points): Points {
  const [x, , z] = points.pelvis;
  return Object.fromEntries(Object.entries(points).map(([name, at]) => [name, minus(at, [x, 0, z])])) as Points;
}

/** Where everything is in the pose with this number, as it is looked at. */
export function pointsAt({ figure, stops }: Played, index: number): Points {
  const { points } = stops[index]!;
  return figure.travels ? goingAlong(points) : points;
}

/** The pose that says most beside the first: the one furthest from it. */
export function peakOf(played: Played): number {
  const start = pointsAt(played, 0);
  const far = (p: Points): number =>
    (Object.keys(p) as (keyof Points)[]).reduce((sum, name) => sum + distance(p[name], start[name]), 0);
  let [best, most] = [0, -1];
  for (let i = 1; i < played.figure.poses.length; i++) {
    const off = far(pointsAt(played, i));
    if (off > most + 1e-6) [best, most] = [i, off];
  }
  return best;
}
