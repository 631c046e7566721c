import type { ScoredBlock } from '../record/scores/score.ts';
import { formatClock } from '../words/format-clock.ts';
import type { ClockState } from './clock.ts';
import { tapsOf } from './clock.ts';
import type { Stage } from './stage.ts';
import { partnerRounds } from './turns.ts';

/**
 * What the clock saw of each score, by the names of the log's fields: rounds and sets that were tapped, numbers that were said,
 * times that ran. Blocks of which nothing was seen are left out; so is the time of one of which a part was skipped.
 */
export function seenScores(
  state: ClockState,
  stages: readonly Stage[],
  scored: readonly ScoredBlock[],
): Record<string, string> {
  const seen: Record<string, string> = {};
  for (const own of scored) {
    const put = (field: string, value: string | number) => {
      const found = own.fields.find((f) => f.part === field);
      if (found) seen[found.name] = String(value);
    };
    const run = stages.flatMap((stage, at) =>
      stage.block === own.block && stage.set === own.set ? [{ stage, at }] : [],
    );
    const counted = run.find(({ stage, at }) => stage.taps !== null && state.tapsByStage[at] !== undefined);
    switch (own.kind) {
      case 'rounds+reps':
        if (counted) put('rounds', roundsOf(tapsOf(state, counted.at), counted.stage, own.person));
        for (const { stage, at } of run) {
          const partial = state.answersByStage[at];
          if (stage.asks?.what === 'partial' && partial !== undefined) put(stage.asks.field, partial);
        }
        break;
      case 'time': {
        const ranMs = state.spentByBlockMs[own.block];
        const isWhole = own.set === 1 && own.part === undefined && !state.skippedBlocks.includes(own.block);
        if (ranMs !== undefined && isWhole) put('time', formatClock(ranMs / 1000));
        break;
      }
      case 'top-set':
        for (const { stage, at } of run) {
          const top = state.answersByStage[at] ?? state.tapsByStage[at];
          if (!stage.asks || top === undefined) continue;
          const { begun } = stage.asks;
          put(stage.asks.field, begun ? Math.floor(top) : top);
          const reps = begun ? begunOf(top, begun.step) : 0;
          if (begun && reps > 0) put(begun.field, reps);
        }
        break;
      case 'reps-per-window':
        for (const { stage, at } of run) {
          const said = state.answersByStage[at];
          if (stage.asks && said !== undefined) put(stage.asks.field, said);
        }
        break;
      case 'whole-slots': {
        const end = run.find(({ at }) => state.endedStages.includes(at));
        if (end) put('slots', end.stage.round - 1);
        break;
      }
      case 'reps':
        break;
    }
  }
  return seen;
}

/** The repetitions of the set behind the whole ones, where an answer says sets and a part of the next. */
const begunOf = (sets: number, step: number): number => Math.round((sets % 1) * step * (Math.floor(sets) + 1));

const roundsOf = (taps: number, stage: Stage, person: number): number =>
  stage.taps === 'swap' ? partnerRounds(stage, taps, person) : taps;
