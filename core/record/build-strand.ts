import { BoundedCache } from '../bounded-cache.ts';
import type { Absence } from '../calendar/absence.ts';
import { isAway } from '../calendar/absence.ts';
import type { DayDate } from '../calendar/day.ts';
import { dayKey } from '../calendar/day.ts';
import type { OwnDay, RunDay, RunPerson, RunRules } from '../calendar/release.ts';
import { localDate, ownDay } from '../calendar/release.ts';
import type { Adherence, DayState, Standing } from './strand.ts';
import { computeAdherence, dayState } from './strand.ts';

export interface PlannedDay extends RunDay {
  readonly dayId: number;
  /** A version was sent for it, and stands. */
  readonly sent: boolean;
  /** Seconds of work that it prescribes; 1 where they aren't given, so that each session counts alike. */
  readonly workSec?: number;
}

export interface StrandPerson extends RunPerson {
  readonly joinedOn: DayDate;
  readonly absences?: readonly Absence[];
  /** What stands of each day, by its id. */
  readonly records: Pick<ReadonlyMap<number, Standing>, 'get'>;
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
  readonly adherence: Adherence;
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

/** The days of a run as those have them whose calendar is alike. */
export interface OwnCalendar {
  readonly today: DayDate;
  readonly own: readonly OwnDay[];
}

/** The calendars of people at an instant: computed once for each zone, and each calendar of their own. */
export function ownCalendars(
  run: RunRules,
  days: readonly RunDay[],
  nowMs: number,
): (person: RunPerson) => OwnCalendar {
  const byKey = new Map<string, OwnCalendar>();
  return (person) => {
    const key = calendarKey(person);
    let calendar = byKey.get(key);
    if (!calendar) {
      calendar = { today: localDate(nowMs, person.timeZone), own: ownDays(run, days, person) };
      byKey.set(key, calendar);
    }
    return calendar;
  };
}

/** The state of each planned day for someone, in the order of the days. */
export function dayStates(
  days: readonly PlannedDay[],
  { joinedOn, absences = [], records }: Omit<StrandPerson, keyof RunPerson>,
  { today, own }: OwnCalendar,
  nowMs: number,
): DayState[] {
  const mayBeAway = absences.length > 0;
  return days.map(({ dayId, sent }, i) => {
    const { date, releaseMs, closesMs } = own[i]!;
    const away = mayBeAway && isAway(absences, date);
    return dayState(
      { date, sent, releaseMs, closesMs, record: records.get(dayId), isAway: away },
      joinedOn,
      today,
      nowMs,
    );
  });
}

/** The adherence of someone over planned days in those states. */
export const adherenceOf = (
  days: readonly PlannedDay[],
  states: readonly DayState[],
  { records }: Pick<StrandPerson, 'records'>,
  { own }: OwnCalendar,
): Adherence =>
  computeAdherence(
    states.map((state, i) => {
      const { dayId, workSec = 1 } = days[i]!;
      return { state, shareRatio: records.get(dayId)?.shareRatio, date: own[i]!.date, weight: workSec };
    }),
  );

/**
 * The strands of people over the planned days of a run, in the order given. No days give empty strands with an undefined attendance.
 */
export function buildStrands(
  run: RunRules,
  days: readonly PlannedDay[],
  people: readonly StrandPerson[],
  nowMs: number,
): Strand[] {
  const calendarOf = ownCalendars(run, days, nowMs);
  return people.map((person) => {
    const calendar = calendarOf(person);
    const states = dayStates(days, person, calendar, nowMs);
    const beads = days.map(({ dayId, week, weekday, index, of }, i): StrandBead => ({
      dayId,
      week,
      weekday,
      index,
      of,
      ...calendar.own[i]!,
      shareRatio: person.records.get(dayId)?.shareRatio,
      state: states[i]!,
    }));
    return { today: calendar.today, beads, adherence: adherenceOf(days, states, person, calendar) };
  });
}
