import type { ClimbRule } from '../../document/time-rule.ts';
import { wholeSlotsScore } from '../say.ts';
import type { FormRule } from '../form.ts';
import { grows } from './shared.ts';

export const rule: FormRule<ClimbRule> = {
  capSec: () => undefined,
  carriesPairs: false,
  slot: () => null,
  pulse: () => null,
  numbersFrom: () => null,
  maxAdvice: (_rule, block) =>
    grows(block)
      ? null
      : {
          item: 0,
          message:
            'Nothing climbs here: every line has a number of its own. Take it from one, “burpee” instead of “5 burpee”.',
          putLast: false,
        },
  spreadsOverStations: () => false,
  score: (rule, block) => wholeSlotsScore(block, rule.slotSec),
  askedScore: (rule, block) => wholeSlotsScore(block, rule.slotSec),
};
