import { useEffect, useRef } from 'react';
import type { LeverLineLayout } from './lever-line-layout.ts';

interface LeverLineProps {
  readonly layout: LeverLineLayout;
  readonly label: string;
  /** The week of the progression that is on now, where there is one. */
  readonly now: number | undefined;
  readonly lighter: readonly number[];
  readonly step: number;
  /** Absent where the line can't be dragged. */
  readonly onChange?: (week: number, value: number) => void;
}

/** A lever's way through the weeks, drawn while it changes: points are dragged, or stepped with the arrow keys. */
export function LeverLine({ layout, label, now, lighter, step, onChange }: LeverLineProps) {
  const drag = useRef<{
    readonly week: number;
    readonly value: number;
    readonly clientY: number;
    readonly pxPerUnit: number;
    last: number;
  }>(undefined);
  const root = useRef<SVGSVGElement>(null);
  const { widthPx, heightPx, points } = layout;
  const hitPx = Math.min(24, layout.gapPx);
  const scroller = useRef<HTMLDivElement>(null);
  // A long line opens at the week that it is.
  const nowX = points.find((p) => p.week === now)?.x;
  useEffect(() => {
    const box = scroller.current;
    if (box && nowX !== undefined && box.scrollWidth > box.clientWidth) box.scrollLeft = nowX - box.clientWidth / 2;
  }, [nowX]);
  const focus = (week: number) => root.current?.querySelector<SVGGElement>(`[data-week="${week}"]`)?.focus();
  const onKeyDown = (event: React.KeyboardEvent, week: number, value: number) => {
    const by =
      event.key === 'ArrowUp'
        ? step
        : event.key === 'ArrowDown'
          ? -step
          : event.key === 'PageUp'
            ? 3 * step
            : event.key === 'PageDown'
              ? -3 * step
              : 0;
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    if (by !== 0) onChange?.(week, value + by);
    else if (event.key === 'ArrowLeft') focus(week - 1);
    else if (event.key === 'ArrowRight') focus(week + 1);
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  const [least, most] = [Math.min(...points.map((p) => p.value)), Math.max(...points.map((p) => p.value))];
  return (
    <div className="lever-scroll" ref={scroller}>
      <svg
        ref={root}
        className="lever-line"
        viewBox={`0 0 ${widthPx} ${heightPx}`}
        width={widthPx}
        height={heightPx}
        role="group"
        aria-label={`${label}, week by week`}
      >
        {lighter.map(
          (week) =>
            points[week - 1] && (
              <rect
                key={week}
                className="lever-line-lighter"
                x={points[week - 1]!.x - 8}
                width="16"
                y="0"
                height={heightPx}
              />
            ),
        )}
        <path d={layout.path} className="lever-line-path" />
        {points.map((p) => (
          <g
            key={p.week}
            data-week={p.week}
            className={`lever-point${p.week === now ? ' is-now' : ''}${onChange ? ' can-drag' : ''}`}
            {...(onChange && {
              role: 'slider',
              tabIndex: p.week === (now && now <= points.length ? now : 1) ? 0 : -1,
              'aria-label': `${label}, week ${p.week}`,
              'aria-valuenow': p.value,
              'aria-valuemin': least - 10 * step,
              'aria-valuemax': most + 10 * step,
              'aria-valuetext': p.label,
              'aria-orientation': 'vertical' as const,
            })}
            onKeyDown={(event) => onKeyDown(event, p.week, p.value)}
            onPointerDown={(event) => {
              if (!onChange || event.button !== 0) return;
              event.currentTarget.setPointerCapture(event.pointerId);
              drag.current = {
                week: p.week,
                value: p.value,
                clientY: event.clientY,
                pxPerUnit: Math.max(4, layout.pxPerUnit),
                last: p.value,
              };
            }}
            onPointerMove={(event) => {
              const held = drag.current;
              if (!held || held.week !== p.week) return;
              const moved = (held.clientY - event.clientY) / Math.max(held.pxPerUnit * step, 7);
              const next = held.value + Math.round(moved) * step;
              if (next === held.last) return;
              held.last = next;
              onChange?.(held.week, next);
            }}
            onPointerUp={() => {
              drag.current = undefined;
            }}
            onPointerCancel={() => {
              drag.current = undefined;
            }}
          >
            <rect x={p.x - hitPx / 2} y="0" width={hitPx} height={heightPx} className="lever-hit" />
            <circle cx={p.x} cy={p.y} r="4.2" />
            {p.isLabelled && (
              <text x={p.x} y={p.labelY} textAnchor="middle">
                {p.label}
              </text>
            )}
          </g>
        ))}
      </svg>
    </div>
  );
}
