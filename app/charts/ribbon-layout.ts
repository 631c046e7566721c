import type { SessionPlan } from '../../core/session/plan.ts';

export type RibbonBarKind = 'work' | 'hold' | 'rest' | 'estimate';

/** A bar of a ribbon in pixels, from the top left. */
export interface RibbonBar {
  readonly kind: RibbonBarKind;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

export interface RibbonLayout {
  readonly widthPx: number;
  readonly heightPx: number;
  readonly bars: readonly RibbonBar[];
  /** Where the soft dotted end of an estimated block stands, and how high. */
  readonly dots: readonly { readonly x: number; readonly height: number }[];
  /** Where one block ends and the next begins. */
  readonly notches: readonly number[];
}

type DrawnPlan = Pick<SessionPlan, 'timeline' | 'blocks'>;

const GROUND = 2;
const REST_HEIGHT = 2.5;
const HAIR = 0.8;
/** From this width on, blocks are set apart and estimates end in dots. */
const ROOMY_PX = 140;

interface Stretch {
  readonly startSec: number;
  readonly endSec: number;
  readonly kind: RibbonBarKind;
  readonly effort: number;
  readonly block: number;
}

/** The stretches to draw: open spans by what is likely to fill them. */
function stretches(plan: DrawnPlan): Stretch[] {
  return plan.timeline.flatMap((segment): Stretch[] => {
    const { startSec, endSec, block, effort } = segment;
    if (segment.kind === 'open') {
      if (!segment.expected?.length) return [{ startSec, endSec, block, kind: 'estimate', effort }];
      let atSec = startSec;
      return segment.expected.map((part) => {
        const from = atSec;
        atSec += part.sec.likely;
        return {
          startSec: from,
          endSec: Math.min(atSec, endSec),
          block,
          kind: part.kind === 'rest' ? 'rest' : 'estimate',
          effort: part.effort,
        };
      });
    }
    const kind =
      segment.kind !== 'rest' && segment.estimated && plan.blocks[block]!.estimated ? 'estimate' : segment.kind;
    return [{ startSec, endSec, block, kind, effort }];
  });
}

const round = (n: number) => Math.round(n * 10) / 10;

/** One stretch a block, at the mean effort of what is done in it: what can still be seen of a session at 30 px. */
function silhouette(all: readonly Stretch[]): Stretch[] {
  const out: Stretch[] = [];
  for (const block of new Set(all.map((s) => s.block))) {
    const own = all.filter((s) => s.block === block);
    const busy = own.filter((s) => s.kind !== 'rest');
    const secOf = (list: readonly Stretch[]) => list.reduce((sum, s) => sum + s.endSec - s.startSec, 0);
    const busySec = secOf(busy);
    const kinds = (['work', 'estimate', 'hold'] as const).map((kind) => ({
      kind,
      sec: secOf(busy.filter((s) => s.kind === kind)),
    }));
    out.push({
      startSec: own[0]!.startSec,
      endSec: own.at(-1)!.endSec,
      block,
      kind: busySec === 0 ? 'rest' : kinds.reduce((a, b) => (b.sec > a.sec ? b : a)).kind,
      effort: busySec === 0 ? 0 : busy.reduce((sum, s) => sum + s.effort * (s.endSec - s.startSec), 0) / busySec,
    });
  }
  return out;
}

/**
 * Lays a plan out to scale: `secPerPx` seconds on every pixel. Neighbours too narrow to be seen alone are drawn
 * as one bar of their mean height; with `detail: 'blocks'` every block is one bar. An empty plan has no bars.
 */
export function layoutRibbon(
  plan: DrawnPlan,
  sizePx: { widthPx: number; heightPx: number; secPerPx?: number; detail?: 'steps' | 'blocks' },
): RibbonLayout {
  const { widthPx, heightPx } = sizePx;
  const totalSec = plan.timeline.at(-1)?.endSec ?? 0;
  if (totalSec === 0) return { widthPx, heightPx, bars: [], dots: [], notches: [] };
  const secPerPx = sizePx.secPerPx ?? totalSec / widthPx;
  const roomy = totalSec / secPerPx >= ROOMY_PX;
  const base = heightPx - GROUND;
  const bars: RibbonBar[] = [];
  const dots: { x: number; height: number }[] = [];
  const notches: number[] = [];
  const all = sizePx.detail === 'blocks' ? silhouette(stretches(plan)) : stretches(plan);
  const barHeight = (kind: RibbonBarKind, effort: number) =>
    kind === 'rest' ? REST_HEIGHT : Math.max(3, effort * (heightPx - GROUND * 2));
  let pending: { x: number; width: number; kind: RibbonBarKind; area: number } | undefined;
  const flush = () => {
    if (!pending) return;
    const height = pending.area / pending.width;
    bars.push({
      kind: pending.kind,
      x: round(pending.x),
      y: round(base - height),
      width: round(Math.max(0.6, pending.width)),
      height: round(height),
    });
    pending = undefined;
  };
  for (const [i, s] of all.entries()) {
    const x = s.startSec / secPerPx;
    const width = (s.endSec - s.startSec) / secPerPx;
    const startsBlock = i > 0 && all[i - 1]!.block !== s.block;
    const endsBlock = all[i + 1]?.block !== s.block;
    if (startsBlock) {
      flush();
      if (roomy) notches.push(round(x));
    }
    const height = barHeight(s.kind, s.effort);
    if (pending && (pending.width < 1 || width < 1)) {
      pending.area += width * height;
      pending.width += width;
      if (pending.kind === 'rest' || (s.kind !== 'rest' && width > pending.width / 2)) pending.kind = s.kind;
    } else {
      flush();
      pending = { x, width, kind: s.kind, area: width * height };
    }
    if (roomy && s.kind === 'estimate' && endsBlock && width > 12) {
      pending.width -= 6;
      pending.area -= 6 * height;
      flush();
      dots.push({ x: round(x + width - 3), height: round(height) });
    }
  }
  flush();
  const gap = roomy || sizePx.detail === 'blocks' ? HAIR : 0;
  return {
    widthPx,
    heightPx,
    bars: bars.map((b) => (b.width > 3 ? { ...b, width: round(b.width - gap) } : b)),
    dots,
    notches,
  };
}
