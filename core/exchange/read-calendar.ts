import ICAL from 'ical.js';
import type { DayDate } from '../calendar/day.ts';
import { addDays } from '../calendar/day.ts';
import { localDate } from '../calendar/release.ts';

/** One event of a calendar file on one day. */
export interface CalendarDay {
  readonly date: DayDate;
  readonly words: string;
  readonly uid: string;
}

export type ReadCalendar =
  | {
      readonly status: 'read';
      readonly days: readonly CalendarDay[];
      readonly events: number;
      readonly skipped: number;
    }
  | { readonly status: 'refused'; readonly message: string };

const MAX_BYTES = 2_000_000;
const MAX_DAYS = 1000;
/** Occurrences looked at of one event that repeats, before the span or in it. */
const MAX_OCCURRENCES = 5000;

/**
 * The days between two dates (both included) that a calendar file's events lie on (RFC 5545, read with ical.js). An
 * all-day event ends before its DTEND; a timed one counts on the days of its own zone, one in UTC on those of
 * `timeZone`. Repeating events are followed through the span; cancelled ones are left out and counted in `skipped`.
 */
export function readCalendar(
  source: string,
  span: { readonly from: DayDate; readonly to: DayDate; readonly timeZone: string },
): ReadCalendar {
  if (source.length > MAX_BYTES)
    return { status: 'refused', message: 'A calendar file has at most 2 MB; export only the months of the programme.' };
  let root: ICAL.Component;
  try {
    root = new ICAL.Component(ICAL.parse(source.replace(/^\ufeff/, '')) as unknown[]);
  } catch {
    return { status: 'refused', message: 'This is no calendar file; export one that ends in .ics.' };
  }
  if (root.name !== 'vcalendar')
    return { status: 'refused', message: 'This is no calendar file: it has no VCALENDAR.' };
  const days = new Map<string, CalendarDay>();
  const components = root.getAllSubcomponents('vevent');
  let skipped = 0;
  for (const component of components) {
    if (component.hasProperty('recurrence-id')) continue;
    if (component.getFirstPropertyValue('status') === 'CANCELLED' || !component.hasProperty('dtstart')) {
      skipped++;
      continue;
    }
    const event = new ICAL.Event(component, {
      exceptions: components.filter(
        (c) =>
          c.hasProperty('recurrence-id') && c.getFirstPropertyValue('uid') === component.getFirstPropertyValue('uid'),
      ),
    });
    try {
      for (const { start, end, item } of occurrences(event, span.to)) {
        if (item.component.getFirstPropertyValue('status') === 'CANCELLED') continue;
        const words = oneLine(item.summary) || 'busy';
        for (const date of datesOf(start, end, span)) {
          if (days.size >= MAX_DAYS) break;
          days.set(`${date} ${event.uid} ${words}`, { date, words, uid: event.uid });
        }
      }
    } catch {
      skipped++;
    }
  }
  return {
    status: 'read',
    days: [...days.values()].sort((a, b) => (a.date < b.date ? -1 : a.date > b.date ? 1 : 0)),
    events: components.length,
    skipped,
  };
}

const oneLine = (words: string | null | undefined): string =>
  (words ?? '')
    .replace(/\p{Cc}+/gu, ' ')
    .trim()
    .slice(0, 200);
const dayOf = (time: ICAL.Time): DayDate =>
  `${String(time.year).padStart(4, '0')}-${String(time.month).padStart(2, '0')}-${String(time.day).padStart(2, '0')}` as DayDate;

interface Occurrence {
  readonly start: ICAL.Time;
  readonly end: ICAL.Time;
  readonly item: ICAL.Event;
}

function* occurrences(event: ICAL.Event, to: DayDate): Generator<Occurrence> {
  if (!event.isRecurring()) {
    yield { start: event.startDate, end: event.endDate ?? event.startDate, item: event };
    return;
  }
  const iterator = event.iterator();
  for (let i = 0; i < MAX_OCCURRENCES; i++) {
    const next = iterator.next();
    if (!next || dayOf(next) > to) return;
    const found = event.getOccurrenceDetails(next);
    yield { start: found.startDate, end: found.endDate, item: found.item };
  }
}

function* datesOf(
  start: ICAL.Time,
  end: ICAL.Time,
  { from, to, timeZone }: { from: DayDate; to: DayDate; timeZone: string },
): Generator<DayDate> {
  const isUtc = (time: ICAL.Time) => !time.isDate && time.zone === ICAL.Timezone.utcTimezone;
  const dateOf = (time: ICAL.Time) => (isUtc(time) ? localDate(time.toUnixTime() * 1000, timeZone) : dayOf(time));
  const first = dateOf(start);
  const endsAtMidnight = !end.isDate && !isUtc(end) && end.hour === 0 && end.minute === 0 && end.second === 0;
  const last = dateOf(end);
  const until = (end.isDate || endsAtMidnight) && last > first ? addDays(last, -1) : last;
  for (let date = first < from ? from : first; date <= until && date <= to; date = addDays(date, 1)) yield date;
}
