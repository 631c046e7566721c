import type { FlowRule } from '../../document/time-rule.ts';
import type { TimeForm } from '../form.ts';
import { maxScore, NO_LEVERS, shape, timeScore } from '../say.ts';
import { unrollOwn } from '../unroll-own.ts';

const BESIDE = '“flow” is once through, unhurried; remove it, or what stands beside it.';

/** Once through, unhurried: warm-ups, cool-downs, mobility. */
export const flow: TimeForm<FlowRule, null> = {
  kind: 'flow',
  shapes: [
    shape(
      'flow',
      'flow',
      'once through, unhurried',
      'Main: flow\n0:20 calf stretch\n0:30 wall sit\n0:20 side stretch',
      () => ({ time: { kind: 'flow' } }),
    ),
  ],
  shapeOf: () => 'flow',
  clauses: [
    {
      words: ['flow'],
      starts: [{ label: 'flow', insert: 'flow', detail: 'once through, unhurried' }],
      read: () => null,
    },
  ],
  extras: [],
  takes: { rounds: BESIDE, list: BESIDE, 'by-feel': BESIDE, between: true },
  make: () => ({ kind: 'flow' }),
  print: () => ['flow'],
  restNeedsLength: true,
  unroll: (_rule, scope) => unrollOwn(scope, { low: 1, high: 1 }),
  capSec: () => undefined,
  ownRounds: () => 1,
  rounds: () => ({ low: 1, high: 1 }),
  intervals: () => null,
  size: () => null,
  carriesPairs: false,
  slot: () => null,
  pulse: () => null,
  numbersFrom: () => null,
  maxAdvice: () => null,
  spreadsOverStations: () => false,
  lengthWords: () => '',
  short: () => 'once through, unhurried',
  lines: () => [],
  turnWord: 'time',
  turns: () => 1,
  stage: () => ({ title: '', taps: null }),
  score: (_rule, block) => maxScore(block),
  askedScore: (_rule, block) => timeScore(block),
  numbers: () => [],
  withNumber: (rule) => rule,
  levers: NO_LEVERS,
  growsBy: [{ lever: 'reps', by: 1 }],
};
