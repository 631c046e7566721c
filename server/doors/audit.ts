import type pg from 'pg';
import type { AuditKind } from '../../core/audit.ts';
import { insertAudit, insertAuditOfPeople, insertAuditUnlessSince } from '../../db/queries/doors/audit.ts';
import { nowMs } from '../config.ts';
import { inWorkspace } from '../database.ts';

interface Doer {
  readonly workspaceId: number;
  readonly coachId: number | null;
}

interface About {
  readonly personId?: number;
  readonly enrolmentId?: number;
  readonly programmeId?: number;
  readonly detail?: string;
}

/** Notes what a coach does, in the transaction in which they do it: neither stands without the other. */
export const note = (db: pg.PoolClient, { workspaceId, coachId }: Doer, kind: AuditKind, about: About = {}) =>
  insertAudit(db, { workspaceId, coachId, kind, ...about, now: new Date(nowMs()) });

/** Notes the same about several people. */
export const noteOfPeople = (
  db: pg.PoolClient,
  { workspaceId, coachId }: Doer,
  kind: AuditKind,
  { personIds, programmeId }: { readonly personIds: readonly number[]; readonly programmeId: number },
) => insertAuditOfPeople(db, { workspaceId, coachId, kind, programmeId, now: new Date(nowMs()) }, personIds);

/** How long a page that is read again isn't noted again. */
const READ_AGAIN_MS = 3_600_000;
/** How long a wrong password of one account isn't noted again: a flood of them is one line a minute. */
const WRONG_AGAIN_MS = 60_000;

/** Notes what happens again and again, at most once in a while, in a transaction of its own. */
export const noteSeldom = (
  { workspaceId, coachId }: Doer,
  kind: 'person-read' | 'wrong-password' | 'wrong-code',
  about: About = {},
): Promise<void> =>
  inWorkspace(workspaceId, (db) => {
    const now = nowMs();
    const sinceMs = now - (kind === 'person-read' ? READ_AGAIN_MS : WRONG_AGAIN_MS);
    return insertAuditUnlessSince(db, { workspaceId, coachId, kind, ...about, now: new Date(now) }, new Date(sinceMs));
  });

/**
 * Notes that a coach reads what is kept of a person. No page waits for it, or is kept from them where it can't be written: it has a
 * connection of its own, once there is one.
 */
export const noteRead = (coach: Doer, personId: number): void =>
  void noteSeldom(coach, 'person-read', { personId }).catch(() => undefined);
