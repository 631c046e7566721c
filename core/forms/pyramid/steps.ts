import type { PyramidRule } from '../../document/time-rule.ts';
import { exactly } from '../../pace/pace.ts';
import type { Step } from '../step.ts';
import { makeStep, openPart, restStep, workItems } from '../steps.ts';
import type { FormSteps } from '../form.ts';

export const steps: FormSteps<PyramidRule> = {
  numberAt: (rule, set) => rule.step * (set + 1),
  unroll(rule, scope) {
    const items = workItems(scope.block);
    const steps: Step[] = [];
    for (let pair = 0; pair * 2 < items.length; pair++) {
      const two = items.slice(pair * 2, pair * 2 + 2);
      for (const direction of ['up', 'down'] as const) {
        const part = openPart(scope, rule.workSec, two, two.length === 1 ? two[0] : undefined);
        const indexes = two.map((i) => i.index);
        steps.push(
          makeStep(scope, 'pyramid', pair + 1, 'clock', [part], indexes, {
            direction,
            lists: true,
            carried: rule.step,
          }),
        );
        if (rule.restSec > 0) steps.push(restStep(scope, 'rest', exactly(rule.restSec), pair + 1));
      }
    }
    return steps;
  },
  ownRounds: () => 1,
  rounds: () => null,
  intervals: (_rule, _block, likely) => likely.filter((s) => s.purpose === 'pyramid').length,
  turns: () => 1,
};
