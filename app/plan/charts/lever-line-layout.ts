import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';

export interface LeverPoint {
  readonly week: number;
  readonly value: number;
  readonly label: string;
  readonly x: number;
  readonly y: number;
  readonly labelY: number;
  /** Where there is no room for every label, only those that differ from the one before are shown, and none over another. */
  readonly isLabelled: boolean;
}

export interface LeverLineLayout {
  readonly widthPx: number;
  readonly heightPx: number;
  readonly path: string;
  readonly points: readonly LeverPoint[];
  /** From point to point. */
  readonly gapPx: number;
  /** Pixels for one unit, for turning a drag into a value. */
  readonly pxPerUnit: number;
}

const PAD_X = 12;
const TOP = 17;
const BOTTOM = 8;
/** Least room for a point; a longer programme gets a wider line. */
const LEAST_GAP_PX = 15;
/** Least room for a label at each point. */
const LABEL_PX = 23;

/** A lever's offsets week by week as a line: one point a week, higher is more. A lever that doesn't move is a level line. */
export function layoutLeverLine(
  values: readonly { readonly week: number; readonly value: number; readonly label: string }[],
  sizePx: { readonly widthPx: number; readonly heightPx: number },
): LeverLineLayout {
  const { heightPx } = sizePx;
  const widthPx = Math.max(sizePx.widthPx, 2 * PAD_X + LEAST_GAP_PX * (values.length - 1));
  const all = values.map((v) => v.value);
  const [low, high] = [Math.min(0, ...all), Math.max(0, ...all)];
  // A span of at least four units keeps a small step from looking like a leap.
  const spanUnits = Math.max(high - low, 4);
  const y = scaleLinear([low, low + spanUnits], [heightPx - BOTTOM, TOP]);
  const middle = high === low ? (TOP + heightPx - BOTTOM) / 2 - y(0) : 0;
  const x = scaleLinear([0, Math.max(1, values.length - 1)], [PAD_X, widthPx - PAD_X]);
  const gapPx = values.length < 2 ? widthPx : (widthPx - 2 * PAD_X) / (values.length - 1);
  let labelledX = -Infinity;
  const points = values.map((v, i): LeverPoint => {
    const atY = Math.round((y(v.value) + middle) * 10) / 10;
    const atX = Math.round(x(values.length === 1 ? 0.5 : i) * 10) / 10;
    const isLabelled =
      gapPx >= LABEL_PX || i === 0 || (v.label !== values[i - 1]!.label && atX - labelledX >= LABEL_PX);
    if (isLabelled) labelledX = atX;
    return { ...v, x: atX, y: atY, labelY: Math.max(9, atY - 7), isLabelled };
  });
  return {
    widthPx,
    heightPx,
    path:
      line<LeverPoint>(
        (p) => p.x,
        (p) => p.y,
      )(points) ?? '',
    points,
    gapPx,
    pxPerUnit: Math.abs(y(1) - y(0)),
  };
}
