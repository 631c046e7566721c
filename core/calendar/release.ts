import { Temporal } from 'temporal-polyfill';
import { BoundedCache } from '../bounded-cache.ts';
import type { DayDate, DayPlace, Weekday } from './day.ts';
import { addDays, dateOfDay, placeOfDate, weekdayOf } from './day.ts';
import type { OwnDay, RunDay, RunPerson, RunRules } from './run-rules.ts';

export type { OwnDay, RunDay, RunPerson, RunRules, RunShift } from './run-rules.ts';

/** True for IANA names that this machine's zone data knows. */
export function isTimeZone(name: string): boolean {
  try {
    return (
      Temporal.Instant.fromEpochMilliseconds(0).toZonedDateTimeISO(name).timeZoneId !== '' &&
      /[A-Za-z]/.test(name) &&
      !/^[+-]/.test(name)
    );
  } catch (error) {
    if (error instanceof RangeError) return false;
    throw error;
  }
}

const MINUTE_MS = 60_000;

/**
 * What wall clocks say, remembered by the minute: pages ask for this one's hundreds of times, and zones have differed by whole
 * minutes since 1972.
 */
function byMinute<T>(read: (at: Temporal.ZonedDateTime) => T): (epochMs: number, timeZone: string) => T {
  const known = new BoundedCache<string, T>(2000);
  return (epochMs, timeZone) =>
    known.get(`${Math.floor(epochMs / MINUTE_MS)} ${timeZone}`, () =>
      read(Temporal.Instant.fromEpochMilliseconds(epochMs).toZonedDateTimeISO(timeZone)),
    );
}

/** The calendar day that it is at an instant for someone in a zone. Throws RangeError on an unknown zone. */
export const localDate: (epochMs: number, timeZone: string) => DayDate = byMinute(
  (at) => at.toPlainDate().toString() as DayDate,
);

/** `07:05`, the wall clock at an instant for someone in a zone. Throws RangeError on an unknown zone. */
export const localTime: (epochMs: number, timeZone: string) => string = byMinute((at) =>
  at.toPlainTime().toString({ smallestUnit: 'minute' }),
);

/**
 * The instant of a wall clock's date and time (HH:MM) in a zone. A time that the clocks skip is taken later, one that comes twice
 * the first time ("compatible", as RFC 5545 has it). Throws RangeError on an unknown zone.
 */
export function instantAt(date: DayDate, time: string, timeZone: string): number {
  return Temporal.PlainDate.from(date).toZonedDateTime({ timeZone, plainTime: Temporal.PlainTime.from(time) })
    .epochMilliseconds;
}

/** By how many days what stands at a place comes later than it was planned, for someone in a zone; without one, for all. */
export function shiftedDays(run: Pick<RunRules, 'shifts'>, place: DayPlace, timeZone?: string): number {
  let weeks = 0;
  for (const shift of run.shifts ?? [])
    if (
      (shift.timeZone === null || shift.timeZone === timeZone) &&
      (place.week > shift.week || (place.week === shift.week && place.weekday >= shift.weekday))
    )
      weeks += shift.weeks;
  return weeks * 7;
}

/** What the dates of a run's places are counted by on its coach's pages. */
export type RunDates = Pick<RunRules, 'startsOn' | 'shifts'>;

/** The date of a place in a run, as its coach's pages say it: by the run's day 1, with what was moved on for all. */
export const runDate = (run: RunDates, place: DayPlace): DayDate =>
  addDays(dateOfDay(run.startsOn, place), shiftedDays(run, place));

/** The last date of a run's so many weeks. */
export const lastDate = (run: RunDates, weeks: number): DayDate => runDate(run, { week: weeks, weekday: 7 });

/** The place that a run has come to on a date: the last one whose date is not after it; undefined before its first day. */
export function runPlace(run: RunDates, date: DayDate): DayPlace | undefined {
  let place = placeOfDate(run.startsOn, date);
  while (place && runDate(run, place) > date)
    place = placeOfDate(run.startsOn, addDays(dateOfDay(run.startsOn, place), -1));
  return place;
}

/** The days of a programme with their places among the sessions of their week. Any order; the same order comes back. */
export function toRunDays<T extends DayPlace>(days: readonly T[]): (T & RunDay)[] {
  const byWeek = new Map<number, number[]>();
  for (const { week, weekday } of days) byWeek.set(week, [...(byWeek.get(week) ?? []), weekday]);
  for (const weekdays of byWeek.values()) weekdays.sort((a, b) => a - b);
  return days.map((day) => {
    const own = byWeek.get(day.week)!;
    // Not spread: fields that come behind a spread cost a hundred times what they hold.
    return Object.assign({}, day, { index: own.indexOf(day.weekday), of: own.length });
  });
}

/**
 * Which days after their week's first someone trains on, `of` of them in order: those they chose, and where a week holds more
 * sessions than they chose days, the earliest of the others beside.
 */
function ownOffsets(first: DayDate, weekdays: readonly Weekday[], of: number): number[] {
  const start = weekdayOf(first);
  const chosen = new Set(weekdays.map((w) => (w - start + 7) % 7));
  for (let offset = 0; chosen.size < of && offset < 7; offset++) chosen.add(offset);
  return [...chosen].sort((a, b) => a - b);
}

/**
 * The date that a day of a run has for someone: counted from the run's day 1, or from their own; with weekdays of their own, the
 * sessions of each week in order on those; later where the plan was moved on.
 */
export function plannedDate(run: RunRules, person: RunPerson, day: RunDay): DayDate {
  const first = addDays(person.startsOn ?? run.startsOn, shiftedDays(run, day, person.timeZone));
  if (!person.weekdays || person.weekdays.length === 0) return dateOfDay(first, day);
  const offset = ownOffsets(first, person.weekdays, day.of)[day.index]!;
  return addDays(first, (day.week - 1) * 7 + offset);
}

/**
 * A day of a run as someone has it: its date, and the instants at which it opens, ends and closes, in ms since 1970. It opens on their
 * date at the run's hour, by their own clock or by the one zone of the run. Skipped times come later, repeated ones the first time.
 * Throws RangeError on an unknown zone.
 */
export function ownDay(run: RunRules, person: RunPerson, day: RunDay): OwnDay {
  const planned = plannedDate(run, person, day);
  const zone = run.releaseZone ?? person.timeZone;
  const releaseMs = instantAt(planned, run.releaseTime, zone);
  const date = run.releaseZone === null ? planned : localDate(releaseMs, person.timeZone);
  return {
    date,
    releaseMs,
    endsMs: instantAt(addDays(date, 1), '00:00', person.timeZone),
    lookMs:
      run.lookAheadDays === 0 ? releaseMs : instantAt(addDays(planned, -run.lookAheadDays), run.releaseTime, zone),
    closesMs: run.makeUpDays === null ? null : instantAt(addDays(date, run.makeUpDays + 1), '00:00', person.timeZone),
  };
}
