import type { Fault } from './check.ts';
import { findFaults } from './check.ts';
import type { Figure } from './figure.ts';
import { NAMED_POSES } from './poses/named.ts';
import { PoseError, readFigure } from './read-poses.ts';

/** The most poses that a drawing of a coach's own has. */
export const MAX_OWN_POSES = 12;

export type OwnDrawing =
  | { readonly status: 'drawn'; readonly figure: Figure }
  /** Words that are no pose: the first of them. */
  | { readonly status: 'unread'; readonly word: string }
  | { readonly status: 'too-many' }
  /** What a body can't do. */
  | { readonly status: 'faulty'; readonly figure: Figure; readonly faults: readonly Fault[] };

/** Of each kind at each place the one that is furthest from what a body can do, the largest first. */
function worstOf(faults: readonly Fault[]): readonly Fault[] {
  const sizeOf = (fault: Fault): number =>
    'deg' in fault
      ? Math.abs(fault.deg)
      : 'below' in fault
        ? fault.below
        : 'inside' in fault
          ? fault.inside
          : fault.off;
  const placeOf = (fault: Fault): string =>
    `${fault.kind} ${'joint' in fault ? fault.joint : 'point' in fault ? fault.point : ''}`;
  const worst = new Map<string, Fault>();
  for (const fault of faults.toSorted((a, b) => sizeOf(b) - sizeOf(a)))
    if (!worst.has(placeOf(fault))) worst.set(placeOf(fault), fault);
  return [...worst.values()];
}

/** Reads a drawing of a coach's own and holds it against what a body can do; balance is theirs to judge. Never throws. */
export function readOwnDrawing(text: string): OwnDrawing {
  try {
    const figure = readFigure(text, NAMED_POSES);
    if (figure.poses.length > MAX_OWN_POSES) return { status: 'too-many' };
    const faults = findFaults(figure, false);
    return faults.length > 0 ? { status: 'faulty', figure, faults: worstOf(faults) } : { status: 'drawn', figure };
  } catch (error) {
    if (error instanceof PoseError) return { status: 'unread', word: error.word };
    throw error;
  }
}
