import type { Completion, DropOff, FeltDay, WeekLoad } from '../../../core/record/insights/insights.ts';
import { SMALL_NUMBER } from '../../../core/record/insights/shares.ts';
import { layoutDropOff, layoutFelt, layoutLoads, layoutShares } from './insight-layouts.ts';

/** Shares with their intervals, a line each; small numbers are drawn open. */
export function SharesChart({ rows, label }: { rows: readonly Pick<Completion, 'label' | 'share'>[]; label: string }) {
  const {
    widthPx,
    heightPx,
    ticks,
    rows: placed,
  } = layoutShares(rows, { widthPx: 560, rowPx: 26, leftPx: 190, smallBelow: SMALL_NUMBER });
  return (
    <svg className="insight" viewBox={`0 0 ${widthPx} ${heightPx}`} role="img" aria-label={label}>
      {ticks.map((t) => (
        <g key={t.words}>
          <line className="insight-grid" x1={t.x} x2={t.x} y1="0" y2={heightPx - 20} />
          <text x={t.x} y={heightPx - 5} textAnchor="middle">
            {t.words}
          </text>
        </g>
      ))}
      {placed.map((r) => (
        <g key={r.label} className={r.isSmall ? 'is-small' : undefined}>
          <text className="insight-label" x="0" y={r.y + 4}>
            {r.label}
          </text>
          <text x="182" y={r.y + 4} textAnchor="end">
            {r.words}
          </text>
          <line className="insight-range" x1={r.low} x2={r.high} y1={r.y} y2={r.y} />
          <circle className="insight-point" cx={r.x} cy={r.y} r="5" />
        </g>
      ))}
    </svg>
  );
}

export function DropOffChart({ data, other }: { data: DropOff; other?: DropOff | undefined }) {
  const SIZE = { widthPx: 560, heightPx: 220 };
  const lastWeek = Math.max(data.lastWeek, other?.lastWeek ?? 0);
  const { widthPx, heightPx, path, band, yTicks, xTicks } = layoutDropOff({ ...data, lastWeek }, SIZE);
  const beside = other && layoutDropOff({ ...other, lastWeek }, SIZE);
  return (
    <svg
      className="insight"
      viewBox={`0 0 ${widthPx} ${heightPx}`}
      role="img"
      aria-label="Share that still takes part, by weeks since joining"
    >
      {yTicks.map((t) => (
        <g key={t.words}>
          <line className="insight-grid" x1="42" x2={widthPx - 12} y1={t.y} y2={t.y} />
          <text x="36" y={t.y + 4} textAnchor="end">
            {t.words}
          </text>
        </g>
      ))}
      <path className="insight-band" d={band} />
      <path className="insight-line" d={path} />
      {beside && <path className="insight-line is-other" d={beside.path} />}
      {xTicks.map((t) => (
        <text key={t.week} x={t.x} y={heightPx - 4} textAnchor="middle">
          {t.week === 0 ? 'start' : `w${t.week}`}
        </text>
      ))}
    </svg>
  );
}

export function FeltChart({ days }: { days: readonly FeltDay[] }) {
  const { widthPx, heightPx, yTicks, xTicks, days: placed } = layoutFelt(days, { widthPx: 560, heightPx: 200 });
  return (
    <svg
      className="insight"
      viewBox={`0 0 ${widthPx} ${heightPx}`}
      role="img"
      aria-label="Effort felt beside planned, session by session"
    >
      {yTicks.map((t) => (
        <g key={t.words}>
          <line className="insight-grid" x1="42" x2={widthPx - 12} y1={t.y} y2={t.y} />
          <text x="36" y={t.y + 4} textAnchor="end">
            {t.words}
          </text>
        </g>
      ))}
      {placed.map((d) => (
        <g key={d.dayId} className={d.said < SMALL_NUMBER ? 'is-small' : undefined}>
          <title>{`${d.title}, week ${d.week}: felt ${d.mean.toFixed(1)} by ${d.said}, planned ${d.planned ?? 'not said'}`}</title>
          <line className="insight-range" x1={d.x} x2={d.x} y1={d.lowY} y2={d.highY} />
          <circle className="insight-point" cx={d.x} cy={d.meanY} r="4" />
          {d.plannedY !== null && (
            <line className="insight-plan" x1={d.x - 7} x2={d.x + 7} y1={d.plannedY} y2={d.plannedY} />
          )}
        </g>
      ))}
      {xTicks.map((t) => (
        <text key={t.words} x={t.x} y={heightPx - 4} textAnchor="middle">
          {t.words}
        </text>
      ))}
    </svg>
  );
}

export function LoadsChart({ weeks }: { weeks: readonly WeekLoad[] }) {
  const { widthPx, heightPx, barPx, yTicks, weeks: placed } = layoutLoads(weeks, { widthPx: 560, heightPx: 180 });
  return (
    <svg
      className="insight"
      viewBox={`0 0 ${widthPx} ${heightPx}`}
      role="img"
      aria-label="Load by week, planned and felt"
    >
      {yTicks.map((t) => (
        <g key={t.words}>
          <line className="insight-grid" x1="42" x2={widthPx - 12} y1={t.y} y2={t.y} />
          <text x="36" y={t.y + 4} textAnchor="end">
            {t.words}
          </text>
        </g>
      ))}
      {placed.map((w) => (
        <g key={w.week}>
          {w.planned && (
            <rect
              className="insight-planned"
              x={w.x - barPx - 1}
              y={w.planned.y}
              width={barPx}
              height={w.planned.height}
            />
          )}
          {w.felt && <rect className="insight-felt" x={w.x + 1} y={w.felt.y} width={barPx} height={w.felt.height} />}
          <text x={w.x} y={heightPx - 4} textAnchor="middle">
            w{w.week}
          </text>
        </g>
      ))}
    </svg>
  );
}
