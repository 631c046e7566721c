import type { DayDate, DayPlace, Weekday } from './day.ts';

/** A time in which nothing went out (`work`), or no page could be opened (`serve`): half-open, `toMs` null while it lasts. */
export interface Gap {
  readonly kind: 'work' | 'serve';
  readonly fromMs: number;
  readonly toMs: number | null;
}

/** The rules by which a run goes out, all that a day's instant depends on beside the person. */
export interface RunRules {
  /** The date of the run's day 1. */
  readonly startsOn: DayDate;
  /** `host`: everybody on the same dates. `own`: each counts from a day 1 of their own. */
  readonly calendar: 'host' | 'own';
  /** HH:MM at which a day opens: on each person's clock, or where `releaseZone` is set, on that zone's for all at once. */
  readonly releaseTime: string;
  readonly releaseZone: string | null;
  /** So many days before its own a day that was sent may be looked at. */
  readonly lookAheadDays: number;
  /** So many days after its own a day can be made up; null: at any time. */
  readonly makeUpDays: number | null;
  /** The plan moved on: from a place on, all days come so many weeks later. Absent: never. */
  readonly shifts?: readonly RunShift[];
  /** Times in which nothing went out, or nothing could be opened. Absent: none. */
  readonly gaps?: readonly Gap[];
}

/** A run's plan moved on from a place on, for all, or for those of one zone. */
export interface RunShift extends DayPlace {
  readonly weeks: number;
  readonly timeZone: string | null;
}

/** What a day's instant depends on of a person. */
export interface RunPerson {
  readonly timeZone: string;
  /** Their own day 1, where they don't go by the run's: on an own calendar, or joined late and begun from the beginning. */
  readonly startsOn?: DayDate | null | undefined;
  /** The weekdays they train on, where they chose their own (1 Monday to 7 Sunday). */
  readonly weekdays?: readonly Weekday[] | null | undefined;
}

/** A day with a session, among those of its week: the `index`th of `of`, from 0. */
export interface RunDay extends DayPlace {
  readonly index: number;
  readonly of: number;
}

/** When and on which date of their own calendar a day is someone's. */
export interface OwnDay {
  /** The date on their own calendar at release: that of the plan, or where one instant goes for all, that of their clock then. */
  readonly date: DayDate;
  readonly releaseMs: number;
  /** Midnight at the end of that date, by their clock. */
  readonly endsMs: number;
  /** From here on it may be looked at, once it was sent. */
  readonly lookMs: number;
  /** From here on it can't be made up any more; null: always. */
  readonly closesMs: number | null;
}
