import type { PyramidRule } from '../../document/time-rule.ts';
import { formatClock } from '../../words/format-clock.ts';
import { clamp, pullSec } from '../change.ts';
import { restLever } from '../lever-answers.ts';
import type { FormLevers } from '../form.ts';
import { MAX_STEP } from './shared.ts';

export const levers: FormLevers<PyramidRule> = {
  size: () => null,
  answers: {
    rounds: null,
    work: null,
    rest: restLever(),
    windows: null,
    step: {
      read: (rule) => `+${rule.step}`,
      pull: (rule, by, block) => ({ ...block, time: { ...rule, step: clamp(rule.step + by, 1, MAX_STEP) } }),
    },
    clock: {
      read: (rule) => formatClock(rule.workSec),
      pull: (rule, by, block) => ({ ...block, time: { ...rule, workSec: pullSec(rule.workSec, by) } }),
    },
  },
  growsBy: [{ lever: 'step', by: 1 }],
};
