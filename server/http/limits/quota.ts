import { data } from 'react-router';
import { addHourUse } from '../../../db/queries/hour-use.ts';
import { nowMs } from '../../config.ts';
import { inWorkspace } from '../../database.ts';
import type { HourQuota } from './limits.ts';
import { HOUR_QUOTA } from './limits.ts';

/** Who stores: a coach, or the person behind a link. */
export type Storer =
  | { readonly kind: 'coach'; readonly id: number; readonly workspaceId: number }
  | { readonly kind: 'link'; readonly id: number; readonly workspaceId: number };

/** Counts a write of so many bytes; 429 where the storer, or their workspace, has stored as much in this hour as is meant. */
export async function spendQuota(storer: Storer, bytes: number): Promise<void> {
  const { workspaceId } = storer;
  const subject = `${storer.kind}:${storer.id}`;
  const quotas: Record<string, HourQuota> = { [subject]: HOUR_QUOTA[storer.kind], workspace: HOUR_QUOTA.workspace };
  const used = await inWorkspace(workspaceId, (db) =>
    addHourUse(db, { workspaceId, subjects: Object.keys(quotas), bytes, now: new Date(nowMs()) }),
  );
  if (used.some((use) => use.writes > quotas[use.subject]!.writes || use.bytes > quotas[use.subject]!.bytes))
    throw data({ kind: 'too-many', message: 'That was a lot in one hour; go on in the next.' }, { status: 429 });
}
