import { setTimeout as sleep } from 'node:timers/promises';
import { getCoachKeys, findCoachByEmail } from '../../db/queries/doors/coach.ts';
import type { SignedInCoach } from '../../db/queries/doors/coach-session.ts';
import { isCoachDevice, updateSessionProved, upsertCoachDevice } from '../../db/queries/doors/coach-session.ts';
import { addAttemptWithin, addSignInAttempts, deleteSignInAttempts } from '../../db/queries/doors/sign-in-attempt.ts';
import { note, noteSeldom } from './audit.ts';
import { beginSession, readToken, sessionEnd } from './coach-session.ts';
import { linkSecret, nowMs } from '../config.ts';
import { cookie } from '../http/cookies.ts';
import { inWorkspace, onDatabase } from '../database.ts';
import { hashPassword, verifyPassword } from './hash-password.ts';
import { refuse } from '../http/read-body.ts';
import { spendCode } from './second-step.ts';
import type { Lane } from './sign-in-lanes.ts';
import { lanesOf, laneWaitMs, WINDOW_MS } from './sign-in-lanes.ts';
import { hashToken, makeToken } from './token.ts';

const DEVICE_COOKIE = 'ysodos_device';
const DEVICE_SEC = 365 * 24 * 3600;

/** Verified against when there is no such account, so that both take the same time. */
let decoy: Promise<string> | undefined;

export interface SignInAttempt {
  readonly email: string;
  readonly password: string;
  readonly networkAddress: string;
  /** Brings the cookies of the browser. */
  readonly request: Request;
}

export type SignInResult =
  | { kind: 'in'; setCookies: readonly string[]; waitsForCode: boolean }
  | { kind: 'wrong' }
  | { kind: 'too-many'; waitSec: number };

/** Attempts of a lane that are under way in this process. */
const underWay = new Map<string, number>();

async function inLanes<T>(lanes: readonly Lane[], work: () => Promise<T>): Promise<T | undefined> {
  if (lanes.some((lane) => (underWay.get(lane.key) ?? 0) >= lane.atOnce)) return undefined;
  for (const { key } of lanes) underWay.set(key, (underWay.get(key) ?? 0) + 1);
  try {
    return await work();
  } finally {
    for (const { key } of lanes) {
      const left = (underWay.get(key) ?? 1) - 1;
      if (left > 0) underWay.set(key, left);
      else underWay.delete(key);
    }
  }
}

/** Counts the attempt first, then waits as its lanes say; a right password forgets those of the account. Fails closed. */
export async function signIn(
  attempt: SignInAttempt,
  wait: (ms: number) => Promise<unknown> = sleep,
): Promise<SignInResult> {
  const email = attempt.email.trim().toLowerCase();
  const device = readToken(attempt.request, DEVICE_COOKIE);
  const isKnown = device !== undefined && (await onDatabase((db) => isCoachDevice(db, hashToken(device), email)));
  const lanes = lanesOf(email, attempt.networkAddress, isKnown ? device : undefined);
  const result = await inLanes(lanes, () => tryPassword({ ...attempt, email }, lanes, isKnown, wait));
  return result ?? { kind: 'too-many', waitSec: 20 };
}

async function tryPassword(
  { email, password, request, networkAddress }: SignInAttempt,
  lanes: readonly Lane[],
  isKnown: boolean,
  wait: (ms: number) => Promise<unknown>,
): Promise<SignInResult> {
  const now = new Date(nowMs());
  const counted = lanes.filter((lane) => lane.free !== Infinity);
  const keys = counted.map((lane) => hashToken(lane.key));
  const counts = await onDatabase((db) => addSignInAttempts(db, keys, now, new Date(now.getTime() - WINDOW_MS)));
  const waitMs = Math.max(...counted.map((lane, i) => laneWaitMs(lane, counts[i]!)));
  if (waitMs > 0) await wait(waitMs);
  const account = await onDatabase((db) => findCoachByEmail(db, email));
  const right = await verifyPassword(
    account?.passwordHash ?? (await (decoy ??= hashPassword('nobody'))),
    password,
    // Strangers of one network stand in one line, whatever accounts they try.
    isKnown ? { key: lanes[0]!.key, isKnown } : { key: `address:${networkAddress}`, isKnown },
  );
  if (right === undefined) return refuse(503, 'away');
  if (!account) return { kind: 'wrong' };
  if (!right) {
    await noteSeldom(account, 'wrong-password');
    return { kind: 'wrong' };
  }
  await onDatabase((db) => deleteSignInAttempts(db, keys));
  const { setCookie, waitsForCode } = await beginSession(request, account);
  if (isKnown) return { kind: 'in', setCookies: [setCookie], waitsForCode };
  const device = makeToken();
  await inWorkspace(account.workspaceId, (db) =>
    upsertCoachDevice(db, { tokenHash: hashToken(device), ...account, now }),
  );
  return { kind: 'in', setCookies: [setCookie, cookie(DEVICE_COOKIE, device, DEVICE_SEC)], waitsForCode };
}

/** Whether something happens at most so many times in a quarter of an hour under each of some keys. What is refused isn't counted. */
export async function isSeldom(limits: Readonly<Record<string, number>>): Promise<boolean> {
  const now = new Date(nowMs());
  const hashed = Object.entries(limits).map(([key, most]) => ({ keyHash: hashToken(key), most }));
  return onDatabase((db) => addAttemptWithin(db, hashed, now, new Date(now.getTime() - WINDOW_MS)));
}

/** Codes that may be tried in a quarter of an hour, for one coach. */
const MOST_CODES = 10;

/** The second step: opens a session whose password was right. Codes work once, and few may be tried. Fails closed. */
export async function tryCode(session: SignedInCoach, code: string): Promise<'in' | 'wrong' | 'too-many'> {
  const { coachId, workspaceId, sessionId, madeAtMs } = session;
  if (!(await isSeldom({ [`code ${coachId}`]: MOST_CODES }))) return 'too-many';
  const now = nowMs();
  const by = await inWorkspace(workspaceId, async (db) => {
    const keys = await getCoachKeys(db, coachId);
    const way = await spendCode(db, { coachId, secret: linkSecret(), nowMs: now }, keys, code);
    if (!way) return undefined;
    await updateSessionProved(db, sessionId, new Date(now), sessionEnd(madeAtMs, now));
    await note(db, session, way === 'recovery' ? 'recovery-code' : 'signed-in');
    return way;
  });
  if (by) return 'in';
  await noteSeldom(session, 'wrong-code');
  return 'wrong';
}
