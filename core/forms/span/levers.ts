import type { SpanRule } from '../../document/time-rule.ts';
import { MAX_DURATION_SEC } from '../../limits.ts';
import { formatClock } from '../../words/format-clock.ts';
import { pullSec } from '../change.ts';
import type { FormLevers } from '../form.ts';

export const levers: FormLevers<SpanRule> = {
  size: (rule, block) => ({
    value: rule.sec,
    isSeconds: true,
    most: MAX_DURATION_SEC,
    with: (sec) => ({ ...block, time: { ...rule, sec } }),
  }),
  answers: {
    rounds: null,
    work: null,
    rest: null,
    windows: null,
    step: null,
    clock: {
      read: (rule) => formatClock(rule.sec),
      pull: (rule, by, block) => ({ ...block, time: { ...rule, sec: pullSec(rule.sec, by) } }),
    },
  },
  growsBy: [{ lever: 'clock', by: 60 }],
};
