import { countedRounds } from './count.ts';
import type { Block, Span } from '../document/document.ts';

/** How many rounds a block has: what is written, else what the longest of its lists says. */
export function countRounds(block: Block, byOwnLists: number): Span {
  if (block.rounds) return block.rounds;
  const rounds = Math.max(countedRounds(block.count) ?? 1, byOwnLists);
  return { low: rounds, high: rounds };
}

/** The rounds that a plan counts with: the middle of the range, rounded up ("2 to 3" is 3). */
export const likelyRounds = (span: Span): number => Math.round((span.low + span.high) / 2);

/** `3`, `2 to 3`. */
export const spanWords = ({ low, high }: Span): string => (low === high ? String(low) : `${low} to ${high}`);

/** The numbers of rounds that lists on the items say. */
export const itemLists = (block: Block): number =>
  Math.max(
    1,
    ...block.items.map((item) => {
      if (item.kind !== 'work') return 1;
      const amount =
        item.dose?.kind === 'reps' ? item.dose.amount : item.dose?.kind === 'time' ? item.dose.amountSec : undefined;
      return amount?.kind === 'list' ? amount.values.length : 1;
    }),
  );
