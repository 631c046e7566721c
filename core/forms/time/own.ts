import type { OwnRule } from '../../document/time-rule.ts';
import { MAX_DURATION_SEC } from '../../limits.ts';
import { formatClock } from '../../words/format-clock.ts';
import type { TimeForm } from '../form.ts';
import { capLever } from '../lever-answers.ts';
import { formatRange } from '../../words/format-range.ts';
import { pullRounds } from '../pull-rounds.ts';
import { roundsSize } from '../pull-rounds.ts';
import { countRounds, itemLists, spanWords } from '../rounds.ts';
import { adviseMax, joinWords, maxScore, shape, timeScore } from '../say.ts';
import { unrollOwn } from '../unroll-own.ts';

/** At one's own pace: rounds, a list of reps, for time, with a cap, a relay. It is what a header means that says no clock. */
export const own: TimeForm<OwnRule, null> = {
  kind: 'own',
  shapes: [
    shape(
      'rounds',
      'rounds',
      'the list so many times, at one’s own pace',
      'Main: 3 rounds, rest 0:12 between rounds\n5 march\n5 push-up\n4 squat',
      ({ count, rounds, anyRounds, between, hasCyclingList }) => ({
        ...count,
        ...rounds,
        ...between,
        time: { kind: 'own', forTime: false },
        ...(hasCyclingList && anyRounds),
      }),
    ),
    shape(
      'for-time',
      'for time',
      'done as fast as form allows; the score is the time',
      'Main: for time, reps 9-6-3\npush-up\nsquat',
      ({ count, rounds }) => ({ ...count, ...rounds, time: { kind: 'own', forTime: true } }),
    ),
    shape(
      'relay',
      'relay',
      'teams: every member in turn',
      [24, 24, 24, 16, 16, 16, 8, 8, 8].map((reps, i) => {
        const group = Math.floor(i / 3);
        const widths = [36, 24, 14];
        return {
          x: widths.slice(0, group).reduce((a, b) => a + b, 0) + (i % 3) * (widths[group]! / 3),
          width: widths[group]! / 3 - 1.4,
          height: reps * 0.85,
          kind: 'work' as const,
        };
      }),
      () => ({
        count: { kind: 'list', values: [24, 16, 8], cycling: false },
        relay: { teamSize: 4 },
        time: { kind: 'own', forTime: false },
      }),
    ),
  ],
  shapeOf: (rule, block) => (block.relay ? 'relay' : rule.forTime ? 'for-time' : 'rounds'),
  clauses: [],
  extras: ['forTime', 'cap', 'relay'],
  takes: { rounds: true, list: true, 'by-feel': true, between: true },
  make: (_draft, { extras }) => ({
    kind: 'own',
    forTime: extras.forTime !== undefined,
    ...(extras.cap && { capSec: extras.cap.value }),
  }),
  print: (rule, { relay, count }) => [
    ...(relay && count?.kind === 'list'
      ? [`relay ${count.values.join('-')}${relay.teamSize ? ` teams of ${relay.teamSize}` : ''}`]
      : []),
    ...(rule.forTime ? ['for time'] : []),
    ...(rule.capSec ? [`cap ${formatClock(rule.capSec)}`] : []),
  ],
  restNeedsLength: true,
  unroll: (_rule, scope) => unrollOwn(scope, countRounds(scope.block, itemLists(scope.block))),
  capSec: (rule) => rule.capSec,
  ownRounds: (_rule, block) => itemLists(block),
  rounds: (_rule, block) => countRounds(block, itemLists(block)),
  intervals: () => null,
  size: (_rule, block) => roundsSize(block),
  carriesPairs: false,
  slot: () => null,
  pulse: () => null,
  numbersFrom: (rule) => (rule.forTime ? 1 : null),
  maxAdvice: (rule, block) =>
    rule.forTime
      ? adviseMax(block, '“for time” is finished when all is done, and “max” is never done; give it a number.')
      : null,
  spreadsOverStations: () => false,
  lengthWords: (_rule, _block, { clockSec }) => formatRange(clockSec),
  short: (rule, { relay }) => (relay ? 'a relay' : rule.forTime ? 'for time' : 'at your own pace'),
  lines: (rule, { relay }) => [
    ...(rule.capSec ? ['what is done by the cap is the score'] : []),
    ...(relay
      ? [
          joinWords(
            `${relay.teamSize ? `teams of ${relay.teamSize}` : 'teams'}: one works, the others wait`,
            'each does the number, then the next of the team',
          ),
        ]
      : []),
  ],
  turnWord: 'round',
  turns: (_rule, block) => countRounds(block, itemLists(block)).high,
  stage: () => ({ title: '', taps: null }),
  score: (rule, block) => (rule.forTime ? timeScore(block, rule.capSec) : maxScore(block)),
  askedScore: (_rule, block) => timeScore(block),
  numbers: (rule, { relay }) => [
    ...(relay?.teamSize
      ? [{ key: 'teamSize', label: 'to a team', value: relay.teamSize, unit: 'count' as const, least: 2, most: 50 }]
      : []),
    ...(rule.capSec
      ? [{ key: 'capSec', label: 'cap', value: rule.capSec, unit: 'sec' as const, least: 1, most: MAX_DURATION_SEC }]
      : []),
  ],
  withNumber: (rule, key, value) => (key === 'capSec' ? { ...rule, capSec: value } : rule),
  levers: {
    rounds: {
      read: (_rule, block) => spanWords(countRounds(block, itemLists(block))),
      pull: (_rule, by, block) => pullRounds(block, by),
    },
    work: null,
    rest: null,
    windows: null,
    step: null,
    clock: capLever(),
  },
  growsBy: [
    { lever: 'rounds', by: 1 },
    { lever: 'reps', by: 1 },
  ],
};
