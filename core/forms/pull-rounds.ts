import type { Block, Item, Span } from '../document/document.ts';
import { MAX_AMOUNT, MAX_DURATION_SEC, MAX_ROUNDS } from '../limits.ts';
import { countedRounds } from './count.ts';
import { clamp } from './change.ts';
import type { NewRounds, Size } from './form.ts';

/**
 * A list by round with so many rounds more or fewer, at its end: what grows goes on growing, what shrinks goes on shrinking, never
 * below one: 9-7-5-3 with one more is 9-7-5-3-1 and so a little longer, where a larger first round would be much. At least two
 * stay, so that the way it goes stays visible. `newRounds` may say that it doesn't go on: as its last one, or from its first again.
 */
export function extendList(
  values: readonly number[],
  by: number,
  most: number,
  newRounds: NewRounds = 'go-on',
): readonly number[] {
  let now = [...values];
  const next = () => {
    if (newRounds === 'as-last') return now.at(-1)!;
    if (newRounds === 'from-first') return now[now.length - values.length]!;
    return clamp(2 * now.at(-1)! - (now.at(-2) ?? now[0]!), 1, most);
  };
  for (let i = 0; i < by && now.length < MAX_ROUNDS; i++) now.push(next());
  for (let i = 0; i > by && now.length > 2; i--) now = now.slice(0, -1);
  return now;
}

/** A relay has one number a round, however few. */
const isRuledByList = ({ count, relay }: Block): boolean =>
  count?.kind === 'list' && !count.cycling && (count.values.length > 1 || relay !== undefined);

/** All lists by round with so many more: the header's, and those on the items. */
function withMoreListed(block: Block, by: number, newRounds: NewRounds | undefined): Block {
  const { count } = block;
  const items = block.items.map((item): Item => {
    if (item.kind !== 'work' || item.dose === undefined) return item;
    const { dose } = item;
    if (dose.kind === 'reps' && dose.amount.kind === 'list')
      return {
        ...item,
        dose: { ...dose, amount: { kind: 'list', values: extendList(dose.amount.values, by, MAX_AMOUNT, newRounds) } },
      };
    if (dose.kind === 'time' && dose.amountSec.kind === 'list')
      return {
        ...item,
        dose: {
          ...dose,
          amountSec: { kind: 'list', values: extendList(dose.amountSec.values, by, MAX_DURATION_SEC, newRounds) },
        },
      };
    return item;
  });
  return {
    ...block,
    ...(count?.kind === 'list' &&
      isRuledByList(block) && { count: { ...count, values: extendList(count.values, by, MAX_AMOUNT, newRounds) } }),
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

/** Whether every list by round on an item has a number for each of the rounds that are written. */
const hasListForEachRound = ({ items, rounds }: Block): boolean =>
  items.every((item) => {
    const amount =
      item.kind !== 'work'
        ? undefined
        : item.dose?.kind === 'reps'
          ? item.dose.amount
          : item.dose?.kind === 'time'
            ? item.dose.amountSec
            : undefined;
    return amount?.kind !== 'list' || amount.values.length === rounds?.high;
  });

const listLength = ({ count }: Block): number => countedRounds(count) ?? 1;

/** Movements that take turns by round, one for each round, with the last of them again for the rounds that are added. */
function withLastAgain(block: Block, by: number): Block {
  const rounds = block.rounds?.high;
  const items = block.items.map((item): Item =>
    item.kind === 'work' && item.inTurn && item.choices.length === rounds
      ? {
          ...item,
          choices: [...item.choices, ...Array.from({ length: by }, () => item.choices.at(-1)!)].slice(0, MAX_ROUNDS),
        }
      : item,
  );
  return items.every((item, i) => item === block.items[i]) ? block : { ...block, items };
}

/**
 * A block with so many rounds more or fewer. Lists on items hold their last number, unless `newRounds` says otherwise. Lists decide the number of rounds where nothing else is said, and grow with it;
 * `more` is the form's own lists by round (an interval clock's), with so many more, and how many they have then. Movements that take
 * turns by round go round; with `as-last` the last of them stays for the rounds that are added.
 */
export function pullRounds(
  written: Block,
  by: number,
  newRounds: NewRounds | undefined,
  more?: {
    readonly isListed: boolean;
    readonly pull: (block: Block) => Block;
    readonly lengthOf: (block: Block) => number;
  },
): Block {
  const block = newRounds === 'as-last' && by > 0 ? withLastAgain(written, by) : written;
  const rounds: Span | undefined = block.rounds && {
    low: clamp(block.rounds.low + by, 1, MAX_ROUNDS),
    high: clamp(block.rounds.high + by, 1, MAX_ROUNDS),
  };
  const isListed =
    isRuledByList(block) ||
    more?.isListed ||
    (more === undefined && block.rounds === undefined && hasItemList(block)) ||
    (newRounds !== undefined && hasItemList(block) && hasListForEachRound(block));
  if (isListed) {
    const next = withMoreListed(more ? more.pull(block) : block, by, newRounds);
    const length = Math.max(
      listLength(next),
      more?.lengthOf(next) ?? 1,
      isRuledByList(block) || more?.isListed ? 1 : (rounds?.high ?? 1),
    );
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
