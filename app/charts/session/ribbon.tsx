import { useMemo } from 'react';
import type { PackedRibbon } from './pack-ribbon.ts';
import { RIBBON_KINDS, ribbonPaths } from './pack-ribbon.ts';
import type { RibbonLayout } from '../ribbon-layout.ts';

interface RibbonProps {
  readonly layout: RibbonLayout | PackedRibbon;
  /** What the drawing says, for those who don't see it. Absent where the words beside it say the same. */
  readonly title?: string;
  /** Fills the width it is given instead of keeping its own. */
  readonly stretch?: boolean;
  /** A marker at this share of the width, 0 to 1. */
  readonly atRatio?: number;
}

const DOT_STEP = 5;

const HATCH_ID = 'ribbon-hatch';

/** The hatch that all ribbons of a page refer to. Once on every page. */
export const RibbonHatch = () => (
  <svg width="0" height="0" className="shared-marks" aria-hidden="true">
    <pattern id={HATCH_ID} width="5" height="5" patternTransform="rotate(45)" patternUnits="userSpaceOnUse">
      <rect width="5" height="5" className="ribbon-hold-ground" />
      <rect width="2" height="5" className="ribbon-hold-line" />
    </pattern>
  </svg>
);

/** What a ribbon is drawn with, as markup, of numbers alone: a year of them is a page. */
function ribbonMarkup(layout: RibbonProps['layout'], isStretched: boolean): string {
  const { widthPx, heightPx, dots, notches } = layout;
  const paths = 'paths' in layout ? layout.paths : ribbonPaths(layout.bars, isStretched);
  const base = heightPx - 2;
  const line = (kind: string, x1: number, x2: number, y1: number, y2: number) =>
    `<line class="ribbon-${kind}" x1="${x1}" x2="${x2}" y1="${y1}" y2="${y2}"/>`;
  const hatch = `fill="url(#${HATCH_ID})" stroke-width="${heightPx > 30 ? 1.1 : 0.6}"`;
  return [
    line('ground', 0, widthPx, base + 0.5, base + 0.5),
    ...RIBBON_KINDS.map(
      (kind) => paths[kind] && `<path d="${paths[kind]}" class="ribbon-${kind}"${kind === 'hold' ? ` ${hatch}` : ''}/>`,
    ),
    ...dots.flatMap(({ x, height }) =>
      Array.from(
        { length: Math.max(1, Math.floor(height / DOT_STEP)) },
        (_, i) => `<circle class="ribbon-dot" cx="${x}" cy="${base - 2 - i * DOT_STEP}" r="1.3"/>`,
      ),
    ),
    ...notches.map((x) => line('notch', x, x, base - 1, heightPx)),
  ].join('');
}

/** The picture of a session: time to scale, work solid, holds hatched, rest a trough, estimates with a dotted end. */
export function Ribbon({ layout, title, stretch = false, atRatio }: RibbonProps) {
  const { widthPx, heightPx } = layout;
  const drawn = { __html: useMemo(() => ribbonMarkup(layout, stretch), [layout, stretch]) };
  const frame = {
    className: 'ribbon',
    viewBox: `0 0 ${widthPx} ${heightPx}`,
    height: heightPx,
    ...(stretch ? { width: '100%', preserveAspectRatio: 'none' } : { width: widthPx }),
    ...(title ? { role: 'img', 'aria-label': title } : { 'aria-hidden': true as const }),
  };
  if (atRatio === undefined) return <svg {...frame} dangerouslySetInnerHTML={drawn} />;
  const markerX = atRatio * widthPx;
  return (
    <svg {...frame}>
      <g dangerouslySetInnerHTML={drawn} />
      <line x1={markerX} x2={markerX} y1="-2" y2={heightPx} stroke="var(--rust)" strokeWidth="3" />
    </svg>
  );
}
