import { COACH_CHANNEL } from '../../core/channels/channels.ts';
import { WEEK_MS } from '../../core/calendar/spans.ts';
import { randomUUID } from 'node:crypto';
import { data } from 'react-router';
import { isCoachRole } from '../../core/coach-role.ts';
import { isEmailAddress } from '../../core/channels/email.ts';
import { cutLetters } from '../../core/letters.ts';
import { findCoachByEmail, listCoaches, updateCoachGone, updateCoachRole } from '../../db/queries/doors/coach.ts';
import { closeOwnDoors, insertCoachDoor, withdrawInvitations } from '../../db/queries/doors/coach-door.ts';
import type { SignedInCoach } from '../../db/queries/doors/coach-session.ts';
import { deleteCoachSessions } from '../../db/queries/doors/coach-session.ts';
import { insertMessage } from '../../db/queries/messages/lay-messages.ts';
import { note } from '../doors/audit.ts';
import { withCoach } from '../doors/coach-scope.ts';
import { linkSecret, nowMs } from '../config.ts';
import { onDatabase } from '../database.ts';
import { deriveToken } from '../doors/derived-token.ts';
import { formText } from '../http/form-text.ts';
import { ECHO_LETTERS } from '../http/limits/limits.ts';
import { parseId } from '../http/parse-number.ts';
import { proveAgain } from '../doors/prove-again.ts';
import { isSeldom } from '../doors/sign-in.ts';
import { hashToken } from '../doors/token.ts';

/** Invitations that an owner can send in a quarter of an hour. */
const MOST_INVITATIONS = 10;

export interface CoachesAnswer {
  readonly intent: string;
  /** The coach that it is about, where it is one. */
  readonly about: number | null;
  readonly errors: Readonly<Record<string, string>>;
  readonly told: string;
  readonly typed?: string;
}

/** What an owner changes about who coaches in the workspace: each after having shown who they are. */
export async function changeCoaches(request: Request, coach: SignedInCoach, form: FormData) {
  const intent = formText(form, 'intent');
  const about = parseId(form.get('coach')) ?? null;
  const answer = (of: Omit<CoachesAnswer, 'intent' | 'about'>, status = 200) =>
    data<CoachesAnswer>({ intent, about, ...of }, { status });
  const refused = (message: string, status = 400) => answer({ errors: { form: message }, told: '' }, status);
  if (intent === 'invite') return invite(request, coach, form, answer);
  if (intent === 'withdraw') {
    const email = formText(form, 'email').trim().toLowerCase();
    return withCoach(
      request,
      async (db) => {
        if (!(await withdrawInvitations(db, email, new Date(nowMs())))) return refused('Nothing was open there.', 409);
        await note(db, coach, 'invitation-withdrawn', { detail: email });
        return answer({ errors: {}, told: `The invitation of ${email} no longer works.` });
      },
      'owner',
    );
  }
  if (about === null || (intent !== 'role' && intent !== 'remove'))
    return refused('That is no step of this page; load it again.');
  const unproved = await proveAgain(coach, form);
  if (unproved) return answer({ errors: unproved, told: '' }, 400);
  return withCoach(
    request,
    async (db) => {
      const them = (await listCoaches(db)).find((c) => c.id === about);
      if (!them) return refused('They don’t coach here any more.', 409);
      const lastOwner = 'There has to be an owner: make somebody else one first.';
      if (intent === 'role') {
        const role = formText(form, 'role');
        if (!isCoachRole(role)) return refused('That is no role; load the page again.');
        if (role === them.role) return answer({ errors: {}, told: '' });
        if (!(await updateCoachRole(db, about, role))) return refused(lastOwner, 409);
        await note(db, coach, 'role', { detail: `${them.name}: ${role}` });
        return answer({ errors: {}, told: `${them.name} is ${role === 'owner' ? 'an' : 'a'} ${role} now.` });
      }
      const now = new Date(nowMs());
      if (!(await updateCoachGone(db, about, now))) return refused(lastOwner, 409);
      await deleteCoachSessions(db, about);
      await closeOwnDoors(db, about, now);
      await note(db, coach, 'coach-removed', { detail: them.name });
      return answer({ errors: {}, told: `${them.name} no longer coaches here, and is signed out everywhere.` });
    },
    'owner',
  );
}

async function invite<T>(
  request: Request,
  coach: SignedInCoach,
  form: FormData,
  answer: (of: Omit<CoachesAnswer, 'intent' | 'about'>, status?: number) => T,
): Promise<T> {
  const email = formText(form, 'email').trim().toLowerCase();
  const role = formText(form, 'role') || 'coach';
  const typed = cutLetters(email, ECHO_LETTERS);
  if (!isEmailAddress(email)) return answer({ errors: { email: 'That is no e-mail address.' }, told: '', typed }, 400);
  if (!isCoachRole(role)) return answer({ errors: { form: 'That is no role.' }, told: '', typed }, 400);
  const unproved = await proveAgain(coach, form);
  if (unproved) return answer({ errors: unproved, told: '', typed }, 400);
  if (await onDatabase((db) => findCoachByEmail(db, email)))
    return answer({ errors: { email: 'That address is a coach’s already.' }, told: '', typed }, 409);
  if (!(await isSeldom({ [`invite ${coach.coachId}`]: MOST_INVITATIONS })))
    return answer(
      { errors: { email: 'Those were many invitations; wait a quarter of an hour.' }, told: '', typed },
      429,
    );
  return withCoach(
    request,
    async (db) => {
      const now = new Date(nowMs());
      const expiresAt = new Date(now.getTime() + WEEK_MS);
      const { workspaceId, coachId, coachName, workspaceName } = coach;
      const salt = randomUUID();
      const tokenHash = hashToken(deriveToken(linkSecret(), 'door', salt));
      // The newest invitation counts; one from before, as something else perhaps, ends.
      await withdrawInvitations(db, email, now);
      await insertCoachDoor(db, {
        ...{ workspaceId, email, role, salt, tokenHash, now, expiresAt },
        kind: 'invite',
        coachId: null,
      });
      await insertMessage(db, {
        ...{ workspaceId, coachId, now, expiresAt },
        kind: 'invite',
        channel: COACH_CHANNEL,
        address: email,
        extra: { salt, by: coachName, workspace: workspaceName },
      });
      await note(db, coach, 'invited', { detail: `${email}, as ${role}` });
      return answer({ errors: {}, told: `An invitation is on its way to ${email}. It works once, for a week.` });
    },
    'owner',
  );
}
