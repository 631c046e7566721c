import { MASS } from './body.ts';
import type { Points } from './points.ts';
import type { Vec } from './vector.ts';
import { add, between, times } from './vector.ts';

/** Where the body's mass is in the mean. Segment centres: near the middle of each (Dempster by way of Winter, from memory). */
export function centreOfMass(p: Points): Vec {
  const both = (
    a: 'hip' | 'knee' | 'shoulder' | 'elbow' | 'wrist' | 'heel',
    b: 'knee' | 'ankle' | 'elbow' | 'wrist' | 'hand' | 'toe',
    ratio: number,
  ) => between(between(p[`${a}R`], p[`${b}R`], ratio), between(p[`${a}L`], p[`${b}L`], ratio), 0.5);
  const parts: readonly (readonly [number, Vec])[] = [
    [MASS.head, p.head],
    [MASS.trunk, between(p.pelvis, p.shoulders, 0.5)],
    [MASS.upperArms, both('shoulder', 'elbow', 0.436)],
    [MASS.forearms, both('elbow', 'wrist', 0.43)],
    [MASS.hands, both('wrist', 'hand', 0.5)],
    [MASS.thighs, both('hip', 'knee', 0.433)],
    [MASS.shanks, both('knee', 'ankle', 0.433)],
    [MASS.feet, both('heel', 'toe', 0.5)],
  ];
  const all = parts.reduce((sum, [mass]) => sum + mass, 0);
  return parts.reduce<Vec>((sum, [mass, at]) => add(sum, times(at, mass / all)), [0, 0, 0]);
}
