import type { DayDate } from '../../core/calendar/day.ts';
import { isTimeZone, localDate } from '../../core/calendar/release.ts';
import { nowMs } from '../config.ts';
import { readCookie } from '../http/cookies.ts';

/** The zone that a coach's browser last said it is in; UTC where it has said none that is known here. */
export function coachZone(request: Request): string {
  const name = readCookie(request, 'ysodos_zone');
  return name && isTimeZone(name) ? name : 'UTC';
}

/** The day that it is where the coach is. */
export const coachToday = (request: Request): DayDate => localDate(nowMs(), coachZone(request));
