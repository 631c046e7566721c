import type { PyramidRule } from '../../document/time-rule.ts';
import { formatClock } from '../../words/format-clock.ts';
import { isWork, itemName } from '../../words/describe-item.ts';
import { listWords, plural } from '../../words/words.ts';
import { begunField, downField } from '../down-field.ts';
import { workItems } from '../steps.ts';
import type { FormWords } from '../form.ts';

export const words: FormWords<PyramidRule> = {
  lengthWords: (rule, _block, { intervals }) =>
    `${plural(intervals ?? 0, 'way')} × ${formatClock(rule.workSec + rule.restSec)}`,
  short: (rule) =>
    `up by ${rule.step} a set in ${formatClock(rule.workSec)}, then down in another ${formatClock(rule.workSec)}`,
  lines: (rule, block) => {
    const names = block.items.filter(isWork).map(itemName);
    const pairs = names.flatMap((_, i) => (i % 2 === 0 ? [listWords(names.slice(i, i + 2))] : []));
    const { step } = rule;
    return [
      `${step} of each, then ${2 * step}, ${3 * step} and so on for ${formatClock(rule.workSec)}; then down by ${step} from the set you stopped in, for ${formatClock(rule.workSec)} again`,
      ...(pairs.length > 1 ? [`two by two: ${pairs.join('; then ')}`] : []),
      ...(rule.restSec ? [`${formatClock(rule.restSec)} rest after each way`] : []),
    ];
  },
  turnWord: 'way',
  stage: (rule, step, block) => ({
    title: step.direction === 'up' ? `Up by ${rule.step} a set` : `Down by ${rule.step} from the set you stopped in`,
    of: Math.ceil(workItems(block).length / 2),
    taps: 'set',
    asks:
      step.direction === 'up'
        ? {
            question: 'How many sets did you finish?',
            what: 'set',
            field: String(step.round - 1),
            begun: { field: begunField(step.round - 1), step: rule.step },
          }
        : { question: 'And how many coming down? A half counts.', what: 'set', field: downField(step.round - 1) },
  }),
};
