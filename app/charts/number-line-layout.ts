import { extent } from 'd3-array';
import { scaleLinear, scaleTime } from 'd3-scale';
import { line } from 'd3-shape';
import type { NumberPoint } from '../../core/record/scores/own-numbers.ts';

export interface NumberLineLayout {
  readonly widthPx: number;
  readonly heightPx: number;
  readonly path: string;
  readonly points: readonly (NumberPoint & { readonly x: number; readonly y: number; readonly isLabelled: boolean })[];
}

const PAD = { x: 10, top: 22, bottom: 10 };
/** Two labels nearer to each other than this would lie on one another. */
const LABEL_PX = 84;

/** Someone's numbers over time: better is higher, days lie as far apart as they were. First, last and best have their words. */
export function layoutNumberLine(
  points: readonly NumberPoint[],
  { widthPx, heightPx }: { readonly widthPx: number; readonly heightPx: number },
): NumberLineLayout {
  const at = (p: NumberPoint) => new Date(`${p.date}T12:00:00Z`);
  const [from, to] = extent(points, at) as [Date, Date];
  const [low, high] = extent(points, (p) => p.amount) as [number, number];
  const x = scaleTime(from < to ? [from, to] : [new Date(+from - 1), new Date(+from + 1)], [PAD.x, widthPx - PAD.x]);
  const y = scaleLinear(low < high ? [low, high] : [low - 1, low + 1], [heightPx - PAD.bottom, PAD.top]);
  const placed = points.map((p) => ({ ...p, x: x(at(p)), y: y(p.amount) }));
  // The last and the best first, then whatever has room.
  const order = [placed.at(-1), placed.find((p) => p.isBest), placed[0], ...placed].filter((p) => p !== undefined);
  const labelled = new Set<NumberPoint>();
  for (const p of order) if (![...labelled].some((l) => Math.abs((l as typeof p).x - p.x) < LABEL_PX)) labelled.add(p);
  const path = line<(typeof placed)[number]>(
    (p) => p.x,
    (p) => p.y,
  )(placed);
  return {
    widthPx,
    heightPx,
    path: path ?? '',
    points: placed.map((p) => ({ ...p, isLabelled: labelled.has(p) })),
  };
}
