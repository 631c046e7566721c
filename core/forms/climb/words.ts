import type { ClimbRule } from '../../document/time-rule.ts';
import { formatClock } from '../../words/format-clock.ts';
import { formatRange } from '../../words/format-range.ts';
import type { FormWords } from '../form.ts';
import { countAt } from './shared.ts';

export const words: FormWords<ClimbRule> = {
  lengthWords: (_rule, _block, { clockSec }) => formatRange(clockSec),
  short: (rule) => `${rule.start} of each, ${rule.step} more every ${formatClock(rule.slotSec)}`,
  lines: (rule) => [
    `${countAt(rule, 0)}, then ${countAt(rule, 1)}, ${countAt(rule, 2)} and so on, a new count every ${formatClock(rule.slotSec)}; what is left is rest`,
    'it ends when the time no longer holds the count; the last one that did is the score',
  ],
  turnWord: 'slot',
  stage: (rule, step) => ({
    title: `${step.carried} of each`,
    taps: null,
    ends: `That ${rule.slotSec === 60 ? 'minute' : 'one'} no longer fitted`,
  }),
};
