import { setTimeout as sleep } from 'node:timers/promises';
import { redirect } from 'react-router';
import type { SignedInCoach } from '../db/queries/coach.ts';
import {
  addAttemptWithin,
  addSignInAttempts,
  deleteCoachSession,
  deleteExpiredSessions,
  deleteSignInAttempts,
  findCoachByEmail,
  findCoachSession,
  insertCoachSession,
  isCoachDevice,
  upsertCoachDevice,
} from '../db/queries/coach.ts';
import { nowMs } from './config.ts';
import { cookie, readCookie } from './cookies.ts';
import { inWorkspace, onDatabase } from './database.ts';
import { hashPassword, verifyPassword } from './hash-password.ts';
import { refuse } from './read-body.ts';
import type { Lane } from './sign-in-lanes.ts';
import { lanesOf, laneWaitMs, WINDOW_MS } from './sign-in-lanes.ts';
import { hashToken, isTokenShaped, makeToken } from './token.ts';

const COOKIE = 'ysodos_coach';
const DEVICE_COOKIE = 'ysodos_device';
const SESSION_SEC = 14 * 24 * 3600;
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
  { kind: 'in'; setCookies: readonly string[] } | { kind: 'wrong' } | { kind: 'too-many'; waitSec: number };

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
  { email, password, request }: SignInAttempt,
  lanes: readonly Lane[],
  isKnown: boolean,
  wait: (ms: number) => Promise<unknown>,
): Promise<SignInResult> {
  const now = new Date(nowMs());
  const keys = lanes.map((lane) => hashToken(lane.key));
  const counts = await onDatabase((db) => addSignInAttempts(db, keys, now, new Date(now.getTime() - WINDOW_MS)));
  const waitMs = Math.max(...lanes.map((lane, i) => laneWaitMs(lane, counts[i]!)));
  if (waitMs > 0) await wait(waitMs);
  const account = await onDatabase((db) => findCoachByEmail(db, email));
  const right = await verifyPassword(account?.passwordHash ?? (await (decoy ??= hashPassword('nobody'))), password);
  if (right === undefined) return refuse(503, 'away');
  if (!account || !right) return { kind: 'wrong' };
  const token = makeToken();
  const device = makeToken();
  const before = readToken(request, COOKIE);
  await onDatabase((db) => deleteSignInAttempts(db, keys));
  // The session that this browser had, of whatever workspace, ends.
  if (before) await endSession(before);
  await inWorkspace(account.workspaceId, async (db) => {
    const { workspaceId, coachId } = account;
    await deleteExpiredSessions(db, now);
    const expiresAt = new Date(now.getTime() + SESSION_SEC * 1000);
    await insertCoachSession(db, { tokenHash: hashToken(token), workspaceId, coachId, expiresAt });
    if (!isKnown) await upsertCoachDevice(db, { tokenHash: hashToken(device), workspaceId, coachId, now });
  });
  const known = isKnown ? [] : [cookie(DEVICE_COOKIE, device, DEVICE_SEC)];
  return { kind: 'in', setCookies: [cookie(COOKIE, token, SESSION_SEC), ...known] };
}

/** Signs a coach in without a password: after a door that only they could open. Ends the browser's session before it. */
export async function signInAs(
  request: Request,
  { workspaceId, coachId }: { readonly workspaceId: number; readonly coachId: number },
): Promise<string> {
  const before = readToken(request, COOKIE);
  if (before) await endSession(before);
  const token = makeToken();
  await inWorkspace(workspaceId, (db) =>
    insertCoachSession(db, {
      tokenHash: hashToken(token),
      workspaceId,
      coachId,
      expiresAt: new Date(nowMs() + SESSION_SEC * 1000),
    }),
  );
  return cookie(COOKIE, token, SESSION_SEC);
}

/** Whether something happens at most so many times in a quarter of an hour under each of some keys. What is refused isn't counted. */
export async function isSeldom(limits: Readonly<Record<string, number>>): Promise<boolean> {
  const now = new Date(nowMs());
  const hashed = Object.entries(limits).map(([key, most]) => ({ keyHash: hashToken(key), most }));
  return onDatabase((db) => addAttemptWithin(db, hashed, now, new Date(now.getTime() - WINDOW_MS)));
}

function readToken(request: Request, name: string): string | undefined {
  const token = readCookie(request, name);
  return token && isTokenShaped(token) ? token : undefined;
}

const found = new WeakMap<Request, Promise<SignedInCoach | undefined>>();

/** The coach whose session the request brings; asked of the database once a request. */
export function findCoach(request: Request): Promise<SignedInCoach | undefined> {
  let coach = found.get(request);
  if (!coach) {
    const token = readToken(request, COOKIE);
    coach = token
      ? onDatabase((db) => findCoachSession(db, hashToken(token), new Date(nowMs())))
      : Promise.resolve(undefined);
    found.set(request, coach);
  }
  return coach;
}

/** The coach who is signed in; others are sent to sign in, and come back to where they wanted to be. */
export async function requireCoach(request: Request): Promise<SignedInCoach> {
  const coach = await findCoach(request);
  if (coach) return coach;
  const url = new URL(request.url);
  const to =
    request.method === 'GET'
      ? `?to=${encodeURIComponent(url.pathname.replace(/\.data$/, '') + url.search.replace(/[?&]_routes=[^&]*/, ''))}`
      : '';
  throw redirect(`/sign-in${to}`);
}

async function endSession(token: string): Promise<void> {
  const coach = await onDatabase((db) => findCoachSession(db, hashToken(token), new Date(nowMs())));
  if (coach) await inWorkspace(coach.workspaceId, (db) => deleteCoachSession(db, hashToken(token)));
}

export async function signOut(request: Request): Promise<string> {
  const token = readToken(request, COOKIE);
  if (token) await endSession(token);
  return cookie(COOKIE, '', 0);
}

/** Where to go after signing in: a path of ours, never another site's. */
export const safePath = (to: string | null): string =>
  to && /^\/(?![/\\])[\w\-./?=&%]*$/.test(to) ? to : '/programmes';
