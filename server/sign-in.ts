import { hash, verify } from '@node-rs/argon2';
import { redirect } from 'react-router';
import type { SignedInCoach } from '../db/queries/coach.ts';
import {
  deleteCoachSession,
  deleteExpiredSessions,
  deleteSignInAttempts,
  findCoachByEmail,
  findCoachSession,
  insertCoachSession,
  insertSignInAttempt,
} from '../db/queries/coach.ts';
import { withWorkspace } from '../db/workspace-scope.ts';
import { nowMs } from './config.ts';
import { cookie, readCookie } from './cookies.ts';
import { database } from './database.ts';
import { hashToken, isTokenShaped, makeToken } from './token.ts';

const COOKIE = 'ysodos_coach';
const SESSION_SEC = 14 * 24 * 3600;
const ATTEMPT_WINDOW_MS = 15 * 60 * 1000;
/** Attempts in the window before an account, or an address of the network, has to wait. */
const MAX_ATTEMPTS_ACCOUNT = 8;
const MAX_ATTEMPTS_ADDRESS = 40;

export const hashPassword = (password: string): Promise<string> => hash(password);

/** Verified against when there is no such account, so that both take the same time. */
let decoy: Promise<string> | undefined;

export type SignInResult =
  { kind: 'in'; setCookie: string } | { kind: 'wrong' } | { kind: 'too-many'; waitMin: number };

/** Counts the attempt first; a right password forgets those of the account. Fails closed. */
export async function signIn(email: string, password: string, networkAddress: string): Promise<SignInResult> {
  const pool = database();
  const now = new Date(nowMs());
  const since = new Date(now.getTime() - ATTEMPT_WINDOW_MS);
  const accountKey = hashToken(`account:${email.toLowerCase()}`);
  const byAccount = await insertSignInAttempt(pool, accountKey, now, since);
  const byAddress = await insertSignInAttempt(pool, hashToken(`address:${networkAddress}`), now, since);
  if (byAccount > MAX_ATTEMPTS_ACCOUNT || byAddress > MAX_ATTEMPTS_ADDRESS)
    return { kind: 'too-many', waitMin: ATTEMPT_WINDOW_MS / 60_000 };
  const account = await findCoachByEmail(pool, email.trim().toLowerCase());
  const right = await verify(account?.passwordHash ?? (await (decoy ??= hash('nobody'))), password);
  if (!account || !right) return { kind: 'wrong' };
  const token = makeToken();
  await deleteSignInAttempts(pool, accountKey);
  await withWorkspace(pool, account.workspaceId, async (db) => {
    await deleteExpiredSessions(db, now);
    await insertCoachSession(db, {
      tokenHash: hashToken(token),
      workspaceId: account.workspaceId,
      coachId: account.coachId,
      expiresAt: new Date(now.getTime() + SESSION_SEC * 1000),
    });
  });
  return { kind: 'in', setCookie: cookie(COOKIE, token, SESSION_SEC) };
}

export async function findCoach(request: Request): Promise<SignedInCoach | undefined> {
  const token = readCookie(request, COOKIE);
  if (!token || !isTokenShaped(token)) return undefined;
  return findCoachSession(database(), hashToken(token), new Date(nowMs()));
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

export async function signOut(request: Request): Promise<string> {
  const token = readCookie(request, COOKIE);
  const coach = await findCoach(request);
  if (token && coach)
    await withWorkspace(database(), coach.workspaceId, (db) => deleteCoachSession(db, hashToken(token)));
  return cookie(COOKIE, '', 0);
}

/** Where to go after signing in: a path of ours, never another site's. */
export const safePath = (to: string | null): string =>
  to && /^\/(?![/\\])[\w\-./?=&%]*$/.test(to) ? to : '/programmes';
