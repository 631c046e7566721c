import { WEEK_MS } from '../../core/calendar/spans.ts';
import { createHash } from 'node:crypto';
import type pg from 'pg';
import { dayKey } from '../../core/calendar/day.ts';
import { ownDay, toRunDays } from '../../core/calendar/release.ts';
import type { FeedEvent } from '../../core/exchange/calendar-feed.ts';
import { writeFeed } from '../../core/exchange/calendar-feed.ts';
import { sessionTitle, UNREAD_TITLE } from '../../core/session/session-title.ts';
import { wholeMinutes } from '../../core/words/words.ts';
import type { Programme } from '../../db/queries/programme.ts';
import { listDays } from '../../db/queries/programme.ts';
import { listRunDayStates } from '../../db/queries/run.ts';
import { publicUrl } from '../config.ts';
import { fitDay } from '../participant/fitted-view.ts';
import type { LinkScope } from '../doors/personal-link.ts';
import { loadPersonView } from '../participant/person-view.ts';
import { planText } from '../write/session-view.ts';
import { loadWorkspaceBook } from '../write/workspace-book.ts';

const USUAL_MINUTES = 30;
const LIVE_ALARM_MIN = 60;

/** The calendar of one person: their days at their hours, in all their runs; live sessions at theirs. */
export async function personFeed(db: pg.PoolClient, scope: LinkScope): Promise<string> {
  const book = await loadWorkspaceBook(db);
  const events: FeedEvent[] = [];
  for (const enrolment of scope.enrolments) {
    const view = await loadPersonView(db, { ...scope, enrolment });
    for (const bead of view.strand.beads) {
      const day = view.days.get(bead.dayId)!;
      if (bead.state === 'before' || bead.state === 'excused') continue;
      const isOut = day.sent !== undefined || day.withdrawn !== undefined;
      const fitted = day.sent ? await fitDay(db, day.sent, { enrolment }, book) : undefined;
      const { live } = day;
      events.push({
        uid: `session-${enrolment.enrolmentId}-${bead.dayId}@${publicUrl().hostname}`,
        startMs: live?.atMs ?? bead.releaseMs,
        minutes: live?.minutes ?? (fitted ? Math.max(5, wholeMinutes(fitted.plan.clockSec.likely)) : USUAL_MINUTES),
        title: `${day.sent?.title ?? (isOut ? 'Session' : 'Session to come')}${live ? ', live' : ''}`,
        description: [enrolment.programmeTitle, ...(day.withdrawn ? [day.withdrawn] : [])].join('\n'),
        ...(live && { place: live.place }),
        sequence: day.sequence + enrolment.run.sequence + enrolment.sequence,
        isCancelled: day.withdrawn !== undefined && day.record === undefined,
        // A day that wasn't sent has no moment of its own yet: that of its plan.
        changedMs: day.sentAtMs ?? bead.releaseMs - WEEK_MS,
        alarmMin: live ? LIVE_ALARM_MIN : 0,
      });
    }
  }
  return writeFeed({
    name: scope.enrolment.programmeTitle,
    description: 'Your sessions. This address is yours alone.',
    events,
  });
}

/** The calendar of a run, for its coach: each day as the run's own dates have it, on the coach's clock at release. */
export async function runFeed(db: pg.PoolClient, programme: Programme, timeZone: string): Promise<string> {
  const book = await loadWorkspaceBook(db);
  const days = toRunDays(await listDays(db, programme));
  const states = new Map((await listRunDayStates(db, programme.runId)).map((s) => [s.dayId, s]));
  const events = days.map((day): FeedEvent => {
    const state = states.get(day.id);
    const planned = day.text.trim() === '' ? undefined : planText(day.text, book);
    const { releaseMs } = ownDay(programme.run.rules, { timeZone }, day);
    const live = state?.live;
    return {
      uid: `run-${programme.runId}-${day.id}@${publicUrl().hostname}`,
      startMs: live?.atMs ?? releaseMs,
      minutes: live?.minutes ?? (planned ? Math.max(5, wholeMinutes(planned.plan.clockSec.likely)) : USUAL_MINUTES),
      title: `${planned ? sessionTitle(planned.document) || UNREAD_TITLE : 'to write'}${live ? ', live' : ''}`,
      description: `${programme.title}${day.sent ? '' : day.isReady ? '\nready' : '\nnot ready'}`,
      ...(live && { place: live.place }),
      link: `${publicUrl().origin}/programmes/${programme.id}-${programme.runId}/send/${dayKey(day)}`,
      sequence: day.revision + (day.sent?.number ?? 0) + (state?.sequence ?? 0) + programme.run.sequence,
      isCancelled: state !== undefined && state.withdrawnAtMs !== null,
      changedMs: Math.max(day.changedAtMs, day.sent?.sentAtMs ?? 0),
      alarmMin: live ? LIVE_ALARM_MIN : null,
    };
  });
  return writeFeed({ name: programme.title, description: programme.run.title, events });
}

/** A file with its tag: who has it already gets 304. Nothing on the way keeps it. */
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
    .some((tag) => tag.trim().replace(/^W\//, '') === etag);
  return has
    ? new Response(null, { status: 304, headers })
    : new Response(body as BodyInit, { headers: { ...headers, 'content-type': type } });
}
