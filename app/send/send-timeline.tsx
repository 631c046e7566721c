import { Link } from 'react-router';
import { isSure } from '../../core/calendar/going.ts';
import type { PlacedMark, TimelineLayout } from './send-timeline-layout.ts';
import { GOING_WORDS, TIMELINE_WORDS } from '../../words/en/sends.ts';

/** The next two days over the zones: a row a zone, its nights shaded, each day that reaches it a mark. */
export function SendTimelineChart({
  layout,
  selected,
  linkTo,
}: {
  layout: TimelineLayout;
  selected: string | undefined;
  linkTo: (dayKey: string) => string;
}) {
  return (
    <div className="timeline">
      <div className="timeline-axis" aria-hidden="true">
        {layout.ticks.map((t) => (
          <span key={t.xPct} style={{ left: `${t.xPct}%` }}>
            {t.words}
          </span>
        ))}
      </div>
      {layout.rows.map((row) => (
        <div key={row.zone} className="timeline-row">
          <p>
            <b>{row.zone}</b>{' '}
            <span className="soft small">
              {row.people} · {row.now}
            </span>
          </p>
          <div className="timeline-strip">
            <svg aria-hidden="true" width="100%" height="100%">
              {row.nights.map((n) => (
                <rect
                  key={n.xPct}
                  className="timeline-night"
                  x={`${n.xPct}%`}
                  width={`${n.widthPct}%`}
                  y="0"
                  height="100%"
                />
              ))}
              <line className="timeline-thread" x1="0" x2="100%" y1="50%" y2="50%" />
              <line className="timeline-now" x1={`${layout.nowPct}%`} x2={`${layout.nowPct}%`} y1="0" y2="100%" />
            </svg>
            {row.marks.map((mark) => (
              <Mark
                key={`${mark.dayKey} ${mark.atMs}`}
                mark={mark}
                zone={row.zone}
                selected={selected}
                linkTo={linkTo}
              />
            ))}
          </div>
        </div>
      ))}
      <p className="soft small timeline-words">{TIMELINE_WORDS}</p>
    </div>
  );
}

function Mark({
  mark,
  zone,
  selected,
  linkTo,
}: {
  mark: PlacedMark;
  zone: string;
  selected: string | undefined;
  linkTo: (dayKey: string) => string;
}) {
  const { title, at, people, state, xPct, isLate, isLabelled, dayKey } = mark;
  const words = `${zone}, ${at}: ${title} ${GOING_WORDS[state]}, ${people} ${people === 1 ? 'person' : 'people'}`;
  return (
    <Link
      to={linkTo(dayKey)}
      preventScrollReset
      className={`timeline-mark is-${state}${isSure(state) ? '' : ' needs-you'}${isLate ? ' is-late' : ''}`}
      style={{ left: `${xPct}%` }}
      aria-label={words}
      title={words}
      {...(dayKey === selected && { 'aria-current': 'true' as const })}
    >
      <i aria-hidden="true" />
      {isLabelled && (
        <span aria-hidden="true">
          {at} {title}
        </span>
      )}
    </Link>
  );
}
