import type { DayState } from '../../../core/record/adherence/strand.ts';

interface BeadProps {
  readonly x: number;
  readonly y: number;
  readonly state: DayState;
  readonly shareRatio?: number | undefined;
  readonly radius?: number;
}

const RADIUS = 5.2;
/** A part is seen as one: never empty, never full. */
const [LEAST_FILL, MOST_FILL] = [0.2, 0.85];

const round = (px: number): number => Math.round(px * 100) / 100;

/** A circle filled from below to a share of its height. */
function filledTo(ratio: number, x: number, y: number, radius: number): string {
  const top = radius * (1 - 2 * ratio);
  const half = round(Math.sqrt(radius * radius - top * top));
  return `<path class="bead-full" d="M${round(x - half)} ${round(y + top)}A${radius} ${radius} 0 ${ratio > 0.5 ? 1 : 0} 0 ${round(x + half)} ${round(y + top)}z"/>`;
}

/**
 * One day on a strand: shape and fill carry the meaning, never colour alone. As markup, of numbers alone: a page draws some hundreds
 * of them, and an element each cost it more than all it says.
 */
export function beadMarkup({ x, y, state, shareRatio = 0.5, radius = RADIUS }: BeadProps): string {
  const circle = (kind: string, r = radius, cx = x, cy = y) =>
    `<circle class="bead-${kind}" cx="${cx}" cy="${cy}" r="${r}"/>`;
  const stroke = (kind: string, d: string) => `<path class="bead-${kind}" d="${d}"/>`;
  switch (state) {
    case 'done':
      return circle('full');
    case 'part':
      return circle('open') + filledTo(Math.min(MOST_FILL, Math.max(LEAST_FILL, shareRatio)), x, y, radius);
    case 'due':
      return circle('due');
    case 'missed':
      return stroke('knot', `M${x} ${y - 4.5}v9`);
    case 'not-done':
      return stroke('said', `M${x - 3.5} ${y - 3.5}l7 7M${x - 3.5} ${y + 3.5}l7-7`);
    case 'ahead':
      return circle('ahead', 2);
    case 'unsent':
      return circle('ahead', 1.3);
    case 'excused':
      return stroke('excused', `M${x - 6} ${y}h12`);
    case 'not-due':
      return stroke('excused', `M${x - 6} ${y}h3.5M${x + 2.5} ${y}h3.5`) + circle('ahead', 1.3);
    case 'bonus':
      return circle('full', 2.8);
    case 'late':
      return stroke('knot', `M${x} ${y - 4.5}v9`) + circle('full', 2.3, x + 4.5, y - 4.5);
    case 'before':
      return '';
  }
}

/** One day on a strand, alone. */
export const Bead = (bead: BeadProps) => <g dangerouslySetInnerHTML={{ __html: beadMarkup(bead) }} />;

/** States whose mark is always the same: drawn once a page, and referred to. */
const SHARED: readonly DayState[] = [
  'done',
  'not-done',
  'due',
  'missed',
  'ahead',
  'unsent',
  'excused',
  'not-due',
  'bonus',
  'late',
];
const sharedId = (state: DayState): string => `bead-${state}`;
const SHARED_MARKUP = SHARED.map((state) => `<g id="${sharedId(state)}">${beadMarkup({ x: 0, y: 0, state })}</g>`).join(
  '',
);

/** The marks that sharedBead refers to. Once on a page that has any. */
export const BeadMarks = () => (
  <svg width="0" height="0" className="shared-marks" aria-hidden="true">
    <defs dangerouslySetInnerHTML={{ __html: SHARED_MARKUP }} />
  </svg>
);

/** A bead at a place in percent of the width, for drawings of hundreds. The page has BeadMarks. */
export function sharedBead({ xPct, y, state, shareRatio }: { xPct: number } & Omit<BeadProps, 'x'>): string {
  if (state === 'before') return '';
  if (state !== 'part') return `<use href="#${sharedId(state)}" x="${xPct}%" y="${y}"/>`;
  return `<svg x="${xPct}%" overflow="visible">${beadMarkup({ x: 0, y, state, shareRatio })}</svg>`;
}
