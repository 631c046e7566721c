import type { ClimbRule } from '../../document/time-rule.ts';
import { MAX_AMOUNT, MAX_DURATION_SEC } from '../../limits.ts';
import { formatClock } from '../../words/format-clock.ts';
import { shape } from '../say.ts';
import type { FormNotation } from '../form.ts';

const CARRIES = 'A climb has its own numbers and ends when a turn no longer holds them; leave this out.';

export const notation: FormNotation<ClimbRule, ClimbRule> = {
  shapes: [
    shape(
      'climb',
      'climb',
      'one more in each turn, until it no longer holds them',
      Array.from({ length: 8 }, (_, i) => ({
        x: i * 9.6,
        width: 1.4 + i,
        height: 6 + i * 2.2,
        kind: 'work' as const,
      })),
      () => ({ time: { kind: 'climb', start: 1, step: 1, slotSec: 60 } }),
    ),
  ],
  shapeOf: () => 'climb',
  clauses: [
    {
      words: ['climb'],
      starts: [
        {
          label: 'climb',
          insert: 'climb 1 by 1 every 1:00',
          detail: 'one more each minute, until it no longer fits',
        },
      ],
      read(cursor) {
        const start = cursor.count('The count of the first turn', 1, MAX_AMOUNT);
        if (!cursor.takeWords('by'))
          cursor.fail('missing', 'Say how many more each turn has: “climb 1 by 1 every 1:00”.');
        const step = cursor.count('What each turn adds', 1, MAX_AMOUNT);
        if (!cursor.takeWords('every')) cursor.fail('missing', 'Say how long each turn is: “climb 1 by 1 every 1:00”.');
        return {
          kind: 'climb',
          start,
          step,
          slotSec: cursor.duration('The length of a turn'),
        };
      },
    },
  ],
  extras: [],
  takes: {
    rounds: CARRIES,
    list: CARRIES,
    'by-feel': CARRIES,
    between: CARRIES,
  },
  make: (draft) => draft,
  print: (rule) => [`climb ${rule.start} by ${rule.step} every ${formatClock(rule.slotSec)}`],
  restNeedsLength: true,
  numbers: (rule) => [
    {
      key: 'start',
      label: 'from',
      value: rule.start,
      unit: 'count',
      least: 1,
      most: MAX_AMOUNT,
    },
    {
      key: 'step',
      label: 'more each',
      value: rule.step,
      unit: 'count',
      least: 1,
      most: MAX_AMOUNT,
    },
    {
      key: 'slotSec',
      label: 'every',
      value: rule.slotSec,
      unit: 'sec',
      least: 1,
      most: MAX_DURATION_SEC,
    },
  ],
  withNumber: (rule, key, value) => ({ ...rule, [key]: value }),
};
