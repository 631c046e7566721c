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
          why: 'nothing-climbs',
          putLast: false,
        },
  spreadsOverStations: () => false,
  score: (rule, block) => wholeSlotsScore(block, rule.slotSec),
  askedScore: (rule, block) => wholeSlotsScore(block, rule.slotSec),
};
