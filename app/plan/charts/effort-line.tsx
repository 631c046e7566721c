import type { EffortPoint } from './effort-line-layout.ts';
import { layoutEffort } from './effort-line-layout.ts';

const SIZE = { widthPx: 620, heightPx: 120 } as const;

/** Effort felt (points) beside planned (line). The same stands as a list for whoever doesn't see it. */
export function EffortLine({ points, label }: { points: readonly EffortPoint[]; label: string }) {
  const { widthPx, heightPx, plannedPath, ticks, points: placed } = layoutEffort(points, SIZE);
  return (
    <svg className="effort-line" viewBox={`0 0 ${widthPx} ${heightPx}`} role="img" aria-label={label}>
      {ticks.map((t) => (
        <g key={t.value}>
          <line className="effort-grid" x1="22" x2={widthPx} y1={t.y} y2={t.y} />
          <text x="16" y={t.y + 4} textAnchor="end">
            {t.value}
          </text>
        </g>
      ))}
      <path className="effort-planned" d={plannedPath} />
      {placed.map(
        (p) =>
          p.feltY !== null && (
            <g key={p.key}>
              {p.plannedY !== null && <line className="effort-gap" x1={p.x} x2={p.x} y1={p.plannedY} y2={p.feltY} />}
              <circle className="effort-felt" cx={p.x} cy={p.feltY} r="4">
                <title>{`${p.words}: felt ${p.felt}${p.planned === null ? '' : `, planned ${p.planned}`}`}</title>
              </circle>
            </g>
          ),
      )}
    </svg>
  );
}
