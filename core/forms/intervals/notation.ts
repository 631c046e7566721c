import type { IntervalsRule } from '../../document/time-rule.ts';
import { MAX_DURATION_SEC, MAX_ROUNDS, MAX_SLOTS } from '../../limits.ts';
import type { Cursor } from '../../text/cursor.ts';
import { formatClock } from '../../words/format-clock.ts';
import { shape } from '../say.ts';
import type { FormNotation } from '../form.ts';
import { byRound } from './shared.ts';

export interface Draft {
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

export const notation: FormNotation<IntervalsRule, Draft> = {
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
};
