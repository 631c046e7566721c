import type pg from 'pg';
import { dayKey, parseDayKey } from '../../core/calendar/day.ts';
import { plural } from '../../core/words/words.ts';
import { findDay } from '../../db/queries/programme.ts';
import { updateMessagesStopped } from '../../db/queries/messages/message.ts';
import type { LateChoice } from '../../db/queries/messages/stop.ts';
import { deleteShift, insertShift, listStops, updateStops, upsertLateChoice } from '../../db/queries/messages/stop.ts';
import type { ProgrammeScope } from '../doors/coach-scope.ts';
import { note } from '../doors/audit.ts';
import { nowMs } from '../config.ts';
import { formText } from '../http/form-text.ts';
import { loadCalendars } from '../jobs/release-run.ts';
import { listLateDays } from './late-days.ts';
import { parseId } from '../http/parse-number.ts';
import { GRACE_MS } from '../../db/queries/messages/lay-messages.ts';
import { decideSend } from './send-decision.ts';

interface Told {
  readonly error: string;
  readonly told: string;
}
const refuse = (error: string): Told => ({ error, told: '' });
const told = (words: string): Told => ({ error: '', told: words });

/** What a coach decides about days that are held back, are about to leave, or did not go out. */
export async function actOnHeld(db: pg.PoolClient, scope: ProgrammeScope, form: FormData): Promise<Told> {
  const { programme, coach } = scope;
  const intent = formText(form, 'intent');
  const now = new Date(nowMs());
  if (intent === 'move-back') {
    const shiftId = parseId(form.get('shift')) ?? 0;
    if (!(await deleteShift(db, { runId: programme.runId, shiftId }))) return refuse('That was taken back already.');
    return told('The plan is where it was.');
  }
  if (intent === 'stop-messages') {
    const stopped = await updateMessagesStopped(db, { runId: programme.runId, now });
    if (stopped > 0)
      await note(db, coach, 'stopped', { programmeId: programme.id, detail: plural(stopped, 'message') });
    return stopped === 0
      ? refuse('It is too late to stop it: the messages have left.')
      : told(`${plural(stopped, 'message is', 'messages are')} not sent.`);
  }
  const place = parseDayKey(formText(form, 'day'));
  const day = place && (await findDay(db, programme, place.week, place.weekday));
  if (!day) return refuse('The programme has no session on this day.');
  const at = { runId: programme.runId, dayId: day.id, now };
  const timeZone = formText(form, 'zone');
  switch (intent) {
    case 'stop': {
      const held = await updateStops(db, { ...at, from: 'grace', to: 'held', until: null });
      if (held > 0) await note(db, coach, 'stopped', { programmeId: programme.id, detail: dayKey(day) });
      return held === 0
        ? refuse('It is too late to stop it: the session has left.')
        : told(`Stopped. It is held back from ${plural(held, 'person', 'people')}.`);
    }
    case 'send-held': {
      // For whom the date has passed meanwhile, this press decides that it comes all the same.
      const zones = new Set(
        (await listStops(db, programme.runId))
          .filter((s) => s.dayId === day.id && s.kind === 'held' && s.toMs === null)
          .map((s) => s.timeZone),
      );
      const calendars = await loadCalendars(db, programme);
      for (const { group, days } of calendars)
        if (zones.has(group.timeZone) && days.some((d) => d.day.dayId === day.id && d.endsMs <= nowMs()))
          await choose(db, scope, { dayId: day.id, timeZone: group.timeZone, choice: 'send' });
      const until = new Date(nowMs() + GRACE_MS);
      const sent = await updateStops(db, { ...at, from: 'held', to: 'grace', until });
      if (sent > 0)
        await note(db, coach, 'sent', { programmeId: programme.id, detail: `${dayKey(day)}, held until now` });
      return sent === 0 ? refuse('Nothing of it is held back any more.') : told('It goes out in five minutes.');
    }
    case 'leave-held': {
      const left = await updateStops(db, { ...at, from: 'held', to: 'left-out', until: null });
      return left === 0 ? refuse('Nothing of it is held back any more.') : told('It is left out.');
    }
    case 'late-send':
      form.set('leaving', 'send');
      await decideSend(db, { ...coach, runIds: [programme.runId] }, form, () =>
        choose(db, scope, { dayId: day.id, timeZone, choice: 'send' }),
      );
      return told('It goes out, also where its day is over.');
    case 'late-leave':
      await choose(db, scope, { dayId: day.id, timeZone, choice: 'leave' });
      return told('It is left out. Nobody is said to have missed it.');
    case 'move-on': {
      const late = await listLateDays(db, programme, await loadCalendars(db, programme), nowMs());
      if (!late.some((l) => l.dayId === day.id)) return refuse('That day has gone out, or was decided already.');
      await insertShift(db, {
        workspaceId: coach.workspaceId,
        coachId: coach.coachId,
        runId: programme.runId,
        week: day.week,
        weekday: day.weekday,
        weeks: 1,
        timeZone: timeZone === '' ? null : timeZone,
        now,
      });
      return told('From that day on the plan comes a week later.');
    }
    default:
      return refuse('That is no step of this page; load it again.');
  }
}

const choose = (db: pg.PoolClient, { coach, programme }: ProgrammeScope, choice: LateChoice): Promise<void> =>
  upsertLateChoice(db, {
    ...choice,
    workspaceId: coach.workspaceId,
    coachId: coach.coachId,
    runId: programme.runId,
    now: new Date(nowMs()),
  });
