import { DAY_MS } from '../calendar/spans.ts';
import type { FeedEvent } from './calendar-feed.ts';

/** A session as a calendar has it now, before it is known what a reader was given of it. */
export type PlannedEvent = Omit<FeedEvent, 'sequence' | 'changedMs'>;

/** What a reader of a calendar was last given of an event. */
export interface CalendarEntry {
  readonly event: PlannedEvent;
  readonly sequence: number;
  readonly changedMs: number;
  /** When it vanished; null: it is still there. */
  readonly goneMs: number | null;
}

/** For so long what has vanished is given as called off, so that every reader takes it out. */
export const CALLED_OFF_MS = 60 * DAY_MS;

export interface FollowedEntries {
  /** What is given now, in the order of `events`, then what has vanished. */
  readonly entries: readonly CalendarEntry[];
  /** Those of them that differ from what was given before. */
  readonly changed: readonly CalendarEntry[];
  /** UIDs that vanished long enough ago. */
  readonly forgotten: readonly string[];
}

const isSame = (a: PlannedEvent, b: PlannedEvent): boolean => JSON.stringify(a) === JSON.stringify(b);

/**
 * A calendar after what it gave before (RFC 5545): a UID is for life, its sequence is raised by every change (3.8.7.4), a change has the
 * moment at which it was first seen (3.8.7.2 and 3), and what vanishes is given as called off for 60 days, then no more. UIDs of
 * `events` are different ones. Times in ms since 1970.
 */
export function followEntries(
  known: readonly CalendarEntry[],
  events: readonly PlannedEvent[],
  nowMs: number,
): FollowedEntries {
  const before = new Map(known.map((k) => [k.event.uid, k]));
  const follow = (event: PlannedEvent, goneMs: number | null): CalendarEntry => {
    const old = before.get(event.uid);
    if (!old) return { event, sequence: 0, changedMs: nowMs, goneMs };
    if (old.goneMs === goneMs && isSame(old.event, event)) return old;
    return { event, sequence: old.sequence + 1, changedMs: Math.max(nowMs, old.changedMs), goneMs };
  };
  const here = new Set(events.map((e) => e.uid));
  const vanished = known.filter((k) => !here.has(k.event.uid));
  const isOver = ({ goneMs }: CalendarEntry) => goneMs !== null && nowMs - goneMs >= CALLED_OFF_MS;
  const entries = [
    ...events.map((e) => follow(e, null)),
    ...vanished
      .filter((k) => !isOver(k))
      .map((k) => follow({ ...k.event, isCancelled: true, alarmMin: null }, k.goneMs ?? nowMs)),
  ];
  return {
    entries,
    changed: entries.filter((e) => before.get(e.event.uid) !== e),
    forgotten: vanished.filter(isOver).map((k) => k.event.uid),
  };
}
