import type { SlotsRule } from '../../document/time-rule.ts';
import { exactly } from '../../pace/pace.ts';
import { fillTo, intervalParts, ownParts, restPart } from '../dose-parts.ts';
import { makeStep } from '../steps.ts';
import type { FormSteps } from '../form.ts';

export const steps: FormSteps<SlotsRule> = {
  unroll(rule, scope) {
    const { block, library } = scope;
    const { slotSec, workCapSec } = rule;
    return Array.from({ length: rule.slots }, (_, slot) => {
      const index = slot % block.items.length;
      const turn = Math.floor(slot / block.items.length);
      const item = block.items[index]!;
      const round = turn + 1;
      if (item.kind === 'rest')
        return makeStep(scope, 'rest', round, 'clock', [restPart(exactly(slotSec), index, false)], [index]);
      const parts = ownParts(item, index, block.count, turn, library);
      const clockSays =
        parts.length === 1 && (parts[0]!.kind === 'open' || (item.dose === undefined && parts[0]!.reps === null));
      const filled =
        clockSays || item.dose?.kind === 'max' || (item.dose?.kind === 'given' && parts[0]!.reps === null)
          ? fillTo(intervalParts(item, index, block.count, turn, workCapSec ?? slotSec, library), slotSec, index)
          : fillTo(parts, slotSec, index);
      return makeStep(scope, 'slot', round, 'clock', filled, [index], workCapSec ? { workCapSec } : {});
    });
  },
  ownRounds: () => 1,
  rounds: (rule, block) => ({
    low: Math.floor(rule.slots / block.items.length),
    high: Math.ceil(rule.slots / block.items.length),
  }),
  intervals: (rule, block) => rule.slots * (block.sets?.count ?? 1),
  turns: (rule, block) => Math.ceil(rule.slots / Math.max(1, block.items.length)),
};
