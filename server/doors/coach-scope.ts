import { data } from 'react-router';
import type pg from 'pg';
import { parseDayKey } from '../../core/calendar/day.ts';
import { parseId } from '../http/parse-number.ts';
import type { ParsedJson } from '../../core/exchange/parse-json.ts';
import { NotFoundError } from '../../db/errors.ts';
import type { CoachRole } from '../../core/coach-role.ts';
import { mayAs } from '../../core/coach-role.ts';
import type { SignedInCoach } from '../../db/queries/doors/coach-session.ts';
import type { Day, Programme } from '../../db/queries/programme.ts';
import { findDay, getProgramme } from '../../db/queries/programme.ts';
import { nowMs } from '../config.ts';
import { inWorkspace, readInWorkspace } from '../database.ts';
import { BODY_BYTES } from '../http/limits/limits.ts';
import { spendQuota } from '../http/limits/quota.ts';
import { readForm, readJson } from '../http/read-body.ts';
import { requireCoach } from './coach-session.ts';

export const notFound = (): never => {
  throw data({ kind: 'missing' }, { status: 404 });
};

/** Whoever may see something may read it; whoever changes it has to be a coach at the least. */
const leastFor = (request: Request): CoachRole => (['GET', 'HEAD'].includes(request.method) ? 'reader' : 'coach');

/** The coach who is signed in, where they may do what `least` is needed for; 403 where not. */
export async function requireRole(request: Request, least: CoachRole = leastFor(request)): Promise<SignedInCoach> {
  const coach = await requireCoach(request);
  if (!mayAs(coach.role, least)) throw data({ kind: 'role' }, { status: 403 });
  return coach;
}

/**
 * Runs `work` in the workspace of the coach who is signed in; what isn't there for them is a 404. `least` is the role that it needs,
 * where that is another than the usual one.
 */
export async function withCoach<T>(
  request: Request,
  work: (db: pg.PoolClient, coach: SignedInCoach) => Promise<T>,
  least?: CoachRole,
): Promise<T> {
  const coach = await requireRole(request, least);
  try {
    return request.method === 'GET'
      ? await readInWorkspace(request, coach.workspaceId, (db) => work(db, coach))
      : await inWorkspace(coach.workspaceId, (db) => work(db, coach));
  } catch (error) {
    if (error instanceof NotFoundError) return notFound();
    throw error;
  }
}

/** The form that a coach sends: who they are is known before it is read, and it counts towards what they may store. */
export async function coachForm(
  request: Request,
  limitBytes: number = BODY_BYTES.form,
  least?: CoachRole,
): Promise<FormData> {
  const { coachId: id, workspaceId } = await requireRole(request, least);
  const { form, bytes } = await readForm(request, limitBytes);
  await spendQuota({ kind: 'coach', id, workspaceId }, bytes);
  return form;
}

/** As coachForm, for a body of JSON. */
export async function coachJson(request: Request, limitBytes: number): Promise<ParsedJson> {
  const { coachId: id, workspaceId } = await requireRole(request);
  const { read, bytes } = await readJson(request, limitBytes);
  await spendQuota({ kind: 'coach', id, workspaceId }, bytes);
  return read;
}

export interface ProgrammeScope {
  readonly coach: SignedInCoach;
  readonly programme: Programme;
}

export async function withProgramme<T>(
  request: Request,
  programmeId: string | undefined,
  work: (db: pg.PoolClient, scope: ProgrammeScope) => Promise<T>,
  least?: CoachRole,
): Promise<T> {
  const key = parseProgrammeKey(programmeId);
  if (key === undefined) {
    await requireRole(request, least);
    return notFound();
  }
  return withCoach(
    request,
    async (db, coach) => work(db, { coach, programme: await programmeOf(request, db, key) }),
    least,
  );
}

interface ProgrammeKey {
  readonly id: number;
  readonly runId?: number;
}

/** `3`: a programme by its usual run; `3-7`: by its run 7. */
export function parseProgrammeKey(text: string | undefined): ProgrammeKey | undefined {
  const [first, second, more] = (text ?? '').split('-');
  const id = parseId(first);
  if (id === undefined || more !== undefined) return undefined;
  if (second === undefined) return { id };
  const runId = parseId(second);
  return runId === undefined ? undefined : { id, runId };
}

const programmes = new WeakMap<Request, { readonly key: ProgrammeKey; readonly programme: Promise<Programme> }>();

/** The programme that a page is about; asked of the database once a page. */
function programmeOf(request: Request, db: pg.PoolClient, key: ProgrammeKey): Promise<Programme> {
  const known = programmes.get(request);
  if (request.method === 'GET' && known?.key.id === key.id && known.key.runId === key.runId) return known.programme;
  const programme = getProgramme(db, key.id, { now: new Date(nowMs()), runId: key.runId });
  programmes.set(request, { key, programme });
  return programme;
}

export interface DayScope extends ProgrammeScope {
  readonly place: { readonly week: number; readonly weekday: number };
  /** Absent where the programme has no session on this day. */
  readonly day: Day | undefined;
}

/** As withProgramme, at the day named like `w5d3`; a place outside the programme is a 404. */
export async function withDay<T>(
  request: Request,
  params: { programmeId?: string | undefined; day?: string | undefined },
  work: (db: pg.PoolClient, scope: DayScope) => Promise<T>,
  least?: CoachRole,
): Promise<T> {
  return withProgramme(
    request,
    params.programmeId,
    async (db, scope) => {
      const place = parseDayKey(params.day ?? '');
      if (!place || place.week > scope.programme.weeks) return notFound();
      return work(db, { ...scope, place, day: await findDay(db, scope.programme, place.week, place.weekday) });
    },
    least,
  );
}
