import type { DayDate, DayPlace, Weekday } from '../calendar/day.ts';
import { dayOfWeekFrom } from '../calendar/day.ts';
import type { LeverRule } from './track/schedule.ts';
import type { SchoolId } from './track/schools.ts';

/** What a day of the week is for. */
export const THEMES = ['strength', 'intervals', 'skill', 'by feel', 'mobility', 'rest', 'live'] as const;
export type Theme = (typeof THEMES)[number];
export const isTheme = (text: string): text is Theme => THEMES.some((t) => t === text);

/** Fields of a file that this version doesn't know: kept, and written back. */
export interface WithExtra {
  readonly extra?: Readonly<Record<string, unknown>>;
}

/** A session that recurs, with a progression of its own. */
export interface Track extends WithExtra {
  /** Lower-case letters, digits and dashes; unique in the programme. */
  readonly id: string;
  readonly name: string;
  /** The session in notation as it is in week 1, before anything changes. */
  readonly text: string;
  readonly school: SchoolId;
  readonly levers: readonly LeverRule[];
}

export interface ProgrammeDay extends DayPlace, WithExtra {
  /** In notation; empty where it is still to write. */
  readonly text: string;
  /** Where it differs from what its weekday is for. */
  readonly theme?: Theme;
  readonly track?: {
    readonly id: string;
    /** The week of the progression that this session is; it stays with the session when that is moved. */
    readonly week: number;
    /** Changed by hand: regeneration leaves the text alone. */
    readonly isPinned: boolean;
  };
}

/** A day on which hard sessions, or all of them, don't fit. */
export interface BlockedDay extends WithExtra {
  readonly date: DayDate;
  readonly words: string;
  readonly rule: 'no hard session' | 'no session';
  /** The event's UID where it came from a calendar file. */
  readonly uid?: string;
}

export interface GuardSettings {
  /** Codes of the guard rails that are switched off. */
  readonly off: readonly string[];
  /** Thresholds that differ from the usual ones, by code. */
  readonly thresholds: Readonly<Record<string, number>>;
}

/** A programme without people: what can be saved, sent around and started from. */
export interface ProgrammeDocument extends WithExtra {
  readonly title: string;
  readonly weeks: number;
  /** The weekday that its weeks begin on, and so the programme; a programme that isn't given to people yet begins on Mondays. */
  readonly firstWeekday: Weekday;
  /** Weeks of the progression that are lighter, ascending. */
  readonly lighter: readonly number[];
  /** By day of the week, 1 to 7. */
  readonly themes: Readonly<Partial<Record<number, Theme>>>;
  readonly tracks: readonly Track[];
  /** By week and weekday; at most one a place. */
  readonly days: readonly ProgrammeDay[];
  readonly blocked: readonly BlockedDay[];
  readonly guards: GuardSettings;
}

export const NO_GUARD_SETTINGS: GuardSettings = { off: [], thresholds: {} };
export const MAX_TRACKS = 40;

export const byPlace = (a: DayPlace, b: DayPlace): number => a.week - b.week || a.weekday - b.weekday;
export const isAt =
  (place: DayPlace) =>
  (day: DayPlace): boolean =>
    day.week === place.week && day.weekday === place.weekday;
export const findProgrammeDay = (programme: ProgrammeDocument, place: DayPlace): ProgrammeDay | undefined =>
  programme.days.find(isAt(place));
export const themeOf = (
  programme: Pick<ProgrammeDocument, 'themes'>,
  day: Pick<ProgrammeDay, 'weekday' | 'theme'>,
): Theme | undefined => day.theme ?? programme.themes[day.weekday];

/** Every fourth week, the last included where it falls so; 0 for none. */
export const everyNth = (weeks: number, n: number): number[] =>
  n < 2 ? [] : Array.from({ length: Math.floor(weeks / n) }, (_, i) => (i + 1) * n);

/** The week of the progression that a calendar week mostly stands for; where it has no track's session, one after the week before. */
export function progressionWeek(programme: ProgrammeDocument, week: number): number {
  let [last, step] = [0, 0];
  for (const { week: own, track } of programme.days) {
    if (!track || own > week || own < last) continue;
    step = own === last ? Math.max(step, track.week) : track.week;
    last = own;
  }
  return last === 0 ? week : step + (week - last);
}

/** Whether a calendar week is a lighter one. */
export const isLighterWeek = (programme: ProgrammeDocument, week: number): boolean =>
  programme.lighter.includes(progressionWeek(programme, week));

/** A programme with a session to write on each of these weekdays, in weeks that begin on `firstWeekday` (Monday). */
export function emptyProgramme(p: {
  title: string;
  weeks: number;
  /** Of the calendar, 1 Monday to 7 Sunday. */
  weekdays: readonly Weekday[];
  lighter?: readonly number[];
  firstWeekday?: Weekday;
}): ProgrammeDocument {
  const { firstWeekday = 1 } = p;
  const weekdays = [...new Set(p.weekdays)].map((w) => dayOfWeekFrom(w, firstWeekday)).sort((a, b) => a - b);
  return {
    title: p.title,
    weeks: p.weeks,
    firstWeekday,
    lighter: p.lighter ?? [],
    themes: {},
    tracks: [],
    blocked: [],
    guards: NO_GUARD_SETTINGS,
    days: Array.from({ length: p.weeks }, (_, i) =>
      weekdays.map((weekday): ProgrammeDay => ({ week: i + 1, weekday, text: '' })),
    ).flat(),
  };
}
