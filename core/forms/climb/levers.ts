import type { ClimbRule } from '../../document/time-rule.ts';
import { MAX_AMOUNT } from '../../limits.ts';
import { formatClock } from '../../words/format-clock.ts';
import { clamp, pullSec } from '../change.ts';
import type { FormLevers } from '../form.ts';

export const levers: FormLevers<ClimbRule> = {
  size: () => null,
  answers: {
    rounds: null,
    work: null,
    rest: null,
    windows: null,
    step: {
      read: (rule) => `from ${rule.start} by ${rule.step}`,
      pull: (rule, by, block) => ({
        ...block,
        time: { ...rule, start: clamp(rule.start + by, 1, MAX_AMOUNT) },
      }),
    },
    clock: {
      read: (rule) => formatClock(rule.slotSec),
      pull: (rule, by, block) => ({
        ...block,
        time: { ...rule, slotSec: pullSec(rule.slotSec, by) },
      }),
    },
  },
  growsBy: [{ lever: 'step', by: 1 }],
};
