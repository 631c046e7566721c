import { data } from 'react-router';
import type pg from 'pg';
import type { Enrolment } from '../db/queries/person.ts';
import { findPersonalLink, getEnrolment } from '../db/queries/person.ts';
import { inLinkedWorkspace, onDatabase } from './database.ts';
import { spendQuota } from './quota.ts';
import { readForm } from './read-body.ts';
import { hashToken, isTokenShaped } from './token.ts';

export interface LinkScope {
  readonly workspaceId: number;
  readonly enrolment: Enrolment;
}

const noLink = (): never => {
  throw data({ kind: 'link' }, { status: 404 });
};

/** Runs `work` for the person behind a link. A link that is unknown, revoked or malformed is one and the same 404. */
export async function withPersonalLink<T>(
  token: string,
  work: (db: pg.PoolClient, scope: LinkScope) => Promise<T>,
): Promise<T> {
  const opened = isTokenShaped(token)
    ? await inLinkedWorkspace(hashToken(token), async (db, { workspaceId, enrolmentId }) =>
        work(db, { workspaceId, enrolment: await getEnrolment(db, enrolmentId) }),
      )
    : undefined;
  return opened ? opened.result : noLink();
}

/** The form that the person behind a link sends: whose link it is is known before it is read, and it counts towards what one may store. */
export async function personForm(request: Request, token: string): Promise<FormData> {
  const link = isTokenShaped(token) ? await onDatabase((db) => findPersonalLink(db, hashToken(token))) : undefined;
  const { workspaceId, enrolmentId: id } = link ?? noLink();
  const { form, bytes } = await readForm(request);
  await spendQuota({ kind: 'link', id, workspaceId }, bytes);
  return form;
}
