import { median } from 'd3-array';
import { daysBetween } from '../../calendar/days-between.ts';
import type { HistoryPlan, PersonHistory } from './history.ts';
import { asEffort, effortAt, efforts, lastOf, rated } from './history.ts';
import type { Rule } from './rule.ts';
import { ALIKE_LOAD, FELT_LAST, FELT_LEAST, LATELY, RUNNING } from './rule.ts';

export const effortHigh: Rule<'effort-high'> = (h, n) => {
  const last = lastOf(h, rated(h), RUNNING);
  if (last.length < RUNNING || last.some((i) => effortAt(h, i)! < n)) return undefined;
  return {
    code: 'effort-high',
    efforts: efforts(h, last),
    evidence: asEffort(h, last),
    occasion: String(h.plan.dayIds[last.at(-1)!]),
  };
};

/** Whether how hard two sessions felt can be compared: the same work, or the same track with about the same load. */
function isAlike({ works, tracks, loadsAu }: HistoryPlan, earlier: number, later: number): boolean {
  if (works[earlier] !== '' && works[earlier] === works[later]) return true;
  if (tracks[earlier] === '' || tracks[earlier] !== tracks[later]) return false;
  const [was, is] = [loadsAu[earlier], loadsAu[later]];
  return typeof was === 'number' && typeof is === 'number' && Math.abs(is - was) <= ALIKE_LOAD * was;
}

/** How much more than planned it felt like; the effort itself where none was planned. */
const excessAt = (h: PersonHistory, i: number): number => effortAt(h, i)! - (h.plan.planned[i] ?? 0);

export const effortRising: Rule<'effort-rising'> = (h, n) => {
  const { works, tracks, dayIds, planned } = h.plan;
  const isRated = rated(h);
  const newest = lastOf(h, (i) => isRated(i) && (works[i] !== '' || tracks[i] !== ''), 1)[0];
  if (newest === undefined || daysBetween(h.dates[newest]!, h.today) > LATELY) return undefined;
  let later = newest;
  const same = lastOf(
    h,
    (i) => {
      if (!isRated(i) || (i !== newest && !isAlike(h.plan, i, later))) return false;
      later = i;
      return true;
    },
    RUNNING,
  );
  if (same.length < RUNNING) return undefined;
  const excess = same.map((i) => excessAt(h, i));
  const isRising = excess.every((e, k) => k === 0 || e < excess[k - 1]!);
  if (!isRising || excess[0]! - excess.at(-1)! < n) return undefined;
  return {
    code: 'effort-rising',
    efforts: efforts(h, same),
    planned: same.map((i) => planned[i] ?? null).reverse(),
    evidence: asEffort(h, same),
    occasion: String(dayIds[newest]),
  };
};

/** The last sessions of which both are known, felt and planned, with the middle of their difference; undefined where they are too few. */
function lastFelt(h: PersonHistory) {
  const { planned, dayIds } = h.plan;
  const isRated = rated(h);
  const last = lastOf(h, (i) => isRated(i) && typeof planned[i] === 'number', FELT_LAST);
  if (last.length < FELT_LEAST || daysBetween(h.dates[last[0]!]!, h.today) > LATELY) return undefined;
  const apart = median(last, (i) => excessAt(h, i))!;
  return {
    apart,
    item: {
      efforts: efforts(h, last),
      planned: last.map((i) => planned[i]!).reverse(),
      by: Math.abs(apart),
      evidence: asEffort(h, last),
      occasion: String(dayIds[last.at(-1)!]),
    },
  };
}

export const feltAbove: Rule<'felt-above'> = (h, n) => {
  const felt = lastFelt(h);
  return felt && felt.apart >= n ? { code: 'felt-above', ...felt.item } : undefined;
};
export const feltBelow: Rule<'felt-below'> = (h, n) => {
  const felt = lastFelt(h);
  return felt && felt.apart <= -n ? { code: 'felt-below', ...felt.item } : undefined;
};
