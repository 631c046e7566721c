import { object, string } from 'yup';
import { firstError, someWords } from '../http/form-schema.ts';
import { hasAtMost, cutLetters } from '../../core/letters.ts';
import { WORTH_MS } from '../../core/calendar/spans.ts';
import { channelOf } from '../../core/channels/channels.ts';
import type pg from 'pg';
import { EASE_DAYS } from '../../core/calendar/absence.ts';
import { addDays, parseDayDate } from '../../core/calendar/day.ts';
import { localDate } from '../../core/calendar/release.ts';
import { MOST_OCCASION } from '../../core/record/attention/rule.ts';
import { readSwaps } from '../../core/movement/read-swaps.ts';
import type { ActKind, AttentionSettings } from '../../core/record/attention/attention-rules.ts';
import {
  ACT_KINDS,
  ATTENTION_CODES,
  ATTENTION_RULES,
  isAttentionCode,
} from '../../core/record/attention/attention-rules.ts';
import { deleteAbsence, insertAbsences } from '../../db/queries/absence.ts';
import type { ActWas } from '../../db/queries/act.ts';
import { deleteAct, insertAct, lockAct, updateAttention } from '../../db/queries/act.ts';
import { insertMessage } from '../../db/queries/messages/lay-messages.ts';
import type { Enrolment } from '../../db/queries/person.ts';
import { getEnrolment, updatePlace, updateProfile } from '../../db/queries/person.ts';
import type { ProgrammeScope } from '../doors/coach-scope.ts';
import { note } from '../doors/audit.ts';
import { nowMs } from '../config.ts';
import { formLines, formText } from '../http/form-text.ts';
import { parseId } from '../http/parse-number.ts';
import { loadWorkspaceBook } from '../write/workspace-book.ts';
import { DONE_WORDS, RULE_WORDS } from '../../words/en/attention.ts';

/** What came of something a coach did on Follow up: words of what was done, or what is to be mended, and where. */
export type ActAnswer =
  | { readonly status: 'done'; readonly words: string; readonly undo?: { enrolmentId: number; actId: number } }
  | { readonly status: 'refused'; readonly field: string; readonly message: string };

const refused = (field: string, message: string): ActAnswer => ({ status: 'refused', field, message });

export const MAX_WORDS = 2000;
const MAX_SUBJECT = 120;
const wordsSchema = object({
  words: string()
    .required('Write a few words first.')
    .test('letters', `A message has at most ${MAX_WORDS} letters.`, hasAtMost(MAX_WORDS)),
});
const messageSchema = wordsSchema.shape({
  subject: someWords(MAX_SUBJECT, `Give it a subject, of at most ${MAX_SUBJECT} letters.`),
});
const noteSchema = object({ words: someWords(MAX_WORDS, `Write a note of 1 to ${MAX_WORDS} letters.`) });
/** What was put off is asked again after so many days. */
const SNOOZE_DAYS = 7;
/** The same again within so long is the same request. */
const TWICE_MS = 60_000;

/** Whether messages reach someone. */
export const isReached = ({ profile: { contact, address } }: Pick<Enrolment, 'profile'>): boolean =>
  contact.channel !== 'none' && address !== '' && !['bounced', 'stopped', 'asked'].includes(contact.addressState);

interface ActForm {
  readonly kind: ActKind;
  readonly code: string;
  readonly occasion: string;
  readonly form: FormData;
}

/** Carries out what a coach does about someone of a run, and remembers it. Undefined where `form` names nobody of this run, or nothing there is. */
export async function actOnPerson(
  db: pg.PoolClient,
  scope: ProgrammeScope,
  form: FormData,
): Promise<ActAnswer | undefined> {
  const enrolmentId = parseId(formText(form, 'enrolmentId'));
  const kind = ACT_KINDS.find((k) => k === formText(form, 'kind'));
  const code = formText(form, 'code');
  if (enrolmentId === undefined || !kind || (code !== '' && !isAttentionCode(code))) return undefined;
  const person = await getEnrolment(db, enrolmentId);
  if (person.runId !== scope.programme.runId) return undefined;
  const act: ActForm = { kind, code, occasion: cutLetters(formText(form, 'occasion'), MOST_OCCASION), form };
  const { workspaceId, coachId } = scope.coach;
  const since = new Date(nowMs() - TWICE_MS);
  if (await lockAct(db, { enrolmentId, ...act, since }))
    return { status: 'done', words: `${person.name}: ${DONE_WORDS[kind]} a moment ago.` };
  const done = await carryOut(db, scope, person, act);
  if ('status' in done) return done;
  await note(db, scope.coach, 'person-acted', {
    enrolmentId,
    programmeId: scope.programme.id,
    detail: DONE_WORDS[kind],
  });
  const actId = await insertAct(db, {
    workspaceId,
    coachId,
    enrolmentId,
    kind,
    code,
    occasion: act.occasion,
    words: done.words,
    untilOn: kind === 'snoozed' ? addDays(localDate(nowMs(), person.timeZone), SNOOZE_DAYS) : null,
    was: done.was,
    now: new Date(nowMs()),
  });
  return {
    status: 'done',
    words: `${person.name}: ${DONE_WORDS[kind]}${done.said ?? ''}.`,
    // What has left can't be called back.
    ...(done.said === undefined && { undo: { enrolmentId, actId } }),
  };
}

type CarriedOut = { readonly words: string; readonly was: ActWas; readonly said?: string } | ActAnswer;

async function carryOut(
  db: pg.PoolClient,
  { coach: { workspaceId, coachId }, programme }: ProgrammeScope,
  person: Enrolment,
  { kind, form }: ActForm,
): Promise<CarriedOut> {
  const today = localDate(nowMs(), person.timeZone);
  const now = new Date(nowMs());
  const { enrolmentId, personId } = person;
  const away = async (absence: Parameters<typeof insertAbsences>[1]['absence'], words: string) => {
    const [absenceId] = await insertAbsences(db, {
      workspaceId,
      enrolmentIds: [enrolmentId],
      absence,
      saidBy: 'coach',
      note: '',
      now,
    });
    return { words, was: { absenceId: absenceId! } };
  };
  switch (kind) {
    case 'wrote':
    case 'asked': {
      const words = formLines(form, 'words').trim();
      const subject = formText(form, 'subject').trim();
      const bySelf = formText(form, 'by') === 'self';
      const wrong = await firstError(bySelf ? wordsSchema : messageSchema, { words, subject });
      if (wrong) return refused(wrong.field, wrong.message);
      if (bySelf) return { words, was: {} };
      const { contact, address } = person.profile;
      if (!isReached(person) || contact.channel === 'none')
        return refused(
          'words',
          'No messages reach them. Copy the words and send them your own way, then say that you have.',
        );
      await insertMessage(db, {
        workspaceId,
        kind: 'note',
        channel: contact.channel,
        address,
        personId,
        enrolmentId,
        runId: programme.runId,
        expiresAt: new Date(nowMs() + WORTH_MS.words),
        now,
        extra: { subject, words, byCoach: coachId },
      });
      return { words, was: {}, said: `, ${channelOf(contact.channel).by}` };
    }
    case 'excused': {
      const [from, to] = [parseDayDate(formText(form, 'from')), parseDayDate(formText(form, 'to'))];
      if (!from || !to || to < from) return refused('from', 'Say from which day to which.');
      return away({ kind: 'excused', from, to }, `${from} to ${to}`);
    }
    case 'paused': {
      const toText = formText(form, 'to');
      const to = toText === '' ? null : parseDayDate(toText);
      if (to === undefined || (to !== null && to < today)) return refused('to', 'It ends before it begins.');
      return away({ kind: 'pause', from: today, to }, to === null ? 'until further notice' : `until ${to}`);
    }
    case 'eased': {
      const until = addDays(today, EASE_DAYS);
      await updatePlace(db, enrolmentId, { easedUntil: until });
      return { words: `until ${until}`, was: { easedUntil: person.easedUntil } };
    }
    case 'swapped': {
      const [from, to] = [formText(form, 'from').trim(), formText(form, 'to').trim()];
      const { library } = await loadWorkspaceBook(db);
      const line = `${from} -> ${to}`;
      const { swaps, errors } = readSwaps([line], library);
      if (errors.length > 0 || swaps.length === 0)
        return refused('from', errors[0] ?? 'Name both movements, the one that is written and the one instead.');
      const others = person.profile.swaps.filter((s) => s.from !== swaps[0]!.from);
      await updateProfile(db, enrolmentId, { swaps: [...others, ...swaps] });
      return { words: line, was: { swaps: person.profile.swaps } };
    }
    case 'snoozed':
    case 'seen':
      return { words: '', was: {} };
  }
}

/** Takes back what a coach did, with what followed from it. Undefined where there is nothing like that in this run. */
export async function takeBack(
  db: pg.PoolClient,
  { programme }: ProgrammeScope,
  form: FormData,
): Promise<ActAnswer | undefined> {
  const [enrolmentId, actId] = [parseId(formText(form, 'enrolmentId')), parseId(formText(form, 'actId'))];
  if (enrolmentId === undefined || actId === undefined) return undefined;
  const person = await getEnrolment(db, enrolmentId);
  if (person.runId !== programme.runId) return undefined;
  const was = await deleteAct(db, enrolmentId, actId);
  if (!was) return undefined;
  if (was.absenceId !== undefined) await deleteAbsence(db, enrolmentId, was.absenceId);
  if (was.easedUntil !== undefined) await updatePlace(db, enrolmentId, { easedUntil: was.easedUntil });
  if (was.swaps) await updateProfile(db, enrolmentId, { swaps: was.swaps });
  return { status: 'done', words: `${person.name}: taken back.` };
}

/** Keeps a note of a coach about someone. */
export async function keepNote(
  db: pg.PoolClient,
  { coach, programme }: ProgrammeScope,
  enrolmentId: number,
  form: FormData,
): Promise<ActAnswer | undefined> {
  const person = await getEnrolment(db, enrolmentId);
  if (person.runId !== programme.runId) return undefined;
  const words = formLines(form, 'words').trim();
  const wrong = await firstError(noteSchema, { words });
  if (wrong) return refused(wrong.field, wrong.message);
  const actId = await insertAct(db, {
    workspaceId: coach.workspaceId,
    coachId: coach.coachId,
    enrolmentId,
    kind: 'note',
    code: '',
    occasion: '',
    words,
    untilOn: null,
    was: {},
    now: new Date(nowMs()),
  });
  await note(db, coach, 'person-acted', { enrolmentId, programmeId: programme.id, detail: 'a note' });
  return { status: 'done', words: 'Note kept.', undo: { enrolmentId, actId } };
}

/** Keeps which rules ask, and from when on. */
export async function keepRules(db: pg.PoolClient, { programme }: ProgrammeScope, form: FormData): Promise<ActAnswer> {
  const settings: Partial<Record<(typeof ATTENTION_CODES)[number], { off?: true; threshold?: number }>> = {};
  for (const code of ATTENTION_CODES) {
    const bounds = ATTENTION_RULES[code].threshold;
    const text = formText(form, `threshold-${code}`).trim();
    const threshold = Number(text);
    if (bounds && text !== '' && !(Number.isInteger(threshold) && threshold >= bounds.low && threshold <= bounds.high))
      return refused(
        `threshold-${code}`,
        `${RULE_WORDS[code].name}: a whole number from ${bounds.low} to ${bounds.high}.`,
      );
    settings[code] = {
      ...(form.get(`on-${code}`) === null && { off: true as const }),
      ...(bounds && text !== '' && threshold !== bounds.usual && { threshold }),
    };
  }
  const kept: AttentionSettings = Object.fromEntries(
    Object.entries(settings).filter(([, s]) => Object.keys(s).length > 0),
  );
  await updateAttention(db, programme.runId, kept);
  return { status: 'done', words: 'The rules are kept.' };
}
