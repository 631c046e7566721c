import type { OwnRule } from '../../document/time-rule.ts';
import { capLever } from '../lever-answers.ts';
import { pullRounds } from '../pull-rounds.ts';
import { roundsSize } from '../pull-rounds.ts';
import { countRounds, itemLists, spanWords } from '../rounds.ts';
import type { FormLevers } from '../form.ts';

export const levers: FormLevers<OwnRule> = {
  size: (_rule, block) => roundsSize(block),
  answers: {
    rounds: {
      read: (_rule, block) => spanWords(countRounds(block, itemLists(block))),
      pull: (_rule, by, block, newRounds) => pullRounds(block, by, newRounds),
    },
    work: null,
    rest: null,
    windows: null,
    step: null,
    clock: capLever(),
  },
  growsBy: [
    { lever: 'rounds', by: 1 },
    { lever: 'reps', by: 1 },
  ],
};
