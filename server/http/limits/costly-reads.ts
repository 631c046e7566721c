import { data } from 'react-router';
import type pg from 'pg';
import { addHourUse } from '../../../db/queries/hour-use.ts';
import { requireCoach } from '../../doors/coach-session.ts';
import { nowMs } from '../../config.ts';
import { FairQueue } from './fair-queue.ts';
import { COSTLY_READS, HOUR_READS } from './limits.ts';

const turns = new FairQueue(COSTLY_READS);

const tooMany = (message: string): never => {
  throw data({ kind: 'too-many', message }, { status: 429 });
};

/** Does what takes more than a page in its turn: one at a time for each lane, few in all; 429 where many wait already. */
async function inTurn<T>(lane: string, work: () => Promise<T>): Promise<T> {
  const done = await turns.run(lane, async () => ({ result: await work() }));
  return done ? done.result : tooMany('That was a lot at once; wait until the others have come.');
}

/** A costly read by a link, whatever it opens: personal, a calendar's, a run's. */
export const costlyByLink = <T>(token: string, work: () => Promise<T>): Promise<T> => inTurn(`link ${token}`, work);

/** A costly read by the coach who is signed in. */
export const costlyByCoach = async <T>(request: Request, work: () => Promise<T>): Promise<T> =>
  inTurn(`coach ${(await requireCoach(request)).coachId}`, work);

/** Counts a costly read; 429 where the reader, or their workspace, has had as many in this hour as is meant. */
export async function countRead(
  db: pg.PoolClient,
  { kind, id, workspaceId }: { readonly kind: 'link' | 'coach'; readonly id: number; readonly workspaceId: number },
): Promise<void> {
  const own = `reads ${kind} ${id}`;
  const used = await addHourUse(db, { workspaceId, subjects: [own, 'reads'], bytes: 0, now: new Date(nowMs()) });
  const most = (subject: string): number => (subject === own ? HOUR_READS[kind] : HOUR_READS.workspace);
  if (used.some((use) => use.writes > most(use.subject))) tooMany('That was a lot in one hour; go on in the next.');
}
