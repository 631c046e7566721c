import type { DayPlace } from '../../core/calendar/day.ts';
import type { StrandMark } from '../../core/record/adherence/packed-strand.ts';
import { sharedBead } from './session/bead.tsx';

const HEIGHT = 34;
const MARGIN_PCT = 1.2;

/** Where a day of a run lies, in percent of the width: each day of each week has its own place. */
export const strandPct = (week: number, weekday: number, weeks: number): number =>
  Math.round(
    (MARGIN_PCT + (((week - 1) * 7 + weekday - 1) * (100 - 2 * MARGIN_PCT)) / Math.max(1, weeks * 7 - 1)) * 100,
  ) / 100;

/** A day on the strand. */
export interface StrandDay extends DayPlace, StrandMark {
  readonly dayId: number;
}

interface StrandRowProps {
  readonly beads: readonly StrandDay[];
  readonly weeks: number;
  readonly today: { readonly week: number; readonly weekday: number } | null;
  readonly selected: number | null;
  readonly label: string;
  readonly onPick: (bead: StrandDay) => void;
}

/** How far from a bead a click still means it. */
const REACH_PX = 14;

/** One person's weeks: a thread with a bead a day; today's doorway stands behind it. Beads keep their shape at any width. */
export function StrandRow({ beads, weeks, today, selected, label, onPick }: StrandRowProps) {
  const y = HEIGHT / 2;
  const pct = (b: { week: number; weekday: number }) => strandPct(b.week, b.weekday, weeks);
  const owed = beads.filter((b) => b.state !== 'before');
  const first = owed[0];
  const chosen = selected === null ? undefined : owed.find((b) => b.dayId === selected);
  const nowPct = today ? Math.max(first ? pct(first) : 0, pct(today)) : first ? pct(first) : 0;
  const pick = (event: React.MouseEvent<SVGSVGElement>) => {
    const box = event.currentTarget.getBoundingClientRect();
    const atPx = event.clientX - box.left;
    const distance = (b: StrandDay) => Math.abs((pct(b) / 100) * box.width - atPx);
    const nearest = owed.reduce<StrandDay | undefined>(
      (best, b) => (!best || distance(b) < distance(best) ? b : best),
      undefined,
    );
    if (nearest && distance(nearest) < REACH_PX) onPick(nearest);
  };
  const line = (kind: string, from: number, to: number) =>
    `<line class="strand-thread${kind}" x1="${from}%" x2="${to}%" y1="${y}" y2="${y}"/>`;
  const at = (b: { week: number; weekday: number }, drawn: string) =>
    `<svg x="${pct(b)}%" overflow="visible">${drawn}</svg>`;
  // As markup, of numbers alone: an element a bead costs a page of four hundred people more than all it says.
  const markup = [
    today && at(today, `<path class="strand-door" d="M-8.5 ${HEIGHT}V13a8.5 8.5 0 0 1 17 0V${HEIGHT}"/>`),
    first && line('', pct(first), nowPct) + line(' ahead', nowPct, 100 - MARGIN_PCT),
    chosen && at(chosen, `<circle class="strand-selected" cx="0" cy="${y}" r="10"/>`),
    ...owed.map((b) => sharedBead({ xPct: pct(b), y, state: b.state, shareRatio: b.shareRatio })),
  ];
  return (
    <svg
      className="strand"
      width="100%"
      height={HEIGHT}
      role="img"
      aria-label={label}
      onClick={pick}
      dangerouslySetInnerHTML={{ __html: markup.filter(Boolean).join('') }}
    />
  );
}
