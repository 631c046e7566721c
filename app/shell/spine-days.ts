import { sessionTitle } from '../../core/session/session-title.ts';
import { compareDays, dayKey, formatDay } from '../../core/calendar/day.ts';
import type { DayDate } from '../../core/calendar/day.ts';
import type { Day } from '../../db/queries/programme.ts';
import type { PlannedSession } from '../../server/write/session-view.ts';
import type { PackedRibbon } from '../charts/session/pack-ribbon.ts';
import { packRibbon } from '../charts/session/pack-ribbon.ts';
import { layoutRibbon } from '../charts/ribbon-layout.ts';
import type { SpineDay } from './spine.tsx';
import type { RunDates } from '../../core/calendar/release.ts';
import { runDate } from '../../core/calendar/release.ts';

const SPINE_SIZE = { widthPx: 30, heightPx: 30, detail: 'blocks' } as const;

/** Outlines by plan: plans are kept, and drawn on every page. */
const outlines = new WeakMap<PlannedSession, PackedRibbon>();

function outlineOf(planned: PlannedSession): PackedRibbon {
  let known = outlines.get(planned);
  if (!known) {
    known = packRibbon(layoutRibbon(planned.plan, SPINE_SIZE));
    outlines.set(planned, known);
  }
  return known;
}

/** Every day of a programme's weeks, those without a session included. `planOf` gives the plan of a text. */
export function spineDays(
  programme: { readonly weeks: number; readonly run: { readonly rules: RunDates } },
  days: readonly Day[],
  today: DayDate,
  planOf: (text: string) => PlannedSession,
): SpineDay[] {
  const byKey = new Map(days.map((d) => [dayKey(d), d]));
  const out: SpineDay[] = [];
  for (let week = 1; week <= programme.weeks; week++) {
    for (let weekday = 1; weekday <= 7; weekday++) {
      const key = dayKey({ week, weekday });
      const date = runDate(programme.run.rules, { week, weekday });
      const day = byKey.get(key);
      const planned = day && day.text.trim() !== '' ? planOf(day.text) : undefined;
      out.push({
        key,
        week,
        weekday,
        words: formatDay(date),
        isToday: date === today,
        isPast: compareDays(date, today) < 0,
        state: day ? dayState(day, planned) : 'none',
        title: planned ? sessionTitle(planned.document) : '',
        likelySec: planned?.plan.clockSec.likely ?? 0,
        outline: planned && planned.plan.timeline.length > 0 ? outlineOf(planned) : null,
      });
    }
  }
  return out;
}

/** How far a day has come. */
export function dayState(day: Day, planned: PlannedSession | undefined): SpineDay['state'] {
  if (day.sent) return day.sent.text === day.text ? 'sent' : 'changed';
  if (!planned) return 'empty';
  if (planned.errors > 0) return 'faulty';
  if (day.isReady) return 'ready';
  return day.isRead ? 'draft' : 'to-read';
}

/** The day that Write and Send open on: today's session, else the next one to come, else the last. */
export function usualDay(days: readonly SpineDay[]): string {
  const withSession = days.filter((d) => d.state !== 'none');
  return (withSession.find((d) => !d.isPast) ?? withSession.at(-1) ?? days[0])?.key ?? 'w1d1';
}
