import { heldOn } from '../participant/held.ts';
import { object, string } from 'yup';
import { day as dayField, firstError, isHour, peopleLimit, whole, words, zone } from '../http/form-schema.ts';
import { COACH_CHANNEL } from '../../core/channels/channels.ts';
import { WORTH_MS } from '../../core/calendar/spans.ts';
import { data, redirect } from 'react-router';
import type pg from 'pg';
import { addDays, dayKey, parseDayDate } from '../../core/calendar/day.ts';
import { instantAt, runDate, lastDate } from '../../core/calendar/release.ts';
import { insertMessage } from '../../db/queries/messages/lay-messages.ts';
import { insertNewRecords } from '../../db/queries/record.ts';
import { deleteCame, listLiveReplies, writeCame } from '../../db/queries/live.ts';
import { insertWithdrawals, updateReleasedVersion } from '../../db/queries/messages/release.ts';
import { getEnrolment } from '../../db/queries/person.ts';
import { PAPER_SIZES, updatePaperSize } from '../../db/queries/doors/paper.ts';
import { listRunDayStates, updateDayLive, updateDayWithdrawn, updateRunHeld } from '../../db/queries/run.ts';
import type { Day } from '../../db/queries/programme.ts';
import { randomBytes } from 'node:crypto';
import { doneByBeingThere } from '../participant/live-view.ts';
import type { DayScope } from '../doors/coach-scope.ts';
import type { LiveNote } from '../../core/messages/message-facts.ts';
import { instantWords } from '../messages/compose.ts';
import { planText } from '../write/session-view.ts';
import { previewFor } from './send-preview.ts';
import { loadWorkspaceBook } from '../write/workspace-book.ts';
import { note } from '../doors/audit.ts';
import { nowMs, publicUrl } from '../config.ts';
import { formId, formRevision, formLines, formText } from '../http/form-text.ts';
import { lastSendMs, loadCalendars, sendDay } from '../jobs/release-run.ts';
import { parseId } from '../http/parse-number.ts';
import { upsertLateChoice } from '../../db/queries/messages/stop.ts';
import { getCoachEmail } from '../../db/queries/doors/coach.ts';

const changeSchema = object({ changeNote: words(500, 'The note on what changed has at most 500 letters.') });
const withdrawSchema = object({ why: words(500, 'A reason has at most 500 letters.') });
const WHEN_LIVE = 'Say on which date and at what hour it is, like 18:00.';
const liveSchema = object({
  date: dayField(WHEN_LIVE),
  time: string().test('hour', WHEN_LIVE, (v) => isHour(v ?? '')),
  timeZone: zone,
  place: words(300, 'A place has at most 300 letters.'),
  minutes: whole(5, 600, 'It lasts between 5 minutes and 10 hours.'),
  limit: peopleLimit('A limit is a number of people, or nothing.'),
});

const refuse = (error: string, status = 400, more: Record<string, string> = {}) =>
  data({ error, told: '', ...more }, { status });
const told = (words: string) => data({ error: '', told: words, changeNote: '' });

/** What a coach does with a day on the Send screen. */
export async function actOnDay(db: pg.PoolClient, scope: DayScope, form: FormData) {
  const { programme, day } = scope;
  const intent = formText(form, 'intent') || 'send';
  if (intent === 'hold' || intent === 'let-go') {
    await updateRunHeld(db, programme.runId, intent === 'hold' ? new Date(nowMs()) : null);
    await note(db, scope.coach, intent === 'hold' ? 'held' : 'let-go', { programmeId: programme.id });
    return told(intent === 'hold' ? 'Nothing goes out until you let it go.' : 'It goes on.');
  }
  if (intent === 'paper') {
    const size = PAPER_SIZES.find((s) => s === formText(form, 'paper'));
    if (!size) return refuse('Paper is A4 or Letter.');
    await updatePaperSize(db, scope.coach.workspaceId, size);
    return told('');
  }
  if (!day) return refuse('The programme has no session on this day.', 404);
  switch (intent) {
    case 'send':
      return send(db, scope, day, form);
    case 'withdraw':
      return withdraw(db, scope, day, form);
    case 'restore':
      await updateDayWithdrawn(db, { ...at(scope, day), at: null, note: '' });
      return told('It stands again.');
    case 'test':
      return sendTest(db, scope, day, form);
    case 'live':
      return setLive(db, scope, day, form);
    case 'came':
    case 'not-came':
      return tickCame(db, scope, day, form, intent === 'came');
    default:
      return refuse('That is no step of this page; load it again.');
  }
}

const at = ({ coach, programme }: DayScope, day: Day) => ({
  workspaceId: coach.workspaceId,
  runId: programme.runId,
  dayId: day.id,
});

async function send(db: pg.PoolClient, scope: DayScope, day: Day, form: FormData) {
  const { programme, coach, place } = scope;
  const changeNote = formLines(form, 'changeNote').trim();
  const wrong = await firstError(changeSchema, { changeNote });
  if (wrong) return refuse(wrong.message, 400, { changeNote });
  if (!day.isReady || day.revision !== formRevision(form))
    return refuse('The text was changed since it was marked ready. Look at it again under Write.', 409, { changeNote });
  const isWithdrawn = (await listRunDayStates(db, programme.runId)).some(
    (s) => s.dayId === day.id && s.withdrawnAtMs !== null,
  );
  if (day.sent?.text === day.text && !isWithdrawn)
    return refuse('This text was sent already; nothing has changed since.', 409, { changeNote });
  const version = await sendDay(db, {
    workspaceId: coach.workspaceId,
    programme,
    day,
    changeNote,
    coachId: coach.coachId,
    nowMs: nowMs(),
  });
  if (!version)
    return refuse('It can’t be sent as it stands, or someone sent it a moment ago. Look at it again.', 409, {
      changeNote,
    });
  await note(db, coach, 'sent', {
    programmeId: programme.id,
    detail: `${dayKey(place)}, version ${version.number}`,
  });
  const now = new Date(nowMs());
  // Sent by hand after its date, it goes to those for whom that is over too: this press decides it, and its number is said.
  const calendars = await loadCalendars(db, programme);
  if (calendars.some((c) => c.days.some((d) => d.day.dayId === day.id && d.endsMs <= nowMs())))
    await upsertLateChoice(db, { ...at(scope, day), coachId: coach.coachId, timeZone: '', choice: 'send', now });
  if (isWithdrawn) await updateDayWithdrawn(db, { ...at(scope, day), at: null, note: '' });
  if (version.number > 1)
    await updateReleasedVersion(db, {
      ...at(scope, day),
      version,
      note: changeNote,
      expiresAt: await expiresAt(db, scope, day),
      now,
    });
  return redirect(`/programmes/${programme.key}/send/w${place.week}d${place.weekday}`);
}

/** Until when telling of a day is worth it. */
async function expiresAt(db: pg.PoolClient, { programme }: DayScope, day: Day): Promise<Date> {
  return new Date(Math.max(lastSendMs(await loadCalendars(db, programme), day.id), nowMs() + WORTH_MS.day));
}

async function withdraw(db: pg.PoolClient, scope: DayScope, day: Day, form: FormData) {
  const why = formLines(form, 'note').trim();
  const wrong = await firstError(withdrawSchema, { why });
  if (wrong) return refuse(wrong.message);
  if (!day.sent) return refuse('Nothing was sent that could be withdrawn.', 409);
  const now = new Date(nowMs());
  await updateDayWithdrawn(db, { ...at(scope, day), at: now, note: why });
  await note(db, scope.coach, 'withdrew', { programmeId: scope.programme.id, detail: dayKey(scope.place) });
  const state = (await listRunDayStates(db, scope.programme.runId)).find((s) => s.dayId === day.id);
  await insertWithdrawals(db, {
    ...at(scope, day),
    sequence: state?.sequence ?? 1,
    note: why,
    expiresAt: await expiresAt(db, scope, day),
    now,
  });
  return told('Withdrawn: it is gone from the pages of all who haven’t done it.');
}

/** The very message that goes out, to the coach alone: written as for the person it is seen as, from the text as it stands. */
async function sendTest(db: pg.PoolClient, scope: DayScope, day: Day, form: FormData) {
  const { coach, programme, place } = scope;
  const asId = parseId(form.get('as'));
  if (asId === undefined && formText(form, 'as') !== '') return refuse('Choose as whom.');
  const as = asId === undefined ? undefined : await getEnrolment(db, asId);
  const book = await loadWorkspaceBook(db);
  const planned = planText(day.text, book);
  if (day.text.trim() === '' || planned.errors > 0)
    return refuse('Something in its text can’t be read yet; mend that first.', 409);
  const { message } = previewFor(planned, as?.runId === programme.runId ? as : undefined, {
    programme,
    place,
    coachName: coach.coachName,
    book,
    held: as && (await heldOn(db, as, { dayId: day.id })),
    live: await nextLiveNote(db, programme.runId, as?.timeZone ?? 'UTC'),
    link: `${publicUrl().origin}/programmes/${programme.key}/send/w${place.week}d${place.weekday}`,
  });
  await insertMessage(db, {
    workspaceId: coach.workspaceId,
    kind: 'test',
    channel: COACH_CHANNEL,
    address: await getCoachEmail(db, coach.coachId),
    coachId: coach.coachId,
    runId: programme.runId,
    dayId: day.id,
    versionId: day.sent?.versionId ?? null,
    expiresAt: new Date(nowMs() + WORTH_MS.day),
    now: new Date(nowMs()),
    extra: { written: message },
  });
  return told('It is on its way to your own address.');
}

/** The live session of a run that is next, as a message says it. */
export async function nextLiveNote(db: pg.PoolClient, runId: number, timeZone: string): Promise<LiveNote | null> {
  const [next] = (await listRunDayStates(db, runId))
    .flatMap(({ live, withdrawnAtMs }) => (live && withdrawnAtMs === null && live.atMs > nowMs() ? [live] : []))
    .sort((x, y) => x.atMs - y.atMs);
  return next ? { words: instantWords(next.atMs, timeZone), place: next.place } : null;
}

/** Letters that can't be taken for each other across a room. */
const CODE_LETTERS = 'ACDEFHJKLMNPRTUVWXY3479';
const makeCode = (): string => Array.from(randomBytes(4), (byte) => CODE_LETTERS[byte % CODE_LETTERS.length]).join('');

async function setLive(db: pg.PoolClient, scope: DayScope, day: Day, form: FormData) {
  if (formText(form, 'isLive') !== 'yes') {
    await updateDayLive(db, { ...at(scope, day), live: null });
    return told('It is not a live session.');
  }
  const { startsOn } = scope.programme;
  const date = parseDayDate(formText(form, 'date') || runDate(scope.programme.run.rules, scope.place));
  const time = formText(form, 'time');
  const timeZone = formText(form, 'timeZone');
  const place = formText(form, 'place').trim();
  const minutes = Number(formText(form, 'minutes') || 60);
  const limitText = formText(form, 'limit').trim();
  const limit = limitText === '' ? null : Number(limitText);
  const wrong = await firstError(liveSchema, { date: date ?? '', time, timeZone, place, minutes, limit });
  if (wrong) return refuse(wrong.message);
  if (!date || date < startsOn || date > addDays(lastDate(scope.programme.run.rules, scope.programme.weeks), 32))
    return refuse('That date lies outside the programme.');
  const known = (await listRunDayStates(db, scope.programme.runId)).find((s) => s.dayId === day.id)?.live;
  await updateDayLive(db, {
    ...at(scope, day),
    live: { atMs: instantAt(date, time, timeZone), minutes, place, limit, code: known?.code ?? makeCode() },
  });
  return told('People see it on their pages, in their own zone.');
}

async function tickCame(db: pg.PoolClient, scope: DayScope, day: Day, form: FormData, came: boolean) {
  const { programme, coach } = scope;
  const state = (await listRunDayStates(db, programme.runId)).find((s) => s.dayId === day.id);
  if (!state?.live) return refuse('That day has no live session.', 409);
  const enrolmentId = formId(form, 'enrolmentId');
  if ((await getEnrolment(db, enrolmentId)).runId !== programme.runId) return refuse('They are not in this run.', 404);
  if (!came) {
    await deleteCame(db, { runDayId: state.runDayId, enrolmentId });
    return told('Not there, then. What was logged by it stays; they can correct it.');
  }
  const isKnown = (await listLiveReplies(db, state.runDayId)).some((r) => r.enrolmentId === enrolmentId && r.came);
  await writeCame(db, {
    workspaceId: coach.workspaceId,
    runDayId: state.runDayId,
    enrolmentIds: [enrolmentId],
    now: new Date(nowMs()),
  });
  if (day.sent && !isKnown)
    await insertNewRecords(db, [
      doneByBeingThere({
        workspaceId: coach.workspaceId,
        enrolmentId,
        versionId: day.sent.versionId,
        atMs: state.live.atMs,
      }),
    ]);
  return told('There: it counts as that day’s session.');
}
