import type { IntervalsRule } from '../../document/time-rule.ts';
import { MAX_DURATION_SEC, MAX_ROUNDS, MAX_SLOTS } from '../../limits.ts';
import type { Cursor } from '../../text/cursor.ts';
import type { Block } from '../../document/document.ts';
import { exactly } from '../../pace/pace.ts';
import { formatClock } from '../../words/format-clock.ts';
import { plural } from '../../words/words.ts';
import { clamp, pullSec } from '../change.ts';
import { intervalParts, restPart } from '../dose-parts.ts';
import type { TimeForm } from '../form.ts';
import { extendList, pullRounds } from '../pull-rounds.ts';
import { roundsSize } from '../pull-rounds.ts';
import { countRounds, spanWords } from '../rounds.ts';
import { maxScore, repsScore, shape, times } from '../say.ts';
import type { Step } from '../step.ts';
import { atRound, betweenStep, makeStep, restStep } from '../steps.ts';

interface Draft {
  readonly workSec: number[];
  restSec: number[];
  readonly total?: number;
}

/** `0:45`, or a list by round with its unit at the end: `25/35/45s`. */
function durationList(cursor: Cursor, what: string): number[] {
  const first = cursor.peek();
  if (cursor.isNumber() && cursor.peek(1)?.text === '/') {
    const numbers: number[] = [];
    do {
      const token = cursor.peek();
      if (token?.kind !== 'number') return cursor.fail('missing', 'A number is missing in this list.');
      cursor.at++;
      numbers.push(token.value);
    } while (cursor.takeMark('/'));
    const factor = cursor.takeTimeUnit();
    if (factor === undefined) {
      return cursor.fail(
        'missing',
        'The list needs its unit at the end.',
        [`${numbers.join('/')}s`, `${numbers.join('/')} min`],
        first,
      );
    }
    if (numbers.length > MAX_ROUNDS)
      return cursor.fail('bad-value', `At most ${MAX_ROUNDS} rounds are read.`, [], first);
    return numbers.map((n) => cursor.checkedDuration(n * factor, what, first));
  }
  const values = [cursor.duration(what)];
  while (cursor.takeMark('/')) values.push(cursor.duration(what));
  if (values.length > MAX_ROUNDS) return cursor.fail('bad-value', `At most ${MAX_ROUNDS} rounds are read.`, [], first);
  return values;
}

const printTimes = (values: readonly number[]) =>
  values.length === 1 ? formatClock(values[0]!) : `${values.join('/')}s`;
const sayTimes = (values: readonly number[]) =>
  values.length === 1 ? formatClock(values[0]!) : `${values.join('/')} s`;
const byRound = ({ workSec, restSec }: Pick<IntervalsRule, 'workSec' | 'restSec'>) =>
  Math.max(workSec.length, restSec.length);

/** Each item an interval of work, with rest behind it; round by round, or so many in all. */
export const intervals: TimeForm<IntervalsRule, Draft> = {
  kind: 'intervals',
  shapes: [
    shape(
      'intervals',
      'work and rest',
      'each item an interval, round by round',
      'Main: work 0:12 rest 0:06, 2 rounds\nmarch\nsquat\nburpee',
      ({ count, rounds }) => ({
        ...count,
        ...rounds,
        time: { kind: 'intervals', workSec: [40], restSec: [20], stations: false },
      }),
    ),
    shape(
      'counted-intervals',
      'so many intervals',
      'items taking turns, so many in all',
      'Main: work 0:08 rest 0:04 x 8\npush-up',
      ({ count }) => ({
        ...count,
        time: { kind: 'intervals', workSec: [20], restSec: [10], total: 8, stations: false },
      }),
    ),
  ],
  shapeOf: (rule) => (rule.total !== undefined ? 'counted-intervals' : 'intervals'),
  clauses: [
    {
      words: ['work'],
      starts: [
        { label: 'work … rest …', insert: 'work 0:40 rest 0:20, 3 rounds', detail: 'intervals by the clock' },
        { label: 'work … rest … x', insert: 'work 0:20 rest 0:10 x 8', detail: 'so many intervals in all' },
      ],
      read(cursor) {
        const workSec = durationList(cursor, 'The work time');
        const restSec = cursor.takeWords('rest') ? durationList(cursor, 'The rest time') : [];
        const total = cursor.takeMark('x') ? cursor.count('The number of intervals', 1, MAX_SLOTS) : undefined;
        return { workSec, restSec, ...(total && { total }) };
      },
    },
  ],
  extras: ['stations'],
  takes: { rounds: true, list: true, 'by-feel': true, between: true },
  takeRest(draft, cursor) {
    if (draft.restSec.length > 0 || draft.total !== undefined) return false;
    const from = cursor.at;
    const restSec = durationList(cursor, 'The rest time');
    if (['between', 'to'].includes(cursor.peek()?.text ?? '')) {
      cursor.at = from;
      return false;
    }
    draft.restSec = restSec;
    return true;
  },
  make(draft, said, { cursor, token }) {
    const { workSec, restSec, total } = draft;
    if (workSec.length > 1 && restSec.length > 1 && workSec.length !== restSec.length)
      cursor.fail(
        'contradiction',
        `Work is given for ${workSec.length} rounds and rest for ${restSec.length}.`,
        [],
        token,
      );
    if (total !== undefined && byRound(draft) > 1)
      cursor.fail(
        'contradiction',
        '“x” counts intervals of one length; with a list by round the list says how many.',
        [],
        token,
      );
    if (total !== undefined && said.rounds)
      cursor.fail(
        'contradiction',
        '“x” says how many intervals there are; leave the rounds out.',
        [],
        said.rounds.token,
      );
    if (said.rounds && byRound(draft) > 1 && said.rounds.span.high !== byRound(draft))
      cursor.fail(
        'contradiction',
        `The clock is given for ${byRound(draft)} rounds, and the rounds say ${said.rounds.span.high}.`,
        [],
        said.rounds.token,
      );
    return {
      kind: 'intervals',
      workSec,
      restSec,
      ...(total !== undefined && { total }),
      stations: said.extras.stations !== undefined,
    };
  },
  print: (rule) => [
    `work ${printTimes(rule.workSec)}${rule.restSec.length > 0 ? ` rest ${printTimes(rule.restSec)}` : ''}${rule.total ? ` x ${rule.total}` : ''}`,
    ...(rule.stations ? ['stations'] : []),
  ],
  restNeedsLength: false,
  unroll(rule, scope) {
    const { block, library } = scope;
    const span = countRounds(block, byRound(rule));
    const steps: Step[] = [];
    const count = rule.total ?? span.high * block.items.length;
    for (let i = 0; i < count; i++) {
      const index = i % block.items.length;
      const turn = Math.floor(i / block.items.length);
      const round = turn + 1;
      const optional = rule.total === undefined && round > span.low;
      const item = block.items[index]!;
      const between = i > 0 ? betweenStep(scope, index > 0 ? 'items' : 'rounds', round, optional) : undefined;
      if (between) steps.push(between);
      const work = atRound(rule.workSec, turn);
      const rest = atRound(rule.restSec, turn);
      const parts =
        item.kind === 'rest'
          ? [restPart(exactly(work), index, false)]
          : intervalParts(item, index, block.count, turn, work, library);
      const purpose = item.kind === 'rest' ? 'rest' : 'interval';
      steps.push(makeStep(scope, purpose, round, 'clock', parts, [index], { optional }));
      if (rest > 0) steps.push(restStep(scope, 'rest', exactly(rest), round, optional));
    }
    return steps;
  },
  capSec: () => undefined,
  ownRounds: (rule) => byRound(rule),
  rounds: (rule, block) =>
    rule.total === undefined
      ? countRounds(block, byRound(rule))
      : { low: Math.floor(rule.total / block.items.length), high: Math.ceil(rule.total / block.items.length) },
  intervals: (_rule, _block, likely) =>
    likely.filter((s) => s.purpose === 'interval' || (s.purpose === 'rest' && s.items.length > 0)).length,
  size: (rule, block) => (rule.total === undefined && byRound(rule) === 1 ? roundsSize(block) : null),
  carriesPairs: false,
  slot: () => null,
  pulse: (rule) => ({
    workSec: rule.workSec,
    restSec: rule.restSec,
    withRest: (sec) => ({ ...rule, restSec: [sec] }),
  }),
  numbersFrom: () => null,
  maxAdvice: () => null,
  spreadsOverStations: (rule) => rule.stations,
  lengthWords(rule, block, sums) {
    const items = block.items.length;
    const each = (round: number) => atRound(rule.workSec, round) + atRound(rule.restSec, round);
    if (rule.total !== undefined) return `${rule.total} × ${formatClock(each(0))}`;
    const rounds = sums.rounds?.high ?? 1;
    const lengths = Array.from({ length: rounds }, (_, i) => items * each(i));
    if (new Set(lengths).size > 1 && lengths.length <= 5) return lengths.map(formatClock).join(' + ');
    return `${plural(rounds, 'round')} × ${items} × ${formatClock(each(0))}`;
  },
  short: (rule) => `${times(rule.workSec)} work${rule.restSec.length ? `, ${times(rule.restSec)} rest` : ''}`,
  lines: (rule, block) => [
    ...(rule.stations
      ? [`stations: spread over the ${plural(block.items.length, 'place')}, and go on to the next at every change`]
      : []),
    ...(byRound(rule) > 1 ? ['the times change by round, in that order'] : []),
    ...(rule.total !== undefined && block.items.length > 1 ? ['the exercises take turns'] : []),
  ],
  turnWord: 'round',
  turns: (rule, block) =>
    rule.total === undefined
      ? countRounds(block, byRound(rule)).high
      : Math.ceil(rule.total / Math.max(1, block.items.length)),
  stage: () => ({ title: '', taps: null }),
  score: (_rule, block) => maxScore(block),
  numbers: (rule) => [
    ...(rule.workSec.length === 1
      ? [
          {
            key: 'workSec',
            label: 'work',
            value: rule.workSec[0]!,
            unit: 'sec' as const,
            least: 1,
            most: MAX_DURATION_SEC,
          },
        ]
      : []),
    ...(rule.restSec.length === 1
      ? [
          {
            key: 'restSec',
            label: 'rest',
            value: rule.restSec[0]!,
            unit: 'sec' as const,
            least: 1,
            most: MAX_DURATION_SEC,
          },
        ]
      : []),
    ...(rule.total !== undefined
      ? [{ key: 'total', label: 'intervals', value: rule.total, unit: 'count' as const, least: 1, most: MAX_SLOTS }]
      : []),
  ],
  withNumber: (rule, key, value) => ({ ...rule, [key]: key === 'total' ? value : [value] }),
  levers: {
    rounds: {
      read: (rule, block) =>
        rule.total !== undefined ? `${rule.total} intervals` : spanWords(countRounds(block, byRound(rule))),
      pull(rule, by, block) {
        if (rule.total !== undefined)
          return {
            ...block,
            time: {
              ...rule,
              total: clamp(rule.total + by * block.items.length, Math.min(rule.total, block.items.length), MAX_SLOTS),
            },
          };
        const extend = (values: readonly number[]) =>
          values.length > 1 ? extendList(values, by, MAX_DURATION_SEC) : values;
        return pullRounds(block, by, {
          isListed: byRound(rule) > 1,
          pull: (b) => ({
            ...b,
            time: { ...rule, workSec: extend(rule.workSec), restSec: extend(rule.restSec) },
          }),
          lengthOf: (b) => byRound(b.time as IntervalsRule),
        });
      },
    },
    work: {
      read: (rule) => sayTimes(rule.workSec),
      pull: (rule, by, block) => withTimes(block, { ...rule, workSec: rule.workSec.map((sec) => pullSec(sec, by)) }),
    },
    rest: {
      read: (rule) => (rule.restSec.length > 0 ? sayTimes(rule.restSec) : undefined),
      pull: (rule, by, block) => withTimes(block, { ...rule, restSec: rule.restSec.map((sec) => pullSec(sec, by)) }),
    },
    windows: null,
    step: null,
    clock: null,
  },
  growsBy: [
    { lever: 'rounds', by: 1 },
    { lever: 'work', by: 5 },
    { lever: 'rest', by: -5 },
  ],
  askedScore: (_rule, block) => repsScore(block),
};

const withTimes = (block: Block, time: IntervalsRule): Block => ({ ...block, time });
