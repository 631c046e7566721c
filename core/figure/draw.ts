import { BODY, LEVEL } from './body.ts';
import type { HeldKit, View } from './figure.ts';
import type { Points } from './points.ts';
import type { Played } from './play.ts';
import { frameAt, pointsAt } from './play.ts';
import type { Against, Place, Side } from './pose.ts';
import { SIDES, contactOf } from './pose.ts';
import type { Vec } from './vector.ts';
import { add, between, minus, times, unit, yawed } from './vector.ts';

/** Degrees that the figure is turned to the left before it is looked at, and how far down one looks. */
const TURN_OF: Readonly<Record<View, readonly [turnDeg: number, downDeg: number]>> = {
  side: [0, 0],
  front: [-90, 0],
  quarter: [-35, 8],
  rear: [40, 14],
  top: [0, 90],
};
/** Picture units in a body's height. */
const UNITS = 100;
/** A limb that is further back than its fellow by this much of the body's height is drawn lighter. */
const FAR_BY = 0.05;

interface Seen {
  readonly x: number;
  /** Downwards, as pictures count. */
  readonly y: number;
  /** Nearer is more. */
  readonly near: number;
}

/** A place in the picture, in hundredths of the body's height. */
export function see(point: Vec, view: View): Seen {
  const [turn, down] = TURN_OF[view];
  const [x, y, z] = yawed(point, turn);
  const a = (down * Math.PI) / 180;
  const [c, s] = [Math.cos(a), Math.sin(a)];
  return { x: x * UNITS, y: (z * s - y * c) * UNITS, near: z * c + y * s };
}

const round = (n: number): string => String(Math.round(n * 10) / 10 || 0);
const line = (points: readonly Vec[], view: View): string =>
  `M${points
    .map((point) => {
      const { x, y } = see(point, view);
      return `${round(x)} ${round(y)}`;
    })
    .join('L')}`;

const circle = (at: Vec, radius: number, view: View): string => {
  const { x, y } = see(at, view);
  const r = round(radius * UNITS);
  const d = round(2 * radius * UNITS);
  return `M${round(x - radius * UNITS)} ${round(y)}a${r} ${r} 0 1 0 ${d} 0a${r} ${r} 0 1 0 -${d} 0Z`;
};

const legOf = (p: Points, side: Side): readonly Vec[] => [p[`hip${side}`], p[`knee${side}`], p[`ankle${side}`]];
const footOf = (p: Points, side: Side): readonly Vec[] => [p[`ankle${side}`], p[`heel${side}`], p[`toe${side}`]];
const armOf = (p: Points, side: Side): readonly Vec[] => [
  p[`shoulder${side}`],
  p[`elbow${side}`],
  p[`wrist${side}`],
  p[`hand${side}`],
];

/** What a picture is made of, the furthest first. `far` are the limbs on the other side. */
export const PARTS = ['far', 'trunk', 'head', 'leg', 'arm', 'kit', 'fill'] as const;
export type Part = (typeof PARTS)[number];
export type Drawn = Readonly<Record<Part, string>>;

const depth = (points: readonly Vec[], view: View): number =>
  points.reduce((sum, point) => sum + see(point, view).near, 0) / points.length;

/** Shoulders to hips by way of the waist. */
function trunkOf(p: Points, view: View): string {
  const across = unit(minus(p.shoulderR, p.shoulderL), [0, 0, 1]);
  const waist = (sign: number): Vec => add(p.waist, times(across, sign * 0.05));
  return `${line([p.shoulderR, waist(1), p.hipR, p.hipL, waist(-1), p.shoulderL], view)}Z`;
}

/** A body as paths, one for each part. */
export function drawBody(p: Points, view: View, kit: readonly HeldKit[] = []): Drawn {
  const drawn: Record<Part, string> = {
    far: '',
    trunk: trunkOf(p, view),
    head: '',
    leg: '',
    arm: '',
    kit: '',
    fill: '',
  };
  const isFar = (limb: typeof legOf, side: Side): boolean =>
    depth(limb(p, side), view) < depth(limb(p, side === 'R' ? 'L' : 'R'), view) - FAR_BY;
  for (const side of SIDES) {
    drawn[isFar(legOf, side) ? 'far' : 'leg'] += `${line(legOf(p, side), view)}${line(footOf(p, side), view)}Z`;
    drawn[isFar(armOf, side) ? 'far' : 'arm'] += line(armOf(p, side), view);
  }
  drawn.head = line([between(p.shoulders, p.head, 0.35), p.head], view) + circle(p.head, BODY.headRadius, view);
  for (const piece of kit) drawHeld(drawn, p, view, piece);
  return drawn;
}

/** How far a bar reaches to each side of its middle, in body heights. */
const BAR_HALF = 0.34;

/** Adds what the hands hold. */
function drawHeld(drawn: Record<Part, string>, p: Points, view: View, { kind, how }: HeldKit): void {
  const grip = (side: Side): Vec => between(p[`wrist${side}`], p[`hand${side}`], 0.6);
  const middle = between(grip('R'), grip('L'), 0.5);
  const spots = how === 'both' ? [grip('R'), grip('L')] : how === 'one' ? [grip('R')] : [middle];
  const across: Vec = unit(minus(p.shoulderR, p.shoulderL), [0, 0, 1]);
  const ends = (at: Vec, half: number): readonly [Vec, Vec] => [
    add(at, times(across, -half)),
    add(at, times(across, half)),
  ];
  switch (kind) {
    case 'stick':
      drawn.kit += line(ends(middle, BAR_HALF), view);
      return;
    case 'barbell':
      drawn.kit += line(ends(middle, BAR_HALF), view);
      for (const end of ends(middle, BAR_HALF)) drawn.fill += circle(end, 0.075, view);
      return;
    case 'kettlebell':
      for (const at of spots) drawn.fill += circle(add(at, [0, -0.05, 0]), 0.045, view);
      return;
    case 'plate':
    case 'ball':
    case 'sandbag':
      for (const at of spots) drawn.fill += circle(at, 0.068, view);
      return;
    case 'dumbbell':
    case 'bottle':
      for (const at of spots) {
        drawn.kit += line(ends(at, 0.05), view);
        for (const end of ends(at, 0.05)) drawn.fill += circle(end, 0.027, view);
      }
  }
}

/** What stands there: chairs, steps, walls and bars, where the body touches them. */
export function drawPlaces({ stops }: Played, view: View): string {
  const seen = new Map<string, string>();
  for (const { pose, pins, points } of stops) {
    for (const touch of pose.touches) {
      const key = `${touch.against}${touch.place}`;
      if (!seen.has(key)) seen.set(key, placeLine(touch, pins.get(contactOf(touch))!, points, view));
    }
  }
  return [...seen.values()].join('');
}

function placeLine(
  { against, place }: { readonly against: Against; readonly place: Place },
  at: Vec,
  points: Points,
  view: View,
): string {
  const [x, , z] = at;
  const box = (half: number, height: number): string =>
    line(
      [
        [x - half, 0, z],
        [x - half, height, z],
        [x + half, height, z],
        [x + half, 0, z],
      ],
      view,
    );
  switch (against) {
    case 'floor':
    case 'slider':
      return '';
    case 'wall': {
      const isBehind = place === 'back' || place === 'head' || x < points.pelvis[0];
      const wallX = x + (isBehind ? -1 : 1) * (place === 'back' || place === 'head' ? 0.065 : 0.03);
      return line(
        [
          [wallX, 0, 0],
          [wallX, 1.1, 0],
        ],
        view,
      );
    }
    case 'strap':
      return line([at, [x + 0.28, at[1] + 0.5, z]], view);
    case 'rail':
      return circle(at, 0.03, view);
    case 'bar': {
      const bar = (side: number): Vec => [x, LEVEL.bar + 0.05, side];
      return view === 'side' ? circle(bar(0), 0.025, view) : line([bar(-0.4), bar(0.4)], view);
    }
    case 'dip':
      return line(
        [
          [x - 0.2, LEVEL.dip, 0],
          [x + 0.2, LEVEL.dip, 0],
        ],
        view,
      );
    case 'ball':
      return circle([x, LEVEL.ball / 2, z], LEVEL.ball / 2, view);
    case 'chair':
      return place === 'seat'
        ? box(0.12, LEVEL.chair) +
            line(
              [
                [x - 0.12, LEVEL.chair, z],
                [x - 0.12, LEVEL.chair + 0.24, z],
              ],
              view,
            )
        : box(0.14, LEVEL.chair);
    case 'step':
      return box(0.11, LEVEL.step);
    case 'bench':
    case 'box':
    case 'table':
      return box(0.16, LEVEL[against]);
  }
}

export interface Frame {
  readonly left: number;
  readonly top: number;
  readonly width: number;
  readonly height: number;
}

/** A figure that hangs higher than this, in picture units, is drawn without the floor. */
const FLOOR_SEEN = 14;
const ROOM = 9;
/** How often a repetition is looked at for the room that it takes, beside its poses. */
const FRAME_MOMENTS = 5;

/** The part of the plane that holds the whole repetition, with room around. */
export function frameOf(played: Played, view: View): Frame {
  let [left, right, top, bottom] = [Infinity, -Infinity, Infinity, -Infinity];
  const moments = [...played.atRatio, ...Array.from({ length: FRAME_MOMENTS }, (_, i) => (i + 0.5) / FRAME_MOMENTS)];
  for (const points of [
    ...moments.map((at) => frameAt(played, at)),
    ...played.figure.poses.map((_, i) => pointsAt(played, i)),
  ]) {
    for (const point of Object.values(points)) {
      const { x, y } = see(point, view);
      [left, right] = [Math.min(left, x), Math.max(right, x)];
      [top, bottom] = [Math.min(top, y), Math.max(bottom, y)];
    }
  }
  const low = view !== 'top' && bottom > -FLOOR_SEEN ? 4 : bottom + ROOM;
  return { left: left - ROOM, top: top - ROOM, width: right - left + 2 * ROOM, height: low - top + ROOM };
}

/** The floor from one end of the picture to the other; empty where it isn't in it. */
export const floorLine = ({ left, top, width, height }: Frame, view: View): string =>
  view === 'top' || top + height < 2 ? '' : `M${round(left)} 2H${round(left + width)}`;
