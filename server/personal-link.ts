import { data } from 'react-router';
import type pg from 'pg';
import type { Enrolment } from '../db/queries/person.ts';
import { findPersonalLink, getEnrolment } from '../db/queries/person.ts';
import { inWorkspace, onDatabase } from './database.ts';
import { spendQuota } from './quota.ts';
import { readForm } from './read-body.ts';
import { hashToken, isTokenShaped } from './token.ts';

export interface LinkScope {
  readonly workspaceId: number;
  readonly enrolment: Enrolment;
}

const findLink = async (token: string): Promise<{ workspaceId: number; enrolmentId: number }> => {
  const link = isTokenShaped(token) ? await onDatabase((db) => findPersonalLink(db, hashToken(token))) : undefined;
  if (!link) throw data({ kind: 'link' }, { status: 404 });
  return link;
};

/** Runs `work` for the person behind a link. A link that is unknown, revoked or malformed is one and the same 404. */
export async function withPersonalLink<T>(
  token: string,
  work: (db: pg.PoolClient, scope: LinkScope) => Promise<T>,
): Promise<T> {
  const link = await findLink(token);
  return inWorkspace(link.workspaceId, async (db) =>
    work(db, { workspaceId: link.workspaceId, enrolment: await getEnrolment(db, link.enrolmentId) }),
  );
}

/** The form that the person behind a link sends: whose link it is is known before it is read, and it counts towards what one may store. */
export async function personForm(request: Request, token: string): Promise<FormData> {
  const { workspaceId, enrolmentId: id } = await findLink(token);
  const { form, bytes } = await readForm(request);
  await spendQuota({ kind: 'link', id, workspaceId }, bytes);
  return form;
}
