import { groupBy } from '../../core/group-by.ts';
import type { TimedBlock } from '../../core/pace/learned-pace.ts';
import type { listTimed } from '../../db/queries/standing-shapes.ts';
import type { SentFacts } from './sent-facts.ts';

/** Blocks at one's own pace of which a time is known: scored, or seen by the clock; done as they were sent. */
export const timedBlocks = (
  timed: Awaited<ReturnType<typeof listTimed>>,
  pacedOf: (dayId: number) => SentFacts['paced'],
  levelOf: (enrolmentId: number) => number,
): TimedBlock[] =>
  timed.flatMap(({ enrolmentId, dayId, scores, fit, ranSec }): TimedBlock[] => {
    const reshaped = groupBy(fit, (c) => c.block);
    return pacedOf(dayId).flatMap(({ block, likelySec, shares }): TimedBlock[] => {
      // Another shape, or another count, takes another time.
      if (reshaped.has(block)) return [];
      const score = scores.find((s) => s.block === block && s.kind === 'time' && s.reps === undefined);
      const tookSec = score?.kind === 'time' ? score.sec : ranSec[block];
      return tookSec === undefined ? [] : [{ level: levelOf(enrolmentId), tookSec, likelySec, shares }];
    });
  });
