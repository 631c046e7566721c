import type { WindowsRule } from '../../document/time-rule.ts';
import { adviseMax, windowScore } from '../say.ts';
import { workItems } from '../steps.ts';
import type { FormRule } from '../form.ts';

export const rule: FormRule<WindowsRule> = {
  capSec: () => undefined,
  carriesPairs: false,
  slot: () => null,
  pulse: () => null,
  numbersFrom: () => 1,
  maxAdvice(_rule, block) {
    const works = workItems(block);
    const advice = adviseMax(block, 'max-not-last');
    return advice && advice.item !== works.at(-1)!.index ? { ...advice, putLast: true } : null;
  },
  spreadsOverStations: () => false,
  score: (rule, block) => windowScore(block, rule.windows),
  askedScore: (rule, block) => windowScore(block, rule.windows),
};
