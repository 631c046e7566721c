import type { FlowRule } from '../../document/time-rule.ts';
import { maxScore, timeScore } from '../say.ts';
import type { FormRule } from '../form.ts';

export const rule: FormRule<FlowRule> = {
  capSec: () => undefined,
  carriesPairs: false,
  slot: () => null,
  pulse: () => null,
  numbersFrom: () => null,
  maxAdvice: () => null,
  spreadsOverStations: () => false,
  score: (_rule, block) => maxScore(block),
  askedScore: (_rule, block) => timeScore(block),
};
