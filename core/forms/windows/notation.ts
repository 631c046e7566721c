import type { WindowsRule } from '../../document/time-rule.ts';
import { MAX_DURATION_SEC, MAX_ROUNDS } from '../../limits.ts';
import { formatClock } from '../../words/format-clock.ts';
import { shape } from '../say.ts';
import type { FormNotation } from '../form.ts';

export const notation: FormNotation<WindowsRule, WindowsRule> = {
  shapes: [
    shape(
      'windows',
      'windows',
      'from the top in every window',
      'Main: windows 0:24 x 3 rest 0:08\n4 squat\nmax push-up',
      ({ count }) => ({ ...count, time: { kind: 'windows', windowSec: 120, windows: 5, restSec: 30 } }),
    ),
  ],
  shapeOf: () => 'windows',
  clauses: [
    {
      words: ['windows'],
      starts: [{ label: 'windows', insert: 'windows 2:30 x 4 rest 0:30', detail: 'from the top in every window' }],
      read(cursor) {
        const windowSec = cursor.duration('The length of a window');
        if (!cursor.takeMark('x')) cursor.fail('missing', 'Say how many windows: “windows 2:30 x 4”.');
        const windows = cursor.count('The number of windows', 1, MAX_ROUNDS);
        const restSec = cursor.takeWords('rest') ? cursor.duration('The rest between windows') : 0;
        return { kind: 'windows', windowSec, windows, restSec };
      },
    },
  ],
  extras: [],
  takes: {
    rounds: 'The clock of this block says how long it goes on; leave the rounds out.',
    list: true,
    'by-feel': true,
    between: true,
  },
  make: (draft) => draft,
  print: (rule) => [
    `windows ${formatClock(rule.windowSec)} x ${rule.windows}${rule.restSec ? ` rest ${formatClock(rule.restSec)}` : ''}`,
  ],
  restNeedsLength: true,
  numbers: (rule) => [
    { key: 'windowSec', label: 'window', value: rule.windowSec, unit: 'sec', least: 1, most: MAX_DURATION_SEC },
    { key: 'windows', label: 'windows', value: rule.windows, unit: 'count', least: 1, most: MAX_ROUNDS },
    ...(rule.restSec
      ? [{ key: 'restSec', label: 'rest', value: rule.restSec, unit: 'sec' as const, least: 1, most: MAX_DURATION_SEC }]
      : []),
  ],
  withNumber: (rule, key, value) => ({ ...rule, [key]: value }),
};
