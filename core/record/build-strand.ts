import { BoundedCache } from '../bounded-cache.ts';
import type { DayDate, DayPlace } from '../calendar/day.ts';
import { dateOfDay, dayKey } from '../calendar/day.ts';
import { localDate, releaseInstant } from '../calendar/release.ts';
import type { Outcome } from './record.ts';
import type { Attendance, DayState } from './strand.ts';
import { computeAttendance, dayState } from './strand.ts';

/** A run as the calendar sees it. */
export interface RunCalendar {
  readonly startsOn: DayDate;
  /** HH:MM on each person's own wall clock. */
  readonly releaseTime: string;
}

export interface PlannedDay extends DayPlace {
  readonly dayId: number;
  readonly sent: boolean;
}

export interface StrandPerson {
  readonly timeZone: string;
  readonly joinedOn: DayDate;
  readonly records: ReadonlyMap<number, { readonly outcome: Outcome; readonly shareRatio: number }>;
}

export interface StrandBead extends DayPlace {
  readonly dayId: number;
  readonly date: DayDate;
  readonly releaseMs: number;
  readonly state: DayState;
  readonly shareRatio: number | undefined;
}

export interface Strand {
  /** The day it is for this person. */
  readonly today: DayDate;
  readonly beads: readonly StrandBead[];
  readonly attendance: Attendance;
}

/** Dates and instants follow from a run's calendar alone: they are computed once, for the last few hundred runs and zones. */
const knownDates = new BoundedCache<string, readonly DayDate[]>(200);
const knownReleases = new BoundedCache<string, readonly number[]>(500);

const datesOf = (startsOn: DayDate, days: readonly DayPlace[]): readonly DayDate[] =>
  knownDates.get(`${startsOn} ${days.map(dayKey).join()}`, () => days.map((day) => dateOfDay(startsOn, day)));

const releasesOf = (dates: readonly DayDate[], releaseTime: string, timeZone: string): readonly number[] =>
  knownReleases.get(`${releaseTime} ${timeZone} ${dates.join()}`, () =>
    dates.map((date) => releaseInstant(date, releaseTime, timeZone)),
  );

/**
 * The strands of people over the planned days of a run, in the order given. Release instants are computed once
 * for each zone. No days give empty strands with an undefined attendance.
 */
export function buildStrands(
  run: RunCalendar,
  days: readonly PlannedDay[],
  people: readonly StrandPerson[],
  nowMs: number,
): Strand[] {
  const dates = datesOf(run.startsOn, days);
  const byZone = new Map<string, { today: DayDate; releases: readonly number[] }>();
  const zoneOf = (timeZone: string) => {
    let zone = byZone.get(timeZone);
    if (!zone) {
      zone = {
        today: localDate(nowMs, timeZone),
        releases: releasesOf(dates, run.releaseTime, timeZone),
      };
      byZone.set(timeZone, zone);
    }
    return zone;
  };
  return people.map((person) => {
    const { today, releases } = zoneOf(person.timeZone);
    const beads = days.map((day, i): StrandBead => {
      const record = person.records.get(day.dayId);
      const date = dates[i]!;
      const releaseMs = releases[i]!;
      return {
        dayId: day.dayId,
        week: day.week,
        weekday: day.weekday,
        date,
        releaseMs,
        shareRatio: record?.shareRatio,
        state: dayState({ date, sent: day.sent, releaseMs, record }, person.joinedOn, today, nowMs),
      };
    });
    return { today, beads, attendance: computeAttendance(beads) };
  });
}
