import type { DayDate } from '../../calendar/day.ts';
import type { Outcome } from '../record.ts';

/**
 * The state of one day for one person. `ahead`: not open to them yet; `due`: open and theirs to do today; `missed`: its date has passed
 * without a record; `not-done`: they said "not today"; `before`: the day lies before they joined, so nothing is owed; `unsent`: planned,
 * but nothing was sent, or it was withdrawn; `excused`: a pause or an excused day; `not-due`: it wasn't open to them in time; `bonus`: done though it wasn't owed; `late`: owed, and
 * done after the window in which it could be made up.
 */
export type DayState =
  | 'done'
  | 'part'
  | 'not-done'
  | 'due'
  | 'missed'
  | 'ahead'
  | 'before'
  | 'unsent'
  | 'excused'
  | 'not-due'
  | 'bonus'
  | 'late';

/** What stands of one person and day. */
export interface Standing {
  readonly outcome: Outcome;
  /** 0 to 1. */
  readonly shareRatio: number;
  /** 0 to 10; null where not said. */
  readonly effort?: number | null;
  /** When it was made; only where a day can't be made up at any time. */
  readonly madeAtMs?: number;
}

/** A day for someone, before anything was said of it. */
export interface StrandDay {
  /** Its date for them. */
  readonly date: DayDate;
  /** A version of it was sent, and not withdrawn. */
  readonly sent: boolean;
  /** When it opens to them. */
  readonly releaseMs: number;
  /** It wasn't open to them for long enough before their day ended (core/calendar/gap.ts). */
  readonly wasShut?: boolean;
}

/** Whether a session was done outside what was owed, or too late to count towards it. */
const countsAside = (state: DayState): boolean => state === 'bonus' || state === 'late';

/** The state of a day of which nothing was said; the date that passes is the person's own. */
export function openState(day: StrandDay, joinedOn: DayDate, today: DayDate, nowMs: number): DayState {
  if (day.date < joinedOn) return 'before';
  if (!day.sent) return 'unsent';
  if (nowMs < day.releaseMs) return 'ahead';
  if (day.date >= today) return 'due';
  return day.wasShut ? 'not-due' : 'missed';
}

const isFree = (open: DayState): boolean => open === 'before' || open === 'excused' || open === 'unsent';

/** What becomes of a day's state by what was said of it. What was done of a day that nobody had to do counts as done. */
export function saidState(open: DayState, { outcome, madeAtMs = 0 }: Standing, closesMs: number | null): DayState {
  if (outcome === 'not-done') return isFree(open) || open === 'not-due' ? open : outcome;
  if (isFree(open)) return 'bonus';
  if (closesMs === null || madeAtMs < closesMs) return outcome;
  return open === 'not-due' ? 'bonus' : 'late';
}

/** Sessions done over sessions that were due so far. */
export interface Attendance {
  readonly done: number;
  readonly due: number;
  /** done / due; undefined while nothing was due. */
  readonly ratio: number | undefined;
}

/** Sums over due days (docs/formulas.md 5). No agreed definition: these are ours, and each is shown with both its numbers. */
export interface Adherence extends Attendance {
  /** Of those done, the ones done in part. */
  readonly inPart: number;
  /** Done without being owed, or after the window. They raise nothing. */
  readonly bonus: number;
  /** The work of all due days, in the unit of the weights given. */
  readonly prescribed: number;
  /** What of it was done: a part counts by its share. */
  readonly worked: number;
  /** Due days in a row that were done, up to now: rest and excused days don't break it, nor one of today that is still open. */
  readonly inARow: number;
  readonly longestRow: number;
  /** Due days in a row that weren't done, up to now. */
  readonly missedInARow: number;
  /** The date of the last day that was done, bonus included; null: none was. */
  readonly lastOn: DayDate | null;
}

export const attendanceRatio = (done: number, due: number): number | undefined => (due === 0 ? undefined : done / due);

/** Whether a day was owed by now: done, said not, missed, or done too late. What is due today counts once it is logged. */
export const isOwed = (state: DayState): boolean =>
  state === 'done' || state === 'part' || state === 'not-done' || state === 'missed' || state === 'late';

/** Whether a day counts as done. */
export const isKept = (state: DayState): boolean => state === 'done' || state === 'part';

/** What adherence is counted by, day by day beside the states. */
interface CountedBy {
  /** What stands: its share is that of a part. */
  readonly records?: readonly (Pick<Standing, 'shareRatio'> | undefined)[];
  readonly dates?: readonly DayDate[];
  /** What was prescribed, in any unit; 1 a day where it isn't given. */
  readonly weights?: readonly number[];
}

/**
 * Adherence over days in the order of the plan. Attendance = done / due so far: a session done in part is done; how much was done is the
 * dose, worked / prescribed. Days before joining, at rest, excused, paused, unsent or withdrawn aren't due.
 */
export function computeAdherence(states: readonly DayState[], { records, dates, weights }: CountedBy = {}): Adherence {
  let [due, done, inPart, bonus, prescribed, worked] = [0, 0, 0, 0, 0, 0];
  let [row, longestRow, missedInARow] = [0, 0, 0];
  let last = -1;
  for (let i = 0; i < states.length; i++) {
    const state = states[i]!;
    const kept = isKept(state);
    const aside = !kept && countsAside(state);
    if ((kept || aside) && dates && (last < 0 || dates[i]! > dates[last]!)) last = i;
    if (aside) bonus++;
    if (!kept && !isOwed(state)) continue;
    const weight = weights ? weights[i]! : 1;
    due++;
    prescribed += weight;
    if (kept) {
      done++;
      row++;
      missedInARow = 0;
      if (row > longestRow) longestRow = row;
      if (state === 'part') {
        inPart++;
        worked += weight * (records?.[i]?.shareRatio ?? 0.5);
      } else worked += weight;
    } else {
      row = 0;
      missedInARow++;
    }
  }
  return {
    due,
    done,
    ratio: attendanceRatio(done, due),
    inPart,
    bonus,
    prescribed,
    worked: Math.round(worked * 100) / 100,
    inARow: row,
    longestRow,
    missedInARow,
    lastOn: last < 0 ? null : dates![last]!,
  };
}

/** Whether someone still takes part: hasn't left, and has done one of the last `lostAfter` due days (core/record/adherence/rhythm.ts). */
export const isStillHere = (
  { missedInARow }: Pick<Adherence, 'missedInARow'>,
  leftOn: DayDate | null | undefined,
  today: DayDate,
  lostAfter: number,
): boolean => (leftOn === null || leftOn === undefined || leftOn > today) && missedInARow < lostAfter;

/** How many still take part, and when that was. */
export interface Retention {
  readonly here: number;
  readonly joined: number;
  readonly on: DayDate;
}
