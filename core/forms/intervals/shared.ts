import type { IntervalsRule } from '../../document/time-rule.ts';

export const byRound = ({ workSec, restSec }: Pick<IntervalsRule, 'workSec' | 'restSec'>) =>
  Math.max(workSec.length, restSec.length);
