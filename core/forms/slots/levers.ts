import type { SlotsRule } from '../../document/time-rule.ts';
import { MAX_DURATION_SEC, MAX_ROUNDS, MAX_SLOTS } from '../../limits.ts';
import { formatClock } from '../../words/format-clock.ts';
import { clamp, pullSec } from '../change.ts';
import type { FormLevers } from '../form.ts';

export const levers: FormLevers<SlotsRule> = {
  size: (rule, block) => {
    const items = block.items.length;
    return items === 0 || rule.slots % items !== 0
      ? null
      : {
          value: rule.slots / items,
          isSeconds: false,
          most: Math.min(MAX_ROUNDS, Math.floor(MAX_SLOTS / items)),
          with: (rounds) => ({ ...block, time: { ...rule, slots: rounds * items } }),
        };
  },
  answers: {
    rounds: {
      read: (rule, block) => String(Math.round((10 * rule.slots) / block.items.length) / 10),
      pull(rule, by, block) {
        const most = Math.min(MAX_SLOTS, MAX_ROUNDS * block.items.length, Math.floor(MAX_DURATION_SEC / rule.slotSec));
        const wanted = rule.slots + by * block.items.length;
        return {
          ...block,
          time: { ...rule, slots: clamp(wanted, Math.min(rule.slots, block.items.length), Math.max(most, rule.slots)) },
        };
      },
    },
    work: null,
    rest: null,
    windows: null,
    step: null,
    clock: {
      read: (rule) => formatClock(rule.slotSec),
      pull(rule, by, block) {
        const slotSec = pullSec(rule.slotSec, by, Math.floor(MAX_DURATION_SEC / rule.slots));
        return {
          ...block,
          time: {
            ...rule,
            slotSec,
            ...(rule.workCapSec !== undefined && { workCapSec: Math.min(rule.workCapSec, slotSec) }),
          },
        };
      },
    },
  },
  growsBy: [
    { lever: 'rounds', by: 1 },
    { lever: 'reps', by: 1 },
    { lever: 'clock', by: -5 },
  ],
};
