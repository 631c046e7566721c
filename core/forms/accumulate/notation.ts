import type { AccumulateRule } from '../../document/time-rule.ts';
import { MAX_DURATION_SEC } from '../../limits.ts';
import { formatClock } from '../../words/format-clock.ts';
import { shape } from '../say.ts';
import type { FormNotation } from '../form.ts';

const TOTALS = 'The numbers of “accumulate” are totals, done once; leave this out.';

export const notation: FormNotation<AccumulateRule, null> = {
  shapes: [
    shape(
      'accumulate',
      'accumulate',
      'a total, in as many parts as one likes; the score is the time',
      [16, 13, 10, 9, 7, 6].map((width, i, all) => ({
        x: all.slice(0, i).reduce((a, b) => a + b + 3, 0),
        width,
        height: 19,
        kind: 'work' as const,
      })),
      () => ({ time: { kind: 'accumulate' } }),
    ),
  ],
  shapeOf: () => 'accumulate',
  clauses: [
    {
      words: ['accumulate'],
      starts: [
        {
          label: 'accumulate',
          insert: 'accumulate',
          detail: 'totals, in as many parts as one likes',
        },
      ],
      read: () => null,
    },
  ],
  extras: ['cap'],
  takes: { rounds: TOTALS, list: TOTALS, 'by-feel': TOTALS, between: TOTALS },
  make: (_draft, { extras }) => ({
    kind: 'accumulate',
    ...(extras.cap && { capSec: extras.cap.value }),
  }),
  print: (rule) => ['accumulate', ...(rule.capSec ? [`cap ${formatClock(rule.capSec)}`] : [])],
  restNeedsLength: true,
  numbers: (rule) =>
    rule.capSec
      ? [
          {
            key: 'capSec',
            label: 'cap',
            value: rule.capSec,
            unit: 'sec',
            least: 1,
            most: MAX_DURATION_SEC,
          },
        ]
      : [],
  withNumber: (_rule, _key, value) => ({ kind: 'accumulate', capSec: value }),
};
