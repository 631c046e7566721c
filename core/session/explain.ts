import { formatClock } from '../words/format-clock.ts';
import type { EstimateSec } from '../pace/pace.ts';
import { isExact } from '../pace/pace.ts';
import type { Block } from '../document/document.ts';
import type { BlockPlan } from './plan.ts';

/** Whole minutes for speaking about lengths: 39:50 is 40. At least 1 where there is anything at all. */
export const wholeMinutes = (sec: number): number => (sec <= 0 ? 0 : Math.max(1, Math.round(sec / 60)));

/** `30:00`, or `about 5:10` where it is estimated. */
export const formatLength = (sec: EstimateSec): string =>
  isExact(sec) ? formatClock(sec.likely) : `about ${formatClock(sec.likely)}`;

/** `4:00 to 6:50`; empty where nothing is estimated. */
export const formatRange = (sec: EstimateSec): string =>
  isExact(sec) ? '' : `${formatClock(sec.low)} to ${formatClock(sec.high)}`;

/** `20 min`, `9 h 57 min`, `2 h`: for sums over many sessions. */
export function formatHours(sec: number): string {
  const minutes = wholeMinutes(sec);
  const [hours, rest] = [Math.floor(minutes / 60), minutes % 60];
  return [...(hours > 0 ? [`${hours} h`] : []), ...(rest > 0 || hours === 0 ? [`${rest} min`] : [])].join(' ');
}

/** `about 40 min`, for people. */
export const formatMinutes = (sec: EstimateSec): string =>
  `${isExact(sec) ? '' : 'about '}${wholeMinutes(sec.likely)} min`;

/** What a block is called where people read it: its label, or its role. */
export const blockName = (block: Pick<Block, 'role' | 'label'> | Pick<BlockPlan, 'role' | 'label'>): string =>
  block.label ?? block.role;

const plural = (n: number, one: string, many = `${one}s`) => `${n} ${n === 1 ? one : many}`;

/** How an exact length came about ("6 rounds × 4 × 1:15"); for own pace, what is repeated. Empty where there is nothing to add up. */
export function explainLength(block: Block, plan: BlockPlan): string {
  const items = block.items.length;
  const sets = block.sets ? `${plural(block.sets.count, 'set')} × ` : '';
  const { time } = block;
  if (items === 0) return '';
  switch (time.kind) {
    case 'slots': {
      const whole = plan.rounds !== null && plan.rounds.low === plan.rounds.high;
      return (
        sets +
        (whole && items > 1
          ? `${plural(plan.rounds.low, 'round')} × ${items} × ${formatClock(time.slotSec)}`
          : `${time.slots} × ${formatClock(time.slotSec)}`)
      );
    }
    case 'intervals': {
      if (block.count?.kind === 'pyramid')
        return `${sets}${plural(plan.intervals ?? 0, 'way')} × ${formatClock(time.workSec[0]! + (time.restSec[0] ?? 0))}`;
      if (time.total !== undefined)
        return `${sets}${time.total} × ${formatClock(time.workSec[0]! + (time.restSec[0] ?? 0))}`;
      const rounds = plan.rounds?.high ?? 1;
      const at = (list: readonly number[], i: number) => list[Math.min(i, list.length - 1)] ?? 0;
      const lengths = Array.from({ length: rounds }, (_, i) => items * (at(time.workSec, i) + at(time.restSec, i)));
      if (new Set(lengths).size > 1 && lengths.length <= 5) return sets + lengths.map(formatClock).join(' + ');
      return `${sets}${plural(rounds, 'round')} × ${items} × ${formatClock(at(time.workSec, 0) + at(time.restSec, 0))}`;
    }
    case 'windows':
      return `${sets}${time.windows} × ${formatClock(time.windowSec + time.restSec)}`;
    case 'span':
      return block.sets ? `${plural(block.sets.count, 'set')} × ${formatClock(time.sec)}` : '';
    case 'flow':
    case 'own':
      return formatRange(plan.clockSec);
  }
}

/** The rule of a block in a few words, as it stands beside its name: "a new one every 1:15, 6 rounds". */
export function describeBlock(block: Block, plan: BlockPlan): string {
  const { time, count } = block;
  const rounds =
    plan.rounds && plan.rounds.high > 1
      ? plan.rounds.low === plan.rounds.high
        ? plural(plan.rounds.low, 'round')
        : `${plan.rounds.low} to ${plan.rounds.high} rounds`
      : '';
  const list =
    count?.kind === 'list' ? `${count.values.join(', ')} of each` : count?.kind === 'by-feel' ? 'by feel' : '';
  const join = (...parts: (string | undefined)[]) => parts.filter(Boolean).join(', ');
  switch (time.kind) {
    case 'flow':
      return 'once through, unhurried';
    case 'own':
      return join(
        time.forTime ? 'for time' : 'at your own pace',
        list || rounds,
        time.capSec ? `at most ${formatClock(time.capSec)}` : '',
      );
    case 'span':
      return time.turnsOf
        ? join(`in turns of ${time.turnsOf}, ${formatClock(time.sec)}`, list)
        : join(`as many rounds as you can in ${formatClock(time.sec)}`, list);
    case 'slots':
      return join(`a new one every ${formatClock(time.slotSec)}`, rounds, list);
    case 'intervals': {
      if (count?.kind === 'pyramid')
        return `up by ${count.step} a set in ${formatClock(time.workSec[0]!)}, then down again`;
      const times = (values: readonly number[]) => values.map((sec) => formatClock(sec)).join(', ');
      return join(
        `${times(time.workSec)} work${time.restSec.length ? `, ${times(time.restSec)} rest` : ''}`,
        rounds || (plan.intervals ? plural(plan.intervals, 'interval') : ''),
        list,
      );
    }
    case 'windows':
      return `${plural(time.windows, 'window')} of ${formatClock(time.windowSec)}, each from the top`;
  }
}
