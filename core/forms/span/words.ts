import type { Block } from '../../document/document.ts';
import type { SpanRule } from '../../document/time-rule.ts';
import { formatClock } from '../../words/format-clock.ts';
import { plural } from '../../words/words.ts';
import { isOnlyMax, partsOfRound, workNames } from '../say.ts';
import type { FormWords, StageWords } from '../form.ts';

/** The round that the time cut off is asked for while it is known, where a round has a number. */
function partialOf(block: Block): Pick<StageWords, 'asks'> {
  const round = partsOfRound(block);
  return round
    ? { asks: { question: 'How far into the round that wasn’t finished?', what: 'partial', field: 'reps', round } }
    : {};
}

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
    ...(rule.turnsOf
      ? { partners: rule.turnsOf, ...(rule.byItem && { swapsByItem: true as const }) }
      : isOnlyMax(block)
        ? {}
        : partialOf(block)),
  }),
};
