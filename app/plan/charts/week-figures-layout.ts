import { max } from 'd3-array';
import { scaleBand, scaleLinear } from 'd3-scale';
import type { Area } from '../../../core/movement/movement.ts';
import { AREAS } from '../../../core/movement/movement.ts';

export interface WeekFigures {
  readonly loadAu: number;
  readonly likelySec: number;
  /** Seconds of work. */
  readonly workByArea: Readonly<Partial<Record<Area, number>>>;
}

export interface AreaBar {
  readonly area: Area;
  readonly workSec: number;
  readonly x: number;
  readonly width: number;
  readonly y: number;
  readonly height: number;
}

export interface WeekFiguresLayout {
  readonly loadPx: number;
  readonly bars: readonly AreaBar[];
}

/** What stands over the columns: one short word each. */
export const AREA_WORDS: Record<Area, string> = {
  legs: 'legs',
  'hips and back': 'hips',
  push: 'push',
  pull: 'pull',
  trunk: 'trunk',
  'heart and lungs': 'heart',
  mobility: 'mobility',
};

/** Bars of all weeks on one scale: load as a length, work by area as seven small columns. Weeks of nothing have no bars. */
export function layoutWeekFigures(
  weeks: readonly WeekFigures[],
  sizePx: { readonly loadWidthPx: number; readonly areaWidthPx: number; readonly areaHeightPx: number },
): WeekFiguresLayout[] {
  const load = scaleLinear([0, max(weeks, (w) => w.loadAu) || 1], [0, sizePx.loadWidthPx]);
  const work = scaleLinear(
    [0, max(weeks, (w) => max(AREAS, (a) => w.workByArea[a] ?? 0) ?? 0) || 1],
    [0, sizePx.areaHeightPx - 1],
  );
  const band = scaleBand<Area>([...AREAS], [0, sizePx.areaWidthPx]).paddingInner(0.3);
  return weeks.map((w) => ({
    loadPx: Math.round(load(w.loadAu) * 10) / 10,
    bars: AREAS.map((area) => {
      const workSec = w.workByArea[area] ?? 0;
      const height = workSec === 0 ? 0 : Math.max(1.5, Math.round(work(workSec) * 10) / 10);
      return {
        area,
        workSec,
        x: Math.round(band(area)! * 10) / 10,
        width: Math.round(band.bandwidth() * 10) / 10,
        y: sizePx.areaHeightPx - height,
        height,
      };
    }),
  }));
}
