import type { AccumulateRule } from '../../document/time-rule.ts';
import { formatRange } from '../../words/format-range.ts';
import type { FormWords } from '../form.ts';

export const words: FormWords<AccumulateRule> = {
  lengthWords: (_rule, _block, { clockSec }) => formatRange(clockSec),
  short: () => 'gather these totals',
  lines: (rule) => [
    'in as many parts as you like, in any order',
    ...(rule.capSec ? ['what is done by the cap is the score'] : []),
  ],
  turnWord: 'part',
  stage: () => ({ title: 'Gather these totals', taps: null }),
};
