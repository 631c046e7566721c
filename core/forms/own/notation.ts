import type { OwnRule } from '../../document/time-rule.ts';
import { MAX_DURATION_SEC } from '../../limits.ts';
import { formatClock } from '../../words/format-clock.ts';
import { shape } from '../say.ts';
import type { FormNotation } from '../form.ts';

export const notation: FormNotation<OwnRule, null> = {
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
  numbers: (rule, { relay }) => [
    ...(relay?.teamSize
      ? [{ key: 'teamSize', label: 'to a team', value: relay.teamSize, unit: 'count' as const, least: 2, most: 50 }]
      : []),
    ...(rule.capSec
      ? [{ key: 'capSec', label: 'cap', value: rule.capSec, unit: 'sec' as const, least: 1, most: MAX_DURATION_SEC }]
      : []),
  ],
  withNumber: (rule, key, value) => (key === 'capSec' ? { ...rule, capSec: value } : rule),
};
