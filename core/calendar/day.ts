import { Temporal } from 'temporal-polyfill';
import { BoundedCache } from '../bounded-cache.ts';
import type { DayPlace, Weekday } from './day-place.ts';
import { WEEKDAYS } from './day-place.ts';

/** A calendar day without zone, 'YYYY-MM-DD'. */
export type DayDate = string & { readonly __brand: 'DayDate' };

/** Years that a programme can lie in. */
const [FIRST_YEAR, LAST_YEAR] = [1970, 2199];

/**
 * Reads a day as it is written, YYYY-MM-DD; undefined for anything that is no day of the calendar (2026-02-30), is written
 * otherwise, or lies in no year that anybody here could mean.
 */
export function parseDayDate(text: string): DayDate | undefined {
  const year = /^(\d{4})-\d{2}-\d{2}$/.exec(text)?.[1];
  if (year === undefined || Number(year) < FIRST_YEAR || Number(year) > LAST_YEAR) return undefined;
  try {
    return Temporal.PlainDate.from(text, { overflow: 'reject' }).toString() as DayDate;
  } catch (error) {
    if (error instanceof RangeError) return undefined;
    throw error;
  }
}

export * from './day-place.ts';

/** The weekday of a date. */
export const weekdayOf = (date: DayDate): Weekday => Temporal.PlainDate.from(date).dayOfWeek;

/** The date of a place in a run whose first day is `startsOn`. */
export function dateOfDay(startsOn: DayDate, place: DayPlace): DayDate {
  return Temporal.PlainDate.from(startsOn)
    .add({ days: (place.week - 1) * 7 + place.weekday - 1 })
    .toString() as DayDate;
}

/** The place of a date in a run; undefined before its first day. */
export function placeOfDate(startsOn: DayDate, date: DayDate): DayPlace | undefined {
  const days = Temporal.PlainDate.from(startsOn).until(Temporal.PlainDate.from(date), { largestUnit: 'days' }).days;
  return days < 0 ? undefined : { week: Math.floor(days / 7) + 1, weekday: (days % 7) + 1 };
}

/** The Monday of the week that `date` lies in. */
export function mondayOf(date: DayDate): DayDate {
  const day = Temporal.PlainDate.from(date);
  return day.subtract({ days: day.dayOfWeek - 1 }).toString() as DayDate;
}

/** Adds days, not hours: a day that the clocks change on has 23 or 25. */
export const addDays = (date: DayDate, days: number): DayDate =>
  Temporal.PlainDate.from(date).add({ days }).toString() as DayDate;

export const compareDays = (a: DayDate, b: DayDate): number => (a < b ? -1 : a > b ? 1 : 0);

const MONTHS = [
  'January',
  'February',
  'March',
  'April',
  'May',
  'June',
  'July',
  'August',
  'September',
  'October',
  'November',
  'December',
] as const;

/** Lists of people name a few dates hundreds of times. */
const knownWords = new BoundedCache<DayDate, { readonly long: string; readonly short: string }>(500);

const wordsOf = (date: DayDate) =>
  knownWords.get(date, () => {
    const { dayOfWeek, day, month } = Temporal.PlainDate.from(date);
    const name = MONTHS[month - 1]!;
    return {
      long: `${WEEKDAYS[dayOfWeek - 1]} ${day} ${name}`,
      short: `${day} ${month === 9 ? 'Sept' : name.slice(0, 3)}`,
    };
  });

/** `Wednesday 13 May`, as a locale formatter for en-GB has it, at a hundredth of its cost. */
export const formatDay = (date: DayDate): string => wordsOf(date).long;

/** `13 May` */
export const formatShortDay = (date: DayDate): string => wordsOf(date).short;
