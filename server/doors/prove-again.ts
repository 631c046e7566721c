import { redirect } from 'react-router';
import { PROOF_FIELDS } from '../../core/proof-fields.ts';
import { getCoachKeys } from '../../db/queries/doors/coach.ts';
import type { SignedInCoach } from '../../db/queries/doors/coach-session.ts';
import { updateSessionProved } from '../../db/queries/doors/coach-session.ts';
import { noteSeldom } from './audit.ts';
import { sessionEnd } from './coach-session.ts';
import { linkSecret, nowMs } from '../config.ts';
import { inWorkspace } from '../database.ts';
import { formText } from '../http/form-text.ts';
import { verifyPassword } from './hash-password.ts';
import { refuse } from '../http/read-body.ts';
import { spendCode } from './second-step.ts';
import { isSeldom } from './sign-in.ts';

/** For so long after a password was shown nobody is asked again. */
const FRESH_MS = 10 * 60_000;
/** Times that a coach may try in a quarter of an hour. */
const MOST_TRIES = 10;

/** Whether a coach has to show their password (and code) before what can hurt: inviting, exporting people, removing. */
export const needsProof = ({ provedAtMs }: SignedInCoach): boolean => nowMs() - provedAtMs > FRESH_MS;

/**
 * Whether it is they who ask: by having signed in a moment ago, or by the password (and code) that the form brings. Undefined where it
 * is, else what to say at which field. `always` asks for the password even so.
 */
export async function proveAgain(
  coach: SignedInCoach,
  form: FormData,
  always = false,
): Promise<Record<string, string> | undefined> {
  if (!always && !needsProof(coach)) return undefined;
  const password = formText(form, PROOF_FIELDS.password);
  const code = formText(form, PROOF_FIELDS.code);
  const { coachId, workspaceId } = coach;
  const keys = await inWorkspace(workspaceId, (db) => getCoachKeys(db, coachId));
  if (password === '') return { [PROOF_FIELDS.password]: 'Your password, so that it is surely you.' };
  if (keys.totpSealed !== null && code === '') return { [PROOF_FIELDS.code]: 'And the code from your second step.' };
  if (!(await isSeldom({ [`prove ${coachId}`]: MOST_TRIES })))
    return { [PROOF_FIELDS.password]: 'Those were many tries; wait a quarter of an hour.' };
  const isRight = await verifyPassword(keys.passwordHash, password);
  if (isRight === undefined) return refuse(503, 'away');
  if (!isRight) {
    await noteSeldom(coach, 'wrong-password');
    return { [PROOF_FIELDS.password]: 'That is not your password.' };
  }
  const now = nowMs();
  const isIn = await inWorkspace(workspaceId, async (db) => {
    if (keys.totpSealed !== null && !(await spendCode(db, { coachId, secret: linkSecret(), nowMs: now }, keys, code)))
      return false;
    await updateSessionProved(db, coach.sessionId, new Date(now), sessionEnd(coach.madeAtMs, now));
    return true;
  });
  if (isIn) return undefined;
  await noteSeldom(coach, 'wrong-code');
  return { [PROOF_FIELDS.code]: 'That code is not right, or was used already.' };
}

/** Sends a coach who hasn't shown their password lately to do so first; from there they come back. For addresses that give a file. */
export function requireProof(request: Request, coach: SignedInCoach): void {
  if (!needsProof(coach)) return;
  const url = new URL(request.url);
  throw redirect(`/account/again?to=${encodeURIComponent(url.pathname + url.search)}`);
}
