import type { PyramidRule } from '../../document/time-rule.ts';
import { topSetScore } from '../say.ts';
import type { FormRule } from '../form.ts';

export const rule: FormRule<PyramidRule> = {
  capSec: () => undefined,
  carriesPairs: true,
  slot: () => null,
  pulse: () => null,
  numbersFrom: () => null,
  maxAdvice: () => null,
  spreadsOverStations: () => false,
  score: (_rule, block) => topSetScore(block),
  askedScore: (_rule, block) => topSetScore(block),
};
