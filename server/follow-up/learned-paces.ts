import type { LearnedPace } from '../../core/pace/learned-pace.ts';
import { isWorthTaking, learnPaces, withFactor } from '../../core/pace/learned-pace.ts';
import type { PaceSec } from '../../core/pace/pace.ts';
import type { Db } from '../../db/pool.ts';
import { listTimed } from '../../db/queries/standing-shapes.ts';
import { timedBlocks } from './timed-blocks.ts';
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
  const blocks = timedBlocks(
    timed,
    (dayId) => factsOf.get(dayId)!.paced,
    (id) => levelOf.get(id) ?? 0,
  );
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
