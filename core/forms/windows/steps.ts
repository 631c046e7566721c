import type { WindowsRule } from '../../document/time-rule.ts';
import { BARE_REST_SEC } from '../../limits.ts';
import { exactly } from '../../pace/pace.ts';
import { ownParts, restPart } from '../dose-parts.ts';
import type { Scope } from '../form.ts';
import type { Part, Step } from '../step.ts';
import { makeStep, openPart, restStep, workItems } from '../steps.ts';
import type { FormSteps } from '../form.ts';

/** The list from the top in every window; what time is left is open. */
function windowParts(rule: WindowsRule, scope: Scope, window: number): Part[] {
  const { block, library } = scope;
  const items = workItems(block);
  const parts: Part[] = [];
  let left = rule.windowSec;
  for (const [index, item] of block.items.entries()) {
    if (left <= 0) break;
    if (item.kind === 'rest') {
      const sec = Math.min(left, item.sec ?? BARE_REST_SEC);
      parts.push(restPart(exactly(sec), index, false));
      left -= sec;
      continue;
    }
    const own = ownParts(item, index, block.count, window, library);
    if (own.some((p) => p.kind === 'open')) {
      parts.push(openPart(scope, left, [{ item, index }], { item, index }));
      left = 0;
      break;
    }
    for (const part of own) {
      const likely = Math.min(left, part.sec.likely);
      if (likely > 0) parts.push({ ...part, sec: exactly(likely) });
      left -= likely;
    }
  }
  if (left > 0) parts.push(openPart(scope, left, items, items.length === 1 ? items[0] : undefined));
  return parts;
}

export const steps: FormSteps<WindowsRule> = {
  unroll(rule, scope) {
    const steps: Step[] = [];
    for (let window = 0; window < rule.windows; window++) {
      const items = scope.block.items.map((_, i) => i);
      steps.push(
        makeStep(scope, 'window', window + 1, 'clock', windowParts(rule, scope, window), items, { lists: true }),
      );
      if (rule.restSec > 0) steps.push(restStep(scope, 'rest', exactly(rule.restSec), window + 1));
    }
    return steps;
  },
  ownRounds: () => 1,
  rounds: () => null,
  intervals: (rule, block) => rule.windows * (block.sets?.count ?? 1),
  turns: (rule) => rule.windows,
};
