import { BoundedCache } from '../../bounded-cache.ts';
import type { Absence } from '../../calendar/absence.ts';
import { isAway } from '../../calendar/absence.ts';
import { wasOpenInTime } from '../../calendar/gap.ts';
import type { DayDate } from '../../calendar/day.ts';
import { dayKey } from '../../calendar/day.ts';
import type { OwnDay, RunDay, RunPerson, RunRules } from '../../calendar/release.ts';
import { localDate, ownDay } from '../../calendar/release.ts';
import type { Adherence, DayState, Standing } from './strand.ts';
import { computeAdherence, openState, saidState } from './strand.ts';

export interface PlannedDay extends RunDay {
  readonly dayId: number;
  /** A version was sent for it, and stands. */
  readonly sent: boolean;
  /** When its first version was sent. Absent: early enough for everybody. */
  readonly firstSentMs?: number;
  /** Seconds of work that it prescribes; 1 where they aren't given, so that each session counts alike. */
  readonly workSec?: number;
}

export interface StrandPerson extends RunPerson {
  readonly joinedOn: DayDate;
  readonly absences?: readonly Absence[];
  /** Days that their coach held back from them alone, and for how long. */
  readonly stops?: readonly DayStop[];
  /** What stands of each day, in the order of the days. */
  readonly records: readonly (Standing | undefined)[];
}

/** A day held back from one person. */
export interface DayStop {
  readonly dayId: number;
  readonly fromMs: number;
  readonly toMs: number | null;
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
  const { startsOn, releaseTime, releaseZone, lookAheadDays, makeUpDays, shifts } = run;
  const key = [
    startsOn,
    releaseTime,
    releaseZone,
    lookAheadDays,
    makeUpDays,
    JSON.stringify(shifts ?? []),
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
  readonly dates: readonly DayDate[];
  /** Days that weren't open in time to any of them. */
  readonly wasShut: readonly boolean[];
  /** The states of the days for whom nothing was said, who isn't away, by the day from which they take part. */
  readonly open: Map<DayDate, readonly DayState[]>;
}

/** The calendars of people at an instant: computed once for each zone, and each calendar of their own. */
export function ownCalendars(
  run: RunRules,
  days: readonly PlannedDay[],
  nowMs: number,
): (person: RunPerson) => OwnCalendar {
  const byKey = new Map<string, OwnCalendar>();
  return (person) => {
    const key = calendarKey(person);
    let calendar = byKey.get(key);
    if (!calendar) {
      const own = ownDays(run, days, person);
      calendar = {
        today: localDate(nowMs, person.timeZone),
        own,
        dates: own.map((o) => o.date),
        wasShut: own.map((o, i) => !wasOpenInTime(o, days[i]!.firstSentMs ?? 0, run.gaps ?? [])),
        open: new Map(),
      };
      byKey.set(key, calendar);
    }
    return calendar;
  };
}

/** The states of days of which nothing was said, for all who take part from the same day on. */
function openStates(days: readonly PlannedDay[], joinedOn: DayDate, calendar: OwnCalendar, nowMs: number) {
  // Whoever joined before the first day has it like all others who did.
  const from = calendar.dates.every((date) => date >= joinedOn) ? ('' as DayDate) : joinedOn;
  let states = calendar.open.get(from);
  if (!states) {
    states = days.map(({ sent }, i) => {
      const { date, releaseMs } = calendar.own[i]!;
      return openState({ date, releaseMs, sent, wasShut: calendar.wasShut[i]! }, from, calendar.today, nowMs);
    });
    calendar.open.set(from, states);
  }
  return states;
}

/** Which days weren't open to someone in time because of what was held back from them alone, by their places. */
export function stoppedPlaces(
  days: readonly PlannedDay[],
  stops: readonly DayStop[],
  { own }: Pick<OwnCalendar, 'own'>,
): number[] {
  return stops.flatMap(({ dayId, fromMs, toMs }) => {
    const i = days.findIndex((d) => d.dayId === dayId);
    if (i < 0) return [];
    return wasOpenInTime(own[i]!, days[i]!.firstSentMs ?? 0, [{ kind: 'work', fromMs, toMs }]) ? [] : [i];
  });
}

/** The state of each planned day for someone, in the order of the days. */
export function dayStates(
  days: readonly PlannedDay[],
  { joinedOn, absences = [], stops = [], records }: Omit<StrandPerson, keyof RunPerson>,
  calendar: OwnCalendar,
  nowMs: number,
): DayState[] {
  const states = openStates(days, joinedOn, calendar, nowMs).slice();
  const mayBeAway = absences.length > 0;
  for (const i of stops.length === 0 ? [] : stoppedPlaces(days, stops, calendar))
    if (states[i] === 'missed') states[i] = 'not-due';
  for (let i = 0; i < states.length; i++) {
    if (mayBeAway && states[i] !== 'before' && isAway(absences, calendar.dates[i]!)) states[i] = 'excused';
    const record = records[i];
    if (record !== undefined) states[i] = saidState(states[i]!, record, calendar.own[i]!.closesMs);
  }
  return states;
}

/** What the days prescribe, in seconds of work; 1 where it isn't known. */
export const workOf = (days: readonly PlannedDay[]): number[] => days.map((d) => d.workSec ?? 1);

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
  const weights = workOf(days);
  return people.map((person) => {
    const calendar = calendarOf(person);
    const states = dayStates(days, person, calendar, nowMs);
    const beads = days.map(({ dayId, week, weekday, index, of }, i): StrandBead => ({
      dayId,
      week,
      weekday,
      index,
      of,
      shareRatio: person.records[i]?.shareRatio,
      state: states[i]!,
      ...calendar.own[i]!,
    }));
    const adherence = computeAdherence(states, { records: person.records, dates: calendar.dates, weights });
    return { today: calendar.today, beads, adherence };
  });
}
