import type { OwnRule } from '../../document/time-rule.ts';
import { adviseMax, maxScore, timeScore } from '../say.ts';
import type { FormRule } from '../form.ts';

export const rule: FormRule<OwnRule> = {
  capSec: (rule) => rule.capSec,
  carriesPairs: false,
  slot: () => null,
  pulse: () => null,
  numbersFrom: (rule) => (rule.forTime ? 1 : null),
  maxAdvice: (rule, block) => (rule.forTime ? adviseMax(block, 'max-never-done') : null),
  spreadsOverStations: () => false,
  score: (rule, block) => (rule.forTime ? timeScore(block, rule.capSec) : maxScore(block)),
  askedScore: (_rule, block) => timeScore(block),
};
