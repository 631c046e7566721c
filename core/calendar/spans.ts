/** Lengths of time in milliseconds, for instants; calendar days are counted by daysBetween and addDays. */
export const HOUR_MS = 3_600_000;
export const DAY_MS = 24 * HOUR_MS;
export const WEEK_MS = 7 * DAY_MS;

/** For how long a message is worth handing on, where no window of a session says it. */
export const WORTH_MS = {
  /** Word of a day that can be made up at any time. */
  day: 2 * DAY_MS,
  /** A coach's own words, to one or to all. */
  words: 3 * DAY_MS,
  /** The question whether an address is somebody's. */
  confirm: 3 * DAY_MS,
  /** A message that is sent once more. */
  again: DAY_MS,
} as const;
