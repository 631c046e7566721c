import { scaleLinear, scalePoint } from 'd3-scale';
import { area, curveStepAfter, line } from 'd3-shape';
import type { Completion, DropOff, FeltDay, WeekLoad } from '../../../core/record/insights/insights.ts';

const round = (n: number): number => Math.round(n * 10) / 10;

/** A share as a point on a line from 0 to 100 %, with its interval. */
export interface ShareRow {
  readonly label: string;
  readonly words: string;
  readonly x: number;
  readonly low: number;
  readonly high: number;
  readonly y: number;
  readonly isSmall: boolean;
}

export function layoutShares(
  rows: readonly Pick<Completion, 'label' | 'share'>[],
  { widthPx, rowPx, leftPx, smallBelow }: { widthPx: number; rowPx: number; leftPx: number; smallBelow: number },
) {
  const x = scaleLinear([0, 1], [leftPx, widthPx - 20]);
  return {
    widthPx,
    heightPx: rows.length * rowPx + 22,
    ticks: [0, 0.25, 0.5, 0.75, 1].map((v) => ({ x: round(x(v)), words: `${v * 100} %` })),
    rows: rows.map(({ label, share }, i): ShareRow => ({
      label,
      words: `${share.count} of ${share.of}`,
      x: round(x(share.ratio)),
      low: round(x(share.low)),
      high: round(x(share.high)),
      y: i * rowPx + rowPx / 2,
      isSmall: share.of < smallBelow,
    })),
  };
}

const PAD = { left: 42, right: 14, top: 12, bottom: 20 };

/** A survival curve in steps, from 1 down, with its 95 % band and numbers at risk below. */
export function layoutDropOff(d: DropOff, { widthPx, heightPx }: { widthPx: number; heightPx: number }) {
  const x = scaleLinear([0, Math.max(2, d.lastWeek)], [PAD.left, widthPx - PAD.right]);
  const y = scaleLinear([0, 1], [heightPx - PAD.bottom, PAD.top]);
  const steps = [
    { time: 0, share: 1, low: 1, high: 1 },
    ...d.steps,
    { ...(d.steps.at(-1) ?? { share: 1, low: 1, high: 1 }), time: d.lastWeek },
  ];
  type Step = (typeof steps)[number];
  const path =
    line<Step>(
      (s) => x(s.time),
      (s) => y(s.share),
    ).curve(curveStepAfter)(steps) ?? '';
  const band =
    area<Step>(
      (s) => x(s.time),
      (s) => y(s.low),
      (s) => y(s.high),
    ).curve(curveStepAfter)(steps) ?? '';
  const every = Math.max(1, Math.ceil(d.lastWeek / 8));
  return {
    widthPx,
    heightPx,
    path,
    band,
    yTicks: [0, 0.5, 1].map((v) => ({ y: round(y(v)), words: `${v * 100} %` })),
    xTicks: Array.from({ length: Math.floor(d.lastWeek / every) + 1 }, (_, i) => ({
      week: i * every,
      x: round(x(i * every)),
    })),
  };
}

/** Sessions in order: planned as a tick, the middle half of what was felt as a bar, its mean as a point. */
export function layoutFelt(days: readonly FeltDay[], { widthPx, heightPx }: { widthPx: number; heightPx: number }) {
  const x = scalePoint(
    days.map((d) => d.dayId),
    [PAD.left, widthPx - PAD.right],
  ).padding(0.6);
  const y = scaleLinear([0, 10], [heightPx - PAD.bottom, PAD.top]);
  const firsts = days.filter((d, i) => i === 0 || days[i - 1]!.week !== d.week);
  const every = Math.max(1, Math.ceil(firsts.length / 12));
  return {
    widthPx,
    heightPx,
    yTicks: [0, 5, 10].map((v) => ({ y: round(y(v)), words: String(v) })),
    xTicks: firsts.filter((_, i) => i % every === 0).map((d) => ({ x: round(x(d.dayId)!), words: `w${d.week}` })),
    days: days.map((d) => ({
      ...d,
      x: round(x(d.dayId)!),
      plannedY: d.planned === null ? null : round(y(d.planned)),
      meanY: round(y(d.mean)),
      lowY: round(y(d.low)),
      highY: round(y(d.high)),
    })),
  };
}

/** Weeks as two columns each: planned and felt load. */
export function layoutLoads(weeks: readonly WeekLoad[], { widthPx, heightPx }: { widthPx: number; heightPx: number }) {
  const most = Math.max(1, ...weeks.flatMap((w) => [w.plannedAu ?? 0, w.feltAu ?? 0]));
  const y = scaleLinear([0, most], [heightPx - PAD.bottom, PAD.top]).nice(3);
  const step = (widthPx - PAD.left - PAD.right) / Math.max(1, weeks.length);
  const barPx = Math.min(22, step / 3);
  const column = (value: number | undefined) =>
    value === undefined ? null : { y: round(y(value)), height: round(heightPx - PAD.bottom - y(value)) };
  return {
    widthPx,
    heightPx,
    barPx: round(barPx),
    yTicks: y.ticks(3).map((v) => ({ y: round(y(v)), words: String(v) })),
    weeks: weeks.map((w, i) => ({
      ...w,
      x: round(PAD.left + step * i + step / 2),
      planned: column(w.plannedAu),
      felt: column(w.feltAu),
    })),
  };
}
