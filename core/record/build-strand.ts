import { BoundedCache } from '../bounded-cache.ts';
import type { Absence } from '../calendar/absence.ts';
import { isAway } from '../calendar/absence.ts';
import type { DayDate } from '../calendar/day.ts';
import { dayKey } from '../calendar/day.ts';
import type { OwnDay, RunDay, RunPerson, RunRules } from '../calendar/release.ts';
import { localDate, ownDay } from '../calendar/release.ts';
import type { Outcome } from './record.ts';
import type { Attendance, DayState } from './strand.ts';
import { computeAttendance, dayState } from './strand.ts';

export interface PlannedDay extends RunDay {
  readonly dayId: number;
  /** A version was sent for it, and stands. */
  readonly sent: boolean;
}

export interface StrandPerson extends RunPerson {
  readonly joinedOn: DayDate;
  readonly absences?: readonly Absence[];
  readonly records: ReadonlyMap<number, { readonly outcome: Outcome; readonly shareRatio: number }>;
}

export interface StrandBead extends RunDay, OwnDay {
  readonly dayId: number;
  readonly state: DayState;
  readonly shareRatio: number | undefined;
}

export interface Strand {
  /** The day it is for this person. */
  readonly today: DayDate;
  readonly beads: readonly StrandBead[];
  readonly attendance: Attendance;
}

/** Dates and instants follow from a run and the calendar of a person alone: computed once, for the last few hundred of them. */
const knownDays = new BoundedCache<string, readonly OwnDay[]>(600);

/** The days of a run as someone has them, in the order given. */
export function ownDays(run: RunRules, days: readonly RunDay[], person: RunPerson): readonly OwnDay[] {
  const { startsOn, releaseTime, releaseZone, lookAheadDays, makeUpDays } = run;
  const key = [
    startsOn,
    releaseTime,
    releaseZone,
    lookAheadDays,
    makeUpDays,
    person.timeZone,
    person.startsOn,
    person.weekdays?.join(''),
    days.map(dayKey).join(),
  ].join(' ');
  return knownDays.get(key, () => days.map((day) => ownDay(run, person, day)));
}

/** People for whom all days fall alike. */
const calendarKey = (p: RunPerson): string => `${p.timeZone} ${p.startsOn ?? ''} ${p.weekdays?.join('') ?? ''}`;

/**
 * The strands of people over the planned days of a run, in the order given. Release instants are computed once for each zone, and
 * each calendar of their own. No days give empty strands with an undefined attendance.
 */
export function buildStrands(
  run: RunRules,
  days: readonly PlannedDay[],
  people: readonly StrandPerson[],
  nowMs: number,
): Strand[] {
  const byCalendar = new Map<string, { today: DayDate; own: readonly OwnDay[] }>();
  const calendarOf = (person: StrandPerson) => {
    const key = calendarKey(person);
    let calendar = byCalendar.get(key);
    if (!calendar) {
      calendar = { today: localDate(nowMs, person.timeZone), own: ownDays(run, days, person) };
      byCalendar.set(key, calendar);
    }
    return calendar;
  };
  return people.map((person) => {
    const { today, own } = calendarOf(person);
    const { absences = [] } = person;
    const beads = days.map(({ dayId, week, weekday, index, of, sent }, i): StrandBead => {
      const record = person.records.get(dayId);
      const { date, releaseMs, lookMs, closesMs } = own[i]!;
      const away = absences.length > 0 && isAway(absences, date);
      return {
        dayId,
        week,
        weekday,
        index,
        of,
        date,
        releaseMs,
        lookMs,
        closesMs,
        shareRatio: record?.shareRatio,
        state: dayState({ date, sent, releaseMs, record, isAway: away }, person.joinedOn, today, nowMs),
      };
    });
    return { today, beads, attendance: computeAttendance(beads) };
  });
}
