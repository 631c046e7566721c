import type { AccumulateRule } from '../../document/time-rule.ts';
import { BARE_REST_SEC } from '../../limits.ts';
import { addEstimates, exactly } from '../../pace/pace.ts';
import { ownParts, restPart } from '../dose-parts.ts';
import { makeStep } from '../steps.ts';
import type { FormSteps } from '../form.ts';

/** Breaks between the parts of a total, as a share of its work (common practice, no source): none, a fifth, three fifths. */
const BREAKS = { low: 0, likely: 0.2, high: 0.6 };

export const steps: FormSteps<AccumulateRule> = {
  unroll(_rule, scope) {
    const parts = scope.block.items.flatMap((item, index) =>
      item.kind === 'rest'
        ? [restPart(exactly(item.sec ?? BARE_REST_SEC), index, false)]
        : ownParts(item, index, undefined, 0, scope.library).map((part) => ({
            ...part,
            estimated: true,
          })),
    );
    const work = parts.map((p) => p.sec).reduce(addEstimates, exactly(0));
    const breaks = restPart(
      {
        low: Math.round(work.low * BREAKS.low),
        likely: Math.round(work.likely * BREAKS.likely),
        high: Math.round(work.high * BREAKS.high),
      },
      null,
      true,
    );
    return [
      makeStep(
        scope,
        'accumulate',
        1,
        'own',
        [...parts, breaks],
        scope.block.items.map((_, i) => i),
        { lists: true },
      ),
    ];
  },
  ownRounds: () => 1,
  rounds: () => ({ low: 1, high: 1 }),
  intervals: () => null,
  turns: () => 1,
};
