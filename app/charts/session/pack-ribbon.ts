import type { RibbonBar, RibbonBarKind, RibbonLayout } from '../ribbon-layout.ts';

/** In the order in which they are drawn. */
export const RIBBON_KINDS: readonly RibbonBarKind[] = ['rest', 'estimate', 'work', 'hold'];
const MAX_RADIUS = 2;

type RibbonPaths = Partial<Record<RibbonBarKind, string>>;

/** A ribbon's layout with its bars as paths: a tenth of their size on the way to a page. */
export interface PackedRibbon extends Omit<RibbonLayout, 'bars'> {
  readonly paths: RibbonPaths;
}

const cornered = ({ x, y, width, height }: RibbonBar): string => `M${x} ${y}h${width}v${height}h${-width}z`;

function rounded({ x, y, width, height }: RibbonBar): string {
  const r = Math.round(Math.min(MAX_RADIUS, width / 3, height / 2) * 100) / 100;
  return `M${x + r} ${y}h${width - 2 * r}a${r} ${r} 0 0 1 ${r} ${r}v${height - 2 * r}a${r} ${r} 0 0 1 ${-r} ${r}h${2 * r - width}a${r} ${r} 0 0 1 ${-r} ${-r}v${2 * r - height}a${r} ${r} 0 0 1 ${r} ${-r}z`;
}

/** Bars of one kind are one path: a plan of a year has some thousands of them in sight. Stretched ones keep their corners. */
export function ribbonPaths(bars: readonly RibbonBar[], isStretched: boolean): RibbonPaths {
  const paths: RibbonPaths = {};
  for (const kind of RIBBON_KINDS) {
    const own = bars.filter((b) => b.kind === kind);
    if (own.length > 0) paths[kind] = own.map(isStretched ? cornered : rounded).join('');
  }
  return paths;
}

/** For a ribbon that fills the width it is given. */
export const packRibbon = ({ bars, ...layout }: RibbonLayout): PackedRibbon => ({
  ...layout,
  paths: ribbonPaths(bars, true),
});
