import type { PyramidRule } from '../../document/time-rule.ts';
import { MAX_DURATION_SEC } from '../../limits.ts';
import { formatClock } from '../../words/format-clock.ts';
import { shape } from '../say.ts';
import type { FormNotation } from '../form.ts';
import { MAX_STEP } from './shared.ts';

const CARRIES = 'A pyramid carries its own numbers from set to set.';

export const notation: FormNotation<PyramidRule, PyramidRule> = {
  shapes: [
    shape(
      'pyramid',
      'pyramid',
      'two by two, up while time lasts, then down',
      [5, 9, 13, 17, 21, 17, 13, 9, 5].map((height, i) => ({
        x: i * 8.4 + (i > 4 ? 3 : 0),
        width: 7,
        height,
        kind: 'work' as const,
      })),
      () => ({ time: { kind: 'pyramid', step: 2, workSec: 75, restSec: 45 } }),
    ),
  ],
  shapeOf: () => 'pyramid',
  clauses: [
    {
      words: ['pyramid'],
      starts: [
        {
          label: 'pyramid',
          insert: 'pyramid +2 in 1:15 rest 0:45',
          detail: 'two by two, up, and down in as long again',
        },
      ],
      read(cursor) {
        if (!cursor.takeMark('+'))
          cursor.fail('missing', 'A pyramid says what each set adds: “pyramid +3 in 1:15 rest 0:45”.');
        const step = cursor.count('What each set adds', 1, MAX_STEP);
        if (!cursor.takeWords('in'))
          cursor.fail('missing', 'Say how long each way is: “pyramid +3 in 1:15 rest 0:45”.');
        const workSec = cursor.duration('The time of each way');
        const restSec = cursor.takeWords('rest') ? cursor.duration('The rest') : 0;
        return { kind: 'pyramid', step, workSec, restSec };
      },
    },
  ],
  extras: [],
  takes: { rounds: CARRIES, list: CARRIES, 'by-feel': CARRIES, between: true },
  make: (draft) => draft,
  print: (rule) => [
    `pyramid +${rule.step} in ${formatClock(rule.workSec)}${rule.restSec ? ` rest ${formatClock(rule.restSec)}` : ''}`,
  ],
  restNeedsLength: false,
  numbers: (rule) => [
    { key: 'step', label: 'more a set', value: rule.step, unit: 'count', least: 1, most: MAX_STEP },
    { key: 'workSec', label: 'each way', value: rule.workSec, unit: 'sec', least: 1, most: MAX_DURATION_SEC },
    ...(rule.restSec
      ? [{ key: 'restSec', label: 'rest', value: rule.restSec, unit: 'sec' as const, least: 1, most: MAX_DURATION_SEC }]
      : []),
  ],
  withNumber: (rule, key, value) => ({ ...rule, [key]: value }),
};
