import type { Score } from '../scores/score.ts';
import { isBetter } from '../scores/score.ts';
import type { ScoredWork } from '../scores/relative-change.ts';
import { relativeChange } from '../scores/relative-change.ts';
import type { Absence } from '../../calendar/absence.ts';
import type { DayDate } from '../../calendar/day.ts';
import { daysBetween } from '../../calendar/days-between.ts';
import { cutLetters } from '../../letters.ts';
import type { AttentionCode, AttentionSettings } from './attention-rules.ts';
import { ATTENTION_CODES, ATTENTION_RULES, thresholdOf } from './attention-rules.ts';
import type { Adherence, DayState, Standing } from '../adherence/strand.ts';
import { isKept, isOwed } from '../adherence/strand.ts';

/** The days of a plan, as attention looks at them: the same for all of a run. */
export interface HistoryPlan {
  readonly dayIds: readonly number[];
  /** What was to be done, as keys: equal ones are the same work. Empty where nobody knows it. */
  readonly works: readonly string[];
}

/** What became of the days for someone, in the order of the plan. */
export interface HistoryDays {
  readonly plan: HistoryPlan;
  readonly dates: readonly DayDate[];
  readonly states: readonly DayState[];
  /** What stands of each; its effort is the felt one. */
  readonly records: readonly (Standing | undefined)[];
}

/** A number that someone got in a retest. */
export interface RetestScore {
  readonly dayId: number;
  readonly date: DayDate;
  /** Equal keys may be compared. */
  readonly key: string;
  readonly label: string;
  readonly words: string;
  readonly score: Score;
  readonly work: ScoredWork;
}

export interface ToldPain {
  readonly dayId: number;
  readonly date: DayDate;
  readonly words: string;
}

/** All that attention to one person rests on. */
export interface PersonHistory extends HistoryDays {
  readonly today: DayDate;
  readonly joinedOn: DayDate;
  readonly leftOn: DayDate | null;
  readonly adherence: Adherence;
  readonly absences: readonly Absence[];
  /** Oldest first. */
  readonly pains: readonly ToldPain[];
  /** Oldest first. */
  readonly retests: readonly RetestScore[];
  /** Why their address takes no messages; null where it does. */
  readonly bounced: string | null;
}

/** A day behind an item, and what about it matters. */
export type Evidence = { readonly dayId: number } & (
  | { readonly kind: 'state'; readonly state: DayState }
  | { readonly kind: 'effort'; readonly effort: number }
  /** What the person or their score says. */
  | { readonly kind: 'said'; readonly words: string }
);

/** Why someone asks for a word or a look, with the figures. */
export type AttentionFacts =
  | { readonly code: 'never-started'; readonly due: number }
  | {
      readonly code: 'missed-in-a-row';
      readonly missed: number;
      readonly doneBefore: number;
      readonly dueBefore: number;
    }
  | {
      readonly code: 'fading';
      readonly done: number;
      readonly due: number;
      readonly doneBefore: number;
      readonly dueBefore: number;
    }
  /** Efforts of 10, oldest first. */
  | { readonly code: 'effort-high'; readonly efforts: readonly number[] }
  | { readonly code: 'effort-rising'; readonly efforts: readonly number[] }
  | { readonly code: 'score-fell'; readonly label: string; readonly score: string; readonly before: string }
  | { readonly code: 'best-score'; readonly label: string; readonly score: string; readonly of: number }
  /** How often they said so lately, and what they said last. */
  | { readonly code: 'pain'; readonly times: number; readonly said: string }
  | { readonly code: 'far-more'; readonly sessions: number }
  | { readonly code: 'first-week'; readonly sessions: number }
  | { readonly code: 'back'; readonly daysAway: number }
  | { readonly code: 'bounced'; readonly reason: string };

/** Something about someone that asks for a word or a look. */
export type AttentionItem = AttentionFacts & {
  readonly evidence: readonly Evidence[];
  /** The same occasion asks once: what was acted upon is quiet until there is another. */
  readonly occasion: string;
};

/** Letters of an occasion. */
export const MOST_OCCASION = 80;
/** Due days that "the last seven" are, and how many there must be before them for a comparison. */
const LATELY = 7;
const ENOUGH_BEFORE = 5;
const RUNNING = 3;
/** A good word is due for so many days. */
const GOOD_DAYS = 4;
const FIRST_WEEK_DAYS = 7;

/** Places of the last days that count, newest first, at most `count` of them. */
function lastOf({ states }: HistoryDays, counts: (place: number) => boolean, count: number): number[] {
  const found: number[] = [];
  for (let i = states.length - 1; i >= 0 && found.length < count; i--) if (counts(i)) found.push(i);
  return found;
}

const owed =
  ({ states }: HistoryDays) =>
  (i: number) =>
    isOwed(states[i]!);
const effortAt = ({ records }: HistoryDays, i: number): number | null => records[i]?.effort ?? null;
/** Done, and said how hard it was. */
const rated = (h: HistoryDays) => (i: number) => isKept(h.states[i]!) && effortAt(h, i) !== null;
const idOf = ({ plan }: HistoryDays, place: number): number => plan.dayIds[place]!;
const asState = (h: HistoryDays, places: readonly number[]): Evidence[] =>
  places.map((i) => ({ dayId: idOf(h, i), kind: 'state', state: h.states[i]! }));
const asEffort = (h: HistoryDays, places: readonly number[]): Evidence[] =>
  places.map((i) => ({ dayId: idOf(h, i), kind: 'effort', effort: effortAt(h, i)! }));
const asSaid = (what: readonly (RetestScore | ToldPain)[]): Evidence[] =>
  what.map(({ dayId, words }) => ({ dayId, kind: 'said', words }));
/** Of places newest first, the efforts from the oldest on. */
const efforts = (h: HistoryDays, places: readonly number[]): number[] => places.map((i) => effortAt(h, i)!).reverse();

/** What a rule found: the facts of its code. */
type Found<C extends AttentionCode> = Extract<AttentionItem, { code: C }>;
type Rule<C extends AttentionCode> = (h: PersonHistory, threshold: number) => Found<C> | undefined;

const neverStarted: Rule<'never-started'> = (h, n) => {
  const { adherence } = h;
  if (adherence.lastOn !== null || adherence.due < n) return undefined;
  return {
    code: 'never-started',
    due: adherence.due,
    evidence: asState(h, lastOf(h, owed(h), 3)),
    occasion: adherence.due >= 2 * n ? 'still not' : 'not yet',
  };
};

const missedInARow: Rule<'missed-in-a-row'> = (h, n) => {
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

const fading: Rule<'fading'> = (h, pct) => {
  const { due, done } = h.adherence;
  if (due < LATELY + ENOUGH_BEFORE) return undefined;
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

const effortHigh: Rule<'effort-high'> = (h, n) => {
  const last = lastOf(h, rated(h), RUNNING);
  if (last.length < RUNNING || last.some((i) => effortAt(h, i)! < n)) return undefined;
  return {
    code: 'effort-high',
    efforts: efforts(h, last),
    evidence: asEffort(h, last),
    occasion: String(h.plan.dayIds[last.at(-1)!]),
  };
};

const effortRising: Rule<'effort-rising'> = (h, n) => {
  const { works, dayIds } = h.plan;
  const isRated = rated(h);
  const newest = lastOf(h, (i) => isRated(i) && works[i] !== '', 1)[0];
  if (newest === undefined || daysBetween(h.dates[newest]!, h.today) > LATELY) return undefined;
  const same = lastOf(h, (i) => works[i] === works[newest] && isRated(i), RUNNING);
  const felt = same.map((i) => effortAt(h, i)!);
  const isRising = felt.every((effort, k) => k === 0 || effort < felt[k - 1]!);
  if (same.length < RUNNING || !isRising || felt[0]! - felt.at(-1)! < n) return undefined;
  return {
    code: 'effort-rising',
    efforts: efforts(h, same),
    evidence: asEffort(h, same),
    occasion: String(dayIds[newest]),
  };
};

/** The last score of a retest with the one before it of the same key. */
function lastRetest(retests: readonly RetestScore[]) {
  const last = retests.at(-1);
  const before = last && retests.filter((r) => r.key === last.key && r.dayId !== last.dayId);
  return last && before && before.length > 0 ? { last, before } : undefined;
}

const scoreFell: Rule<'score-fell'> = ({ retests, today }, pct) => {
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

const bestScore: Rule<'best-score'> = ({ retests, today }) => {
  const found = lastRetest(retests);
  if (!found || daysBetween(found.last.date, today) >= GOOD_DAYS) return undefined;
  const { last, before } = found;
  if (before.some((b) => !isBetter(last.score, b.score))) return undefined;
  return {
    code: 'best-score',
    label: last.label,
    score: last.words,
    of: before.length + 1,
    evidence: asSaid([last, ...before]),
    occasion: String(last.dayId),
  };
};

const pain: Rule<'pain'> = ({ pains, today }, n) => {
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

/** Places of all days that count, in the order of the plan. */
function placesOf({ states }: HistoryDays, counts: (place: number) => boolean): number[] {
  const found: number[] = [];
  for (let i = 0; i < states.length; i++) if (counts(i)) found.push(i);
  return found;
}

const farMore: Rule<'far-more'> = (h, n) => {
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

const firstWeek: Rule<'first-week'> = (h) => {
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

const back: Rule<'back'> = (h) => {
  const { absences, dates, states, today } = h;
  const ended = absences
    .filter((a) => a.to !== null && a.to < today && daysBetween(a.from, a.to) >= 2)
    .reduce<Absence | undefined>((a, b) => (a && a.to! > b.to! ? a : b), undefined);
  if (!ended) return undefined;
  const done = placesOf(h, (i) => dates[i]! > ended.to! && isKept(states[i]!));
  if (done.length === 0 || daysBetween(dates[done[0]!]!, today) >= GOOD_DAYS) return undefined;
  return {
    code: 'back',
    daysAway: daysBetween(ended.from, ended.to!) + 1,
    evidence: asState(h, done),
    occasion: `${ended.to}`,
  };
};

const bounced: Rule<'bounced'> = ({ bounced: reason }) =>
  reason === null ? undefined : { code: 'bounced', reason, evidence: [], occasion: cutLetters(reason, MOST_OCCASION) };

const RULES: { readonly [C in AttentionCode]: Rule<C> } = {
  pain,
  bounced,
  'never-started': neverStarted,
  'missed-in-a-row': missedInARow,
  fading,
  'effort-high': effortHigh,
  'effort-rising': effortRising,
  'score-fell': scoreFell,
  'far-more': farMore,
  'first-week': firstWeek,
  'best-score': bestScore,
  back,
};

/**
 * What about someone asks for a coach's attention, most pressing first. Nothing of someone who has left. Of several that say the same
 * (missed in a row, doing half) only the first is told.
 */
export function findAttention(history: PersonHistory, settings: AttentionSettings = {}): AttentionItem[] {
  if (history.leftOn !== null && history.leftOn <= history.today) return [];
  const found: AttentionItem[] = [];
  for (const code of ATTENTION_CODES) {
    if (settings[code]?.off) continue;
    if (code === 'fading' && found.some((f) => f.code === 'missed-in-a-row' || f.code === 'never-started')) continue;
    const item = RULES[code](history, thresholdOf(code, settings));
    if (item) found.push(item);
  }
  return found;
}

/** Something a coach did about someone. */
export interface Act {
  readonly code: string;
  readonly occasion: string;
  readonly kind: string;
  readonly madeOn: DayDate;
  /** Quiet up to and with this day. */
  readonly untilOn: DayDate | null;
}

/** Whether an item was acted upon: the same occasion, or what is slow within a week of it; what was put off until its day. */
export const isQuiet = (item: AttentionItem, acts: readonly Act[], today: DayDate): boolean =>
  acts.some(
    (a) =>
      a.code === item.code &&
      (a.untilOn !== null
        ? today <= a.untilOn
        : a.occasion === item.occasion ||
          (ATTENTION_RULES[item.code].isSlow === true && daysBetween(a.madeOn, today) < LATELY)),
  );

/** What came of something a coach did: of the due days since then, how many were done, beside as many before. */
export interface Helped {
  readonly due: number;
  readonly done: number;
  readonly dueBefore: number;
  readonly doneBefore: number;
}

/** Due days looked at on either side. */
const HELPED_DAYS = 5;

export function helpedSince(h: HistoryDays, madeOn: DayDate): Helped {
  const all = placesOf(h, owed(h));
  const after = all.filter((i) => h.dates[i]! > madeOn).slice(0, HELPED_DAYS);
  const before = all.filter((i) => h.dates[i]! <= madeOn).slice(-HELPED_DAYS);
  const done = (list: readonly number[]) => list.filter((i) => isKept(h.states[i]!)).length;
  return { due: after.length, done: done(after), dueBefore: before.length, doneBefore: done(before) };
}
