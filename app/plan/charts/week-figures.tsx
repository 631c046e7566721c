import type { WeekFiguresLayout } from './week-figures-layout.ts';

interface AreaColumnsProps {
  readonly bars: WeekFiguresLayout['bars'];
  readonly widthPx: number;
  readonly heightPx: number;
  readonly title: string;
}

/** Work by area as small columns, in one fixed order, on the scale of all weeks. */
export function AreaColumns({ bars, widthPx, heightPx, title }: AreaColumnsProps) {
  return (
    <svg
      className="area-columns"
      viewBox={`0 0 ${widthPx} ${heightPx}`}
      width={widthPx}
      height={heightPx}
      role="img"
      aria-label={title}
    >
      <title>{title}</title>
      {bars.map((b) => (
        <rect
          key={b.area}
          x={b.x}
          width={b.width}
          y={b.height === 0 ? heightPx - 1 : b.y}
          height={Math.max(1, b.height)}
          className={b.height === 0 ? 'is-none' : undefined}
        />
      ))}
    </svg>
  );
}
