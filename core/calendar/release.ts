import { Temporal } from 'temporal-polyfill';
import type { DayDate } from './day.ts';

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

/** The calendar day that it is at an instant for someone in a zone. */
export const localDate = (epochMs: number, timeZone: string): DayDate =>
  Temporal.Instant.fromEpochMilliseconds(epochMs).toZonedDateTimeISO(timeZone).toPlainDate().toString() as DayDate;

/** `07:05`, the wall clock at an instant for someone in a zone. */
export const localTime = (epochMs: number, timeZone: string): string =>
  Temporal.Instant.fromEpochMilliseconds(epochMs)
    .toZonedDateTimeISO(timeZone)
    .toPlainTime()
    .toString({ smallestUnit: 'minute' });

/**
 * The instant at which a day is opened to someone: that date at the run's release time on their own wall
 * clock. A time that the clocks skip is taken later, one that comes twice the first time ("compatible").
 * `releaseTime` is HH:MM. Throws RangeError on an unknown zone.
 */
export function releaseInstant(date: DayDate, releaseTime: string, timeZone: string): number {
  return Temporal.PlainDate.from(date).toZonedDateTime({ timeZone, plainTime: Temporal.PlainTime.from(releaseTime) })
    .epochMilliseconds;
}
