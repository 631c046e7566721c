/** A point or a direction: x forwards, y up, z to the figure's right, in body heights. */
export type Vec = readonly [x: number, y: number, z: number];

export const add = (a: Vec, b: Vec): Vec => [a[0] + b[0], a[1] + b[1], a[2] + b[2]];
export const minus = (a: Vec, b: Vec): Vec => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
export const times = (a: Vec, by: number): Vec => [a[0] * by, a[1] * by, a[2] * by];
export const dot = (a: Vec, b: Vec): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
export const cross = (a: Vec, b: Vec): Vec => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];
export const length = (a: Vec): number => Math.hypot(...a);
export const between = (a: Vec, b: Vec, ratio: number): Vec => add(a, times(minus(b, a), ratio));
export const distance = (a: Vec, b: Vec): number => length(minus(a, b));

/** A vector of length 1 in the same direction; `fallback` where there is no direction. */
export function unit(a: Vec, fallback: Vec = [0, 1, 0]): Vec {
  const size = length(a);
  return size < 1e-9 ? fallback : times(a, 1 / size);
}

/** What of `a` stands at a right angle to the direction `along`, which has length 1. */
export const across = (a: Vec, along: Vec): Vec => minus(a, times(along, dot(a, along)));

export const radians = (deg: number): number => (deg * Math.PI) / 180;
export const degrees = (rad: number): number => (rad * 180) / Math.PI;

/** The angle between two directions, 0 to 180 degrees. */
export const angleBetween = (a: Vec, b: Vec): number =>
  degrees(Math.acos(Math.min(1, Math.max(-1, dot(unit(a), unit(b))))));

/**
 * Where a limb points: `forwardDeg` from straight down towards the front (90 is straight ahead, 180 is up), then
 * `outDeg` away from the middle of the body. `side` is 1 for the right and -1 for the left.
 */
export function direction(forwardDeg: number, outDeg: number, side: number): Vec {
  const [a, o] = [radians(forwardDeg), radians(outDeg)];
  return [Math.sin(a) * Math.cos(o), -Math.cos(a) * Math.cos(o), side * Math.sin(o)];
}

/** Turned to the left about the upright axis. */
export function yawed([x, y, z]: Vec, deg: number): Vec {
  const [c, s] = [Math.cos(radians(deg)), Math.sin(radians(deg))];
  return [x * c + z * s, y, -x * s + z * c];
}

/** Tilted to the right about the axis that points forwards. */
export function rolled([x, y, z]: Vec, deg: number): Vec {
  const [c, s] = [Math.cos(radians(deg)), Math.sin(radians(deg))];
  return [x, y * c - z * s, y * s + z * c];
}

/** Tipped forwards about the axis that points to the right. */
export function pitched([x, y, z]: Vec, deg: number): Vec {
  const [c, s] = [Math.cos(radians(deg)), Math.sin(radians(deg))];
  return [x * c + y * s, -x * s + y * c, z];
}
