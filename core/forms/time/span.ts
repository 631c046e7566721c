import type { SpanRule } from '../../document/time-rule.ts';
import { MAX_DURATION_SEC, MAX_PARTNERS } from '../../limits.ts';
import { formatClock } from '../../words/format-clock.ts';
import { plural } from '../../words/words.ts';
import { pullSec } from '../change.ts';
import type { TimeForm } from '../form.ts';
import { adviseMax, isOnlyMax, maxScore, roundsScore, shape, workNames } from '../say.ts';
import { expectedParts, makeStep, openPart, workItems } from '../steps.ts';

const NO_ROUNDS = 'The clock of this block says how long it goes on; leave the rounds out.';

/** An open span: the list over and over until the time is up, alone or in turns. */
export const span: TimeForm<SpanRule, SpanRule> = {
  kind: 'span',
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
        if (!cursor.takeWords('in')) cursor.fail('missing', 'Say how long the turns go on: “turns of 2 in 5:00”.');
        return { kind: 'span', sec: cursor.duration('The length of the turns'), turnsOf };
      },
    },
  ],
  extras: [],
  takes: { rounds: NO_ROUNDS, list: true, 'by-feel': true, between: true },
  make: (draft) => draft,
  print: (rule) => [
    rule.turnsOf ? `turns of ${rule.turnsOf} in ${formatClock(rule.sec)}` : `amrap ${formatClock(rule.sec)}`,
  ],
  restNeedsLength: true,
  unroll(rule, scope) {
    const items = workItems(scope.block);
    const only = items.length === 1 && !items[0]!.item.inTurn ? items[0] : undefined;
    return [
      makeStep(
        scope,
        'span',
        0,
        'clock',
        [openPart(scope, rule.sec, items, only)],
        items.map((i) => i.index),
        { expected: expectedParts(scope, rule.sec), lists: true },
      ),
    ];
  },
  capSec: () => undefined,
  ownRounds: () => 1,
  rounds: () => null,
  intervals: () => null,
  size: (rule, block) => ({
    value: rule.sec,
    isSeconds: true,
    most: MAX_DURATION_SEC,
    with: (sec) => ({ ...block, time: { ...rule, sec } }),
  }),
  carriesPairs: false,
  slot: () => null,
  pulse: () => null,
  numbersFrom: () => 2,
  maxAdvice: (_rule, block) =>
    workItems(block).length > 1
      ? adviseMax(
          block,
          '“max” inside a list that goes round and round has no end; give it a number, or a clock of its own.',
        )
      : null,
  spreadsOverStations: () => false,
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
          `${plural(rule.turnsOf, 'partner')}: one does the list once, ${rule.turnsOf === 2 ? 'the other' : 'the others'} watch, then swap`,
        ]
      : [],
  turnWord: 'round',
  turns: () => null,
  stage: (rule, _step, block) => ({
    title: rule.turnsOf
      ? `In turns of ${rule.turnsOf}`
      : isOnlyMax(block)
        ? `As many ${workNames(block)} as you can`
        : 'As many rounds as you can',
    taps: rule.turnsOf ? 'swap' : isOnlyMax(block) ? null : 'round',
    ...(rule.turnsOf && { partners: rule.turnsOf }),
  }),
  score: (rule, block) => (rule.turnsOf ? maxScore(block, rule.turnsOf) : roundsScore(block)),
  askedScore: (rule, block) => roundsScore(block, rule.turnsOf ?? 1),
  numbers: (rule) => [{ key: 'sec', label: 'length', value: rule.sec, unit: 'sec', least: 1, most: MAX_DURATION_SEC }],
  withNumber: (rule, _key, value) => ({ ...rule, sec: value }),
  levers: {
    rounds: null,
    work: null,
    rest: null,
    windows: null,
    step: null,
    clock: {
      read: (rule) => formatClock(rule.sec),
      pull: (rule, by, block) => ({ ...block, time: { ...rule, sec: pullSec(rule.sec, by) } }),
    },
  },
  growsBy: [{ lever: 'clock', by: 60 }],
};
