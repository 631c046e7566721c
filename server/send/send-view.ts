import type { DayDate, DayPlace } from '../../core/calendar/day.ts';
import { dayKey, formatDay } from '../../core/calendar/day.ts';
import type { GoingState } from '../../core/calendar/going.ts';
import { goingState } from '../../core/calendar/going.ts';
import { instantAt, localDate, localTime } from '../../core/calendar/release.ts';
import type { Programme } from '../../db/queries/programme.ts';
import type { RunDayToGo } from '../../db/queries/messages/release.ts';
import type { loadCalendars } from '../jobs/release-run.ts';
import { zoneName } from '../../core/calendar/day-place.ts';

const HOUR_MS = 3_600_000;
/** What the timeline shows: what has just gone, and two days ahead. */
const TIMELINE_HOURS = { before: 6, ahead: 48 } as const;
/** Rows that stand by themselves; the smallest zones beyond share one. */
const MOST_ROWS = 9;

type Calendars = Awaited<ReturnType<typeof loadCalendars>>;

const stateOf = ({ run }: Programme, day: RunDayToGo, releaseMs: number, nowMs: number): GoingState =>
  goingState(run, { ...day, isSent: day.version !== null, releaseMs }, nowMs);

/** One day reaching people of one zone. */
export interface TimelineMark {
  readonly dayKey: string;
  readonly title: string;
  readonly atMs: number;
  /** On the clock of its zone. */
  readonly at: string;
  readonly people: number;
  readonly state: GoingState;
}

export interface TimelineRow {
  readonly zone: string;
  readonly people: number;
  /** What its clock says now. */
  readonly now: string;
  /** Its nights within the timeline, from ten to six. */
  readonly nights: readonly (readonly [fromMs: number, toMs: number])[];
  readonly marks: readonly TimelineMark[];
}

export interface SendTimeline {
  readonly fromMs: number;
  readonly nowMs: number;
  readonly toMs: number;
  readonly rows: readonly TimelineRow[];
}

/** What goes out around now, zone by zone, from the first to wake to the last. `titleOf` names a day that wasn't sent. */
export function buildTimeline(
  programme: Programme,
  calendars: Calendars,
  nowMs: number,
  titleOf: (day: RunDayToGo) => string,
): SendTimeline {
  const fromMs = nowMs - TIMELINE_HOURS.before * HOUR_MS;
  const toMs = nowMs + TIMELINE_HOURS.ahead * HOUR_MS;
  const zones = new Map<string, { people: number; marks: Map<string, TimelineMark> }>();
  for (const { group, days } of calendars) {
    const zone = zones.get(group.timeZone) ?? { people: 0, marks: new Map<string, TimelineMark>() };
    zone.people += group.people;
    zones.set(group.timeZone, zone);
    for (const { day, releaseMs } of days) {
      if (releaseMs < fromMs || releaseMs > toMs) continue;
      const key = `${day.dayId} ${releaseMs}`;
      const known = zone.marks.get(key);
      zone.marks.set(key, {
        dayKey: dayKey(day),
        title: titleOf(day),
        atMs: releaseMs,
        at: localTime(releaseMs, group.timeZone),
        people: (known?.people ?? 0) + group.people,
        state: stateOf(programme, day, releaseMs, nowMs),
      });
    }
  }
  /** By the wall clock: the first to wake comes first. */
  const clockOf = (zone: string) => `${localDate(nowMs, zone)} ${localTime(nowMs, zone)}`;
  const ordered = [...zones].sort((a, b) =>
    clockOf(a[0]) > clockOf(b[0]) ? -1 : clockOf(a[0]) < clockOf(b[0]) ? 1 : b[1].people - a[1].people,
  );
  const shown =
    ordered.length <= MOST_ROWS ? ordered : [...ordered].sort((a, b) => b[1].people - a[1].people).slice(0, MOST_ROWS);
  return {
    fromMs,
    nowMs,
    toMs,
    rows: ordered
      .filter((row) => shown.includes(row))
      .map(([zone, { people, marks }]) => ({
        zone: zoneName(zone),
        people,
        now: localTime(nowMs, zone),
        nights: nightsOf(zone, fromMs, toMs),
        marks: [...marks.values()].sort((a, b) => a.atMs - b.atMs),
      })),
  };
}

function nightsOf(zone: string, fromMs: number, toMs: number): [number, number][] {
  const nights: [number, number][] = [];
  for (let atMs = fromMs - 24 * HOUR_MS; atMs <= toMs; atMs += 24 * HOUR_MS) {
    const evening = instantAt(localDate(atMs, zone), '22:00', zone);
    const [start, end] = [Math.max(fromMs, evening), Math.min(toMs, evening + 8 * HOUR_MS)];
    if (start < end && nights.at(-1)?.[0] !== start) nights.push([start, end]);
  }
  return nights;
}

/** The next time that something is to reach people, and whether it will. */
export interface NextGoing extends DayPlace {
  readonly title: string;
  readonly atMs: number;
  readonly date: DayDate;
  readonly dateWords: string;
  readonly zones: readonly string[];
  readonly people: number;
  readonly state: GoingState;
}

/** The day that reaches people next; undefined where none will. */
export function nextGoing(
  programme: Programme,
  calendars: Calendars,
  nowMs: number,
  titleOf: (day: RunDayToGo) => string,
): NextGoing | undefined {
  let first: { day: RunDayToGo; atMs: number; date: DayDate } | undefined;
  const { endedOn } = programme.run;
  const all = calendars.flatMap(({ group, days }) =>
    days.map((own) => ({ ...own, zone: group.timeZone, people: group.people })),
  );
  for (const { day, releaseMs, date } of all)
    if (
      releaseMs > nowMs &&
      !day.isWithdrawn &&
      (endedOn === null || date <= endedOn) &&
      (!first || releaseMs < first.atMs)
    )
      first = { day, atMs: releaseMs, date };
  if (!first) return undefined;
  const { day, atMs, date } = first;
  const same = all.filter((own) => own.day.dayId === day.dayId && own.releaseMs === atMs);
  return {
    week: day.week,
    weekday: day.weekday,
    title: titleOf(day),
    atMs,
    date,
    dateWords: formatDay(date),
    zones: [...new Set(same.map((own) => zoneName(own.zone)))],
    people: same.reduce((sum, own) => sum + own.people, 0),
    state: stateOf(programme, day, atMs, nowMs),
  };
}

/** `3 h 10 min`, `2 d 4 h`. */
export function formatWait(ms: number): string {
  const minutes = Math.round(Math.abs(ms) / 60_000);
  const days = Math.floor(minutes / 1440);
  const hours = Math.floor((minutes % 1440) / 60);
  if (days > 0) return `${days} d ${hours} h`;
  return hours > 0 ? `${hours} h ${minutes % 60} min` : `${minutes} min`;
}
