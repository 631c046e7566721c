import type { IntervalsRule } from '../../document/time-rule.ts';
import { MAX_DURATION_SEC, MAX_SLOTS } from '../../limits.ts';
import type { Block } from '../../document/document.ts';
import { formatClock } from '../../words/format-clock.ts';
import { clamp, pullSec } from '../change.ts';
import { extendList, pullRounds } from '../pull-rounds.ts';
import { roundsSize } from '../pull-rounds.ts';
import { countRounds, spanWords } from '../rounds.ts';
import type { FormLevers } from '../form.ts';
import { byRound } from './shared.ts';

const sayTimes = (values: readonly number[]) =>
  values.length === 1 ? formatClock(values[0]!) : `${values.join('/')} s`;

const withTimes = (block: Block, time: IntervalsRule): Block => ({ ...block, time });

export const levers: FormLevers<IntervalsRule> = {
  size: (rule, block) => (rule.total === undefined && byRound(rule) === 1 ? roundsSize(block) : null),
  answers: {
    rounds: {
      read: (rule, block) =>
        rule.total !== undefined ? `${rule.total} intervals` : spanWords(countRounds(block, byRound(rule))),
      pull(rule, by, block, newRounds) {
        if (rule.total !== undefined)
          return {
            ...block,
            time: {
              ...rule,
              total: clamp(rule.total + by * block.items.length, Math.min(rule.total, block.items.length), MAX_SLOTS),
            },
          };
        const extend = (values: readonly number[]) =>
          values.length > 1 ? extendList(values, by, MAX_DURATION_SEC, newRounds) : values;
        return pullRounds(block, by, newRounds, {
          isListed: byRound(rule) > 1,
          pull: (b) => ({
            ...b,
            time: { ...rule, workSec: extend(rule.workSec), restSec: extend(rule.restSec) },
          }),
          lengthOf: (b) => byRound(b.time as IntervalsRule),
        });
      },
    },
    work: {
      read: (rule) => sayTimes(rule.workSec),
      pull: (rule, by, block) => withTimes(block, { ...rule, workSec: rule.workSec.map((sec) => pullSec(sec, by)) }),
    },
    rest: {
      read: (rule) => (rule.restSec.length > 0 ? sayTimes(rule.restSec) : undefined),
      pull: (rule, by, block) => withTimes(block, { ...rule, restSec: rule.restSec.map((sec) => pullSec(sec, by)) }),
    },
    windows: null,
    step: null,
    clock: null,
  },
  growsBy: [
    { lever: 'rounds', by: 1 },
    { lever: 'work', by: 5 },
    { lever: 'rest', by: -5 },
  ],
};
