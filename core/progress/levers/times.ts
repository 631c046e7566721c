import { formatClock } from '../../words/format-clock.ts';
import { printDose } from '../../notation/print.ts';
import type { Block, Item, WorkItem } from '../../document/document.ts';
import type { LeverAction } from './lever-action.ts';
import { MAX_DURATION_SEC } from '../../limits.ts';
import { clamp, mapItems, pullSec, readItems } from './lever-action.ts';
import { pullAmount } from './reps.ts';

const words = (values: readonly number[]): string =>
  values.length === 1 ? formatClock(values[0]!) : `${values.join('/')} s`;

const isIntervals = (block: Block): boolean => block.time.kind === 'intervals' && block.count?.kind !== 'pyramid';

/** The intervals' work by an interval clock; elsewhere, or for one movement, the written times of the items. */
export const work: LeverAction = {
  read(block, lever, library) {
    if (lever.of === undefined && block.time.kind === 'intervals' && isIntervals(block))
      return words(block.time.workSec);
    return readItems(block, lever, library, (item) =>
      item.dose?.kind === 'time' ? printDose(item.dose).replace('/side', '') : undefined,
    );
  },
  pull(block, by, lever, library) {
    const { time } = block;
    if (lever.of === undefined && time.kind === 'intervals' && isIntervals(block))
      return { ...block, time: { ...time, workSec: time.workSec.map((sec) => pullSec(sec, by)) } };
    return mapItems(block, lever, library, (item): WorkItem =>
      item.dose?.kind === 'time'
        ? { ...item, dose: { ...item.dose, amountSec: pullAmount(item.dose.amountSec, (sec) => pullSec(sec, by)) } }
        : item,
    );
  },
};

/** Every rest that is written in or between: never the one after the block. */
export const rest: LeverAction = {
  read(block) {
    const { time, between, sets } = block;
    const found = [
      time.kind === 'intervals' && time.restSec.length > 0 ? words(time.restSec) : undefined,
      time.kind === 'windows' && time.restSec > 0 ? formatClock(time.restSec) : undefined,
      between &&
        (between.lowSec === between.highSec
          ? formatClock(between.lowSec)
          : `${formatClock(between.lowSec)} to ${formatClock(between.highSec)}`),
      sets?.restSec ? formatClock(sets.restSec) : undefined,
      ...block.items.map((item) =>
        item.kind === 'rest' && item.sec !== undefined ? formatClock(item.sec) : undefined,
      ),
    ].filter((w) => w !== undefined);
    return found.length === 0 ? undefined : found.join(' and ');
  },
  pull(block, by) {
    const { time, between, sets } = block;
    const next: { -readonly [K in keyof Block]: Block[K] } = { ...block };
    if (time.kind === 'intervals') next.time = { ...time, restSec: time.restSec.map((sec) => pullSec(sec, by)) };
    if (time.kind === 'windows' && time.restSec > 0) next.time = { ...time, restSec: pullSec(time.restSec, by) };
    if (between)
      next.between = { ...between, lowSec: pullSec(between.lowSec, by), highSec: pullSec(between.highSec, by) };
    if (sets?.restSec) next.sets = { ...sets, restSec: pullSec(sets.restSec, by) };
    next.items = block.items.map((item): Item =>
      item.kind === 'rest' && item.sec !== undefined ? { ...item, sec: pullSec(item.sec, by) } : item,
    );
    return rest.read(block, { kind: 'rest' }, NO_LIBRARY) === undefined ? block : next;
  },
};

/** Rests have no movement to look up. */
const NO_LIBRARY = { movements: [], ladders: [], find: () => undefined, findByName: () => undefined, has: () => false };

/** The length of what the clock rules: a span, a slot, a window, a pyramid's set; the cap at one's own pace. */
export const clock: LeverAction = {
  read(block) {
    const { time } = block;
    switch (time.kind) {
      case 'span':
        return formatClock(time.sec);
      case 'slots':
        return formatClock(time.slotSec);
      case 'windows':
        return formatClock(time.windowSec);
      case 'intervals':
        return isIntervals(block) ? undefined : words(time.workSec);
      case 'own':
        return time.capSec ? formatClock(time.capSec) : undefined;
      case 'flow':
        return undefined;
    }
  },
  pull(block, by) {
    const { time } = block;
    switch (time.kind) {
      case 'span':
        return { ...block, time: { ...time, sec: pullSec(time.sec, by) } };
      case 'slots': {
        const slotSec = pullSec(time.slotSec, by, Math.floor(MAX_DURATION_SEC / time.slots));
        return {
          ...block,
          time: {
            ...time,
            slotSec,
            ...(time.workCapSec !== undefined && { workCapSec: Math.min(time.workCapSec, slotSec) }),
          },
        };
      }
      case 'windows':
        return { ...block, time: { ...time, windowSec: pullSec(time.windowSec, by) } };
      case 'intervals':
        return isIntervals(block)
          ? block
          : { ...block, time: { ...time, workSec: time.workSec.map((sec) => pullSec(sec, by)) } };
      case 'own':
        return time.capSec ? { ...block, time: { ...time, capSec: pullSec(time.capSec, by) } } : block;
      case 'flow':
        return block;
    }
  },
};

export const windows: LeverAction = {
  read: (block) => (block.time.kind === 'windows' ? String(block.time.windows) : undefined),
  pull: (block, by) =>
    block.time.kind === 'windows'
      ? { ...block, time: { ...block.time, windows: clamp(block.time.windows + by, 1, 100) } }
      : block,
};
