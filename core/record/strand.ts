import type { DayDate } from '../calendar/day.ts';
import type { Outcome } from './record.ts';

/**
 * The state of one day for one person. `ahead`: not open to them yet; `due`: open and theirs to do today;
 * `missed`: its date has passed without a record; `not-done`: they said "not today"; `before`: the day lies
 * before they joined, so nothing is owed; `unsent`: planned, but nothing was sent, or it was withdrawn; `excused`: a pause or an excused day.
 */
export type DayState = 'done' | 'part' | 'not-done' | 'due' | 'missed' | 'ahead' | 'before' | 'unsent' | 'excused';

export interface StrandDay {
  readonly date: DayDate;
  /** A version was sent for this day. */
  readonly sent: boolean;
  readonly releaseMs: number;
  /** Nothing is expected of them on that date. */
  readonly isAway?: boolean;
  readonly record?: { readonly outcome: Outcome; readonly shareRatio: number } | undefined;
}

/** The state of a day: records count wherever they are; the date that passes is the person's own. */
export function dayState(day: StrandDay, joinedOn: DayDate, today: DayDate, nowMs: number): DayState {
  if (day.record) return day.record.outcome;
  if (day.date < joinedOn) return 'before';
  if (day.isAway) return 'excused';
  if (!day.sent) return 'unsent';
  if (nowMs < day.releaseMs) return 'ahead';
  return day.date < today ? 'missed' : 'due';
}

/** Attendance: kept is the sum of shares done, due the days that were owed so far. */
export interface Attendance {
  readonly kept: number;
  readonly due: number;
  /** kept / due; undefined while nothing was due. */
  readonly ratio: number | undefined;
}

/** Of what is shown: kept to a tenth of a session over due; undefined while nothing was due. */
export const attendanceRatio = (kept: number, due: number): number | undefined => (due === 0 ? undefined : kept / due);

/**
 * Attendance = done / due so far (docs/formulas.md 5; no agreed definition). A part counts by its share. Today counts
 * once it is logged; days before joining, excused, not sent, withdrawn, or not yet open are not due.
 */
export function computeAttendance(days: readonly { state: DayState; shareRatio?: number | undefined }[]): Attendance {
  let kept = 0;
  let due = 0;
  for (const { state, shareRatio } of days) {
    if (state === 'done') kept += 1;
    else if (state === 'part') kept += shareRatio ?? 0.5;
    if (state === 'done' || state === 'part' || state === 'not-done' || state === 'missed') due += 1;
  }
  const rounded = Math.round(kept * 10) / 10;
  return { kept: rounded, due, ratio: attendanceRatio(rounded, due) };
}
