import type { Hurt } from '../../clock/clock.ts';
import { plural } from '../../words/words.ts';
import type { RecordDetails } from '../record.ts';
import { BODY_WORDS, REASON_WORDS } from '../record.ts';

/** What a record says beside its numbers, a line each, as its coach reads it. */
export function detailWords({
  reason,
  body,
  loads = [],
  chosen = [],
  rounds = {},
  overran = {},
  clockOffSec,
}: RecordDetails): string[] {
  return [
    ...(reason ? [`because: ${REASON_WORDS[reason]}`] : []),
    ...(body ? [`the body: ${BODY_WORDS[body]}`] : []),
    ...(loads.length > 0
      ? [
          `with ${loads.map((l) => `${l.movement} ${l.kg} kg${l.lastReps === undefined ? '' : `, ${l.lastReps} in the last set`}`).join(', ')}`,
        ]
      : []),
    ...Object.values(overran).map((n) => (n === 0 ? 'every turn was over in time' : `${plural(n, 'turn')} ran over`)),
    ...Object.values(rounds).map((n) => `${plural(n, 'round')}, by choice`),
    ...chosen.map(({ from, to }) => (to === '' ? `${from} left out` : `${to} instead of ${from}`)),
    ...(clockOffSec === undefined ? [] : [clockOffWords(clockOffSec)]),
  ];
}

function clockOffWords(sec: number): string {
  const minutes = Math.round(Math.abs(sec) / 60);
  const by = minutes < 120 ? plural(minutes, 'minute') : plural(Math.round(minutes / 60), 'hour');
  return `their phone’s clock is ${by} ${sec > 0 ? 'ahead' : 'behind'}`;
}

/** `knee, at squat: went on with wall sit`. */
export function painWords({ area, movement, did, to }: Pick<Hurt, 'area' | 'movement' | 'did' | 'to'>): string {
  const done = { 'stand-in': `went on with ${to}`, 'left-out': 'left it out', ended: 'stopped there' }[did];
  return `${area}, at ${movement}: ${done}`;
}
