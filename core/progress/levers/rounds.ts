import type { Block, Item } from '../../document/document.ts';
import { roundsOf } from '../../forms/unroll.ts';
import type { LeverAction } from './lever-action.ts';
import { MAX_AMOUNT, MAX_DURATION_SEC, MAX_ROUNDS, MAX_SLOTS } from '../../limits.ts';
import { clamp, isList } from './lever-action.ts';

/**
 * A list by round with so many rounds more or fewer. What grows goes on growing at its end, what shrinks gets a larger
 * first round: 9-7-5-3 with one more is 11-9-7-5-3. At least two stay, so that the way it goes stays visible.
 */
export function extendList(values: readonly number[], by: number, most: number): readonly number[] {
  let now = [...values];
  const isShrinking = now.at(-1)! < now[0]!;
  for (let i = 0; i < by && now.length < MAX_ROUNDS; i++) {
    if (isShrinking) now.unshift(clamp(2 * now[0]! - now[1]!, 1, most));
    else now.push(clamp(2 * now.at(-1)! - (now.at(-2) ?? now[0]!), 1, most));
  }
  for (let i = 0; i > by && now.length > 2; i--) now = isShrinking ? now.slice(1) : now.slice(0, -1);
  return now;
}

/** A relay has one number a round, however few. */
const isRuledByList = (block: Block): boolean =>
  isList(block.count) && !block.count.cycling && (block.count.values.length > 1 || block.relay !== undefined);

function withMoreListed(block: Block, by: number): Block {
  const { time, count } = block;
  const next = { ...block };
  if (isList(count) && isRuledByList(block))
    Object.assign(next, { count: { ...count, values: extendList(count.values, by, MAX_AMOUNT) } });
  if (time.kind === 'intervals') {
    const extend = (values: readonly number[]) =>
      values.length > 1 ? extendList(values, by, MAX_DURATION_SEC) : values;
    Object.assign(next, { time: { ...time, workSec: extend(time.workSec), restSec: extend(time.restSec) } });
  }
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
  return { ...next, items: items.every((item, i) => item === block.items[i]) ? block.items : items };
}

const hasItemList = (block: Block): boolean =>
  block.items.some(
    (item) =>
      item.kind === 'work' &&
      ((item.dose?.kind === 'reps' && item.dose.amount.kind === 'list') ||
        (item.dose?.kind === 'time' && item.dose.amountSec.kind === 'list')),
  );

/** Lists decide the number of rounds where nothing else is said. */
function isListed(block: Block): boolean {
  const { time } = block;
  if (time.kind === 'intervals') return Math.max(time.workSec.length, time.restSec.length) > 1 || isRuledByList(block);
  return time.kind === 'own' && (isRuledByList(block) || (block.rounds === undefined && hasItemList(block)));
}

/** The number of rounds that the header's own lists say. */
function headerRounds({ count, time }: Block): number {
  const listed = isList(count) && !count.cycling ? count.values.length : 1;
  return Math.max(listed, ...(time.kind === 'intervals' ? [time.workSec.length, time.restSec.length] : []));
}

function pullRounds(block: Block, by: number): Block {
  const { time } = block;
  switch (time.kind) {
    case 'slots': {
      const most = Math.min(MAX_SLOTS, Math.floor(MAX_DURATION_SEC / time.slotSec));
      return {
        ...block,
        time: {
          ...time,
          slots: clamp(time.slots + by * block.items.length, Math.min(time.slots, block.items.length), most),
        },
      };
    }
    case 'intervals':
      if (block.count?.kind === 'pyramid') return block;
      if (time.total !== undefined)
        return {
          ...block,
          time: {
            ...time,
            total: clamp(time.total + by * block.items.length, Math.min(time.total, block.items.length), MAX_SLOTS),
          },
        };
      break;
    case 'own':
      break;
    default:
      return block;
  }
  const rounds = block.rounds && {
    low: clamp(block.rounds.low + by, 1, MAX_ROUNDS),
    high: clamp(block.rounds.high + by, 1, MAX_ROUNDS),
  };
  if (isListed(block)) {
    const next = withMoreListed(block, by);
    return rounds ? { ...next, rounds: { low: headerRounds(next), high: headerRounds(next) } } : next;
  }
  if (rounds) return { ...block, rounds };
  return by > 0
    ? { ...block, rounds: { low: clamp(1 + by, 1, MAX_ROUNDS), high: clamp(1 + by, 1, MAX_ROUNDS) } }
    : block;
}

export const rounds: LeverAction = {
  read(block) {
    const { time } = block;
    if (block.items.length === 0) return undefined;
    if (time.kind === 'slots') return String(Math.round((10 * time.slots) / block.items.length) / 10);
    if (time.kind === 'intervals' && block.count?.kind !== 'pyramid' && time.total !== undefined)
      return `${time.total} intervals`;
    if (time.kind === 'own' || (time.kind === 'intervals' && block.count?.kind !== 'pyramid')) {
      const { low, high } = roundsOf(block);
      return low === high ? String(low) : `${low} to ${high}`;
    }
    return undefined;
  },
  pull: (block, by) => (block.items.length === 0 ? block : pullRounds(block, by)),
};
