import type { Block } from '../document/document.ts';
import { blockName } from '../session/explain/explain.ts';
import type { SessionPlan } from '../session/plan.ts';
import { roundFieldName } from './round-field-name.ts';

/** What is asked of a block that leaves the last rounds to the day: how many there were. */
export interface RoundField {
  /** Of the form. Its value is a number of rounds; empty where nobody said. */
  readonly name: string;
  readonly block: number;
  readonly blockName: string;
  readonly low: number;
  readonly high: number;
}

/** Rounds done, by block, where the plan leaves that to the day. */
export type DoneRounds = Readonly<Record<number, number>>;

/** The blocks of a session that leave a number of rounds open. A block whose rounds are its score isn't asked twice. */
export const roundFields = (plan: SessionPlan, blocks: readonly Pick<Block, 'role' | 'label'>[]): RoundField[] =>
  plan.blocks.flatMap(({ rounds, scoreForm }, block): RoundField[] =>
    rounds && rounds.low < rounds.high && scoreForm?.kind !== 'whole-slots'
      ? [
          {
            name: roundFieldName(block),
            block,
            blockName: blockName(blocks[block]!),
            low: rounds.low,
            high: rounds.high,
          },
        ]
      : [],
  );

/** What a form says of rounds; what isn't a number within the plan's is nothing said. */
export function readRounds(fields: readonly RoundField[], value: (name: string) => string): DoneRounds {
  return Object.fromEntries(
    fields.flatMap(({ name, block, low, high }): [number, number][] => {
      const text = value(name).trim();
      const rounds = /^\d{1,3}$/.test(text) ? Number(text) : NaN;
      return rounds >= low && rounds <= high ? [[block, rounds]] : [];
    }),
  );
}
