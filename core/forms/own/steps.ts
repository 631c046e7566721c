import type { OwnRule } from '../../document/time-rule.ts';
import { countRounds, itemLists } from '../rounds.ts';
import { unrollOwn } from '../unroll-own.ts';
import type { FormSteps } from '../form.ts';

export const steps: FormSteps<OwnRule> = {
  unroll: (_rule, scope) => unrollOwn(scope, countRounds(scope.block, itemLists(scope.block))),
  ownRounds: (_rule, block) => itemLists(block),
  rounds: (_rule, block) => countRounds(block, itemLists(block)),
  intervals: () => null,
  turns: (_rule, block) => countRounds(block, itemLists(block)).high,
};
