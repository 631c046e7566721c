import { max } from 'd3-array';
import { scaleLinear } from 'd3-scale';
import type { WeeksPicture } from '../../../core/progress/week/weeks-picture.ts';

export interface PictureBar {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  /** To write: drawn as an open frame. */
  readonly isOpen: boolean;
}

export interface PictureLayout {
  readonly widthPx: number;
  readonly heightPx: number;
  readonly bars: readonly PictureBar[];
}

const ROOM_PX = 84;
const MOST_ROW_PX = 14;
const GAP_PX = 2;
/** Without a planned effort a session stands at half height. */
const USUAL_EFFORT = 5;

/**
 * Weeks under each other, as the plan has them: a bar a session, as long as it lasts and as high as its effort, all on one scale.
 * Many weeks get low rows, so that the picture keeps its height.
 */
export function layoutWeeksPicture(weeks: WeeksPicture, widthPx: number): PictureLayout {
  const rowPx = Math.min(MOST_ROW_PX, Math.max(2, ROOM_PX / Math.max(1, weeks.length)));
  const cellPx = widthPx / 7;
  const length = scaleLinear([0, max(weeks.flat(), (d) => d?.[0] ?? 0) || 1], [0, cellPx - GAP_PX]);
  const inner = Math.max(1, rowPx - (rowPx > 5 ? GAP_PX : 0.6));
  const bars = weeks.flatMap((week, w) =>
    week.flatMap((day, d): PictureBar[] => {
      if (!day) return [];
      const [minutes, effort] = day;
      const height = minutes === 0 ? inner * 0.5 : inner * Math.max(0.2, (effort ?? USUAL_EFFORT) / 10);
      return [
        {
          x: round(d * cellPx),
          y: round(w * rowPx + inner - height),
          width: round(minutes === 0 ? cellPx - GAP_PX : Math.max(2, length(minutes))),
          height: round(height),
          isOpen: minutes === 0,
        },
      ];
    }),
  );
  return { widthPx, heightPx: round(weeks.length * rowPx), bars };
}

const round = (px: number): number => Math.round(px * 10) / 10;
