import type { Block, Item } from '../document/document.ts';
import { formatClock } from '../words/format-clock.ts';
import { pullSec } from './change.ts';
import { formOf } from './forms.ts';

/** Every rest that is written in or between, in words: of the form, between rounds or sets, among the lines; never the one after the block. */
export function restsOf(block: Block): string[] {
  const { between, sets, time } = block;
  return [
    block.items.length === 0 ? undefined : formOf(time).levers.answers.rest?.read(time, block),
    between &&
      (between.lowSec === between.highSec
        ? formatClock(between.lowSec)
        : `${formatClock(between.lowSec)} to ${formatClock(between.highSec)}`),
    sets?.restSec ? formatClock(sets.restSec) : undefined,
    ...block.items.map((item) => (item.kind === 'rest' && item.sec !== undefined ? formatClock(item.sec) : undefined)),
  ].filter((w) => w !== undefined);
}

/** All of them pulled by so many seconds; the same block where there are none. */
export function pullRests(block: Block, by: number): Block {
  if (restsOf(block).length === 0) return block;
  const { between, sets, time } = block;
  const formed = formOf(time).levers.answers.rest?.pull(time, by, block, undefined) ?? block;
  return {
    ...formed,
    ...(between && {
      between: { ...between, lowSec: pullSec(between.lowSec, by), highSec: pullSec(between.highSec, by) },
    }),
    ...(sets?.restSec && { sets: { ...sets, restSec: pullSec(sets.restSec, by) } }),
    items: formed.items.map((item): Item =>
      item.kind === 'rest' && item.sec !== undefined ? { ...item, sec: pullSec(item.sec, by) } : item,
    ),
  };
}
