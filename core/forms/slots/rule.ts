import type { SlotsRule } from '../../document/time-rule.ts';
import { maxScore, repsScore } from '../say.ts';
import type { FormRule } from '../form.ts';
import { SLOT_WORK_RATIO } from './shared.ts';

export const rule: FormRule<SlotsRule> = {
  capSec: () => undefined,
  carriesPairs: false,
  slot: (rule) => ({
    slotSec: rule.slotSec,
    slots: rule.slots,
    capSec: rule.workCapSec ?? Math.round(rule.slotSec * SLOT_WORK_RATIO),
    isCapWritten: rule.workCapSec !== undefined,
  }),
  pulse: () => null,
  numbersFrom: () => null,
  maxAdvice: () => null,
  spreadsOverStations: () => false,
  score: (_rule, block) => maxScore(block),
  askedScore: (_rule, block) => repsScore(block),
};
