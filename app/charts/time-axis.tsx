import { scaleLinear } from 'd3-scale';

/** Minutes under a ribbon: `widthPx` wide for `totalSec` seconds. */
export function TimeAxis({ totalSec, widthPx }: { totalSec: number; widthPx: number }) {
  if (totalSec <= 0) return null;
  const scale = scaleLinear([0, totalSec / 60], [0, widthPx]);
  const ticks = scale.ticks(Math.max(2, Math.floor(widthPx / 150))).filter(Number.isInteger);
  const last = ticks.at(-1);
  return (
    <svg className="ribbon" viewBox={`0 0 ${widthPx} 18`} width={widthPx} height="18" aria-hidden="true">
      {ticks.map((minute) => {
        const x = scale(minute);
        return (
          <text
            key={minute}
            className="ribbon-axis"
            x={x}
            y="13"
            textAnchor={x < 12 ? 'start' : x > widthPx - 30 ? 'end' : 'middle'}
          >
            {minute === last ? `${minute} min` : minute}
          </text>
        );
      })}
    </svg>
  );
}
