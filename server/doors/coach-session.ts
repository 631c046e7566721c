import { DAY_MS } from '../../core/calendar/spans.ts';
import { redirect } from 'react-router';
import type { SignedInCoach } from '../../db/queries/doors/coach-session.ts';
import {
  deleteCoachSession,
  deleteExpiredSessions,
  findCoachSession,
  insertCoachSession,
  touchCoachSession,
} from '../../db/queries/doors/coach-session.ts';
import { getCoachKeys } from '../../db/queries/doors/coach.ts';
import { note } from './audit.ts';
import { browserWords } from './browser-words.ts';
import { nowMs } from '../config.ts';
import { cookie, readOwnCookie } from '../http/cookies.ts';
import { inWorkspace, onDatabase } from '../database.ts';
import { hashToken, isTokenShaped, makeToken } from './token.ts';

const COOKIE = 'ysodos_coach';
/** A session that isn't used ends after so long, and each ends some day. */
const IDLE_MS = 14 * DAY_MS;
const LONGEST_MS = 90 * DAY_MS;
/** The code has to follow the password within this. */
const CODE_MS = 10 * 60_000;
/** How often it is noted that a session is in use. */
const TOUCH_MS = 3_600_000;

export function readToken(request: Request, name: string): string | undefined {
  const token = readOwnCookie(request, name);
  return token && isTokenShaped(token) ? token : undefined;
}

/** Until when a session lasts that is used now. */
export const sessionEnd = (madeAtMs: number, now: number): Date =>
  new Date(Math.min(now + IDLE_MS, madeAtMs + LONGEST_MS));

/**
 * Begins a session, and ends the one that this browser had before, of whatever workspace. For a coach with a second step it opens nothing
 * until their code was right.
 */
export async function beginSession(
  request: Request,
  { workspaceId, coachId }: { readonly workspaceId: number; readonly coachId: number },
): Promise<{ readonly setCookie: string; readonly waitsForCode: boolean }> {
  await endSession(request);
  const token = makeToken();
  const waitsForCode = await inWorkspace(workspaceId, async (db) => {
    const nowAt = new Date(nowMs());
    const waits = (await getCoachKeys(db, coachId)).totpSealed !== null;
    await deleteExpiredSessions(db, nowAt);
    await insertCoachSession(db, {
      tokenHash: hashToken(token),
      workspaceId,
      coachId,
      now: nowAt,
      expiresAt: waits ? new Date(nowAt.getTime() + CODE_MS) : sessionEnd(nowAt.getTime(), nowAt.getTime()),
      agent: browserWords(request.headers.get('user-agent')),
      waitsForCode: waits,
    });
    if (!waits) await note(db, { workspaceId, coachId }, 'signed-in');
    return waits;
  });
  return { setCookie: cookie(COOKIE, token, IDLE_MS / 1000), waitsForCode };
}

/** Ends the session of the browser that asks, if it has one. */
async function endSession(request: Request): Promise<SignedInCoach | undefined> {
  const token = readToken(request, COOKIE);
  const session = token && (await onDatabase((db) => findCoachSession(db, hashToken(token), new Date(nowMs()))));
  if (!session) return undefined;
  await inWorkspace(session.workspaceId, (db) => deleteCoachSession(db, session.coachId, session.sessionId));
  return session;
}

/** Signs out: gives the cookie that takes the session's away. */
export async function signOut(request: Request): Promise<string> {
  const session = await endSession(request);
  if (session && !session.waitsForCode) await inWorkspace(session.workspaceId, (db) => note(db, session, 'signed-out'));
  return cookie(COOKIE, '', 0);
}

const found = new WeakMap<Request, Promise<SignedInCoach | undefined>>();

/** The session that the request brings, the second step done or not; asked of the database once a request. */
export function findSession(request: Request): Promise<SignedInCoach | undefined> {
  let session = found.get(request);
  if (!session) {
    const token = readToken(request, COOKIE);
    session = token ? findAndTouch(token) : Promise.resolve(undefined);
    found.set(request, session);
  }
  return session;
}

async function findAndTouch(token: string): Promise<SignedInCoach | undefined> {
  const now = nowMs();
  const session = await onDatabase((db) => findCoachSession(db, hashToken(token), new Date(now)));
  if (session && !session.waitsForCode && now - session.seenAtMs > TOUCH_MS)
    // In the background: no page waits for it, and where it fails, the next request does it.
    inWorkspace(session.workspaceId, (db) =>
      touchCoachSession(db, session.sessionId, new Date(now), sessionEnd(session.madeAtMs, now)),
    ).catch(() => undefined);
  return session;
}

/** The coach who is signed in. */
export async function findCoach(request: Request): Promise<SignedInCoach | undefined> {
  const session = await findSession(request);
  return session?.waitsForCode ? undefined : session;
}

/** The coach who is signed in; others are sent to sign in, and come back to where they wanted to be. */
export async function requireCoach(request: Request): Promise<SignedInCoach> {
  const session = await findSession(request);
  if (session && !session.waitsForCode) return session;
  const url = new URL(request.url);
  const to =
    request.method === 'GET'
      ? `?to=${encodeURIComponent(url.pathname.replace(/\.data$/, '') + url.search.replace(/[?&]_routes=[^&]*/, ''))}`
      : '';
  throw redirect(`/sign-in${session ? '/code' : ''}${to}`);
}

/** Where to go after signing in: a path of ours, never another site's. */
export const safePath = (to: string | null): string =>
  to && /^\/(?![/\\])[\w\-./?=&%]*$/.test(to) ? to : '/programmes';
