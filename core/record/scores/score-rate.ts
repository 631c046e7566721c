import type { FewerFrom } from '../../clock/fewer.ts';
import type { Block } from '../../document/document.ts';
import { formOf } from '../../forms/forms.ts';
import type { SessionPlan } from '../../session/plan.ts';
import { isWork } from '../../words/describe-item.ts';
import { formatClock } from '../../words/format-clock.ts';
import type { Score } from './score.ts';
import { formatScore } from './score.ts';
import { comparedText, fingerprint, scoreKey } from './score-key.ts';
import type { EarlierScore } from './targets.ts';

/** What a score may be divided by, so that it can be held against one of a longer or a shorter form of the same block. */
export interface ScoreRate {
  /** What two scores must have in common beside their kind, their length left out. */
  readonly key: string;
  readonly per: 'round' | 'minute';
  /** So many rounds, or minutes. */
  readonly of: number;
}

/** Longer by more than half of the shorter one, and one can't be told from the other (common practice, no source). */
const MOST_LONGER = 1.5;

/**
 * The rate of a block's score: a time by round where all rounds are alike, a count by minute where the clock says how long. Undefined
 * where nothing can be divided: sets, partners, numbers that change by round, a clock of turns; and where fewer were done on the way.
 */
export function scoreRate(
  block: Block,
  plan: SessionPlan['blocks'][number],
  chosen: readonly { readonly item: number; readonly to: string }[] = [],
  fewer: readonly FewerFrom[] = [],
): ScoreRate | undefined {
  const { scoreForm, sets } = plan;
  const size = formOf(block.time).levers.size(block.time, block);
  if (!scoreForm || !size || sets > 1 || scoreForm.persons > 1 || fewer.length > 0 || !isAlikeByRound(block))
    return undefined;
  const { kind } = scoreForm;
  const isByRound = kind === 'time' && !size.isSeconds;
  const isByMinute = (kind === 'reps' || kind === 'rounds+reps') && size.isSeconds;
  if (!isByRound && !isByMinute) return undefined;
  const one = size.with(isByRound ? 1 : 60);
  return {
    key: fingerprint(`rate ${kind} ${comparedText(one, chosen)}`),
    per: isByRound ? 'round' : 'minute',
    of: isByRound ? size.value : size.value / 60,
  };
}

/** What a score keeps, to be held against others: its key, and its rate where it has one. */
export function comparedBy(...done: Parameters<typeof scoreRate>): Pick<Score, 'key' | 'rate'> {
  const rate = scoreRate(...done);
  return { key: scoreKey(...done), ...(rate && { rate }) };
}

/** Whether every round asks for the same. */
const isAlikeByRound = ({ items, count }: Block): boolean =>
  count === undefined &&
  items.filter(isWork).every(({ dose, inTurn, load }) => {
    const amount = dose?.kind === 'reps' ? dose.amount : dose?.kind === 'time' ? dose.amountSec : undefined;
    const changes = amount?.kind === 'list' || amount?.kind === 'growing';
    return !inTurn && !changes && !(load?.kind === 'weight' && load.laterKg);
  });

/** What a score is in its rate: seconds a round, repetitions a minute; undefined where a cap came first, or a round has no number. */
export function amountPer(score: Score, { of }: ScoreRate, perRound: number | undefined): number | undefined {
  switch (score.kind) {
    case 'time':
      return score.reps === undefined ? score.sec / of : undefined;
    case 'reps':
      return score.reps / of;
    case 'rounds+reps':
      return perRound === undefined ? undefined : (score.rounds * perRound + score.reps) / of;
    default:
      return undefined;
  }
}

/** A score of another length of the same block, and what its pace comes to in this one. */
export interface Paced {
  readonly last: EarlierScore;
  readonly rate: ScoreRate;
  readonly perRound: number | undefined;
  /** In the earlier score's rate. */
  readonly amount: number;
  /** The score that would be the same pace. */
  readonly even: Score;
}

/** What a block's score is held against where no earlier one is of its own length. */
export interface RateScope {
  readonly kind: Score['kind'];
  readonly rate: ScoreRate | undefined;
  readonly perRound: number | undefined;
}

/** The last earlier score of a like length, by its pace; or why there is none to be held against, where there is one of the same work. */
export function findPaced(
  { kind, rate, perRound }: RateScope,
  earlier: readonly EarlierScore[],
): { readonly paced?: Paced; readonly tooFar?: EarlierScore } {
  const last = rate && earlier.findLast(({ score }) => score.kind === kind && score.rate?.key === rate.key);
  if (!rate || !last) return {};
  const other = last.score.rate!;
  if (Math.max(rate.of, other.of) > MOST_LONGER * Math.min(rate.of, other.of)) return { tooFar: last };
  const amount = amountPer(last.score, other, perRound);
  return amount === undefined
    ? {}
    : { paced: { last, rate, perRound, amount, even: evenScore(kind, amount * rate.of, perRound) } };
}

function evenScore(kind: Score['kind'], total: number, perRound = 1): Score {
  const whole = Math.round(total);
  if (kind === 'time') return { block: 0, kind, sec: whole };
  if (kind === 'rounds+reps') return { block: 0, kind, rounds: Math.floor(whole / perRound), reps: whole % perRound };
  return { block: 0, kind: 'reps', reps: whole };
}

/** `1:03 a round`, `12.5 a minute`. */
export const perWords = (amount: number, { per }: Pick<ScoreRate, 'per'>): string =>
  per === 'round' ? `${formatClock(Math.round(amount))} a round` : `${Math.round(amount * 10) / 10} a minute`;

/** `4:12, at 1:03 a round as on Wed 13 May with 3 rounds`. */
export function pacedWords({ last, rate, amount, even }: Paced): string {
  const { of, per } = last.score.rate!;
  const length = per === 'round' ? `${of} ${of === 1 ? 'round' : 'rounds'}` : formatClock(of * 60);
  return `${formatScore(even)}, at ${perWords(amount, rate)} as on ${last.dayWords} with ${length}`;
}
