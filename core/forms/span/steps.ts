import type { SpanRule } from '../../document/time-rule.ts';
import { expectedParts, makeStep, openPart, workItems } from '../steps.ts';
import type { FormSteps } from '../form.ts';

export const steps: FormSteps<SpanRule> = {
  // Who swaps at every item has a part in every round.
  partnerTurn: (rule, round, person) => (rule.byItem ? round : round * (rule.turnsOf ?? 1) + person),
  unroll(rule, scope) {
    const items = workItems(scope.block);
    const only = items.length === 1 && !items[0]!.item.inTurn ? items[0] : undefined;
    return [
      makeStep(
        scope,
        'span',
        0,
        'clock',
        [openPart(scope, rule.sec, items, only)],
        items.map((i) => i.index),
        { expected: expectedParts(scope, rule.sec), lists: true },
      ),
    ];
  },
  ownRounds: () => 1,
  rounds: () => null,
  intervals: () => null,
  turns: () => null,
};
