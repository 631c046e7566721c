import type { FlowRule } from '../../document/time-rule.ts';
import { unrollOwn } from '../unroll-own.ts';
import type { FormSteps } from '../form.ts';

export const steps: FormSteps<FlowRule> = {
  unroll: (_rule, scope) => unrollOwn(scope, { low: 1, high: 1 }),
  ownRounds: () => 1,
  rounds: () => ({ low: 1, high: 1 }),
  intervals: () => null,
  turns: () => 1,
};
