import type { IntervalsRule } from '../../document/time-rule.ts';
import { formatClock } from '../../words/format-clock.ts';
import { plural } from '../../words/words.ts';
import { times } from '../say.ts';
import { atRound } from '../steps.ts';
import type { FormWords } from '../form.ts';
import { byRound } from './shared.ts';

export const words: FormWords<IntervalsRule> = {
  lengthWords(rule, block, sums) {
    const items = block.items.length;
    const each = (round: number) => atRound(rule.workSec, round) + atRound(rule.restSec, round);
    if (rule.total !== undefined) return `${rule.total} × ${formatClock(each(0))}`;
    const rounds = sums.rounds?.high ?? 1;
    const lengths = Array.from({ length: rounds }, (_, i) => items * each(i));
    if (new Set(lengths).size > 1 && lengths.length <= 5) return lengths.map(formatClock).join(' + ');
    return `${plural(rounds, 'round')} × ${items} × ${formatClock(each(0))}`;
  },
  short: (rule) => `${times(rule.workSec)} work${rule.restSec.length ? `, ${times(rule.restSec)} rest` : ''}`,
  lines: (rule, block) => [
    ...(rule.stations
      ? [`stations: spread over the ${plural(block.items.length, 'place')}, and go on to the next at every change`]
      : []),
    ...(byRound(rule) > 1 ? ['the times change by round, in that order'] : []),
    ...(rule.total !== undefined && block.items.length > 1 ? ['the exercises take turns'] : []),
  ],
  turnWord: 'round',
  stage: () => ({ title: '', taps: null }),
};
