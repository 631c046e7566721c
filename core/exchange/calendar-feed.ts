import type { ICalEventData } from 'ical-generator';
import ical, { ICalAlarmType, ICalCalendarMethod, ICalEventStatus } from 'ical-generator';

/** A session in a calendar. */
export interface FeedEvent {
  /** Fixed for life. */
  readonly uid: string;
  readonly startMs: number;
  readonly minutes: number;
  readonly title: string;
  readonly description: string;
  readonly place?: string;
  readonly link?: string;
  /** Grows with every real change. */
  readonly sequence: number;
  /** Withdrawn: it stays, as cancelled. */
  readonly isCancelled: boolean;
  /** When it was last changed: the same at every fetch until then. */
  readonly changedMs: number;
  /** Minutes before its start at which an alarm goes; null: none. */
  readonly alarmMin: number | null;
}

export interface Feed {
  readonly name: string;
  readonly description: string;
  readonly events: readonly FeedEvent[];
}

/** The library writes these without escaping them. */
const plainName = (text: string): string => text.replace(/[;,\\\r\n]+/g, ' ');

/**
 * An iCalendar file (RFC 5545, with the refresh interval of RFC 7986): one event a session, times in UTC, since readers disagree about
 * local times that come twice. The same events give the same bytes.
 */
export function writeFeed({ name, description, events }: Feed): string {
  const calendar = ical({
    name: plainName(name),
    description: plainName(description),
    method: ICalCalendarMethod.PUBLISH,
    prodId: { company: 'ysodos', product: 'sessions', language: 'EN' },
    ttl: 12 * 3600,
  });
  for (const e of events) {
    const data: ICalEventData = {
      id: e.uid,
      start: new Date(e.startMs),
      end: new Date(e.startMs + e.minutes * 60_000),
      stamp: new Date(e.changedMs),
      lastModified: new Date(e.changedMs),
      summary: e.title,
      description: e.description,
      sequence: e.sequence,
      status: e.isCancelled ? ICalEventStatus.CANCELLED : ICalEventStatus.CONFIRMED,
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
