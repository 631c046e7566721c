import type { WindowsRule } from '../../document/time-rule.ts';
import { formatClock } from '../../words/format-clock.ts';
import { plural } from '../../words/words.ts';
import { partsOfRound, windowScore } from '../say.ts';
import type { FormWords } from '../form.ts';

export const words: FormWords<WindowsRule> = {
  lengthWords: (rule) => `${rule.windows} × ${formatClock(rule.windowSec + rule.restSec)}`,
  short: (rule) => `${plural(rule.windows, 'window')} of ${formatClock(rule.windowSec)}, each from the top`,
  lines: (rule) => [...(rule.restSec ? [`${formatClock(rule.restSec)} rest after each window`] : [])],
  turnWord: 'window',
  stage: (rule, step, block) => {
    const round = partsOfRound(block);
    return {
      title: `Window ${step.round}, from the top`,
      of: rule.windows,
      // Where every line has its number, the rounds of a window are counted by a tap, as in any other.
      taps: round ? 'round' : null,
      asks: {
        question: `${windowScore(block, rule.windows).fields[step.round - 1]!.label}: how many?`,
        what: 'reps',
        field: String(step.round - 1),
        ...(round && { round }),
      },
    };
  },
};
