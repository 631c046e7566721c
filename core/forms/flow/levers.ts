import type { FlowRule } from '../../document/time-rule.ts';
import { NO_LEVERS } from '../say.ts';
import type { FormLevers } from '../form.ts';

export const levers: FormLevers<FlowRule> = {
  size: () => null,
  answers: NO_LEVERS,
  growsBy: [{ lever: 'reps', by: 1 }],
};
