import type { AccumulateRule } from '../../document/time-rule.ts';
import { BARE_REST_SEC, MAX_DURATION_SEC } from '../../limits.ts';
import { addEstimates, exactly } from '../../pace/pace.ts';
import { formatClock } from '../../words/format-clock.ts';
import { ownParts, restPart } from '../dose-parts.ts';
import type { TimeForm } from '../form.ts';
import { capLever } from '../lever-answers.ts';
import { formatRange } from '../../words/format-range.ts';
import { adviseMax, shape, timeScore } from '../say.ts';
import { makeStep } from '../steps.ts';

/** Breaks between the parts of a total, as a share of its work (common practice, no source): none, a fifth, three fifths. */
const BREAKS = { low: 0, likely: 0.2, high: 0.6 };
const TOTALS = 'The numbers of “accumulate” are totals, done once; leave this out.';

/** Totals, in as many parts and in whatever order one likes, with or without a cap; the score is the time. */
export const accumulate: TimeForm<AccumulateRule, null> = {
  kind: 'accumulate',
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
  unroll(_rule, scope) {
    const parts = scope.block.items.flatMap((item, index) =>
      item.kind === 'rest'
        ? [restPart(exactly(item.sec ?? BARE_REST_SEC), index, false)]
        : ownParts(item, index, undefined, 0, scope.library).map((part) => ({
            ...part,
            estimated: true,
          })),
    );
    const work = parts.map((p) => p.sec).reduce(addEstimates, exactly(0));
    const breaks = restPart(
      {
        low: Math.round(work.low * BREAKS.low),
        likely: Math.round(work.likely * BREAKS.likely),
        high: Math.round(work.high * BREAKS.high),
      },
      null,
      true,
    );
    return [
      makeStep(
        scope,
        'accumulate',
        1,
        'own',
        [...parts, breaks],
        scope.block.items.map((_, i) => i),
        { lists: true },
      ),
    ];
  },
  capSec: (rule) => rule.capSec,
  ownRounds: () => 1,
  rounds: () => ({ low: 1, high: 1 }),
  intervals: () => null,
  size: () => null,
  carriesPairs: false,
  slot: () => null,
  pulse: () => null,
  numbersFrom: () => 1,
  maxAdvice: (_rule, block) => adviseMax(block, '“max” is no total; give it a number.'),
  spreadsOverStations: () => false,
  lengthWords: (_rule, _block, { clockSec }) => formatRange(clockSec),
  short: () => 'gather these totals',
  lines: (rule) => [
    'in as many parts as you like, in any order',
    ...(rule.capSec ? ['what is done by the cap is the score'] : []),
  ],
  turnWord: 'part',
  turns: () => 1,
  stage: () => ({ title: 'Gather these totals', taps: null }),
  score: (rule, block) => timeScore(block, rule.capSec),
  askedScore: (rule, block) => timeScore(block, rule.capSec),
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
  levers: {
    rounds: null,
    work: null,
    rest: null,
    windows: null,
    step: null,
    clock: capLever(),
  },
  growsBy: [{ lever: 'reps', by: 5 }],
};
