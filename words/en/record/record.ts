import type { PersonPace } from '../../../core/pace/person-pace.ts';
import { plannedFactor } from '../../../core/pace/person-pace.ts';
import type { Hurt } from '../../../core/clock/clock.ts';
import type { FewerFrom } from '../../../core/clock/fewer.ts';
import type { Outcome, RecordDetails, UsedLoad, UsedStep } from '../../../core/record/record.ts';
import { BODY_WORDS, REASON_WORDS } from '../../../core/record/record.ts';
import { plural } from '../../../core/words/words.ts';

/** What the words for effort are, 0 to 10 (own words; the scale is the 0-to-10 session scale, docs/formulas.md 2). */
export const EFFORT_WORDS = [
  'nothing at all',
  'hardly anything',
  'easy',
  'could chat on',
  'breathing a little',
  'talking in sentences',
  'talking in short sentences',
  'a few words at a time',
  'a word at a time',
  'nearly all I had',
  'all I had',
] as const;

/** What somebody says of a session as a whole. */
export const OUTCOME_WORDS: Record<Outcome, string> = { done: 'done', part: 'part of it', 'not-done': 'not today' };

/** What a record says beside its numbers, a line each, as its coach reads it. */
export function detailWords({
  reason,
  body,
  loads = [],
  steps = [],
  chosen = [],
  rounds = {},
  fewer = {},
  overran = {},
  clockOffSec,
}: RecordDetails): string[] {
  return [
    ...(reason ? [`because: ${REASON_WORDS[reason]}`] : []),
    ...(body ? [`the body: ${BODY_WORDS[body]}`] : []),
    ...(loads.length + steps.length > 0 ? [`with ${[...loads, ...steps].map(usedWords).join(', ')}`] : []),
    ...Object.values(overran).map((n) => (n === 0 ? 'every turn was over in time' : `${plural(n, 'turn')} ran over`)),
    ...Object.values(rounds).map((n) => `${plural(n, 'round')}, by choice`),
    ...Object.values(fewer).map(fewerWords),
    ...chosen.map(({ from, to }) => (to === '' ? `${from} left out` : `${to} instead of ${from}`)),
    ...(clockOffSec === undefined ? [] : [clockOffWords(clockOffSec)]),
  ];
}

/** `goblet squat 12 kg, 10 in the last set`, `band row medium band`. */
function usedWords(used: UsedLoad | UsedStep): string {
  const much = 'step' in used ? used.step : `${used.kg} kg`;
  return `${used.movement} ${much}${used.setReps ? `, ${used.setReps.join(' ')}` : used.lastReps === undefined ? '' : `, ${used.lastReps} in the last set`}`;
}

/** `fewer repetitions from round 3 on, fewer still from round 5 on`. */
export function fewerWords(places: readonly FewerFrom[]): string {
  const isInSets = places.some((p) => p.set > 1);
  const said = places.map(({ set, turn, by }, i) => {
    const what = by === -1 ? 'more again' : i === 0 ? 'fewer repetitions' : 'fewer still';
    return `${what} from round ${turn + 1}${isInSets ? ` of set ${set}` : ''} on`;
  });
  return said.join(', ');
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

const percentOff = (factor: number): string =>
  factor === 1 ? 'as planned' : `${Math.round(Math.abs(factor - 1) * 100)} % ${factor > 1 ? 'slower' : 'quicker'}`;

/** How quick someone is beside what is planned with, how sure that is, and what is made of it; empty where nothing is known. */
export function paceWords(pace: PersonPace | null): string {
  if (pace === null) return '';
  const planned = plannedFactor(pace);
  const used =
    planned === 1
      ? 'not enough to plan with, so that sessions are planned for them as for all'
      : `sessions are planned and fitted for them ${percentOff(planned)}`;
  return `Repetitions ${percentOff(Number(pace.factor.toFixed(2)))} than planned with, out of ${plural(pace.records, 'timed block')}${pace.peers === 0 ? '' : ` and ${pace.peers} of others of their level`}; most likely between ${percentOff(pace.low)} and ${percentOff(pace.high)}: ${used}.`;
}
