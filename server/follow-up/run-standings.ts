import { BoundedCache } from '../../core/bounded-cache.ts';
import type { Db } from '../../db/pool.ts';
import type { StandingStamp } from '../../db/queries/standing.ts';
import { getStandingStamp, readStandings, RunStandings } from '../../db/queries/standing.ts';

/** Runs whose records are remembered at a time. */
const MOST_RUNS = 50;

interface Remembered {
  stamp: StandingStamp | undefined;
  standings: RunStandings;
}
const known = new BoundedCache<string, Remembered>(MOST_RUNS);

/**
 * What stands in a run. Records are only appended, so that what is remembered is brought up to date by those that came since; where
 * that doesn't come to as many as there are (somebody was deleted) it is read anew.
 */
export async function runStandings(
  db: Db,
  { runId, makeUpDays }: { readonly runId: number; readonly makeUpDays: number | null },
): Promise<{ readonly standings: RunStandings; readonly stamp: StandingStamp }> {
  const stamp = await getStandingStamp(db, runId);
  const run = { runId, hasWindow: makeUpDays !== null };
  const remembered = known.get(`${runId} ${run.hasWindow}`, () => ({
    stamp: undefined,
    standings: new RunStandings(),
  }));
  const { stamp: was, standings } = remembered;
  if (was?.sum === stamp.sum && was.count === stamp.count) return { standings, stamp };
  if (was && stamp.lastId >= was.lastId) {
    await readStandings(db, run, standings);
    if (standings.count === stamp.count) {
      remembered.stamp = stamp;
      return { standings, stamp };
    }
  }
  const anew = new RunStandings();
  await readStandings(db, run, anew);
  remembered.standings = anew;
  remembered.stamp = stamp;
  return { standings: anew, stamp };
}
