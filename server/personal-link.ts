import { data } from 'react-router';
import type pg from 'pg';
import type { Enrolment } from '../db/queries/person.ts';
import { findPersonalLink, getEnrolment } from '../db/queries/person.ts';
import { withWorkspace } from '../db/workspace-scope.ts';
import { database } from './database.ts';
import { hashToken, isTokenShaped } from './token.ts';

export interface LinkScope {
  readonly workspaceId: number;
  readonly enrolment: Enrolment;
}

/** Runs `work` for the person behind a link. A link that is unknown, revoked or malformed is one and the same 404. */
export async function withPersonalLink<T>(
  token: string,
  work: (db: pg.PoolClient, scope: LinkScope) => Promise<T>,
): Promise<T> {
  const link = isTokenShaped(token) ? await findPersonalLink(database(), hashToken(token)) : undefined;
  if (!link) throw data({ kind: 'link' }, { status: 404 });
  return withWorkspace(database(), link.workspaceId, async (db) =>
    work(db, { workspaceId: link.workspaceId, enrolment: await getEnrolment(db, link.enrolmentId) }),
  );
}
