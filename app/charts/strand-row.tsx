import type { StrandBead } from '../../core/record/build-strand.ts';
import { Bead } from './bead.tsx';

const HEIGHT = 34;
const MARGIN = 8;

/** Where the beads of a run lie: each day of each week its own place. */
export const strandX = (week: number, weekday: number, weeks: number, widthPx: number): number =>
  Math.round((MARGIN + (((week - 1) * 7 + weekday - 1) * (widthPx - 2 * MARGIN)) / Math.max(1, weeks * 7 - 1)) * 10) / 10;

interface StrandRowProps {
  readonly beads: readonly StrandBead[];
  readonly weeks: number;
  readonly widthPx: number;
  readonly today: { readonly week: number; readonly weekday: number } | null;
  readonly selected: number | null;
  readonly label: string;
  readonly onPick: (bead: StrandBead) => void;
}

/** One person's weeks: a thread with a bead a day; today's doorway stands behind it. */
export function StrandRow({ beads, weeks, widthPx, today, selected, label, onPick }: StrandRowProps) {
  const y = HEIGHT / 2;
  const x = (b: { week: number; weekday: number }) => strandX(b.week, b.weekday, weeks, widthPx);
  const owed = beads.filter((b) => b.state !== 'before');
  const first = owed[0];
  const nowX = today ? x(today) : 0;
  const pick = (event: React.MouseEvent<SVGSVGElement>) => {
    const box = event.currentTarget.getBoundingClientRect();
    const at = ((event.clientX - box.left) * widthPx) / box.width;
    const nearest = owed.reduce<StrandBead | undefined>((best, b) => (!best || Math.abs(x(b) - at) < Math.abs(x(best) - at) ? b : best), undefined);
    if (nearest && Math.abs(x(nearest) - at) < 16) onPick(nearest);
  };
  return (
    <svg className="strand" viewBox={`0 0 ${widthPx} ${HEIGHT}`} width="100%" height={HEIGHT} preserveAspectRatio="none" role="img" aria-label={label} onClick={pick}>
      {today && <path className="strand-door" d={`M${nowX - 8.5} ${HEIGHT}V13a8.5 8.5 0 0 1 17 0V${HEIGHT}`} />}
      {first && <line className="strand-thread" x1={x(first)} x2={today ? Math.max(x(first), nowX) : x(first)} y1={y} y2={y} />}
      {first && <line className="strand-thread ahead" x1={today ? Math.max(x(first), nowX) : x(first)} x2={widthPx - MARGIN} y1={y} y2={y} />}
      {owed.map((b) => (
        <g key={b.dayId}>
          {b.dayId === selected && <circle className="strand-selected" cx={x(b)} cy={y} r="10" />}
          <Bead x={x(b)} y={y} state={b.state} shareRatio={b.shareRatio} />
        </g>
      ))}
    </svg>
  );
}
