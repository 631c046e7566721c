import type { AccumulateRule } from '../../document/time-rule.ts';
import { adviseMax, timeScore } from '../say.ts';
import type { FormRule } from '../form.ts';

export const rule: FormRule<AccumulateRule> = {
  capSec: (rule) => rule.capSec,
  carriesPairs: false,
  slot: () => null,
  pulse: () => null,
  numbersFrom: () => 1,
  maxAdvice: (_rule, block) => adviseMax(block, 'max-no-total'),
  spreadsOverStations: () => false,
  score: (rule, block) => timeScore(block, rule.capSec),
  askedScore: (rule, block) => timeScore(block, rule.capSec),
};
