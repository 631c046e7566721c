import type pg from 'pg';
import { dayKey, shortPlace, weekdayOf } from '../../core/calendar/day.ts';
import type { MessageKind, MessageState } from '../../core/channels/message.ts';
import { countOutbox, listOutbox } from '../../db/queries/messages/outbox.ts';
import { MESSAGE_STATES } from '../../core/channels/message.ts';
import { type ProgrammeScope } from '../doors/coach-scope.ts';
import { coachZone } from '../doors/coach-zone.ts';
import { nowMs } from '../config.ts';
import { instantWords } from '../messages/compose.ts';
import { parseId } from '../http/parse-number.ts';
import { MESSAGE_WORDS } from '../../words/en/messages.ts';

const PAGE = 100;

const readState = (text: string | null): MessageState | undefined => MESSAGE_STATES.find((s) => s === text);

export async function loadOutbox(db: pg.PoolClient, { programme }: ProgrammeScope, request: Request) {
  const search = new URL(request.url).searchParams;
  const zone = coachZone(request);
  const [rows, counts] = await Promise.all([
    listOutbox(db, programme.runId, {
      state: readState(search.get('state')),
      kind: (Object.keys(MESSAGE_WORDS) as MessageKind[]).find((k) => k === search.get('kind')),
      dayId: parseId(search.get('day')),
      words: (search.get('q') ?? '').trim().slice(0, 80) || undefined,
      beforeId: parseId(search.get('before')),
      limit: PAGE + 1,
    }),
    countOutbox(db, programme.runId),
  ]);
  const first = weekdayOf(programme.startsOn);
  return {
    base: `/programmes/${programme.key}`,
    counts,
    older: rows.length > PAGE ? rows[PAGE - 1]!.id : null,
    rows: rows.slice(0, PAGE).map((r) => ({
      id: r.id,
      to: r.to,
      enrolmentId: r.enrolmentId,
      address: r.address,
      what: `${MESSAGE_WORDS[r.kind]}${r.number > 1 && r.kind === 'session' ? `, version ${r.number}` : ''}${r.repetition > 0 ? ', once more' : ''}`,
      day:
        r.week === null || r.weekday === null
          ? null
          : {
              key: dayKey({ week: r.week, weekday: r.weekday }),
              words: shortPlace({ week: r.week, weekday: r.weekday }, first),
            },
      state: r.state,
      when:
        r.acceptedAtMs !== null
          ? instantWords(r.acceptedAtMs, zone)
          : r.state === 'waiting'
            ? `next try ${instantWords(Math.max(r.nextTryAtMs, nowMs()), zone)}`
            : instantWords(r.createdAtMs, zone),
      reason: r.reason,
      tries: r.attempts,
      canRepeat: r.enrolmentId !== null && r.week !== null && r.state !== 'waiting' && r.state !== 'sending',
    })),
  };
}
