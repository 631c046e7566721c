import type { SpanRule } from '../../document/time-rule.ts';
import { formatClock } from '../../words/format-clock.ts';
import { plural } from '../../words/words.ts';
import { isOnlyMax, workNames } from '../say.ts';
import type { FormWords } from '../form.ts';

export const words: FormWords<SpanRule> = {
  lengthWords: (rule, block) => (block.sets ? formatClock(rule.sec) : ''),
  short: (rule, block) =>
    rule.turnsOf
      ? `in turns of ${rule.turnsOf}, ${formatClock(rule.sec)}`
      : isOnlyMax(block)
        ? `as many as you can in ${formatClock(rule.sec)}`
        : `as many rounds as you can in ${formatClock(rule.sec)}`,
  lines: (rule) =>
    rule.turnsOf
      ? [
          `${plural(rule.turnsOf, 'partner')}: ${rule.byItem ? 'one does an item' : 'one does the list once'}, ${rule.turnsOf === 2 ? 'the other' : 'the others'} watch, then swap${rule.byItem ? ' at every item' : ''}`,
        ]
      : [],
  turnWord: 'round',
  stage: (rule, _step, block) => ({
    title: rule.turnsOf
      ? `In turns of ${rule.turnsOf}`
      : isOnlyMax(block)
        ? `As many ${workNames(block)} as you can`
        : 'As many rounds as you can',
    taps: rule.turnsOf ? 'swap' : isOnlyMax(block) ? null : 'round',
    ...(rule.turnsOf && { partners: rule.turnsOf }),
  }),
};
