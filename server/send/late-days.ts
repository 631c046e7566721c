import { DAY_MS } from '../../core/calendar/spans.ts';
import type { DayDate, DayPlace } from '../../core/calendar/day.ts';
import { dayKey } from '../../core/calendar/day.ts';
import { wasOpenInTime } from '../../core/calendar/gap.ts';
import type { Db } from '../../db/pool.ts';
import type { Programme } from '../../db/queries/programme.ts';
import type { DueGroup, RunDayToGo } from '../../db/queries/messages/release.ts';
import { countNeverTold } from '../../db/queries/messages/release.ts';
import { listLateChoices } from '../../db/queries/messages/stop.ts';
import type { Calendar } from '../jobs/release-run.ts';
import { goesByItself, sendUntilMs } from '../jobs/release-run.ts';

/** So long a day that did not go out is asked about. */
const ASKED_FOR_MS = 14 * DAY_MS;

/** A day that was over for people before it had gone out to them, of which the coach has decided nothing yet. */
export interface LateDay extends DayPlace {
  readonly dayId: number;
  readonly day: RunDayToGo;
  /** The date on which it would have gone out to the first of them. */
  readonly date: DayDate;
  readonly zones: readonly { readonly timeZone: string; readonly people: number }[];
  readonly people: number;
}

/** The days that did not go out in time, the oldest first, with those who would have got them. */
export async function listLateDays(
  db: Db,
  programme: Programme,
  calendars: readonly Calendar[],
  nowMs: number,
): Promise<LateDay[]> {
  const { run, runId } = programme;
  const decided = new Set((await listLateChoices(db, runId)).map((c) => `${c.dayId} ${c.timeZone}`));
  const found = new Map<number, { day: RunDayToGo; date: DayDate }>();
  const groups: (DueGroup & { dayId: number })[] = [];
  for (const { group, days } of calendars)
    for (const own of days) {
      const { day } = own;
      const isOver = own.endsMs <= nowMs && own.releaseMs > nowMs - ASKED_FOR_MS;
      if (!isOver || day.isWithdrawn || (!day.version && !goesByItself(run, day))) continue;
      if (decided.has(`${day.dayId} `) || decided.has(`${day.dayId} ${group.timeZone}`)) continue;
      if (wasOpenInTime(own, day.firstSentMs ?? Infinity, run.rules.gaps ?? [])) continue;
      const known = found.get(day.dayId);
      found.set(day.dayId, { day, date: known && known.date < own.date ? known.date : own.date });
      const { people: _people, ...calendar } = group;
      groups.push({ ...calendar, date: own.date, untilMs: sendUntilMs(own), dayId: day.dayId });
    }
  const counts = await countNeverTold(db, { runId, groups });
  return [...found]
    .map(([dayId, { day, date }]): LateDay => {
      const zones = counts.filter((c) => c.dayId === dayId).map(({ timeZone, people }) => ({ timeZone, people }));
      const people = zones.reduce((sum, z) => sum + z.people, 0);
      return { dayId, week: day.week, weekday: day.weekday, day, date, zones, people };
    })
    .filter((late) => late.people > 0)
    .sort((a, b) => (dayKey(a) === dayKey(b) ? 0 : a.week - b.week || a.weekday - b.weekday));
}
