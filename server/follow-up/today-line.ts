import { localDate, localTime, toRunDays } from '../../core/calendar/release.ts';
import { ownCalendars } from '../../core/record/adherence/build-strand.ts';
import type { Db } from '../../db/pool.ts';
import type { Programme } from '../../db/queries/programme.ts';
import { listDayPlaces } from '../../db/queries/programme.ts';
import { listSentDays } from '../../db/queries/record.ts';
import { listCalendarGroups } from '../../db/queries/messages/release.ts';
import type { LineCounts } from '../../db/queries/today-line.ts';
import { countToday } from '../../db/queries/today-line.ts';
import { nowMs } from '../config.ts';

/** Today's session as it goes around the world. */
export interface TodayLine extends LineCounts {
  /** Those for whom the hour hasn't come, by zone: the next first. */
  readonly asleep: readonly { readonly zone: string; readonly people: number; readonly opens: string }[];
}

const NOBODY: LineCounts = { people: 0, released: 0, delivered: 0, opened: 0, begun: 0, logged: 0 };

/** How far today's session has come with everybody whose day it is, by their own calendars. */
export async function loadTodayLine(db: Db, programme: Programme, now = nowMs()): Promise<TodayLine> {
  const { run, runId } = programme;
  const [places, sentDays, groups] = await Promise.all([
    listDayPlaces(db, programme.id),
    listSentDays(db, runId),
    listCalendarGroups(db, runId),
  ]);
  const sent = new Set(sentDays.map((d) => d.dayId));
  const days = toRunDays(places).map((d) => ({ ...d, sent: sent.has(d.dayId) }));
  const calendarOf = ownCalendars(run.rules, days, now);
  const opensMs = new Map<string, number>();
  const todays = groups.flatMap((group) => {
    const { own, today } = calendarOf(group);
    return days.flatMap(({ dayId }, i) => {
      const day = own[i]!;
      if (day.date !== today || !sent.has(dayId)) return [];
      opensMs.set(group.timeZone, Math.min(day.releaseMs, opensMs.get(group.timeZone) ?? Infinity));
      return [{ timeZone: group.timeZone, startsOn: group.startsOn, weekdays: group.weekdays, dayId, date: today }];
    });
  });
  const zones = await countToday(db, runId, todays);
  const sum = (of: keyof LineCounts) => zones.reduce((n, z) => n + z[of], 0);
  return {
    ...NOBODY,
    people: sum('people'),
    released: sum('released'),
    delivered: sum('delivered'),
    opened: sum('opened'),
    begun: sum('begun'),
    logged: sum('logged'),
    asleep: zones
      .map((z) => ({ ...z, atMs: opensMs.get(z.timeZone) ?? 0 }))
      .filter((z) => z.atMs > now && z.released < z.people)
      .sort((a, b) => a.atMs - b.atMs)
      .map((z) => ({
        zone: z.timeZone,
        people: z.people - z.released,
        opens: `${localTime(z.atMs, z.timeZone)}${localDate(z.atMs, z.timeZone) === localDate(now, z.timeZone) ? '' : ' tomorrow'}`,
      })),
  };
}
