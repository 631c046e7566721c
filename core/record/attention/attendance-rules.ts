import type { Absence } from '../../calendar/absence.ts';
import { addDays } from '../../calendar/day.ts';
import { daysBetween } from '../../calendar/days-between.ts';
import { isKept, isOwed } from '../adherence/strand.ts';
import type { PersonHistory } from './history.ts';
import { asState, lastOf, owed, placesOf } from './history.ts';
import type { Rule } from './rule.ts';
import {
  BACK_FROM,
  BACK_SHARE,
  BACK_UP_TO,
  ENOUGH_BEFORE,
  ENOUGH_LASTING,
  FIRST_WEEK_DAYS,
  GAP_DUE,
  GOOD_DAYS,
  LASTING_DAYS,
  LATELY,
} from './rule.ts';

export const neverStarted: Rule<'never-started'> = (h, n) => {
  const { adherence } = h;
  if (adherence.lastOn !== null || adherence.due < n) return undefined;
  return {
    code: 'never-started',
    due: adherence.due,
    evidence: asState(h, lastOf(h, owed(h), 3)),
    occasion: adherence.due >= 2 * n ? 'still not' : 'not yet',
  };
};

export const missedInARow: Rule<'missed-in-a-row'> = (h, n) => {
  const { missedInARow: missed, lastOn, done, due } = h.adherence;
  if (lastOn === null || missed < n) return undefined;
  return {
    code: 'missed-in-a-row',
    missed,
    doneBefore: done,
    dueBefore: due - missed,
    evidence: asState(h, lastOf(h, owed(h), Math.min(missed, LATELY))),
    // It asks again once it has gone on for three times as long.
    occasion: `${lastOn}${missed >= 3 * n ? ' and on' : ''}`,
  };
};

/** Due days since someone's last gap, oldest first, with how long that was; undefined where there was none. */
function sinceGap(h: PersonHistory): { readonly missed: number; readonly since: readonly number[] } | undefined {
  const since: number[] = [];
  let missed = 0;
  for (let i = h.states.length - 1; i >= 0; i--) {
    const state = h.states[i]!;
    if (!isOwed(state)) continue;
    if (isKept(state)) {
      if (missed >= GAP_DUE) break;
      missed = 0;
    } else missed++;
    since.push(i);
  }
  return missed < GAP_DUE || since.length === missed ? undefined : { missed, since: since.slice(0, -missed).reverse() };
}

/** Whether someone has missed some in a row and come back: twice at least, and two of three since then. */
function isComingBack(h: PersonHistory): boolean {
  const gap = sinceGap(h);
  if (!gap) return false;
  const done = gap.since.filter((i) => isKept(h.states[i]!)).length;
  return done >= BACK_FROM && done / gap.since.length >= BACK_SHARE;
}

export const low: Rule<'low'> = (h, pct) => {
  const { dates, states, today, adherence } = h;
  if (adherence.lastOn === null || adherence.due < ENOUGH_LASTING) return undefined;
  const all = placesOf(h, owed(h));
  const first = dates[all[0]!]!;
  // Three weeks must have been theirs.
  if (daysBetween(first, today) < LASTING_DAYS - 1) return undefined;
  const from = addDays(today, 1 - LASTING_DAYS);
  const isLately = (i: number) => dates[i]! >= from && dates[i]! <= today;
  // Whoever was away in them, as agreed, hasn't had three weeks.
  if (states.some((state, i) => state === 'excused' && isLately(i))) return undefined;
  const lately = all.filter(isLately);
  const done = lately.filter((i) => isKept(states[i]!)).length;
  if (lately.length < ENOUGH_LASTING || 100 * done >= pct * lately.length || isComingBack(h)) return undefined;
  return {
    code: 'low',
    done,
    due: lately.length,
    evidence: asState(
      h,
      lately.filter((i) => !isKept(states[i]!)),
    ),
    occasion: `three weeks ${Math.floor(daysBetween(first, today) / LASTING_DAYS)}`,
  };
};

export const fading: Rule<'fading'> = (h, pct) => {
  const { due, done } = h.adherence;
  if (due < LATELY + ENOUGH_BEFORE || isComingBack(h)) return undefined;
  const lately = lastOf(h, owed(h), LATELY);
  const keptLately = lately.filter((i) => isKept(h.states[i]!)).length;
  const [dueBefore, keptBefore] = [due - LATELY, done - keptLately];
  if (keptBefore === 0 || keptLately / LATELY > ((pct / 100) * keptBefore) / dueBefore) return undefined;
  return {
    code: 'fading',
    done: keptLately,
    due: LATELY,
    doneBefore: keptBefore,
    dueBefore,
    evidence: asState(
      h,
      lately.filter((i) => !isKept(h.states[i]!)),
    ),
    occasion: String(Math.floor(due / (2 * LATELY))),
  };
};

export const farMore: Rule<'far-more'> = (h, n) => {
  if (h.adherence.bonus < n) return undefined;
  const beside = placesOf(
    h,
    (i) => h.states[i] === 'bonus' && h.dates[i]! <= h.today && daysBetween(h.dates[i]!, h.today) < LATELY,
  );
  if (beside.length < n) return undefined;
  return {
    code: 'far-more',
    sessions: beside.length,
    evidence: asState(h, beside),
    occasion: String(h.plan.dayIds[beside.at(-1)!]),
  };
};

export const firstWeek: Rule<'first-week'> = (h) => {
  const { states, dates, joinedOn, today } = h;
  const counts = (i: number) =>
    dates[i]! >= joinedOn && (isOwed(states[i]!) || states[i] === 'due' || states[i] === 'ahead');
  const at = states.findIndex((_, i) => counts(i));
  const from = dates[at];
  if (from === undefined) return undefined;
  const since = daysBetween(from, today) - FIRST_WEEK_DAYS;
  if (since < 0 || since >= GOOD_DAYS) return undefined;
  const week = placesOf(h, (i) => counts(i) && daysBetween(from, dates[i]!) < FIRST_WEEK_DAYS);
  if (week.length < 2 || week.some((i) => !isKept(states[i]!))) return undefined;
  return {
    code: 'first-week',
    sessions: week.length,
    evidence: asState(h, week),
    occasion: 'first week',
  };
};

/** After days away that were agreed. */
const backFromAway: Rule<'back'> = (h) => {
  const { absences, dates, states, today } = h;
  const ended = absences
    .filter((a) => a.to !== null && a.to < today && daysBetween(a.from, a.to) >= 2)
    .reduce<Absence | undefined>((a, b) => (a && a.to! > b.to! ? a : b), undefined);
  if (!ended) return undefined;
  const done = placesOf(h, (i) => dates[i]! > ended.to! && isKept(states[i]!));
  if (done.length === 0 || daysBetween(dates[done[0]!]!, today) >= GOOD_DAYS) return undefined;
  return {
    code: 'back',
    after: { kind: 'away', days: daysBetween(ended.from, ended.to!) + 1 },
    done: done.length,
    evidence: asState(h, done),
    occasion: `${ended.to}`,
  };
};

/** After a gap, by itself: the second or third session in a row. */
const backFromGap: Rule<'back'> = (h) => {
  const gap = sinceGap(h);
  if (!gap || h.adherence.done <= gap.since.length) return undefined;
  const { since, missed } = gap;
  if (since.length < BACK_FROM || since.length > BACK_UP_TO || since.some((i) => !isKept(h.states[i]!)))
    return undefined;
  if (daysBetween(h.dates[since.at(-1)!]!, h.today) >= GOOD_DAYS) return undefined;
  return {
    code: 'back',
    after: { kind: 'missed', due: missed },
    done: since.length,
    evidence: asState(h, since),
    occasion: h.dates[since[0]!]!,
  };
};

export const back: Rule<'back'> = (h, threshold) => backFromAway(h, threshold) ?? backFromGap(h, threshold);
