import type { SpanRule } from '../../document/time-rule.ts';
import { MAX_DURATION_SEC, MAX_PARTNERS } from '../../limits.ts';
import { formatClock } from '../../words/format-clock.ts';
import { shape } from '../say.ts';
import type { FormNotation } from '../form.ts';

const NO_ROUNDS = 'The clock of this block says how long it goes on; leave the rounds out.';

export const notation: FormNotation<SpanRule, SpanRule> = {
  shapes: [
    shape('amrap', 'amrap', 'as many rounds as possible', 'Main: amrap 1:10\n3 burpee\n4 march', ({ count }) => ({
      ...count,
      time: { kind: 'span', sec: 600 },
    })),
    shape(
      'turns',
      'turns',
      'partners: one works, one watches',
      Array.from({ length: 6 }, (_, i) => ({
        x: i * 12.8,
        width: 11.5,
        height: i % 2 === 0 ? 20 : 9,
        kind: i % 2 === 0 ? ('work' as const) : ('rest' as const),
      })),
      ({ count }) => ({ ...count, time: { kind: 'span', sec: 300, turnsOf: 2 } }),
    ),
  ],
  shapeOf: (rule) => (rule.turnsOf ? 'turns' : 'amrap'),
  clauses: [
    {
      words: ['amrap'],
      starts: [{ label: 'amrap', insert: 'amrap 10:00', detail: 'as many rounds as possible' }],
      read: (cursor) => ({ kind: 'span', sec: cursor.duration('The length of the amrap') }),
    },
    {
      words: ['turns'],
      starts: [{ label: 'turns of', insert: 'turns of 2 in 5:00', detail: 'partners, one works' }],
      read: (cursor) => {
        if (!cursor.takeWords('of')) cursor.fail('missing', 'Turns are written like “turns of 2 in 5:00”.');
        const turnsOf = cursor.count('The number of partners', 2, MAX_PARTNERS);
        const byItem = cursor.takeWords('by', 'item');
        if (!cursor.takeWords('in')) cursor.fail('missing', 'Say how long the turns go on: “turns of 2 in 5:00”.');
        return { kind: 'span', sec: cursor.duration('The length of the turns'), turnsOf, ...(byItem && { byItem }) };
      },
    },
  ],
  extras: [],
  takes: { rounds: NO_ROUNDS, list: true, 'by-feel': true, between: true },
  make: (draft) => draft,
  print: (rule) => [
    rule.turnsOf
      ? `turns of ${rule.turnsOf}${rule.byItem ? ' by item' : ''} in ${formatClock(rule.sec)}`
      : `amrap ${formatClock(rule.sec)}`,
  ],
  restNeedsLength: true,
  numbers: (rule) => [{ key: 'sec', label: 'length', value: rule.sec, unit: 'sec', least: 1, most: MAX_DURATION_SEC }],
  withNumber: (rule, _key, value) => ({ ...rule, sec: value }),
};
