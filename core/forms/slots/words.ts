import type { SlotsRule } from '../../document/time-rule.ts';
import { formatClock } from '../../words/format-clock.ts';
import { plural } from '../../words/words.ts';
import type { FormWords } from '../form.ts';

export const words: FormWords<SlotsRule> = {
  lengthWords: (rule, block, { rounds }) =>
    rounds !== null && rounds.low === rounds.high && block.items.length > 1
      ? `${plural(rounds.low, 'round')} × ${block.items.length} × ${formatClock(rule.slotSec)}`
      : `${rule.slots} × ${formatClock(rule.slotSec)}`,
  short: (rule) => `a new one every ${formatClock(rule.slotSec)}`,
  lines: (rule) => [
    rule.workCapSec
      ? `work is over by ${formatClock(rule.workCapSec)} of each; what is left is rest`
      : 'what is left of each is rest',
  ],
  turnWord: 'turn',
  stage: () => ({ title: '', taps: null }),
};
