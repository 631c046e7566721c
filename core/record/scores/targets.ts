import { formatClock } from '../../words/format-clock.ts';
import type { Score } from './score.ts';
import { formatScore, isBetter, scoreAmount } from './score.ts';

/** A score of another day that may be held against one. */
export interface EarlierScore {
  /** `Wed 13 May` */
  readonly dayWords: string;
  readonly score: Score;
}

/** What a score is held against: numbers of other days, and one in reach of the last. */
export interface Target {
  readonly last: EarlierScore;
  /** The best of all; the last one itself where none was better. */
  readonly best: EarlierScore;
  /** `42 or 43`: better than the last by what is usual; empty where there is nothing more to reach. */
  readonly aim: string;
  /** How far one should be by then, for the lower end of the aim; by second of the block. */
  readonly pace: readonly { readonly atSec: number; readonly words: string; readonly reps: number }[];
}

/** One more or two, or a twentieth where that is more: match it, or beat it by one or two (common practice, no source). */
const AIM_SHARE = 0.05;
/** A time is aimed at one to three parts in a hundred less (common practice, no source). */
const TIME_SHARE = 0.03;
const PACE_FROM_SEC = 120;
const PACE_EVERY_SEC = 60;

interface Aim {
  readonly low: number;
  readonly high: number;
}

const nextAmounts = (last: number): Aim => ({ low: last + 1, high: last + Math.max(2, Math.round(last * AIM_SHARE)) });

/** `42 or 43`, `101 to 105`. */
const span = ({ low, high }: Aim, print: (n: number) => string): string =>
  low === high ? print(low) : `${print(low)} ${high - low === 1 ? 'or' : 'to'} ${print(high)}`;

function aimOf(last: Score, perRound: number | undefined): { words: string; low: number } | undefined {
  switch (last.kind) {
    case 'reps': {
      const aim = nextAmounts(last.reps);
      return { words: span(aim, String), low: aim.low };
    }
    case 'reps-per-window': {
      const aim = nextAmounts(scoreAmount(last));
      return { words: `${span(aim, String)} in all`, low: aim.low };
    }
    case 'rounds+reps': {
      const done = perRound === undefined ? last.reps : last.rounds * perRound + last.reps;
      const aim = { low: done + 1, high: done + 2 };
      const split = (n: number): readonly [number, number] =>
        perRound === undefined ? [last.rounds, n] : [Math.floor(n / perRound), n % perRound];
      const [low, lowReps] = split(aim.low);
      const [high, highReps] = split(aim.high);
      const print = (rounds: number, reps: number) => formatScore({ block: 0, kind: 'rounds+reps', rounds, reps });
      // `3 rounds + 3 or 4 reps`, where it is the same rounds.
      const words =
        low === high && lowReps > 0
          ? `${print(low, 0)} + ${lowReps} or ${highReps} reps`
          : `${print(low, lowReps)} or ${print(high, highReps)}`;
      return { words, low: aim.low };
    }
    case 'time': {
      if (last.reps !== undefined)
        return { words: `${span(nextAmounts(last.reps), String)} reps by the cap`, low: last.reps + 1 };
      if (last.sec <= 1) return undefined;
      const high = last.sec - 1;
      const low = Math.min(high, Math.round(last.sec * (1 - TIME_SHARE)));
      return { words: low === high ? formatClock(high) : `${formatClock(low)} to ${formatClock(high)}`, low };
    }
    case 'top-set': {
      const low = Math.floor(scoreAmount(last) * 2) / 2 + 0.5;
      return { words: `half a set or one more in all`, low };
    }
    case 'whole-slots':
      return { words: `turn ${last.slots + 1}`, low: last.slots + 1 };
  }
}

/** How far one should be at each minute for an aim that is reached at `totalSec`, evenly; none for a short block. */
export function paceTo(
  aim: number,
  totalSec: number,
  print: (n: number) => string,
): { atSec: number; words: string; reps: number }[] {
  if (totalSec < PACE_FROM_SEC) return [];
  const marks: { atSec: number; words: string; reps: number }[] = [];
  for (let atSec = PACE_EVERY_SEC; atSec < totalSec; atSec += PACE_EVERY_SEC) {
    const reps = Math.round((aim * atSec) / totalSec);
    marks.push({ atSec, words: `${print(reps)} by ${formatClock(atSec)}`, reps });
  }
  return marks;
}

/**
 * What to aim for after some earlier scores that may be compared (oldest first): the last, the best, and a number in reach of the last.
 * `totalSec` is how long the block runs where that is exact, `perRound` the repetitions of a round. Undefined without any.
 */
export function findTarget(
  earlier: readonly EarlierScore[],
  { totalSec, perRound }: { readonly totalSec?: number | undefined; readonly perRound?: number | undefined },
): Target | undefined {
  const last = earlier.at(-1);
  if (!last) return undefined;
  const best = earlier.reduce((a, b) => (isBetter(b.score, a.score) ? b : a), last);
  const aim = aimOf(last.score, perRound);
  const { kind } = last.score;
  const isCounted = kind === 'reps' || (kind === 'rounds+reps' && perRound !== undefined);
  const print = (n: number) =>
    kind === 'rounds+reps' && perRound !== undefined
      ? formatScore({ block: 0, kind, rounds: Math.floor(n / perRound), reps: n % perRound })
      : String(n);
  return {
    last,
    best,
    aim: aim?.words ?? '',
    pace: aim && isCounted && totalSec !== undefined ? paceTo(aim.low, totalSec, print) : [],
  };
}

/** `41 reps on Wed 13 May; best 45 reps on 22 Apr`; `count`: of so many. */
export function heldWords({ last, best }: Pick<Target, 'last' | 'best'>, count: number): string {
  const say = ({ score, dayWords }: EarlierScore) => `${formatScore(score)} on ${dayWords}`;
  return best === last || !isBetter(best.score, last.score)
    ? `${say(last)}${count > 1 ? ', the best' : ''}`
    : `${say(last)}; best ${say(best)}`;
}

/** `41 reps on Wed 13 May, the best: aim for 42 or 43`. */
export const targetWords = (target: Target, count: number): string =>
  target.aim === '' ? heldWords(target, count) : `${heldWords(target, count)}: aim for ${target.aim}`;

/** Scores of one block are added: its sets, or what partners did. Windows come one after the other; a pyramid's sets are summed by pair. Undefined where there is one score, or they can't be. */
export function addScores(scores: readonly Score[], perRound?: number): Score | undefined {
  const [first] = scores;
  if (!first || scores.length < 2 || scores.some((s) => s.kind !== first.kind || s.block !== first.block))
    return undefined;
  const { block } = first;
  const sum = (of: (s: Score) => number) => scores.reduce((n, s) => n + of(s), 0);
  switch (first.kind) {
    case 'rounds+reps': {
      const rounds = sum((s) => (s.kind === 'rounds+reps' ? s.rounds : 0));
      const reps = sum((s) => (s.kind === 'rounds+reps' ? s.reps : 0));
      const whole = perRound === undefined ? 0 : Math.floor(reps / perRound);
      return { block, kind: 'rounds+reps', rounds: rounds + whole, reps: reps - whole * (perRound ?? 0) };
    }
    case 'reps':
      return { block, kind: 'reps', reps: sum(scoreAmount) };
    case 'time':
      return scores.some((s) => s.kind === 'time' && s.reps !== undefined)
        ? undefined
        : { block, kind: 'time', sec: -sum(scoreAmount) };
    case 'reps-per-window':
      return {
        block,
        kind: 'reps-per-window',
        reps: scores.flatMap((s) => (s.kind === 'reps-per-window' ? s.reps : [])),
      };
    case 'top-set': {
      const pyramids = scores.flatMap((s) => (s.kind === 'top-set' ? [s] : []));
      const byPair = (of: (s: (typeof pyramids)[number]) => readonly number[]) =>
        first.tops.map((_, pair) => pyramids.reduce((n, s) => n + (of(s)[pair] ?? 0), 0));
      const hasBegun = pyramids.some((s) => s.begun);
      const hasDowns = pyramids.some((s) => s.downs);
      return {
        block,
        kind: 'top-set',
        tops: byPair((s) => s.tops),
        ...(hasBegun && { begun: byPair((s) => s.begun ?? []) }),
        ...(hasDowns && { downs: byPair((s) => s.downs ?? []) }),
      };
    }
    case 'whole-slots':
      return undefined;
  }
}
