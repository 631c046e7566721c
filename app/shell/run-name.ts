import type { DayDate } from '../../core/calendar/day.ts';
import { formatShortDay } from '../../core/calendar/day.ts';

/** What a run is called: its name, or else when it begins. */
export const runName = (title: string, startsOn: DayDate): string =>
  title !== '' ? title : `From ${formatShortDay(startsOn)}`;
