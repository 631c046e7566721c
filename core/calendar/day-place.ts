/** 1 Monday to 7 Sunday. */
export type Weekday = number;

/**
 * A place in a programme: week from 1, and the day of that week from 1 to 7. Weeks are counted from the day on which a programme
 * begins, so that day 1 is the weekday it begins on: Monday, unless it says otherwise.
 */
export interface DayPlace {
  readonly week: number;
  readonly weekday: number;
}

export const MAX_WEEKS = 52;
export const WEEKDAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'] as const;

/** `w5d3`, as it stands in addresses. */
export const dayKey = (place: DayPlace): string => `w${place.week}d${place.weekday}`;

export function parseDayKey(key: string): DayPlace | undefined {
  const match = /^w([1-9]\d?)d([1-7])$/.exec(key);
  if (!match) return undefined;
  const week = Number(match[1]);
  return week <= MAX_WEEKS ? { week, weekday: Number(match[2]) } : undefined;
}

const WEEKS_FROM = WEEKDAYS.map((_, i) => [...WEEKDAYS.slice(i), ...WEEKDAYS.slice(0, i)]);

/** The seven weekdays in the order of a week that begins on `first`. */
export const weekdaysFrom = (first: Weekday): readonly string[] => WEEKS_FROM[first - 1]!;

/** The weekday's name of a day of the week that begins on `first`. */
export const weekdayName = (weekday: number, first: Weekday): string => WEEKDAYS[(weekday + first - 2) % 7]!;

/** Which day of the week that begins on `first` a weekday is. */
export const dayOfWeekFrom = (weekday: Weekday, first: Weekday): number => ((weekday - first + 7) % 7) + 1;

/** `Monday, week 3` */
export const dayName = (place: DayPlace, first: Weekday): string =>
  `${weekdayName(place.weekday, first)}, week ${place.week}`;

/** `Mon, week 3` */
export const shortPlace = (place: DayPlace, first: Weekday): string =>
  `${weekdayName(place.weekday, first).slice(0, 3)}, week ${place.week}`;

/**
 * Which day of how many a place is, where a programme is counted in days: it has a session on each day of its weeks, as a challenge
 * of 28 days has. Undefined where it rests between sessions, or where the place has none.
 */
export function countedDay(
  days: readonly DayPlace[],
  place: DayPlace,
): { readonly day: number; readonly of: number } | undefined {
  const weeks = Math.max(0, ...days.map((d) => d.week));
  const keys = new Set(days.map(dayKey));
  if (weeks === 0 || keys.size !== weeks * 7 || !keys.has(dayKey(place))) return undefined;
  return { day: (place.week - 1) * 7 + place.weekday, of: keys.size };
}

/** `Tokyo`, of `Asia/Tokyo`. */
export const zoneName = (timeZone: string): string => timeZone.split('/').at(-1)!.replaceAll('_', ' ');
