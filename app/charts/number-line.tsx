import type { NumberSeries } from '../../core/record/scores/own-numbers.ts';
import { layoutNumberLine } from './number-line-layout.ts';

const SIZE = { widthPx: 340, heightPx: 96 } as const;
const EDGE_PX = 50;

/** Words at an edge lie inwards. */
const anchorAt = (x: number, widthPx: number) => (x < EDGE_PX ? 'start' : x > widthPx - EDGE_PX ? 'end' : 'middle');

/** Someone's numbers of one kind over time, as a line; the same stands below it as a list for whoever doesn't see it. */
export function NumberLine({ series }: { series: NumberSeries }) {
  const { path, points, widthPx, heightPx } = layoutNumberLine(series.points, SIZE);
  return (
    <svg
      className="number-line"
      viewBox={`0 0 ${widthPx} ${heightPx}`}
      width={widthPx}
      height={heightPx}
      aria-hidden="true"
    >
      <path d={path} />
      {points.map((p) => (
        <g key={p.date} className={p.isBest ? 'is-best' : undefined}>
          <circle cx={p.x} cy={p.y} r={p.isBest ? 5.5 : 4} />
          {p.isLabelled && (
            <text x={p.x} y={p.y - 9} textAnchor={anchorAt(p.x, widthPx)}>
              {p.words.replace(/ rounds?/, ' r')}
            </text>
          )}
        </g>
      ))}
    </svg>
  );
}
