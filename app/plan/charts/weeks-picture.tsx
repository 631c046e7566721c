import type { WeeksPicture } from '../../../core/progress/week/weeks-picture.ts';
import { layoutWeeksPicture } from './weeks-picture-layout.ts';

/** A programme as a thumbnail; said in words beside it, so that it is left out for screen readers. */
export function WeeksThumb({ weeks, widthPx = 168 }: { weeks: WeeksPicture; widthPx?: number }) {
  const { heightPx, bars } = layoutWeeksPicture(weeks, widthPx);
  return (
    <svg
      className="weeks-thumb"
      viewBox={`0 0 ${widthPx} ${heightPx}`}
      width={widthPx}
      height={heightPx}
      aria-hidden="true"
    >
      {bars.map((b, i) => (
        <rect
          key={i}
          x={b.x}
          y={b.y}
          width={b.width}
          height={b.height}
          className={b.isOpen ? 'is-open' : undefined}
          rx={Math.min(1.5, b.height / 2)}
        />
      ))}
    </svg>
  );
}
