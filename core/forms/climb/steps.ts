import type { ClimbRule } from '../../document/time-rule.ts';
import { MAX_DURATION_SEC, MAX_ROUNDS } from '../../limits.ts';
import type { EstimateSec } from '../../pace/pace.ts';
import { addEstimates, exactly } from '../../pace/pace.ts';
import { fillTo, ownParts, restPart } from '../dose-parts.ts';
import type { Scope } from '../form.ts';
import type { Part } from '../step.ts';
import { makeStep } from '../steps.ts';
import type { FormSteps } from '../form.ts';
import { countAt, grows } from './shared.ts';

const mostTurns = (rule: ClimbRule): number => Math.min(MAX_ROUNDS, Math.floor(MAX_DURATION_SEC / rule.slotSec));

/** All items of one slot, at the slot's count. */
function slotParts(rule: ClimbRule, scope: Scope, slot: number): Part[] {
  const count = {
    kind: 'list' as const,
    values: [countAt(rule, slot)],
    cycling: false,
  };
  return scope.block.items.flatMap((item, index) =>
    item.kind === 'rest'
      ? [restPart(exactly(item.sec ?? 5), index, false)]
      : ownParts(item, index, count, 0, scope.library),
  );
}

const needOf = (parts: readonly Part[]): EstimateSec => parts.map((p) => p.sec).reduce(addEstimates, exactly(0));

export const steps: FormSteps<ClimbRule> = {
  numberAt: countAt,
  mostTurns,
  unroll(rule, scope) {
    const steps = [];
    const most = mostTurns(rule);
    let isSure = true;
    for (let slot = 0; slot < most; slot++) {
      const parts = slotParts(rule, scope, slot);
      const need = needOf(parts);
      steps.push(
        makeStep(
          scope,
          'climb',
          slot + 1,
          'clock',
          fillTo(parts, rule.slotSec, null),
          parts.flatMap((p) => p.item ?? []),
          {
            optional: !isSure,
            holds:
              need.high <= rule.slotSec
                ? 'always'
                : need.likely <= rule.slotSec
                  ? 'likely'
                  : need.low <= rule.slotSec
                    ? 'quick'
                    : 'never',
            lists: true,
            carried: countAt(rule, slot),
          },
        ),
      );
      // The slot that doesn't hold it is tried, and is the last. From where that may be, all slots are open.
      if (need.high > rule.slotSec) isSure = false;
      if (need.low > rule.slotSec || !grows(scope.block)) break;
    }
    return steps;
  },
  ownRounds: () => 1,
  rounds: () => null,
  intervals: (_rule, _block, likely) => likely.length,
  turns: () => null,
};
