import type { WindowsRule } from '../../document/time-rule.ts';
import { BARE_REST_SEC, MAX_DURATION_SEC, MAX_ROUNDS } from '../../limits.ts';
import { exactly } from '../../pace/pace.ts';
import { formatClock } from '../../words/format-clock.ts';
import { plural } from '../../words/words.ts';
import { clamp, pullSec } from '../change.ts';
import { ownParts, restPart } from '../dose-parts.ts';
import type { Scope, TimeForm } from '../form.ts';
import { restLever } from '../lever-answers.ts';
import { adviseMax, shape, windowScore } from '../say.ts';
import type { Part, Step } from '../step.ts';
import { makeStep, openPart, restStep, workItems } from '../steps.ts';

/** The list from the top in every window; what time is left is open. */
function windowParts(rule: WindowsRule, scope: Scope, window: number): Part[] {
  const { block, library } = scope;
  const items = workItems(block);
  const parts: Part[] = [];
  let left = rule.windowSec;
  for (const [index, item] of block.items.entries()) {
    if (left <= 0) break;
    if (item.kind === 'rest') {
      const sec = Math.min(left, item.sec ?? BARE_REST_SEC);
      parts.push(restPart(exactly(sec), index, false));
      left -= sec;
      continue;
    }
    const own = ownParts(item, index, block.count, window, library);
    if (own.some((p) => p.kind === 'open')) {
      parts.push(openPart(scope, left, [{ item, index }], { item, index }));
      left = 0;
      break;
    }
    for (const part of own) {
      const likely = Math.min(left, part.sec.likely);
      if (likely > 0) parts.push({ ...part, sec: exactly(likely) });
      left -= likely;
    }
  }
  if (left > 0) parts.push(openPart(scope, left, items, items.length === 1 ? items[0] : undefined));
  return parts;
}

/** The list starts again from the top in every window; each window has its score. */
export const windows: TimeForm<WindowsRule, WindowsRule> = {
  kind: 'windows',
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
  unroll(rule, scope) {
    const steps: Step[] = [];
    for (let window = 0; window < rule.windows; window++) {
      const items = scope.block.items.map((_, i) => i);
      steps.push(
        makeStep(scope, 'window', window + 1, 'clock', windowParts(rule, scope, window), items, { lists: true }),
      );
      if (rule.restSec > 0) steps.push(restStep(scope, 'rest', exactly(rule.restSec), window + 1));
    }
    return steps;
  },
  capSec: () => undefined,
  ownRounds: () => 1,
  rounds: () => null,
  intervals: (rule, block) => rule.windows * (block.sets?.count ?? 1),
  size: () => null,
  carriesPairs: false,
  slot: () => null,
  pulse: () => null,
  numbersFrom: () => 1,
  maxAdvice(_rule, block) {
    const works = workItems(block);
    const advice = adviseMax(block, 'Nothing after “max” is reached in a window; put it last.');
    return advice && advice.item !== works.at(-1)!.index ? { ...advice, putLast: true } : null;
  },
  spreadsOverStations: () => false,
  lengthWords: (rule) => `${rule.windows} × ${formatClock(rule.windowSec + rule.restSec)}`,
  short: (rule) => `${plural(rule.windows, 'window')} of ${formatClock(rule.windowSec)}, each from the top`,
  lines: (rule) => [...(rule.restSec ? [`${formatClock(rule.restSec)} rest after each window`] : [])],
  turnWord: 'window',
  turns: (rule) => rule.windows,
  stage: (rule, step, block) => ({
    title: `Window ${step.round}, from the top`,
    of: rule.windows,
    taps: null,
    asks: {
      question: `${windowScore(block, rule.windows).fields[step.round - 1]!.label}: how many?`,
      what: 'reps',
      field: String(step.round - 1),
    },
  }),
  score: (rule, block) => windowScore(block, rule.windows),
  askedScore: (rule, block) => windowScore(block, rule.windows),
  numbers: (rule) => [
    { key: 'windowSec', label: 'window', value: rule.windowSec, unit: 'sec', least: 1, most: MAX_DURATION_SEC },
    { key: 'windows', label: 'windows', value: rule.windows, unit: 'count', least: 1, most: MAX_ROUNDS },
    ...(rule.restSec
      ? [{ key: 'restSec', label: 'rest', value: rule.restSec, unit: 'sec' as const, least: 1, most: MAX_DURATION_SEC }]
      : []),
  ],
  withNumber: (rule, key, value) => ({ ...rule, [key]: value }),
  levers: {
    rounds: null,
    work: null,
    rest: restLever(),
    windows: {
      read: (rule) => String(rule.windows),
      pull: (rule, by, block) => ({ ...block, time: { ...rule, windows: clamp(rule.windows + by, 1, MAX_ROUNDS) } }),
    },
    step: null,
    clock: {
      read: (rule) => formatClock(rule.windowSec),
      pull: (rule, by, block) => ({ ...block, time: { ...rule, windowSec: pullSec(rule.windowSec, by) } }),
    },
  },
  growsBy: [
    { lever: 'windows', by: 1 },
    { lever: 'clock', by: 15 },
    { lever: 'reps', by: 1 },
  ],
};
