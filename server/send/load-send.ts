import { heldOn } from '../participant/held.ts';
import { DAY_MS } from '../../core/calendar/spans.ts';
import type pg from 'pg';
import { sessionTitle, UNREAD_TITLE } from '../../core/session/session-title.ts';
import { dayKey, dayName, formatDay, weekdayOf, type DayPlace } from '../../core/calendar/day.ts';
import { isSure } from '../../core/calendar/going.ts';
import { localDate, localTime } from '../../core/calendar/release.ts';
import { plural } from '../../core/words/words.ts';
import { getDayProgress } from '../../db/queries/messages/outbox.ts';
import { getPaperSize } from '../../db/queries/doors/paper.ts';
import { countReach, getEnrolment } from '../../db/queries/person.ts';
import { listDays, listVersions } from '../../db/queries/programme.ts';
import type { RunDayToGo } from '../../db/queries/messages/release.ts';
import { listLiveReplies } from '../../db/queries/live.ts';
import type { Db } from '../../db/pool.ts';
import type { Day, Programme } from '../../db/queries/programme.ts';
import type { Outage } from '../../db/queries/pulse.ts';
import { hasPulse, listOutages } from '../../db/queries/pulse.ts';
import { listShifts } from '../../db/queries/messages/stop.ts';
import { listRunDayStates } from '../../db/queries/run.ts';
import { nowMs, publicUrl } from '../config.ts';
import { zoneName } from '../../core/calendar/day-place.ts';
import { loadCalendars, unreadyDays, WHY_UNREADY } from '../jobs/release-run.ts';
import { listLateDays } from './late-days.ts';
import { nextLiveNote } from './send-actions.ts';
import { previewFor } from './send-preview.ts';
import { buildTimeline, formatWait, nextGoing } from './send-view.ts';
import { instantWords } from '../messages/compose.ts';
import { loadWorkspaceBook } from '../write/workspace-book.ts';
import { planText, type PlannedSession } from '../write/session-view.ts';
import type { DayScope } from '../doors/coach-scope.ts';
import type { SignedInCoach } from '../../db/queries/doors/coach-session.ts';

/** A day that did not go out. */
export interface LateDayView {
  readonly key: string;
  readonly title: string;
  /** `Tuesday 12 May`, of the first of them. */
  readonly words: string;
  readonly people: number;
  readonly zones: readonly { readonly timeZone: string; readonly name: string; readonly people: number }[];
}

/** A time in which something was away. */
export interface AwayView {
  readonly what: 'work' | 'serve' | 'mail';
  readonly words: string;
}

export interface SendAsked {
  readonly dayKey: string;
  /** The coach's zone. */
  readonly zone: string;
  /** The person as whom a session is looked at. */
  readonly asId: number | undefined;
}

/** Where the run stands in sending, and the day that is looked at as it would go out. */
export async function loadSend(db: pg.PoolClient, scope: DayScope, asked: SendAsked) {
  const { day, place, programme } = scope;
  const now = nowMs();
  const { zone } = asked;
  const [calendars, days, reach, states, book, isWorking, outages, shifts] = await Promise.all([
    loadCalendars(db, programme),
    listDays(db, programme),
    countReach(db, programme.runId),
    listRunDayStates(db, programme.runId),
    loadWorkspaceBook(db),
    hasPulse(db),
    listOutages(db, new Date(now - AWAY_SHOWN_MS)),
    listShifts(db, programme.runId),
  ]);
  const titleOf = titlesOf(days, book);
  const planned = day && day.text.trim() !== '' ? planText(day.text, book) : undefined;
  const state = day && states.find((s) => s.dayId === day.id);
  const when = firstAndLast(calendars, day?.id);
  const seen = await seeDay(db, scope, planned, book, { asId: asked.asId, dayId: day?.id });
  const next = nextGoing(programme, calendars, now, titleOf);
  return {
    name: dayName(place, weekdayOf(programme.startsOn)),
    words: seen?.preview.dateWords ?? formatDay(localDate(when?.firstMs ?? now, zone)),
    week: place.week,
    dayKey: asked.dayKey,
    programmeId: programme.key,
    origin: publicUrl().origin,
    paper: await getPaperSize(db),
    rules: programme.run.rules,
    isByHand: programme.run.isByHand,
    hasPeople: programme.people > 0,
    heldWords: programme.run.heldAtMs === null ? null : instantWords(programme.run.heldAtMs, zone),
    isArchived: programme.run.archivedAtMs !== null,
    isWorking,
    ...(await lateViews(db, programme, { calendars, outages, shifts, titleOf, zone, now })),
    reach,
    timeline: buildTimeline(programme, calendars, now, titleOf),
    next: next ? { ...next, key: dayKey(next), wait: formatWait(next.atMs - now), isSure: isSure(next.state) } : null,
    unready: unreadyDays(programme, calendars, now).map((u) => ({
      key: dayKey(u.day),
      title: titleOf(u.day),
      words: formatDay(u.firstDate),
      why: WHY_UNREADY[u.why],
      isByHand: u.why === 'by-hand',
      wait: formatWait(u.firstMs - now),
    })),
    when: when
      ? { isOpen: when.firstMs <= now, isOver: when.lastMs <= now, wait: formatWait(when.firstMs - now) }
      : null,
    progress: day?.sent ? await getDayProgress(db, programme.runId, day.id) : null,
    day: day ? dayView(day, state) : null,
    live: await liveView(db, state, zone),
    zone,
    seen,
    errors: planned?.errors ?? 0,
    versions: day ? await versionViews(db, programme.runId, day.id, zone) : [],
  };
}

type Book = Awaited<ReturnType<typeof loadWorkspaceBook>>;
type Calendars = Awaited<ReturnType<typeof loadCalendars>>;
type RunDayState = Awaited<ReturnType<typeof listRunDayStates>>[number];

/** What each day's session is called. */
function titlesOf(days: readonly Day[], book: Book): (day: RunDayToGo) => string {
  const titles = new Map(
    days.map((d) => [
      d.id,
      d.text.trim() === '' ? 'A session to write' : sessionTitle(planText(d.text, book).document) || UNREAD_TITLE,
    ]),
  );
  return (d) => titles.get(d.dayId) ?? UNREAD_TITLE;
}

/** When a day comes to the first and to the last of its people; undefined where it comes to nobody. */
function firstAndLast(calendars: Calendars, dayId: number | undefined) {
  const atMs = calendars.flatMap(({ days }) => days.flatMap((d) => (d.day.dayId === dayId ? d.releaseMs : [])));
  return atMs.length === 0 ? undefined : { firstMs: Math.min(...atMs), lastMs: Math.max(...atMs) };
}

/** The day as it arrives, for anybody or for one person; null where there is nothing to send, or it can't be read. */
async function seeDay(
  db: pg.PoolClient,
  {
    programme,
    place,
    coach,
  }: { readonly programme: Programme; readonly place: DayPlace; readonly coach: SignedInCoach },
  planned: PlannedSession | undefined,
  book: Book,
  { asId, dayId }: { readonly asId: number | undefined; readonly dayId: number | undefined },
) {
  if (!planned || planned.errors > 0) return null;
  const found = asId === undefined ? undefined : await getEnrolment(db, asId);
  const as = found?.runId === programme.runId ? found : undefined;
  const preview = previewFor(planned, as, {
    programme,
    place,
    coachName: coach.coachName,
    live: await nextLiveNote(db, programme.runId, found?.timeZone ?? 'UTC'),
    held: as && dayId !== undefined ? await heldOn(db, as, { dayId }) : undefined,
    book,
  });
  return { preview, as: as ? { id: as.enrolmentId, name: as.name } : null };
}

const dayView = (day: Day, state: RunDayState | undefined) => ({
  id: day.id,
  isReady: day.isReady,
  revision: day.revision,
  sentNumber: day.sent?.number ?? 0,
  isAsSent: day.sent?.text === day.text,
  withdrawn: state && state.withdrawnAtMs !== null ? { note: state.withdrawnNote } : null,
});

/** The day's live session, with how many come; null where it has none. */
async function liveView(db: pg.PoolClient, state: RunDayState | undefined, zone: string) {
  if (!state?.live) return null;
  const replies = await listLiveReplies(db, state.runDayId);
  return {
    ...state.live,
    date: localDate(state.live.atMs, zone),
    time: localTime(state.live.atMs, zone),
    words: instantWords(state.live.atMs, zone),
    going: replies.filter((r) => r.answer === 'yes').length,
    came: replies.filter((r) => r.came).length,
  };
}

const versionViews = async (db: pg.PoolClient, runId: number, dayId: number, zone: string) =>
  (await listVersions(db, runId, dayId)).map((v) => ({
    ...v,
    sentWords: `${instantWords(v.sentAtMs, zone)}${zone === 'UTC' ? ' UTC' : ''}`,
  }));

/** Outages are told for so long after they ended. */
const AWAY_SHOWN_MS = 3 * DAY_MS;

/** What did not go out, what was away, and how the plan was moved on, in words. */
async function lateViews(
  db: Db,
  programme: Programme,
  of: {
    readonly calendars: Awaited<ReturnType<typeof loadCalendars>>;
    readonly outages: readonly Outage[];
    readonly shifts: Awaited<ReturnType<typeof listShifts>>;
    readonly titleOf: (day: RunDayToGo) => string;
    readonly zone: string;
    readonly now: number;
  },
) {
  const { zone } = of;
  const first = weekdayOf(programme.startsOn);
  const late = await listLateDays(db, programme, of.calendars, of.now);
  return {
    late: late.map((l): LateDayView => ({
      key: dayKey(l),
      title: of.titleOf(l.day),
      words: formatDay(l.date),
      people: l.people,
      zones: l.zones.map((z) => ({ ...z, name: zoneName(z.timeZone) })),
    })),
    // Mail that fails keeps trying by itself; what it missed stands in the outbox.
    away: of.outages
      .filter((o) => o.toMs === null || late.length > 0 || o.kind === 'mail')
      .map((o): AwayView => ({
        what: o.kind,
        words: `from ${instantWords(o.fromMs, zone)}${o.toMs === null ? ' on' : ` to ${instantWords(o.toMs, zone)}`}`,
      })),
    shifts: of.shifts.map((s) => ({
      id: s.id,
      words: `From week ${s.week}, ${dayName(s, first)} on, the plan comes ${plural(s.weeks, 'week')} later${s.timeZone === null ? '' : ` in ${zoneName(s.timeZone)}`}.`,
    })),
  };
}
