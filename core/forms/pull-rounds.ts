import type { Block, Item, Span } from '../document/document.ts';
import { MAX_AMOUNT, MAX_DURATION_SEC, MAX_ROUNDS } from '../limits.ts';
import { countedRounds } from './count.ts';
import { clamp } from './change.ts';
import type { Size } from './form.ts';

/**
 * A list by round with so many rounds more or fewer, at its end: what grows goes on growing, what shrinks goes on shrinking, never
 * below one: 9-7-5-3 with one more is 9-7-5-3-1 and so a little longer, where a larger first round would be much. At least two
 * stay, so that the way it goes stays visible.
 */
export function extendList(values: readonly number[], by: number, most: number): readonly number[] {
  let now = [...values];
  for (let i = 0; i < by && now.length < MAX_ROUNDS; i++)
    now.push(clamp(2 * now.at(-1)! - (now.at(-2) ?? now[0]!), 1, most));
  for (let i = 0; i > by && now.length > 2; i--) now = now.slice(0, -1);
  return now;
}

/** A relay has one number a round, however few. */
const isRuledByList = ({ count, relay }: Block): boolean =>
  count?.kind === 'list' && !count.cycling && (count.values.length > 1 || relay !== undefined);

/** All lists by round with so many more: the header's, and those on the items. */
function withMoreListed(block: Block, by: number): Block {
  const { count } = block;
  const items = block.items.map((item): Item => {
    if (item.kind !== 'work' || item.dose === undefined) return item;
    const { dose } = item;
    if (dose.kind === 'reps' && dose.amount.kind === 'list')
      return {
        ...item,
        dose: { ...dose, amount: { kind: 'list', values: extendList(dose.amount.values, by, MAX_AMOUNT) } },
      };
    if (dose.kind === 'time' && dose.amountSec.kind === 'list')
      return {
        ...item,
        dose: { ...dose, amountSec: { kind: 'list', values: extendList(dose.amountSec.values, by, MAX_DURATION_SEC) } },
      };
    return item;
  });
  return {
    ...block,
    ...(count?.kind === 'list' &&
      isRuledByList(block) && { count: { ...count, values: extendList(count.values, by, MAX_AMOUNT) } }),
    items: items.every((item, i) => item === block.items[i]) ? block.items : items,
  };
}

const hasItemList = (block: Block): boolean =>
  block.items.some(
    (item) =>
      item.kind === 'work' &&
      ((item.dose?.kind === 'reps' && item.dose.amount.kind === 'list') ||
        (item.dose?.kind === 'time' && item.dose.amountSec.kind === 'list')),
  );

const listLength = ({ count }: Block): number => countedRounds(count) ?? 1;

/**
 * A block with so many rounds more or fewer. Lists decide the number of rounds where nothing else is said, and grow with it;
 * `more` is the form's own lists by round (an interval clock's), with so many more, and how many they have then.
 */
export function pullRounds(
  block: Block,
  by: number,
  more?: {
    readonly isListed: boolean;
    readonly pull: (block: Block) => Block;
    readonly lengthOf: (block: Block) => number;
  },
): Block {
  const rounds: Span | undefined = block.rounds && {
    low: clamp(block.rounds.low + by, 1, MAX_ROUNDS),
    high: clamp(block.rounds.high + by, 1, MAX_ROUNDS),
  };
  const isListed =
    isRuledByList(block) || more?.isListed || (more === undefined && block.rounds === undefined && hasItemList(block));
  if (isListed) {
    const next = withMoreListed(more ? more.pull(block) : block, by);
    const length = Math.max(listLength(next), more?.lengthOf(next) ?? 1);
    return rounds ? { ...next, rounds: { low: length, high: length } } : next;
  }
  if (rounds) return { ...block, rounds };
  return by > 0
    ? { ...block, rounds: { low: clamp(1 + by, 1, MAX_ROUNDS), high: clamp(1 + by, 1, MAX_ROUNDS) } }
    : block;
}

/** The rounds of a block as its size: where one number is written, and no list decides it. */
export const roundsSize = (block: Block): Size | null =>
  block.items.length > 0 && block.count?.kind !== 'list' && block.rounds && block.rounds.low === block.rounds.high
    ? {
        value: block.rounds.low,
        isSeconds: false,
        most: MAX_ROUNDS,
        with: (rounds) => ({ ...block, rounds: { low: rounds, high: rounds } }),
      }
    : null;
