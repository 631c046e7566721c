import { scaleLinear } from 'd3-scale';
import { tickWords } from '../../words/en/sends.ts';
import type { SendTimeline, TimelineMark } from '../../server/send/send-view.ts';

const HOUR_MS = 3_600_000;
const TICK_HOURS = 6;
/** Marks nearer than this, in percent of the width, share a label. */
const LABEL_PCT = 17;

export interface PlacedMark extends TimelineMark {
  readonly xPct: number;
  /** Near the right edge: its words stand on its left. */
  readonly isLate: boolean;
  /** Whether there is room for its words. */
  readonly isLabelled: boolean;
}

export interface TimelineLayout {
  readonly nowPct: number;
  readonly ticks: readonly { readonly xPct: number; readonly words: string }[];
  readonly rows: readonly {
    readonly zone: string;
    readonly people: number;
    readonly now: string;
    readonly nights: readonly { readonly xPct: number; readonly widthPct: number }[];
    readonly marks: readonly PlacedMark[];
  }[];
}

const round = (x: number) => Math.round(x * 100) / 100;

/** Places a timeline on a strip of any width, in percent. Labels give way to each other from left to right. */
export function layoutTimeline({ fromMs, nowMs, toMs, rows }: SendTimeline): TimelineLayout {
  const x = scaleLinear([fromMs, toMs], [0, 100]);
  const ticks = [];
  for (let hours = 0; nowMs + hours * HOUR_MS <= toMs; hours += TICK_HOURS)
    ticks.push({
      xPct: round(x(nowMs + hours * HOUR_MS)),
      words: tickWords(hours),
    });
  return {
    nowPct: round(x(nowMs)),
    ticks,
    rows: rows.map(({ zone, people, now, nights, marks }) => {
      let free = -Infinity;
      return {
        zone,
        people,
        now,
        nights: nights.map(([from, to]) => ({ xPct: round(x(from)), widthPct: round(x(to) - x(from)) })),
        marks: marks.map((mark) => {
          const xPct = round(x(mark.atMs));
          const isLate = xPct > 100 - LABEL_PCT;
          const isLabelled = (isLate ? xPct - LABEL_PCT : xPct) >= free;
          if (isLabelled) free = isLate ? xPct : xPct + LABEL_PCT;
          return { ...mark, xPct, isLate, isLabelled };
        }),
      };
    }),
  };
}
