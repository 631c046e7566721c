import { HOUR_MS, WORTH_MS } from '../../core/calendar/spans.ts';
import type { DayDate } from '../../core/calendar/day.ts';
import { addDays, formatDay, dayName, weekdayOf } from '../../core/calendar/day.ts';
import { zoneName } from '../../core/calendar/day-place.ts';
import type { OwnDay } from '../../core/calendar/release.ts';
import { localDate, localTime, ownDay, toRunDays } from '../../core/calendar/release.ts';
import { analyseText, isSendable } from '../../core/session/analyse.ts';
import { freezeRoutines } from '../../core/session/resolve.ts';
import { sessionTitle } from '../../core/session/session-title.ts';
import type { Db } from '../../db/pool.ts';
import type { Day, Programme } from '../../db/queries/programme.ts';
import { getProgrammeOfRun, insertVersion, lockDay } from '../../db/queries/programme.ts';
import type { CalendarGroup, DueGroup, RunDayToGo, Way } from '../../db/queries/messages/release.ts';
import {
  insertFlag,
  insertLiveReminders,
  insertReleases,
  insertReminders,
  insertRestMessages,
  listCalendarGroups,
  listDaysToGo,
  listStillToGet,
} from '../../db/queries/messages/release.ts';
import type { LateChoice } from '../../db/queries/messages/stop.ts';
import { listLateChoices } from '../../db/queries/messages/stop.ts';
import { loadWorkspaceBook } from '../write/workspace-book.ts';

/** Hours before its first release at which a day that isn't ready raises a flag. */
export const FLAG_HOURS = [48, 24, 3] as const;
/** A live session is told again so long before. */
const LIVE_REMINDER_MS = 3 * HOUR_MS;

/** A group of a run, with its days. */
export interface Calendar {
  readonly group: CalendarGroup;
  readonly days: readonly (OwnDay & { readonly day: RunDayToGo })[];
}

/** When a day's message isn't worth sending any more. */
export const sendUntilMs = ({ closesMs, releaseMs }: OwnDay): number => closesMs ?? releaseMs + WORTH_MS.day;

/** Until when people of a run are to be told of a day: the last of them. */
export const lastSendMs = (calendars: readonly Calendar[], dayId: number): number =>
  Math.max(0, ...calendars.flatMap((c) => c.days.filter((d) => d.day.dayId === dayId).map(sendUntilMs)));

/** The days of a run, group by group. Where nobody is in it yet, by the coach's own zone there is none. */
export async function loadCalendars(db: Db, programme: Programme): Promise<Calendar[]> {
  const [days, groups] = await Promise.all([
    listDaysToGo(db, { programmeId: programme.id, runId: programme.runId }),
    listCalendarGroups(db, programme.runId),
  ]);
  const places = toRunDays(days);
  return groups.map((group) => ({
    group,
    days: places.map((place) => ({ ...ownDay(programme.run.rules, group, place), day: place })),
  }));
}

export interface ReleaseOutcome {
  /** People to whom something was released. */
  readonly released: number;
  readonly flags: number;
}

/**
 * Carries out what is due in a run at `nowMs`: releases days, oldest first, to whoever hasn't got them and whose date it still is;
 * lays messages, of rest days and reminders too; raises flags. Once or many times, by one worker or several: the same rows.
 */
export async function releaseRun(db: Db, workspaceId: number, runId: number, nowMs: number): Promise<ReleaseOutcome> {
  const now = new Date(nowMs);
  const programme = await getProgrammeOfRun(db, runId, now);
  const { run } = programme;
  if (run.heldAtMs !== null || run.archivedAtMs !== null) return { released: 0, flags: 0 };
  const released = await releaseDays(db, workspaceId, programme, nowMs);
  const calendars = await loadCalendars(db, programme);
  await layRestAndReminders(db, workspaceId, programme, calendars, nowMs);
  const flags = await raiseFlags(db, workspaceId, programme, calendars, nowMs);
  return { released, flags };
}

/** A day that has come to some, and who they are. */
export interface DueDay {
  readonly day: RunDayToGo;
  readonly groups: readonly DueGroup[];
  readonly firstMs: number;
}

/**
 * The days whose hour has come and whose date isn't over, group by group, the oldest first. Where the date is over, only what the
 * coach has decided to send all the same: a session never comes a day late by itself.
 */
export function dueDays(calendars: readonly Calendar[], choices: readonly LateChoice[], nowMs: number): DueDay[] {
  const sent = new Set(choices.filter((c) => c.choice === 'send').map((c) => `${c.dayId} ${c.timeZone}`));
  const byDay = new Map<number, { day: RunDayToGo; groups: DueGroup[]; firstMs: number }>();
  for (const { group, days } of calendars)
    for (const own of days) {
      const { dayId, isWithdrawn } = own.day;
      const untilMs = sendUntilMs(own);
      const isChosen = sent.has(`${dayId} `) || sent.has(`${dayId} ${group.timeZone}`);
      if (own.releaseMs > nowMs || untilMs <= nowMs || isWithdrawn || (own.endsMs <= nowMs && !isChosen)) continue;
      const due = byDay.get(dayId) ?? { day: own.day, groups: [], firstMs: own.releaseMs };
      const { people: _people, ...calendar } = group;
      due.groups.push({ ...calendar, date: own.date, untilMs });
      byDay.set(dayId, { ...due, firstMs: Math.min(due.firstMs, own.releaseMs) });
    }
  return [...byDay.values()].sort((x, y) => x.firstMs - y.firstMs);
}

/** A day with those who would get it now. */
export interface LeavingDay extends DueDay {
  readonly people: readonly { readonly enrolmentId: number; readonly way: Way; readonly timeZone: string }[];
}

/** What leaves a run with the next look of a worker: days that have come, can go, and wait for nobody's decision. */
export async function leavingNow(db: Db, programme: Programme, nowMs: number): Promise<LeavingDay[]> {
  const { run, runId } = programme;
  if (run.heldAtMs !== null || run.archivedAtMs !== null) return [];
  const due = dueDays(await loadCalendars(db, programme), await listLateChoices(db, runId), nowMs);
  const leaving: LeavingDay[] = [];
  for (const one of due) {
    if (!one.day.version && !goesByItself(run, one.day)) continue;
    const { dayId } = one.day;
    const people = await listStillToGet(db, { runId, dayId, groups: one.groups, now: new Date(nowMs) });
    if (people.length > 0) leaving.push({ ...one, people });
  }
  return leaving;
}

/** Whether a day that wasn't sent yet goes out without the coach sending it. */
export const goesByItself = ({ isByHand }: Programme['run'], { isReady }: Pick<RunDayToGo, 'isReady'>): boolean =>
  isReady && !isByHand;

async function releaseDays(db: Db, workspaceId: number, programme: Programme, nowMs: number): Promise<number> {
  let released = 0;
  for (const { day, groups } of await leavingNow(db, programme, nowMs)) {
    const version = day.version ?? (await versionByItself(db, workspaceId, programme, day, nowMs));
    if (version)
      released += await insertReleases(db, {
        workspaceId,
        runId: programme.runId,
        dayId: day.dayId,
        version,
        groups,
        now: new Date(nowMs),
      });
  }
  return released;
}

/** The version of a day that goes out by itself, if it is ready, whole, and the run is one that does so. */
export async function versionByItself(
  db: Db,
  workspaceId: number,
  programme: Programme,
  place: Pick<RunDayToGo, 'week' | 'weekday' | 'isReady'>,
  nowMs: number,
): Promise<RunDayToGo['version']> {
  if (!goesByItself(programme.run, place)) return null;
  // Another worker, or the coach, may be at it: who comes second sees what the first has done.
  const day = await lockDay(db, programme, place);
  if (day.sent) return { id: day.sent.versionId, number: day.sent.number };
  return day.isReady ? sendDay(db, { workspaceId, programme, day, changeNote: '', coachId: null, nowMs }) : null;
}

/** Makes the next version of a day; null where its text can't be sent, or someone was quicker. */
export async function sendDay(
  db: Db,
  s: {
    readonly workspaceId: number;
    readonly programme: Programme;
    readonly day: Day;
    readonly changeNote: string;
    readonly coachId: number | null;
    readonly nowMs: number;
  },
): Promise<{ readonly id: number; readonly number: number } | null> {
  const book = await loadWorkspaceBook(db);
  const { document, issues, findings, plan } = analyseText(s.day.text, book.library, book.routines);
  if (!isSendable({ issues, findings, plan })) return null;
  const number = (s.day.sent?.number ?? 0) + 1;
  const id = await insertVersion(db, {
    workspaceId: s.workspaceId,
    runId: s.programme.runId,
    dayId: s.day.id,
    number,
    text: s.day.text,
    // Under the name that it is sent with, also where none was written.
    document: { ...freezeRoutines(document, book.routines), title: sessionTitle(document) },
    changeNote: s.changeNote,
    coachId: s.coachId,
    now: new Date(s.nowMs),
  });
  return id === undefined ? null : { id, number };
}

async function layRestAndReminders(
  db: Db,
  workspaceId: number,
  { runId, run, weeks }: Programme,
  calendars: readonly Calendar[],
  nowMs: number,
): Promise<void> {
  const now = new Date(nowMs);
  const rest = new Map<DayDate, DueGroup[]>();
  const due = new Map<number, (DueGroup & { localTime: string })[]>();
  for (const { group, days } of calendars) {
    const { people: _people, ...calendar } = group;
    const today = localDate(nowMs, group.timeZone);
    const first = group.startsOn ?? run.rules.startsOn;
    const untilMs = nowMs + 6 * HOUR_MS;
    const todays = days.find((d) => d.date === today && !d.day.isWithdrawn);
    if (todays) {
      const own = { ...calendar, date: today, untilMs, localTime: localTime(nowMs, group.timeZone) };
      due.set(todays.day.dayId, [...(due.get(todays.day.dayId) ?? []), own]);
    } else if (
      today >= first &&
      today < addDays(first, weeks * 7) &&
      localTime(nowMs, group.timeZone) >= run.rules.releaseTime
    )
      rest.set(today, [...(rest.get(today) ?? []), { ...calendar, date: today, untilMs }]);
  }
  for (const [date, groups] of rest)
    await insertRestMessages(db, { workspaceId, runId, groups, number: Number(date.replaceAll('-', '')), now });
  for (const [dayId, groups] of due) await insertReminders(db, { workspaceId, runId, dayId, groups, now });
  for (const { dayId, liveAtMs } of calendars[0]?.days.map((d) => d.day) ?? [])
    if (liveAtMs !== null && liveAtMs > nowMs && liveAtMs - LIVE_REMINDER_MS <= nowMs)
      await insertLiveReminders(db, { workspaceId, runId, dayId, sequence: 0, expiresAt: new Date(liveAtMs), now });
}

/** A day that can't go out as things stand, seen from now. */
export interface UnreadyDay {
  readonly day: RunDayToGo;
  /** When it goes out to the first, and where they are. */
  readonly firstMs: number;
  readonly firstZone: string;
  readonly firstDate: DayDate;
  readonly why: 'unwritten' | 'to-read' | 'not-ready' | 'by-hand';
}

/** The days that go out within `withinMs` and can't as they are: unwritten, not marked ready, or still to be sent by hand. */
export function unreadyDays(
  { run }: Programme,
  calendars: readonly Calendar[],
  nowMs: number,
  withinMs: number = FLAG_HOURS[0] * HOUR_MS,
): UnreadyDay[] {
  const found = new Map<number, UnreadyDay>();
  for (const { group, days } of calendars)
    for (const { day, releaseMs, date } of days) {
      const isOff = day.version !== null || day.isWithdrawn || (run.endedOn !== null && date > run.endedOn);
      if (isOff || releaseMs <= nowMs || releaseMs > nowMs + withinMs || (day.isReady && !run.isByHand)) continue;
      const known = found.get(day.dayId);
      if (known && known.firstMs <= releaseMs) continue;
      const unready = day.isRead ? 'not-ready' : 'to-read';
      const why = !day.isWritten ? 'unwritten' : !day.isReady ? unready : 'by-hand';
      found.set(day.dayId, { day, firstMs: releaseMs, firstZone: group.timeZone, firstDate: date, why });
    }
  return [...found.values()].sort((a, b) => a.firstMs - b.firstMs);
}

export const WHY_UNREADY: Record<UnreadyDay['why'], string> = {
  unwritten: 'it is still to write',
  'to-read': 'nobody has read it yet',
  'not-ready': 'it isn’t marked ready',
  'by-hand': 'it is still to be sent',
};

async function raiseFlags(
  db: Db,
  workspaceId: number,
  programme: Programme,
  calendars: readonly Calendar[],
  nowMs: number,
): Promise<number> {
  let raised = 0;
  const first = weekdayOf(programme.startsOn);
  for (const { day, firstMs, firstZone, firstDate, why } of unreadyDays(programme, calendars, nowMs)) {
    // Of several that have come, the nearest: three hours before it, nobody needs to hear of two days.
    const hoursAhead = FLAG_HOURS.findLast((h) => firstMs - h * HOUR_MS <= nowMs);
    if (hoursAhead === undefined) continue;
    const isNew = await insertFlag(db, {
      workspaceId,
      runId: programme.runId,
      dayId: day.dayId,
      hoursAhead,
      extra: {
        programmeTitle: programme.title,
        dayWords: `${formatDay(firstDate)} (${dayName(day, first)})`,
        first: zoneName(firstZone),
        why: WHY_UNREADY[why],
        path: `/programmes/${programme.id}-${programme.runId}/${why === 'by-hand' ? 'send' : 'write'}/w${day.week}d${day.weekday}`,
      },
      expiresAt: new Date(firstMs),
      now: new Date(nowMs),
    });
    if (isNew) raised++;
  }
  return raised;
}
