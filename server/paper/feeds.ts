import { createHash } from 'node:crypto';
import type pg from 'pg';
import { dayKey } from '../../core/calendar/day.ts';
import type { RunDay } from '../../core/calendar/release.ts';
import { instantAt, ownDay, runDate, toRunDays } from '../../core/calendar/release.ts';
import type { PlannedEvent } from '../../core/exchange/calendar-entries.ts';
import { followEntries } from '../../core/exchange/calendar-entries.ts';
import type { FeedEvent } from '../../core/exchange/calendar-feed.ts';
import { writeFeed } from '../../core/exchange/calendar-feed.ts';
import type { StrandBead } from '../../core/record/adherence/build-strand.ts';
import { sessionTitle, UNREAD_TITLE } from '../../core/session/session-title.ts';
import { wholeMinutes } from '../../core/words/words.ts';
import type { CalendarOwner } from '../../db/queries/calendar-entry.ts';
import { lockCalendarEntries, updateCalendarEntries } from '../../db/queries/calendar-entry.ts';
import type { Enrolment } from '../../db/queries/person.ts';
import type { PersonDay } from '../../db/queries/record.ts';
import type { Programme } from '../../db/queries/programme.ts';
import { listDays } from '../../db/queries/programme.ts';
import { listRunDayStates } from '../../db/queries/run.ts';
import { nowMs, publicUrl } from '../config.ts';
import { fitDay } from '../participant/fitted-view.ts';
import type { LinkScope } from '../doors/personal-link.ts';
import { loadPersonView } from '../participant/person-view.ts';
import { planText } from '../write/session-view.ts';
import { loadWorkspaceBook } from '../write/workspace-book.ts';

const USUAL_MINUTES = 30;
const LEAST_MINUTES = 5;
const LIVE_ALARM_MIN = 60;

/** Events of a calendar with what its readers were given before; what differs is kept. */
async function withEntries(
  db: pg.PoolClient,
  owner: CalendarOwner & { readonly workspaceId: number },
  events: readonly PlannedEvent[],
): Promise<FeedEvent[]> {
  const followed = followEntries(await lockCalendarEntries(db, owner), events, nowMs());
  await updateCalendarEntries(db, owner, followed);
  return followed.entries.map(({ event, sequence, changedMs }) => ({ ...event, sequence, changedMs }));
}

/** A live session is an appointment, but for whoever said no. */
const livePart = (live: NonNullable<PersonDay['live']>): Partial<PlannedEvent> => ({
  start: { ms: live.atMs },
  place: live.place,
  isBusy: live.answer !== 'no',
  alarmMin: live.answer === 'no' ? null : LIVE_ALARM_MIN,
});

/**
 * A day of someone as their calendar has it: when it opens, or at the hour that they chose and then no earlier. It takes nobody's time
 * and rings for nobody unless they asked for it.
 */
function ownEvent(
  enrolment: Enrolment,
  bead: StrandBead,
  day: PersonDay,
  workMinutes: number | undefined,
): PlannedEvent {
  const { at, alarmMin } = enrolment.profile.calendar;
  const chosenMs = at === null ? bead.releaseMs : instantAt(bead.date, at, enrolment.timeZone);
  const { live } = day;
  const title = day.sentTitle === undefined ? 'Session to come' : day.sentTitle || 'Session';
  return {
    uid: `${day.session}-p${enrolment.enrolmentId}`,
    start: { ms: Math.max(chosenMs, bead.releaseMs) },
    minutes: live?.minutes ?? workMinutes ?? USUAL_MINUTES,
    title: `${title}${live ? ', live' : ''}`,
    description: [enrolment.programmeTitle, ...(day.withdrawn ? [day.withdrawn] : [])].join('\n'),
    isBusy: at !== null,
    isCancelled: day.withdrawn !== undefined && day.record === undefined,
    alarmMin,
    ...(live && livePart(live)),
  };
}

/** The calendar of one person: their days at their hours, in all their runs; live sessions at theirs. */
export async function personFeed(db: pg.PoolClient, scope: LinkScope): Promise<string> {
  const book = await loadWorkspaceBook(db);
  const events: FeedEvent[] = [];
  for (const enrolment of scope.enrolments) {
    const view = await loadPersonView(db, { ...scope, enrolment });
    const own: PlannedEvent[] = [];
    for (const bead of view.strand.beads) {
      if (bead.state === 'before' || bead.state === 'excused') continue;
      const day = view.days.get(bead.dayId)!;
      const fitted = day.sent ? await fitDay(db, day.sent, { enrolment }, book) : undefined;
      own.push(ownEvent(enrolment, bead, day, fitted && minutesOf(fitted.plan)));
    }
    const { workspaceId } = scope;
    events.push(...(await withEntries(db, { workspaceId, enrolmentId: enrolment.enrolmentId }, own)));
  }
  return writeFeed({
    name: scope.enrolment.programmeTitle,
    description: 'Your sessions. This address is yours alone.',
    events,
  });
}

const minutesOf = ({ clockSec }: { readonly clockSec: { readonly likely: number } }): number =>
  Math.max(LEAST_MINUTES, wholeMinutes(clockSec.likely));

/** When a day of a run opens: one instant for all, or its hour on everybody's own clock. */
const openingOf = ({ rules }: Programme['run'], day: RunDay): FeedEvent['start'] =>
  rules.releaseZone === null
    ? { date: runDate(rules, day), time: rules.releaseTime }
    : { ms: ownDay(rules, { timeZone: rules.releaseZone }, day).releaseMs };

/** The calendar of a run, for its coach: each day as the run's own dates have it. */
export async function runFeed(db: pg.PoolClient, programme: Programme, workspaceId: number): Promise<string> {
  const book = await loadWorkspaceBook(db);
  const states = new Map((await listRunDayStates(db, programme.runId)).map((s) => [s.dayId, s]));
  const events = toRunDays(await listDays(db, programme)).map((day): PlannedEvent => {
    const state = states.get(day.id);
    const text = day.sent?.text ?? day.text;
    const planned = text.trim() === '' ? undefined : planText(text, book);
    const live = state?.live;
    const title = planned ? sessionTitle(planned.document) || UNREAD_TITLE : 'to write';
    return {
      uid: `${day.session}-r${programme.runId}`,
      start: live ? { ms: live.atMs } : openingOf(programme.run, day),
      minutes: live?.minutes ?? (planned ? minutesOf(planned.plan) : USUAL_MINUTES),
      title: `${title}${live ? ', live' : ''}`,
      description: `${programme.title}${day.sent ? '' : day.isReady ? '\nready' : '\nnot ready'}`,
      ...(live && { place: live.place }),
      link: `${publicUrl().origin}/programmes/${programme.id}-${programme.runId}/send/${dayKey(day)}`,
      isBusy: live !== null && live !== undefined,
      isCancelled: state !== undefined && state.withdrawnAtMs !== null,
      alarmMin: live ? LIVE_ALARM_MIN : null,
    };
  });
  return writeFeed({
    name: programme.title,
    description: programme.run.title,
    events: await withEntries(db, { workspaceId, runId: programme.runId }, events),
  });
}

/** A file with its tag: who has it already, or any of it (`*`), gets 304 (RFC 9110, 13.1.2). Nothing on the way keeps it. */
export function taggedFile(
  request: Request,
  body: string | Uint8Array,
  type: string,
  more: Record<string, string> = {},
): Response {
  const etag = `"${createHash('sha256').update(body).digest('base64url').slice(0, 27)}"`;
  const headers = { etag, 'cache-control': 'private, no-cache', ...more };
  const has = request.headers
    .get('if-none-match')
    ?.split(',')
    .some((tag) => tag.trim() === '*' || tag.trim().replace(/^W\//, '') === etag);
  return has
    ? new Response(null, { status: 304, headers })
    : new Response(body as BodyInit, { headers: { ...headers, 'content-type': type } });
}
