import type { OwnRule } from '../../document/time-rule.ts';
import { adviseMax, maxScore, timeScore } from '../say.ts';
import type { FormRule } from '../form.ts';

export const rule: FormRule<OwnRule> = {
  capSec: (rule) => rule.capSec,
  carriesPairs: false,
  slot: () => null,
  pulse: () => null,
  numbersFrom: (rule) => (rule.forTime ? 1 : null),
  maxAdvice: (rule, block) =>
    rule.forTime
      ? adviseMax(block, '“for time” is finished when all is done, and “max” is never done; give it a number.')
      : null,
  spreadsOverStations: () => false,
  score: (rule, block) => (rule.forTime ? timeScore(block, rule.capSec) : maxScore(block)),
  askedScore: (_rule, block) => timeScore(block),
};
