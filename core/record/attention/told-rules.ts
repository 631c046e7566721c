import { daysBetween } from '../../calendar/days-between.ts';
import { cutLetters } from '../../letters.ts';
import { relativeChange } from '../scores/relative-change.ts';
import { isBetter } from '../scores/score.ts';
import type { RetestScore } from './history.ts';
import { asSaid } from './history.ts';
import type { Rule } from './rule.ts';
import { GOOD_DAYS, LATELY, MOST_OCCASION } from './rule.ts';

/** Earlier scores from which on the next can be called the best: two, so that it begins with the third. */
const BEST_AFTER = 2;

/** The last score of a retest with the one before it of the same key. */
export function lastRetest(retests: readonly RetestScore[]) {
  const last = retests.at(-1);
  const before = last && retests.filter((r) => r.key === last.key && r.dayId !== last.dayId);
  return last && before && before.length > 0 ? { last, before } : undefined;
}

export const scoreFell: Rule<'score-fell'> = ({ retests, today }, pct) => {
  const found = lastRetest(retests);
  if (!found || daysBetween(found.last.date, today) > LATELY) return undefined;
  const { last, before } = found;
  const was = before.at(-1)!;
  const change = relativeChange(last.score, was.score, last.work);
  if (change === null || -100 * change < pct) return undefined;
  return {
    code: 'score-fell',
    label: last.label,
    score: last.words,
    before: was.words,
    evidence: asSaid([last, was]),
    occasion: String(last.dayId),
  };
};

export const bestScore: Rule<'best-score'> = ({ retests, today }) => {
  const found = lastRetest(retests);
  if (!found || daysBetween(found.last.date, today) >= GOOD_DAYS) return undefined;
  const { last, before } = found;
  if (before.length < BEST_AFTER || before.some((b) => !isBetter(last.score, b.score))) return undefined;
  return {
    code: 'best-score',
    label: last.label,
    score: last.words,
    of: before.length + 1,
    evidence: asSaid([last, ...before]),
    occasion: String(last.dayId),
  };
};

export const pain: Rule<'pain'> = ({ pains, today }, n) => {
  const lately = pains.filter((p) => daysBetween(p.date, today) < n);
  const last = lately.at(-1);
  if (!last) return undefined;
  return {
    code: 'pain',
    times: lately.length,
    said: last.words,
    evidence: asSaid(lately),
    occasion: cutLetters(`${last.dayId} ${last.words}`, MOST_OCCASION),
  };
};

export const bounced: Rule<'bounced'> = ({ bounced: reason }) =>
  reason === null ? undefined : { code: 'bounced', reason, evidence: [], occasion: cutLetters(reason, MOST_OCCASION) };
