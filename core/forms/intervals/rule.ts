import type { IntervalsRule } from '../../document/time-rule.ts';
import { maxScore, repsScore } from '../say.ts';
import type { FormRule } from '../form.ts';

export const rule: FormRule<IntervalsRule> = {
  capSec: () => undefined,
  carriesPairs: false,
  slot: () => null,
  pulse: (rule) => ({
    workSec: rule.workSec,
    restSec: rule.restSec,
    withRest: (sec) => ({ ...rule, restSec: [sec] }),
  }),
  numbersFrom: () => null,
  maxAdvice: () => null,
  spreadsOverStations: (rule) => rule.stations,
  score: (_rule, block) => maxScore(block),
  askedScore: (_rule, block) => repsScore(block),
};
