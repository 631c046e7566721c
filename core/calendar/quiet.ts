import type { DayDate } from './day.ts';
import { addDays } from './day.ts';
import { instantAt, localDate, localTime } from './release.ts';

/** Hours of someone's clock without messages, HH:MM; from a later to an earlier hour they go over midnight. */
export interface QuietHours {
  readonly from: string;
  readonly to: string;
}

/** When the quiet hours that it is now end, in ms; undefined where it isn't quiet. Hours from and to the same are none. */
export function quietUntil(quiet: QuietHours | null, timeZone: string, nowMs: number): number | undefined {
  if (!quiet || quiet.from === quiet.to) return undefined;
  const time = localTime(nowMs, timeZone);
  const isOverMidnight = quiet.from > quiet.to;
  const isQuiet = isOverMidnight ? time >= quiet.from || time < quiet.to : time >= quiet.from && time < quiet.to;
  if (!isQuiet) return undefined;
  const today: DayDate = localDate(nowMs, timeZone);
  const end = instantAt(isOverMidnight && time >= quiet.from ? addDays(today, 1) : today, quiet.to, timeZone);
  // On a night that the clocks go back an end can lie behind: then it is over.
  return end > nowMs ? end : undefined;
}
