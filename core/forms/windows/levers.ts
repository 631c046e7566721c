import type { WindowsRule } from '../../document/time-rule.ts';
import { MAX_ROUNDS } from '../../limits.ts';
import { formatClock } from '../../words/format-clock.ts';
import { clamp, pullSec } from '../change.ts';
import { restLever } from '../lever-answers.ts';
import type { FormLevers } from '../form.ts';

export const levers: FormLevers<WindowsRule> = {
  size: () => null,
  answers: {
    rounds: null,
    work: null,
    rest: restLever(),
    windows: {
      read: (rule) => String(rule.windows),
      pull: (rule, by, block) => ({ ...block, time: { ...rule, windows: clamp(rule.windows + by, 1, MAX_ROUNDS) } }),
    },
    step: null,
    clock: {
      read: (rule) => formatClock(rule.windowSec),
      pull: (rule, by, block) => ({ ...block, time: { ...rule, windowSec: pullSec(rule.windowSec, by) } }),
    },
  },
  growsBy: [
    { lever: 'windows', by: 1 },
    { lever: 'clock', by: 15 },
    { lever: 'reps', by: 1 },
  ],
};
