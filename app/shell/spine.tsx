import { useEffect, useRef } from 'react';
import type { PackedRibbon } from '../charts/session/pack-ribbon.ts';
import { Ribbon } from '../charts/session/ribbon.tsx';
import { usePlainLinks } from '../parts/use-plain-links.ts';

/** A day of the programme as the spine and the plan draw it. */
export interface SpineDay {
  readonly key: string;
  readonly week: number;
  readonly weekday: number;
  /** `Wednesday 13 May` */
  readonly words: string;
  readonly isToday: boolean;
  readonly isPast: boolean;
  /** `none`: no session on this day; `empty`: one to write; `to-read`: written by a track, a copy or a file, and nobody has read it. */
  readonly state: 'none' | 'empty' | 'to-read' | 'draft' | 'faulty' | 'ready' | 'sent' | 'changed';
  readonly title: string;
  readonly likelySec: number;
  /** The ribbon with one bar a block. */
  readonly outline: PackedRibbon | null;
}

export const STATE_LABEL: Record<SpineDay['state'], string> = {
  none: 'no session',
  empty: 'to write',
  'to-read': 'to read',
  draft: 'draft',
  faulty: 'draft with an error',
  ready: 'ready to send',
  sent: 'sent',
  changed: 'sent, changed since',
};

/** The least room for a day with a session, today, and a day without one; a long programme scrolls. */
const DAY_PX = 24;
const TODAY_PX = 34;
const GAP_PX = 6;

interface SpineProps {
  readonly days: readonly SpineDay[];
  readonly selected: string | undefined;
  readonly linkTo: (key: string) => string;
  /** Where several stand on a page. */
  readonly label?: string;
}

/** The programme as a strip: one small ribbon a day, weeks marked, today in its doorway. */
export function Spine({ days, selected, linkTo, label = 'Days of the programme' }: SpineProps) {
  const strip = useRef<HTMLElement>(null);
  const onClick = usePlainLinks();
  const longest = Math.max(1, ...days.map((d) => d.likelySec));
  const weeks = [...new Set(days.map((d) => d.week))];
  useEffect(() => {
    const el = strip.current;
    const target = el?.querySelector<HTMLElement>('[aria-current="page"], .is-today');
    if (el && target && el.scrollWidth > el.clientWidth) el.scrollLeft = target.offsetLeft - el.clientWidth / 2;
  }, [selected]);
  return (
    <nav className="spine no-print" aria-label={label} ref={strip} onClick={onClick}>
      {weeks.map((week) => {
        const own = days.filter((d) => d.week === week);
        return (
          <div
            className={`spine-week${own.some((d) => d.isToday) ? ' is-now' : ''}`}
            key={week}
            style={{
              minWidth: own.reduce((px, d) => px + (d.isToday ? TODAY_PX : d.state === 'none' ? GAP_PX : DAY_PX), 7),
            }}
          >
            <p>week {week}</p>
            <div>
              {own.map((day) =>
                day.state === 'none' && !day.isToday && day.key !== selected ? (
                  <span key={day.key} className="spine-gap" />
                ) : (
                  <a
                    key={day.key}
                    href={linkTo(day.key)}
                    className={`spine-day is-${day.state}${day.isToday ? ' is-today' : ''}${day.isPast ? ' is-past' : ''}`}
                    {...(day.key === selected && { 'aria-current': 'page' as const })}
                    aria-label={`${day.words}, ${day.title || STATE_LABEL[day.state]}${day.isToday ? ', today' : ''}`}
                    title={`${day.words}: ${day.title || STATE_LABEL[day.state]}`}
                  >
                    {day.outline && (
                      <span style={{ width: `${Math.max(24, (100 * day.likelySec) / longest)}%` }}>
                        <Ribbon layout={day.outline} stretch />
                      </span>
                    )}
                  </a>
                ),
              )}
            </div>
          </div>
        );
      })}
    </nav>
  );
}
