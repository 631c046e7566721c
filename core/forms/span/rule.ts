import type { SpanRule } from '../../document/time-rule.ts';
import { adviseMax, maxScore, roundsScore } from '../say.ts';
import { workItems } from '../steps.ts';
import type { FormRule } from '../form.ts';

export const rule: FormRule<SpanRule> = {
  capSec: () => undefined,
  carriesPairs: false,
  slot: () => null,
  pulse: () => null,
  numbersFrom: () => 2,
  maxAdvice: (_rule, block) => (workItems(block).length > 1 ? adviseMax(block, 'max-in-turns') : null),
  spreadsOverStations: () => false,
  score: (rule, block) => (rule.turnsOf ? maxScore(block, rule.turnsOf) : roundsScore(block)),
  askedScore: (rule, block) => roundsScore(block, rule.turnsOf ?? 1),
};
