import { data } from 'react-router';
import type pg from 'pg';
import { parseDayKey } from '../core/calendar/day.ts';
import { NotFoundError } from '../db/errors.ts';
import type { SignedInCoach } from '../db/queries/coach.ts';
import type { Day, Programme } from '../db/queries/programme.ts';
import { findDay, getProgramme } from '../db/queries/programme.ts';
import { withWorkspace } from '../db/workspace-scope.ts';
import { database } from './database.ts';
import { requireCoach } from './sign-in.ts';

export const notFound = (): never => {
  throw data({ kind: 'missing' }, { status: 404 });
};

/** Runs `work` in the workspace of the coach who is signed in; what isn't there for them is a 404. */
export async function withCoach<T>(
  request: Request,
  work: (db: pg.PoolClient, coach: SignedInCoach) => Promise<T>,
): Promise<T> {
  const coach = await requireCoach(request);
  try {
    return await withWorkspace(database(), coach.workspaceId, (db) => work(db, coach));
  } catch (error) {
    if (error instanceof NotFoundError) return notFound();
    throw error;
  }
}

export interface ProgrammeScope {
  readonly coach: SignedInCoach;
  readonly programme: Programme;
}

export async function withProgramme<T>(
  request: Request,
  programmeId: string | undefined,
  work: (db: pg.PoolClient, scope: ProgrammeScope) => Promise<T>,
): Promise<T> {
  if (!programmeId || !/^\d{1,15}$/.test(programmeId)) {
    await requireCoach(request);
    return notFound();
  }
  return withCoach(request, async (db, coach) =>
    work(db, { coach, programme: await getProgramme(db, Number(programmeId)) }),
  );
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
): Promise<T> {
  return withProgramme(request, params.programmeId, async (db, scope) => {
    const place = parseDayKey(params.day ?? '');
    if (!place || place.week > scope.programme.weeks) return notFound();
    return work(db, { ...scope, place, day: await findDay(db, scope.programme.id, place.week, place.weekday) });
  });
}
