import { max } from 'd3-array';
import { scaleBand, scaleLinear } from 'd3-scale';
import type { Area } from '../../../core/movement/movement.ts';
import { AREAS } from '../../../core/movement/movement.ts';

export interface WeekFigures {
  readonly loadAu: number;
  readonly likelySec: number;
  readonly repsByArea: Readonly<Partial<Record<Area, number>>>;
}

export interface AreaBar {
  readonly area: Area;
  readonly reps: number;
  readonly x: number;
  readonly width: number;
  readonly y: number;
  readonly height: number;
}

export interface WeekFiguresLayout {
  readonly loadPx: number;
  readonly bars: readonly AreaBar[];
}

/** Areas that repetitions are counted for; holds and stretches have none to show. */
export const COUNTED_AREAS: readonly Area[] = AREAS;
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

/** Bars of all weeks on one scale: load as a length, repetitions by area as seven small columns. Weeks of nothing have no bars. */
export function layoutWeekFigures(
  weeks: readonly WeekFigures[],
  sizePx: { readonly loadWidthPx: number; readonly areaWidthPx: number; readonly areaHeightPx: number },
): WeekFiguresLayout[] {
  const load = scaleLinear([0, max(weeks, (w) => w.loadAu) || 1], [0, sizePx.loadWidthPx]);
  const reps = scaleLinear(
    [0, max(weeks, (w) => max(COUNTED_AREAS, (a) => w.repsByArea[a] ?? 0) ?? 0) || 1],
    [0, sizePx.areaHeightPx - 1],
  );
  const band = scaleBand<Area>([...COUNTED_AREAS], [0, sizePx.areaWidthPx]).paddingInner(0.3);
  return weeks.map((w) => ({
    loadPx: Math.round(load(w.loadAu) * 10) / 10,
    bars: COUNTED_AREAS.map((area) => {
      const count = w.repsByArea[area] ?? 0;
      const height = count === 0 ? 0 : Math.max(1.5, Math.round(reps(count) * 10) / 10);
      return {
        area,
        reps: count,
        x: Math.round(band(area)! * 10) / 10,
        width: Math.round(band.bandwidth() * 10) / 10,
        y: sizePx.areaHeightPx - height,
        height,
      };
    }),
  }));
}
