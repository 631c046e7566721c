import { isEmailAddress } from '../../core/channels/email.ts';
import { object, string } from 'yup';
import { peopleLimit, words, yupErrors } from '../http/form-schema.ts';
import { randomBytes } from 'node:crypto';
import type pg from 'pg';
import { data, redirect } from 'react-router';
import type { DayDate } from '../../core/calendar/day.ts';
import { formatDay, parseDayDate } from '../../core/calendar/day.ts';
import type { SignedInCoach } from '../../db/queries/doors/coach-session.ts';
import {
  copyPeople,
  hasSent,
  insertRun,
  updateRun,
  updateRunArchived,
  updateRunClock,
  updateRunReplyTo,
  updateRunEnded,
  updateRunFeed,
  updateRunHeld,
  updateRunJoin,
} from '../../db/queries/run.ts';
import type { ProgrammeScope } from '../doors/coach-scope.ts';
import { coachToday } from '../doors/coach-zone.ts';
import { hashToken, makeToken } from '../doors/token.ts';
import { formLines, formText } from '../http/form-text.ts';
import { readRunForm } from './run-form.ts';
import type { VoiceLevel } from '../../core/clock/voice/voice.ts';
import { VOICE_LEVELS } from '../../core/clock/voice/voice.ts';
import { FILM_RULE, isFilmAddress } from '../../core/document/film.ts';
import { decideSend } from './send-decision.ts';

interface Answer {
  errors: Record<string, string>;
  told: string;
  feed?: string;
}

const answer = (errors: Record<string, string>, told = '', more: Partial<Answer> = {}) =>
  data<Answer>({ errors, told, ...more }, { status: Object.keys(errors).length > 0 ? 400 : 200 });

/** What a step of the page of a run needs. */
interface Step {
  readonly db: pg.PoolClient;
  readonly coach: SignedInCoach;
  readonly programme: ProgrammeScope['programme'];
  readonly form: FormData;
  readonly today: DayDate;
  readonly now: Date;
}

/** What each button of the page of a run does. */
const STEPS: Readonly<Record<string, (step: Step) => Promise<ReturnType<typeof answer> | Response>>> = {
  settings: keepSettings,
  copy: copyRun,
  hold: (step) => hold(step, step.now),
  'let-go': (step) => hold(step, null),
  end: endRun,
  'go-on': async ({ db, programme }) => {
    await updateRunEnded(db, programme.runId, null);
    return answer({}, 'It goes on to its last week.');
  },
  archive: (step) => archive(step, step.now),
  unarchive: (step) => archive(step, null),
  join: keepJoin,
  clock: keepClock,
  answers: keepAnswers,
  'join-off': async ({ db, programme: { run, runId } }) => {
    await updateRunJoin(db, runId, { ...run.join, code: null, isOpen: false });
    return answer({}, 'The link to the join page no longer works.');
  },
  feed: async ({ db, programme }) => {
    const token = makeToken();
    await updateRunFeed(db, programme.runId, hashToken(token));
    return answer({}, '', { feed: `/calendar/${token}` });
  },
  'feed-off': async ({ db, programme }) => {
    await updateRunFeed(db, programme.runId, null);
    return answer({}, 'The calendar’s address no longer works.');
  },
};

/** One step of the page of a run. */
export async function changeRun(
  db: pg.PoolClient,
  { coach, programme }: ProgrammeScope,
  request: Request,
  form: FormData,
  now: Date,
) {
  const intent = formText(form, 'intent');
  const step = Object.hasOwn(STEPS, intent) ? STEPS[intent] : undefined;
  const today = coachToday(request);
  return decideSend(db, { ...coach, runIds: [programme.runId] }, form, async () =>
    step
      ? step({ db, coach, programme, form, today, now })
      : answer({ form: 'That is no step of this page; load it again.' }),
  );
}

async function keepSettings({ db, programme: { run, runId }, form, today }: Step) {
  const read = await readRunForm(form, run, { today, isNew: false });
  if (read.status === 'error') return answer(read.errors);
  if (read.settings.startsOn !== run.rules.startsOn && (await hasSent(db, runId)))
    return answer({
      startsOn: 'Sessions of it were sent, so its first day stays. Another run can begin on another day.',
    });
  await updateRun(db, runId, read.settings);
  return answer({}, 'Saved. What is still to go out goes by it.');
}

/** The same plan once more on other days, with the same people where that was asked for. */
async function copyRun({ db, coach: { workspaceId }, programme, form, today }: Step) {
  const { run, runId } = programme;
  const read = await readRunForm(form, { ...run, title: '' }, { today, isNew: true });
  if (read.status === 'error')
    return answer(Object.fromEntries(Object.entries(read.errors).map(([k, v]) => [`copy-${k}`, v])));
  const { settings } = read;
  const id = await insertRun(db, { workspaceId, programmeId: programme.id, settings });
  await updateRunClock(db, id, run.clock);
  await updateRunReplyTo(db, id, run.replyTo);
  if (formText(form, 'people') === 'yes')
    await copyPeople(db, { workspaceId, fromRunId: runId, toRunId: id, joinedOn: settings.startsOn });
  return redirect(`/programmes/${programme.id}-${id}/run`);
}

async function hold({ db, programme }: Step, since: Date | null) {
  await updateRunHeld(db, programme.runId, since);
  return answer({}, since ? 'Nothing goes out until you let it go.' : 'It goes on.');
}

async function endRun({ db, programme: { run, runId }, form }: Step) {
  const on = parseDayDate(formText(form, 'endedOn'));
  if (!on || on < run.rules.startsOn) return answer({ endedOn: 'Say its last day: on or after its first.' });
  await updateRunEnded(db, runId, on);
  return answer({}, `It ends with ${formatDay(on)}.`);
}

async function archive({ db, programme }: Step, since: Date | null) {
  await updateRunArchived(db, programme.runId, since);
  return answer({}, since ? 'Archived: nothing goes out of it, and all that was stays.' : 'It is back.');
}

const MAX_WARM_UP_LETTERS = 1000;

const clockSchema = object({
  voice: string().oneOf(VOICE_LEVELS, 'Choose how much the voice says.'),
  warmUp: words(MAX_WARM_UP_LETTERS, `The warm-up has at most ${MAX_WARM_UP_LETTERS} letters.`),
  warmUpFilm: string().test('film', FILM_RULE, (v) => !v || isFilmAddress(v)),
});

/** What people's clocks say at first, and ask where a session has no warm-up. */
async function keepClock({ db, programme: { runId }, form }: Step) {
  const values = {
    voice: formText(form, 'voice'),
    warmUp: formLines(form, 'warmUp').trim(),
    warmUpFilm: formText(form, 'warmUpFilm').trim(),
  };
  const errors = await yupErrors(clockSchema, values);
  if (Object.keys(errors).length > 0) return answer(errors);
  await updateRunClock(db, runId, {
    voice: values.voice as VoiceLevel,
    warmUp: { words: values.warmUp, film: values.warmUpFilm },
  });
  return answer({}, 'Saved. Clocks that are opened from now on go by it.');
}

const answersSchema = object({
  replyTo: string().test('address', 'That is no e-mail address.', (v) => !v || isEmailAddress(v)),
});

/** Where answers to its messages go. */
async function keepAnswers({ db, programme: { runId }, form }: Step) {
  const replyTo = formText(form, 'replyTo').trim();
  const errors = await yupErrors(answersSchema, { replyTo });
  if (Object.keys(errors).length > 0) return answer(errors);
  await updateRunReplyTo(db, runId, replyTo);
  return answer({}, replyTo === '' ? 'Answers go to the coach who wrote.' : `Answers go to ${replyTo}.`);
}

const joinSchema = object({
  joinWords: words(500),
  joinLimit: peopleLimit('A number of people from 1 to 20,000, or nothing.'),
});

async function keepJoin({ db, programme: { run, runId }, form }: Step) {
  const joinWords = formLines(form, 'joinWords').trim();
  const limitText = formText(form, 'joinLimit').trim();
  const joinLimit = limitText === '' ? null : Number(limitText);
  const errors = await yupErrors(joinSchema, { joinWords, joinLimit });
  if (Object.keys(errors).length > 0) return answer(errors);
  const isNew = formText(form, 'renew') === 'yes' || run.join.code === null;
  const isOpen = formText(form, 'joinOpen') === 'yes';
  const code = isNew ? randomBytes(8).toString('hex') : run.join.code;
  await updateRunJoin(db, runId, { code, isOpen, limit: joinLimit, words: joinWords });
  return answer({}, isOpen ? 'The join page is open.' : 'The join page is closed.');
}
