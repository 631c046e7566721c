import type { Side } from './pose.ts';
import type { Vec } from './vector.ts';

/** Places of the body that there are two of. */
export type Sided = 'hip' | 'knee' | 'ankle' | 'heel' | 'ball' | 'toe' | 'shoulder' | 'elbow' | 'wrist' | 'hand';
/** A place of the body: the middle ones, and each of the others on both sides. */
export type Point = 'pelvis' | 'waist' | 'shoulders' | 'head' | `${Sided}${Side}`;
export type Points = Record<Point, Vec>;
