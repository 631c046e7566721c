import { roundFieldName } from '../record/round-field-name.ts';
import { groupBy } from '../group-by.ts';
import type { ClockState } from './clock.ts';
import type { Stage } from './stage.ts';
import { hasWork } from './stage.ts';

/**
 * The rounds that the clock saw done, by names of the log's fields, in blocks that leave the last ones to the day: those that are owed,
 * and every one more whose work was all come to. A block that wasn't begun is left out.
 */
export function seenRounds(state: ClockState, stages: readonly Stage[]): Record<string, string> {
  const wasDone = (at: number) => at < state.stage && state.spentByStageMs[at] !== undefined;
  const offers = groupBy(
    stages.filter((s) => s.offersRound),
    (s) => s.block,
  );
  return Object.fromEntries(
    [...offers].flatMap(([block, offered]): [string, string][] => {
      const work = stages.flatMap((stage, at) => (stage.block === block && hasWork(stage) ? [{ stage, at }] : []));
      if (!work.some(({ at }) => wasDone(at))) return [];
      let rounds = offered[0]!.round - 1;
      for (const { round } of offered)
        if (work.filter(({ stage }) => stage.optional && stage.round === round).every(({ at }) => wasDone(at)))
          rounds = Math.max(rounds, round);
      return [[roundFieldName(block), String(rounds)]];
    }),
  );
}
