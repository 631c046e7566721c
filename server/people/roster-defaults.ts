import { localDate } from '../../core/calendar/release.ts';
import type { DayDate } from '../../core/calendar/day.ts';
import type { Run } from '../../db/queries/run.ts';
import { nowMs } from '../config.ts';

/** The own day 1 of who joins a run on a date: on an own calendar, or late where the late begin from the beginning; null: the run's. */
export const ownStart = ({ rules, joinsLate }: Run, joinedOn: DayDate): DayDate | null => {
  const from = joinedOn > rules.startsOn ? joinedOn : rules.startsOn;
  return rules.calendar === 'own' || (joinsLate === 'from-day-1' && joinedOn > rules.startsOn) ? from : null;
};

/** What is taken for a new person where nothing is said: the zone that most are in, or else the coach's, and today there, or the first day if that is still to come. */
export function rosterDefaults(
  startsOn: DayDate,
  people: readonly { readonly timeZone: string }[],
  coachZone: string,
): { timeZone: string; joinedOn: DayDate } {
  const counts = new Map<string, number>();
  for (const { timeZone } of people) counts.set(timeZone, (counts.get(timeZone) ?? 0) + 1);
  const timeZone = [...counts].sort((a, b) => b[1] - a[1] || (a[0] < b[0] ? -1 : 1))[0]?.[0] ?? coachZone;
  const today = localDate(nowMs(), coachZone);
  return { timeZone, joinedOn: today > startsOn ? today : startsOn };
}
