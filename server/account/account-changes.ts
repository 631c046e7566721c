import { yupErrors } from '../http/form-schema.ts';
import { COACH_CHANNEL } from '../../core/channels/channels.ts';
import { DAY_MS } from '../../core/calendar/spans.ts';
import { randomUUID } from 'node:crypto';
import { data } from 'react-router';
import type pg from 'pg';
import { object, string } from 'yup';
import { isEmailAddress } from '../../core/channels/email.ts';
import { cutLetters, hasAtMost } from '../../core/letters.ts';
import {
  findCoachByEmail,
  getCoachEmail,
  replaceRecoveryCodes,
  spendTotpStep,
  updateCoachName,
  updateCoachPassword,
  updateSecondStep,
} from '../../db/queries/doors/coach.ts';
import { closeOwnDoors, insertCoachDoor } from '../../db/queries/doors/coach-door.ts';
import type { SignedInCoach } from '../../db/queries/doors/coach-session.ts';
import { deleteCoachSession, deleteCoachSessions } from '../../db/queries/doors/coach-session.ts';
import { insertMessage } from '../../db/queries/messages/lay-messages.ts';
import { note } from '../doors/audit.ts';
import { withCoach } from '../doors/coach-scope.ts';
import { linkSecret, nowMs } from '../config.ts';
import { onDatabase } from '../database.ts';
import { deriveToken } from '../doors/derived-token.ts';
import { formText } from '../http/form-text.ts';
import { hashWhenFree } from '../doors/hash-password.ts';
import { ECHO_LETTERS } from '../http/limits/limits.ts';
import { parseId } from '../http/parse-number.ts';
import { newPassword } from '../doors/password-rules.ts';
import { proveAgain } from '../doors/prove-again.ts';
import { refuse } from '../http/read-body.ts';
import { findStep, hashRecoveryCode, makeRecoveryCodes, readTotpKey, sealTotpKey } from '../doors/second-step.ts';
import { isSeldom } from '../doors/sign-in.ts';
import { hashToken } from '../doors/token.ts';

/** New addresses that may be asked for in a quarter of an hour. */
const MOST_ADDRESSES = 3;

export interface AccountAnswer {
  readonly intent: string;
  readonly errors: Readonly<Record<string, string>>;
  readonly told: string;
  /** What was typed, to stand in the form again. */
  readonly typed?: string;
  /** Shown once. */
  readonly codes?: readonly string[];
}

const answer = (of: AccountAnswer, status = 200) => data(of, { status });

/** Tells a coach of a change to their sign-in, at an address of theirs: it may not have been they. */
export const tellCoach = (
  db: pg.PoolClient,
  { workspaceId, coachId }: Pick<SignedInCoach, 'workspaceId' | 'coachId'>,
  to: { readonly address: string; readonly subject: string; readonly words: string },
): Promise<unknown> =>
  insertMessage(db, {
    workspaceId,
    kind: 'told',
    channel: COACH_CHANNEL,
    address: to.address,
    coachId,
    expiresAt: new Date(nowMs() + 7 * DAY_MS),
    now: new Date(nowMs()),
    extra: { subject: to.subject, words: to.words, path: '/account' },
  });

const notYou = 'If that was not you, choose a new password at once, and sign out everywhere.';

/** Changes what a coach says of themselves, and how they sign in. */
export async function changeAccount(request: Request, coach: SignedInCoach, form: FormData) {
  const intent = formText(form, 'intent');
  switch (intent) {
    case 'name':
      return changeName(request, form);
    case 'address':
      return askAddress(request, coach, form);
    case 'password':
      return changePassword(request, coach, form);
    case 'end-session':
      return endSession(request, form);
    case 'second-on':
      return turnOn(request, coach, form);
    case 'second-off':
    case 'codes':
      return changeSecond(request, coach, form, intent);
    default:
      return answer({ intent, errors: { form: 'That is no step of this page; load it again.' }, told: '' }, 400);
  }
}

async function changeName(request: Request, form: FormData) {
  const intent = 'name';
  const typed = formText(form, 'name').trim();
  const errors = await yupErrors(
    object({
      name: string().required('Say what people call you.').test('letters', 'At most 80 letters.', hasAtMost(80)),
    }),
    { name: typed },
  );
  if (errors.name) return answer({ intent, errors, told: '', typed: cutLetters(typed, ECHO_LETTERS) }, 400);
  return withCoach(
    request,
    async (db, coach) => {
      await updateCoachName(db, coach.coachId, typed);
      await note(db, coach, 'name');
      return answer({ intent, errors: {}, told: 'Saved. Messages carry it from now on.' });
    },
    'reader',
  );
}

/** Asks a new address whether it is theirs; until it says so, the old one stays. */
async function askAddress(request: Request, coach: SignedInCoach, form: FormData) {
  const intent = 'address';
  const email = formText(form, 'email').trim().toLowerCase();
  const typed = cutLetters(email, ECHO_LETTERS);
  if (!isEmailAddress(email))
    return answer({ intent, errors: { email: 'That is no e-mail address.' }, told: '', typed }, 400);
  const unproved = await proveAgain(coach, form);
  if (unproved) return answer({ intent, errors: unproved, told: '', typed }, 400);
  if (!(await isSeldom({ [`address ${coach.coachId}`]: MOST_ADDRESSES })))
    return answer({ intent, errors: { email: 'Wait a quarter of an hour with another.' }, told: '', typed }, 429);
  // The same answer whether or not it is a coach's already: who owns the mailbox is told, nobody else.
  const isFree = (await onDatabase((db) => findCoachByEmail(db, email))) === undefined;
  return withCoach(
    request,
    async (db) => {
      const now = new Date(nowMs());
      const expiresAt = new Date(now.getTime() + DAY_MS);
      await closeOwnDoors(db, coach.coachId, now);
      if (isFree) {
        const salt = randomUUID();
        const tokenHash = hashToken(deriveToken(linkSecret(), 'door', salt));
        const { workspaceId, coachId } = coach;
        await insertCoachDoor(db, { workspaceId, coachId, kind: 'address', email, salt, tokenHash, now, expiresAt });
        await insertMessage(db, {
          ...{ workspaceId, coachId, now, expiresAt },
          kind: 'address',
          channel: COACH_CHANNEL,
          address: email,
          extra: { salt },
        });
      }
      return answer({
        intent,
        errors: {},
        told: `A message is on its way to ${email}. Until you open its link, within a day, you sign in as before.`,
      });
    },
    'reader',
  );
}

async function changePassword(request: Request, coach: SignedInCoach, form: FormData) {
  const intent = 'password';
  const password = formText(form, 'password');
  const errors = await yupErrors(object({ password: newPassword }), { password });
  if (Object.keys(errors).length > 0) return answer({ intent, errors, told: '' }, 400);
  // Only now: a code of the second step works once, and isn't spent on a password that can't be had.
  const unproved = await proveAgain(coach, form, true);
  if (unproved) return answer({ intent, errors: unproved, told: '' }, 400);
  const passwordHash = await hashWhenFree(password, { key: `coach:${coach.coachId}`, isKnown: true });
  if (passwordHash === undefined) return refuse(503, 'away');
  return withCoach(
    request,
    async (db) => {
      await updateCoachPassword(db, coach.coachId, passwordHash);
      await deleteCoachSessions(db, coach.coachId, coach.sessionId);
      await closeOwnDoors(db, coach.coachId, new Date(nowMs()));
      await note(db, coach, 'password');
      const address = await getCoachEmail(db, coach.coachId);
      await tellCoach(db, coach, {
        address,
        subject: 'Your password was changed',
        words: `The password that you sign in to Ysodos with was changed. ${notYou}`,
      });
      return answer({ intent, errors: {}, told: 'You have a new password. Everywhere else you are signed out.' });
    },
    'reader',
  );
}

async function endSession(request: Request, form: FormData) {
  const intent = 'end-session';
  return withCoach(
    request,
    async (db, coach) => {
      const isEnded = await deleteCoachSession(db, coach.coachId, parseId(form.get('session')) ?? 0);
      if (isEnded) await note(db, coach, 'session-ended');
      return answer({ intent, errors: {}, told: isEnded ? 'It is signed out.' : 'It was signed out already.' });
    },
    'reader',
  );
}

/** Turns the second step on, once an authenticator has shown that it has the key. */
async function turnOn(request: Request, coach: SignedInCoach, form: FormData) {
  const intent = 'second-on';
  const typed = formText(form, 'key');
  const key = readTotpKey(typed);
  const unproved = await proveAgain(coach, form);
  if (unproved) return answer({ intent, errors: unproved, told: '', typed }, 400);
  if (coach.hasSecondStep)
    return answer({ intent, errors: { code: 'It is on already; load the page again.' }, told: '' }, 409);
  const step = key && findStep(key, formText(form, 'code'), nowMs());
  if (!key || step === undefined)
    return answer(
      {
        intent,
        errors: { code: 'That is not the code that it shows now. Look whether the phone’s clock is right.' },
        told: '',
        typed,
      },
      400,
    );
  const codes = makeRecoveryCodes();
  return withCoach(
    request,
    async (db) => {
      const { coachId, workspaceId } = coach;
      await updateSecondStep(db, coachId, sealTotpKey(linkSecret(), coachId, key));
      // The code that turned it on is used by that.
      await spendTotpStep(db, coachId, step);
      await replaceRecoveryCodes(db, { workspaceId, coachId, codeHashes: codes.map(hashRecoveryCode) });
      await deleteCoachSessions(db, coachId, coach.sessionId);
      await note(db, coach, 'second-step-on');
      return answer({ intent, errors: {}, told: 'The second step is on. Everywhere else you are signed out.', codes });
    },
    'reader',
  );
}

async function changeSecond(request: Request, coach: SignedInCoach, form: FormData, intent: 'second-off' | 'codes') {
  const unproved = await proveAgain(coach, form, true);
  if (unproved) return answer({ intent, errors: unproved, told: '' }, 400);
  const codes = intent === 'codes' ? makeRecoveryCodes() : [];
  return withCoach(
    request,
    async (db) => {
      const { coachId, workspaceId } = coach;
      await replaceRecoveryCodes(db, { workspaceId, coachId, codeHashes: codes.map(hashRecoveryCode) });
      if (intent === 'codes') {
        await note(db, coach, 'recovery-codes');
        return answer({ intent, errors: {}, told: 'The codes from before no longer work.', codes });
      }
      await updateSecondStep(db, coachId, null);
      await note(db, coach, 'second-step-off');
      await tellCoach(db, coach, {
        address: await getCoachEmail(db, coachId),
        subject: 'The second step was turned off',
        words: `Signing in to Ysodos as you takes only your password now. ${notYou}`,
      });
      return answer({ intent, errors: {}, told: 'The second step is off.' });
    },
    'reader',
  );
}
