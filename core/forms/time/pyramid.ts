import type { PyramidRule } from '../../document/time-rule.ts';
import { MAX_DURATION_SEC } from '../../limits.ts';
import { exactly } from '../../pace/pace.ts';
import { formatClock } from '../../words/format-clock.ts';
import { isWork, itemName } from '../../words/describe-item.ts';
import { listWords, plural } from '../../words/words.ts';
import { clamp, pullSec } from '../change.ts';
import type { TimeForm } from '../form.ts';
import { restLever } from '../lever-answers.ts';
import { shape, topSetScore } from '../say.ts';
import type { Step } from '../step.ts';
import { makeStep, openPart, restStep, workItems } from '../steps.ts';

const MAX_STEP = 100;
const CARRIES = 'A pyramid carries its own numbers from set to set.';

/** Items two by two: up by so many a set in one way, down in the next from the set one stopped in. */
export const pyramid: TimeForm<PyramidRule, PyramidRule> = {
  kind: 'pyramid',
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
      starts: [{ label: 'pyramid', insert: 'pyramid +2 in 1:15 rest 0:45', detail: 'two by two, up and down' }],
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
  unroll(rule, scope) {
    const items = workItems(scope.block);
    const steps: Step[] = [];
    for (let pair = 0; pair * 2 < items.length; pair++) {
      const two = items.slice(pair * 2, pair * 2 + 2);
      for (const direction of ['up', 'down'] as const) {
        const part = openPart(scope, rule.workSec, two, two.length === 1 ? two[0] : undefined);
        const indexes = two.map((i) => i.index);
        steps.push(
          makeStep(scope, 'pyramid', pair + 1, 'clock', [part], indexes, {
            direction,
            lists: true,
            carried: rule.step,
          }),
        );
        if (rule.restSec > 0) steps.push(restStep(scope, 'rest', exactly(rule.restSec), pair + 1));
      }
    }
    return steps;
  },
  capSec: () => undefined,
  ownRounds: () => 1,
  rounds: () => null,
  intervals: (_rule, _block, likely) => likely.filter((s) => s.purpose === 'pyramid').length,
  size: () => null,
  carriesPairs: true,
  slot: () => null,
  pulse: () => null,
  numbersFrom: () => null,
  maxAdvice: () => null,
  spreadsOverStations: () => false,
  lengthWords: (rule, _block, { intervals }) =>
    `${plural(intervals ?? 0, 'way')} × ${formatClock(rule.workSec + rule.restSec)}`,
  short: (rule) => `up by ${rule.step} a set in ${formatClock(rule.workSec)}, then down again`,
  lines: (rule, block) => {
    const names = block.items.filter(isWork).map(itemName);
    const pairs = names.flatMap((_, i) => (i % 2 === 0 ? [listWords(names.slice(i, i + 2))] : []));
    const { step } = rule;
    return [
      `${step} of each, then ${2 * step}, ${3 * step} and so on while the time lasts; then down by ${step} from the set you stopped in`,
      ...(pairs.length > 1 ? [`two by two: ${pairs.join('; then ')}`] : []),
      ...(rule.restSec ? [`${formatClock(rule.restSec)} rest after each way`] : []),
    ];
  },
  turnWord: 'way',
  turns: () => 1,
  stage: (rule, step, block) => ({
    title: step.direction === 'up' ? `Up by ${rule.step} a set` : `Down by ${rule.step} from the set you stopped in`,
    of: Math.ceil(workItems(block).length / 2),
    taps: 'set',
    ...(step.direction === 'up' && {
      asks: { question: 'Which set did you stop in?', what: 'set' as const, field: String(step.round - 1) },
    }),
  }),
  score: (_rule, block) => topSetScore(block),
  askedScore: (_rule, block) => topSetScore(block),
  numbers: (rule) => [
    { key: 'step', label: 'more a set', value: rule.step, unit: 'count', least: 1, most: MAX_STEP },
    { key: 'workSec', label: 'each way', value: rule.workSec, unit: 'sec', least: 1, most: MAX_DURATION_SEC },
    ...(rule.restSec
      ? [{ key: 'restSec', label: 'rest', value: rule.restSec, unit: 'sec' as const, least: 1, most: MAX_DURATION_SEC }]
      : []),
  ],
  withNumber: (rule, key, value) => ({ ...rule, [key]: value }),
  levers: {
    rounds: null,
    work: null,
    rest: restLever(),
    windows: null,
    step: {
      read: (rule) => `+${rule.step}`,
      pull: (rule, by, block) => ({ ...block, time: { ...rule, step: clamp(rule.step + by, 1, MAX_STEP) } }),
    },
    clock: {
      read: (rule) => formatClock(rule.workSec),
      pull: (rule, by, block) => ({ ...block, time: { ...rule, workSec: pullSec(rule.workSec, by) } }),
    },
  },
  growsBy: [{ lever: 'step', by: 1 }],
};
