import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';

/** A session's effort: planned and felt, 0 to 10. */
export interface EffortPoint {
  readonly key: string;
  readonly words: string;
  readonly planned: number | null;
  readonly felt: number | null;
}

export interface EffortLayout {
  readonly widthPx: number;
  readonly heightPx: number;
  readonly plannedPath: string;
  readonly ticks: readonly { readonly value: number; readonly y: number }[];
  readonly points: readonly (EffortPoint & {
    readonly x: number;
    readonly plannedY: number | null;
    readonly feltY: number | null;
  })[];
}

const PAD = { left: 26, right: 8, top: 8, bottom: 8 };

const round = (n: number): number => Math.round(n * 10) / 10;

/** Felt effort as points beside the line of what was planned, in the order of the sessions. */
export function layoutEffort(
  points: readonly EffortPoint[],
  { widthPx, heightPx }: { readonly widthPx: number; readonly heightPx: number },
): EffortLayout {
  const x = scaleLinear([0, Math.max(1, points.length - 1)], [PAD.left, widthPx - PAD.right]);
  const y = scaleLinear([0, 10], [heightPx - PAD.bottom, PAD.top]);
  const placed = points.map((p, i) => ({
    ...p,
    x: round(x(i)),
    plannedY: p.planned === null ? null : round(y(p.planned)),
    feltY: p.felt === null ? null : round(y(p.felt)),
  }));
  const path = line<(typeof placed)[number]>(
    (p) => p.x,
    (p) => p.plannedY ?? 0,
  ).defined((p) => p.plannedY !== null)(placed);
  return {
    widthPx,
    heightPx,
    plannedPath: path ?? '',
    ticks: [0, 5, 10].map((value) => ({ value, y: y(value) })),
    points: placed,
  };
}
