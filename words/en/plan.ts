import { listWords, plural } from '../../core/words/words.ts';

/** Weeks by their numbers, in a row: `week 4`, `weeks 4, 5 and 6`. */
export const weeksWords = (weeks: readonly number[]): string =>
  `${weeks.length === 1 ? 'week' : 'weeks'} ${listWords(weeks.map(String))}`;

/** What a week is copied to. */
export const copiedWords = (from: number, to: readonly number[]): string => `week ${from} copied to ${weeksWords(to)}`;

/** The button that fills days to write, and what was proposed by it. */
export const fillWords = (days: number): string => `Fill ${plural(days, 'day')} to write from the weeks before`;
export const filledWords = (days: number): string =>
  `${plural(days, 'day')} filled from the same weekday of the weeks before`;

/** The button that copies a session to so many days, some of which hold sessions with these titles. */
export const copyWords = (days: number, taken: readonly string[]): string => {
  const copy = days > 1 ? `Copy to ${days} days` : 'Copy';
  if (taken.length === 0) return copy;
  return days === 1 ? `Replace “${taken[0]}”` : `${copy}, replacing ${taken.length}`;
};
export const copiedBackWords = (days: readonly string[]): string =>
  `${listWords(days)} ${days.length === 1 ? 'is as it was' : 'are as they were'}`;

/** How a session gets a planned effort. */
export const EFFORT_REMEDY = 'A line such as “Effort: 7” in a session gives it one.';
