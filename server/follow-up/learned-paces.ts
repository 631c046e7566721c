import { groupBy } from '../../core/group-by.ts';
import type { LearnedPace, TimedBlock } from '../../core/pace/learned-pace.ts';
import { isWorthTaking, learnPaces, withFactor } from '../../core/pace/learned-pace.ts';
import type { PaceSec } from '../../core/pace/pace.ts';
import type { Db } from '../../db/pool.ts';
import { listTimed } from '../../db/queries/standing-shapes.ts';
import type { RunFollow } from './run-follow.ts';
import type { WorkspaceBook } from '../write/workspace-book.ts';

/** A pace that is worth putting in the place of the one that is planned with. */
export interface PaceProposal extends LearnedPace {
  readonly key: string;
  readonly name: string;
  readonly now: PaceSec;
  readonly seen: PaceSec;
}

/** Seconds a repetition as a run's records show them, where that differs by enough from what is planned with. */
export async function loadPaces(
  db: Db,
  runId: number,
  { days, people }: Pick<RunFollow, 'days' | 'people'>,
  { library }: WorkspaceBook,
): Promise<PaceProposal[]> {
  const paced = days.filter((d) => d.facts && d.facts.paced.length > 0);
  const factsOf = new Map(paced.map((d) => [d.dayId, d.facts!]));
  const levelOf = new Map(people.map((p) => [p.enrolmentId, p.level ?? 0]));
  const timed = await listTimed(
    db,
    runId,
    paced.map((d) => d.dayId),
  );
  const blocks = timed.flatMap(({ enrolmentId, dayId, scores, fit, ranSec }): TimedBlock[] => {
    const reshaped = groupBy(fit, (c) => c.block);
    return factsOf.get(dayId)!.paced.flatMap(({ block, likelySec, shares }): TimedBlock[] => {
      // Another shape, or another count, takes another time.
      if (reshaped.has(block)) return [];
      const score = scores.find((s) => s.block === block && s.kind === 'time' && s.reps === undefined);
      const tookSec = score?.kind === 'time' ? score.sec : ranSec[block];
      return tookSec === undefined ? [] : [{ level: levelOf.get(enrolmentId) ?? 0, tookSec, likelySec, shares }];
    });
  });
  return learnPaces(blocks)
    .filter(isWorthTaking)
    .flatMap((learned): PaceProposal[] => {
      const movement = library.find(learned.movement);
      if (!movement || movement.isHold) return [];
      return [
        {
          ...learned,
          key: `pace ${movement.id} ${Math.round(learned.factor * 20)}`,
          name: movement.name,
          now: movement.paceSec,
          seen: withFactor(movement.paceSec, learned.factor),
        },
      ];
    });
}
