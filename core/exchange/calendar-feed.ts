import type { ICalEventData } from 'ical-generator';
import ical, { ICalAlarmType, ICalCalendarMethod, ICalEventStatus, ICalEventTransparency } from 'ical-generator';
import { escapeText } from './calendar-lines.ts';
import type { DayDate } from '../calendar/day.ts';

/** A session in a calendar. */
export interface FeedEvent {
  /** Fixed for life, wherever the session is moved. */
  readonly uid: string;
  /** An instant, or a date and an hour that hold on every clock, wherever it is read. */
  readonly start: { readonly ms: number } | { readonly date: DayDate; readonly time: string };
  readonly minutes: number;
  readonly title: string;
  readonly description: string;
  readonly place?: string;
  readonly link?: string;
  /** It takes the time of whoever has it: others see them as busy. */
  readonly isBusy: boolean;
  /** Withdrawn, or vanished: it stays, as called off. */
  readonly isCancelled: boolean;
  /** Minutes before its start at which an alarm goes; null: none. */
  readonly alarmMin: number | null;
  /** Grows with every change. */
  readonly sequence: number;
  /** When it was last changed: the same at every fetch until then. */
  readonly changedMs: number;
}

export interface Feed {
  readonly name: string;
  readonly description: string;
  readonly events: readonly FeedEvent[];
}

/** The library writes what floats as the clock of UTC says it. */
const startDate = (start: FeedEvent['start']): Date =>
  new Date('ms' in start ? start.ms : `${start.date}T${start.time}:00Z`);

/**
 * An iCalendar file (RFC 5545, with the names and the refresh interval of RFC 7986): one event a session. An instant is written in UTC,
 * since readers disagree about local times that come twice; an hour that holds on every clock has no zone (3.3.5, form 1). The same
 * events give the same bytes.
 */
export function writeFeed({ name, description, events }: Feed): string {
  const calendar = ical({
    // The library writes these two as they come.
    name: escapeText(name),
    description: escapeText(description),
    method: ICalCalendarMethod.PUBLISH,
    prodId: { company: 'ysodos', product: 'sessions', language: 'EN' },
    ttl: 12 * 3600,
  });
  for (const e of events) {
    const start = startDate(e.start);
    const data: ICalEventData = {
      id: e.uid,
      start,
      end: new Date(start.getTime() + e.minutes * 60_000),
      floating: !('ms' in e.start),
      stamp: new Date(e.changedMs),
      lastModified: new Date(e.changedMs),
      summary: e.title,
      description: e.description,
      sequence: e.sequence,
      status: e.isCancelled ? ICalEventStatus.CANCELLED : ICalEventStatus.CONFIRMED,
      transparency: e.isBusy && !e.isCancelled ? ICalEventTransparency.OPAQUE : ICalEventTransparency.TRANSPARENT,
      ...(e.place !== undefined && e.place !== '' && { location: e.place }),
      ...(e.link !== undefined && { url: e.link }),
      ...(e.alarmMin !== null &&
        !e.isCancelled && {
          alarms: [{ type: ICalAlarmType.display, trigger: e.alarmMin * 60, description: e.title }],
        }),
    };
    calendar.createEvent(data);
  }
  // The last line ends too (RFC 5545, 3.1).
  return `${calendar.toString().trimEnd()}\r\n`;
}
