import type { AccumulateRule } from '../../document/time-rule.ts';
import { capLever } from '../lever-answers.ts';
import type { FormLevers } from '../form.ts';

export const levers: FormLevers<AccumulateRule> = {
  size: () => null,
  answers: {
    rounds: null,
    work: null,
    rest: null,
    windows: null,
    step: null,
    clock: capLever(),
  },
  growsBy: [{ lever: 'reps', by: 5 }],
};
