import type { WeekPlan } from '../plan-programme.ts';
import { changePct } from './training-load.ts';

/** A week that can be compared: all of it written. */
export const isWhole = (week: WeekPlan | undefined): week is WeekPlan =>
  week !== undefined && week.toWrite === 0 && week.likelySec > 0;

/** As `isWhole`, and every session with a planned effort. */
export const isRated = (week: WeekPlan | undefined): week is WeekPlan => isWhole(week) && week.unratedSessions === 0;

/** One week's figure against another's. */
export interface WeekChange {
  /** The week that it is held against. */
  readonly against: WeekPlan;
  readonly was: number;
  readonly now: number;
  readonly pct: number;
}

/** A week without any session. */
export const isPause = (week: WeekPlan): boolean => week.days.every((d) => d === undefined);

/**
 * A figure of the week at `at` (counted from 0) against the last week before it that isn't lighter, so that a lighter week
 * or a pause between two others is no leap. `fits` says which weeks can be compared. Undefined for the first week, from 0,
 * where this week or the one right before it can't be compared, and where no other stands before it.
 */
export function findWeekChange(
  weeks: readonly WeekPlan[],
  at: number,
  of: (week: WeekPlan) => number,
  fits: (week: WeekPlan | undefined) => boolean = isWhole,
): WeekChange | undefined {
  const week = weeks[at];
  const before = weeks[at - 1];
  const against = weeks.slice(0, at).findLast((w) => !w.isLighter && fits(w));
  if (!week || !before || !against || !fits(week) || !(fits(before) || isPause(before))) return undefined;
  const [was, now] = [of(against), of(week)];
  const pct = changePct(was, now);
  return pct === undefined ? undefined : { against, was, now, pct };
}

/** Planned load against the week before that isn't lighter. */
export const findLoadChange = (weeks: readonly WeekPlan[], at: number): WeekChange | undefined =>
  findWeekChange(weeks, at, (w) => w.loadAu, isRated);

/** `+3 %`, `−12.5 %` with so many decimals where they say something. */
export function formatChange(pct: number, decimals = 0): string {
  const size = Number(Math.abs(pct).toFixed(Math.abs(pct) < 100 ? decimals : 0));
  return `${size === 0 ? '±' : pct > 0 ? '+' : '−'}${size} %`;
}
