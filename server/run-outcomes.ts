import { BoundedCache } from '../core/bounded-cache.ts';
import type { Db } from '../db/pool.ts';
import type { Outcomes } from '../db/queries/record.ts';
import { getRecordStamp, listOutcomes } from '../db/queries/record.ts';

/** Runs whose outcomes are remembered at a time. */
const MOST_RUNS = 50;
const known = new BoundedCache<string, Promise<Outcomes>>(MOST_RUNS);

/**
 * The outcomes that stand in a run. Records are only appended and never changed: which ones there are says what stands, so that it
 * is found anew only where one has come. Gathering them is most of what Follow up asks of the database.
 */
export async function runOutcomes(db: Db, runId: number): Promise<Outcomes> {
  const key = `${runId} ${await getRecordStamp(db, runId)}`;
  const remembered = known.peek(key);
  if (remembered) return remembered;
  const outcomes = await listOutcomes(db, runId);
  return known.get(key, () => Promise.resolve(outcomes));
}
