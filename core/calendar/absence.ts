import { Temporal } from 'temporal-polyfill';
import type { DayDate } from './day.ts';

/** Days on which nothing is expected of someone: a pause, or days that were excused. `to` is the last of them; null: until further notice. */
export interface Absence {
  readonly kind: 'pause' | 'excused';
  readonly from: DayDate;
  readonly to: DayDate | null;
}

/** Whether nothing is expected of someone on a date. */
export const isAway = (absences: readonly Absence[], date: DayDate): boolean =>
  absences.some((a) => a.from <= date && (a.to === null || date <= a.to));

/** A pause of more than so many days ends with a lighter way back in (common practice). */
const LONG_PAUSE_DAYS = 7;

/** A lighter way back in lasts so many days. */
export const EASE_DAYS = 7;

/**
 * The pause that someone has come back from in the last days, if it was a long one: how many days it was, and the first day back.
 * Undefined where there was none, or it is longer ago than a lighter way back in would last.
 */
export function returnFromPause(
  absences: readonly Absence[],
  today: DayDate,
): { readonly days: number; readonly backOn: DayDate } | undefined {
  const at = Temporal.PlainDate.from(today);
  for (const { kind, from, to } of absences) {
    if (kind !== 'pause' || to === null || isAway(absences, today)) continue;
    const end = Temporal.PlainDate.from(to);
    const days = Temporal.PlainDate.from(from).until(end).days + 1;
    const backOn = end.add({ days: 1 });
    const since = backOn.until(at).days;
    if (days > LONG_PAUSE_DAYS && since >= 0 && since < EASE_DAYS)
      return { days, backOn: backOn.toString() as DayDate };
  }
  return undefined;
}
