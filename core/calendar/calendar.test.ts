import { expect, test } from 'vitest';
import type { DayDate } from './day.ts';
import { countedDay } from './day-place.ts';
import { Temporal } from 'temporal-polyfill';
import {
  addDays,
  dateOfDay,
  dayKey,
  dayName,
  dayOfWeekFrom,
  formatDay,
  formatShortDay,
  mondayOf,
  parseDayDate,
  parseDayKey,
  placeOfDate,
  shortPlace,
  weekdayName,
  weekdayOf,
  weekdaysFrom,
  WEEKDAYS,
} from './day.ts';
import { isTimeZone, localDate, localTime, instantAt, runPlace, runDate, lastDate } from './release.ts';

const day = (text: string) => text as DayDate;
const iso = (ms: number) => new Date(ms).toISOString();

test('a day key names a week and a weekday, and nothing else is one', () => {
  expect(parseDayKey('w5d3')).toEqual({ week: 5, weekday: 3 });
  expect(dayKey({ week: 5, weekday: 3 })).toBe('w5d3');
  for (const wrong of ['w0d1', 'w5d8', 'w53d1', 'W5D3', 'w5d3x', '']) expect(parseDayKey(wrong)).toBeUndefined();
});

test('weeks are counted from the day that a programme begins on', () => {
  expect(weekdaysFrom(3)).toEqual(['Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday', 'Monday', 'Tuesday']);
  expect(weekdaysFrom(1)).toEqual(WEEKDAYS);
  expect(dayName({ week: 2, weekday: 1 }, 3)).toBe('Wednesday, week 2');
  expect(dayName({ week: 2, weekday: 7 }, 7)).toBe('Saturday, week 2');
  expect(shortPlace({ week: 1, weekday: 6 }, 3)).toBe('Mon, week 1');
  expect(weekdayOf(day('2026-05-17'))).toBe(7);
  for (let first = 1; first <= 7; first++)
    for (let weekday = 1; weekday <= 7; weekday++)
      expect(weekdayName(dayOfWeekFrom(weekday, first), first)).toBe(WEEKDAYS[weekday - 1]);
  // What a day is called is the weekday of its date, whichever day the run begins on.
  for (let i = 0; i < 7; i++) {
    const startsOn = addDays(day('2026-05-11'), i);
    const place = { week: 3, weekday: 5 };
    const date = dateOfDay(startsOn, place);
    expect(weekdayName(place.weekday, weekdayOf(startsOn))).toBe(WEEKDAYS[weekdayOf(date) - 1]);
    expect(placeOfDate(startsOn, date)).toEqual(place);
  }
});

test('dates and places of a run turn into each other, over a change of the clocks and a leap day', () => {
  expect(dateOfDay(day('2026-03-23'), { week: 2, weekday: 1 })).toBe('2026-03-30');
  expect(dateOfDay(day('2028-02-28'), { week: 1, weekday: 2 })).toBe('2028-02-29');
  expect(placeOfDate(day('2026-03-23'), day('2026-03-29'))).toEqual({ week: 1, weekday: 7 });
  expect(placeOfDate(day('2026-03-23'), day('2026-03-22'))).toBeUndefined();
  expect(mondayOf(day('2026-05-13'))).toBe('2026-05-11');
  expect(mondayOf(day('2026-05-11'))).toBe('2026-05-11');
  expect(addDays(day('2024-02-28'), 1)).toBe('2024-02-29');
  expect(parseDayDate('2028-02-29')).toBe('2028-02-29');
  expect([parseDayDate('1970-01-01'), parseDayDate('2199-12-31')]).toEqual(['1970-01-01', '2199-12-31']);
  for (const wrong of [
    '2026-02-30',
    '0000-01-03',
    '+275760-09-08',
    '1969-12-31',
    '2200-01-01',
    '20260511',
    '2026-05-11T00:00',
    ' 2026-05-11',
  ])
    expect([wrong, parseDayDate(wrong)]).toEqual([wrong, undefined]);
});

test('dates in words are those of a locale formatter, on every day of two years', () => {
  for (let date = day('2027-01-01'); date < '2029-01-01'; date = addDays(date, 1)) {
    const plain = Temporal.PlainDate.from(date);
    expect(formatDay(date)).toBe(
      plain.toLocaleString('en-GB', { weekday: 'long', day: 'numeric', month: 'long' }).replace(',', ''),
    );
    expect(formatShortDay(date)).toBe(plain.toLocaleString('en-GB', { day: 'numeric', month: 'short' }));
  }
});

test('release instants follow each person’s wall clock (docs/formulas.md 7, computed with Temporal, "compatible")', () => {
  expect(iso(instantAt(day('2026-03-29'), '01:30', 'Europe/Lisbon'))).toBe('2026-03-29T01:30:00.000Z');
  expect(iso(instantAt(day('2026-10-25'), '01:30', 'Europe/Lisbon'))).toBe('2026-10-25T00:30:00.000Z');
  expect(iso(instantAt(day('2026-03-08'), '02:30', 'America/New_York'))).toBe('2026-03-08T07:30:00.000Z');
  expect(iso(instantAt(day('2026-11-01'), '01:30', 'America/New_York'))).toBe('2026-11-01T05:30:00.000Z');
  expect(iso(instantAt(day('2026-06-01'), '06:00', 'Asia/Kathmandu'))).toBe('2026-06-01T00:15:00.000Z');
});

test('one instant is different days in different zones', () => {
  const at = Date.parse('2026-05-12T22:30:00Z');
  expect(localDate(at, 'America/New_York')).toBe('2026-05-12');
  expect(localDate(at, 'Pacific/Auckland')).toBe('2026-05-13');
  expect(localTime(at, 'Asia/Tokyo')).toBe('07:30');
});

test('zones are IANA names', () => {
  expect(isTimeZone('Europe/Lisbon')).toBe(true);
  for (const wrong of ['Mars/Base', '', '+02:00']) expect(isTimeZone(wrong)).toBe(false);
});

test('a date’s place and a place’s date are each other’s, also where the plan was moved on', () => {
  const startsOn = '2026-05-11' as DayDate;
  const shifts = [
    { week: 2, weekday: 4, weeks: 1, timeZone: null },
    { week: 3, weekday: 1, weeks: 2, timeZone: null },
  ];
  for (const run of [{ startsOn }, { startsOn, shifts }]) {
    for (let week = 1; week <= 5; week++)
      for (let weekday = 1; weekday <= 7; weekday++)
        expect(runPlace(run, runDate(run, { week, weekday }))).toEqual({ week, weekday });
    expect(runPlace(run, '2026-05-10' as DayDate)).toBeUndefined();
  }
  // Between what came before the move and what comes after it stands the last that was.
  expect(runPlace({ startsOn, shifts }, '2026-05-24' as DayDate)).toEqual({ week: 2, weekday: 3 });
  expect(lastDate({ startsOn, shifts }, 5)).toBe('2026-07-05');
});

test('a programme is counted in days where it has a session on each, and only there', () => {
  const week = (n: number) => [1, 2, 3, 4, 5, 6, 7].map((weekday) => ({ week: n, weekday }));
  const fourWeeks = [1, 2, 3, 4].flatMap(week);
  expect(countedDay(fourWeeks, { week: 1, weekday: 5 })).toEqual({ day: 5, of: 28 });
  expect(countedDay(fourWeeks, { week: 4, weekday: 7 })).toEqual({ day: 28, of: 28 });
  expect(countedDay(fourWeeks.toReversed(), { week: 2, weekday: 1 })).toEqual({ day: 8, of: 28 });
  expect(countedDay(fourWeeks.slice(0, -1), { week: 1, weekday: 1 })).toBeUndefined();
  expect(countedDay([...fourWeeks.slice(1), fourWeeks[1]!], { week: 1, weekday: 2 })).toBeUndefined();
  expect(countedDay(fourWeeks, { week: 5, weekday: 1 })).toBeUndefined();
  expect(countedDay([], { week: 1, weekday: 1 })).toBeUndefined();
});
