import type { PackedRibbon } from './pack-ribbon.ts';
import { RIBBON_KINDS, ribbonPaths } from './pack-ribbon.ts';
import type { RibbonLayout } from './ribbon-layout.ts';

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

/** The picture of a session: time to scale, work solid, holds hatched, rest a trough, estimates with a dotted end. */
export function Ribbon({ layout, title, stretch = false, atRatio }: RibbonProps) {
  const { widthPx, heightPx, dots, notches } = layout;
  const paths = 'paths' in layout ? layout.paths : ribbonPaths(layout.bars, stretch);
  const base = heightPx - 2;
  return (
    <svg
      className="ribbon"
      viewBox={`0 0 ${widthPx} ${heightPx}`}
      height={heightPx}
      {...(stretch ? { width: '100%', preserveAspectRatio: 'none' } : { width: widthPx })}
      {...(title ? { role: 'img', 'aria-label': title } : { 'aria-hidden': true })}
    >
      <line className="ribbon-ground" x1="0" x2={widthPx} y1={base + 0.5} y2={base + 0.5} />
      {RIBBON_KINDS.map(
        (kind) =>
          paths[kind] && (
            <path
              key={kind}
              d={paths[kind]}
              className={`ribbon-${kind}`}
              {...(kind === 'hold' && { fill: `url(#${HATCH_ID})`, strokeWidth: heightPx > 30 ? 1.1 : 0.6 })}
            />
          ),
      )}
      {dots.flatMap(({ x, height }) =>
        Array.from({ length: Math.max(1, Math.floor(height / DOT_STEP)) }, (_, i) => (
          <circle key={`${x}-${i}`} className="ribbon-dot" cx={x} cy={base - 2 - i * DOT_STEP} r="1.3" />
        )),
      )}
      {notches.map((x) => (
        <line key={x} className="ribbon-notch" x1={x} x2={x} y1={base - 1} y2={heightPx} />
      ))}
      {atRatio !== undefined && (
        <line
          x1={atRatio * widthPx}
          x2={atRatio * widthPx}
          y1="-2"
          y2={heightPx}
          stroke="var(--rust)"
          strokeWidth="3"
        />
      )}
    </svg>
  );
}
