import { useId } from 'react';
import type { RibbonBar, RibbonBarKind, RibbonLayout } from './ribbon-layout.ts';

interface RibbonProps {
  readonly layout: RibbonLayout;
  /** What the drawing says, for those who don't see it. Absent where the words beside it say the same. */
  readonly title?: string;
  /** Fills the width it is given instead of keeping its own. */
  readonly stretch?: boolean;
  /** A marker at this share of the width, 0 to 1. */
  readonly atRatio?: number;
}

const DOT_STEP = 5;
const KINDS: readonly RibbonBarKind[] = ['rest', 'estimate', 'work', 'hold'];
const MAX_RADIUS = 2;

/** Bars of one kind are one path: a plan of a year has some thousands of them in sight. */
const cornered = ({ x, y, width, height }: RibbonBar): string => `M${x} ${y}h${width}v${height}h${-width}z`;

function rounded({ x, y, width, height }: RibbonBar): string {
  const r = Math.round(Math.min(MAX_RADIUS, width / 3, height / 2) * 100) / 100;
  return `M${x + r} ${y}h${width - 2 * r}a${r} ${r} 0 0 1 ${r} ${r}v${height - 2 * r}a${r} ${r} 0 0 1 ${-r} ${r}h${2 * r - width}a${r} ${r} 0 0 1 ${-r} ${-r}v${2 * r - height}a${r} ${r} 0 0 1 ${r} ${-r}z`;
}

/** The picture of a session: time to scale, work solid, holds hatched, rest a trough, estimates with a dotted end. */
export function Ribbon({ layout, title, stretch = false, atRatio }: RibbonProps) {
  const { widthPx, heightPx, bars, dots, notches } = layout;
  const hatch = useId();
  const base = heightPx - 2;
  return (
    <svg
      className="ribbon"
      viewBox={`0 0 ${widthPx} ${heightPx}`}
      height={heightPx}
      {...(stretch ? { width: '100%', preserveAspectRatio: 'none' } : { width: widthPx })}
      {...(title ? { role: 'img', 'aria-label': title } : { 'aria-hidden': true })}
    >
      {bars.some((b) => b.kind === 'hold') && (
        <defs>
          <pattern id={hatch} width="5" height="5" patternTransform="rotate(45)" patternUnits="userSpaceOnUse">
            <rect width="5" height="5" className="ribbon-hold-ground" />
            <rect width="2" height="5" className="ribbon-hold-line" />
          </pattern>
        </defs>
      )}
      <line className="ribbon-ground" x1="0" x2={widthPx} y1={base + 0.5} y2={base + 0.5} />
      {KINDS.map((kind) => {
        const own = bars.filter((b) => b.kind === kind);
        return (
          own.length > 0 && (
            <path
              key={kind}
              d={own.map(stretch ? cornered : rounded).join('')}
              className={`ribbon-${kind}`}
              {...(kind === 'hold' && { fill: `url(#${hatch})`, strokeWidth: heightPx > 30 ? 1.1 : 0.6 })}
            />
          )
        );
      })}
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
