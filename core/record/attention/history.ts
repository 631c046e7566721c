import type { Score } from '../scores/score.ts';
import type { ScoredWork } from '../scores/relative-change.ts';
import type { Absence } from '../../calendar/absence.ts';
import type { DayDate } from '../../calendar/day.ts';
import type { Adherence, DayState, Standing } from '../adherence/strand.ts';
import { isKept, isOwed } from '../adherence/strand.ts';

/** The days of a plan, as attention looks at them: the same for all of a run. Each list has one value a day. */
export interface HistoryPlan {
  readonly dayIds: readonly number[];
  /** What was to be done, as keys: equal ones are the same work. Empty where nobody knows it. */
  readonly works: readonly string[];
  /** The track that a session comes from; empty where it is from none. */
  readonly tracks: readonly string[];
  /** Planned effort, 0 to 10; null where none was written. */
  readonly planned: readonly (number | null)[];
  /** Planned load, effort x minutes; null where there is none. */
  readonly loadsAu: readonly (number | null)[];
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

/** Efforts felt and planned, session by session, the oldest first. */
export interface FeltApart {
  readonly efforts: readonly number[];
  readonly planned: readonly number[];
  /** The middle of felt less planned, without its sign. */
  readonly by: number;
}

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
  /** Due days of the last three weeks, and those of them that were done. */
  | { readonly code: 'low'; readonly done: number; readonly due: number }
  /** Efforts of 10, oldest first. */
  | { readonly code: 'effort-high'; readonly efforts: readonly number[] }
  /** Felt and planned, session by session; planned is null where none was written. */
  | {
      readonly code: 'effort-rising';
      readonly efforts: readonly number[];
      readonly planned: readonly (number | null)[];
    }
  | (FeltApart & { readonly code: 'felt-above' })
  | (FeltApart & { readonly code: 'felt-below' })
  | { readonly code: 'score-fell'; readonly label: string; readonly score: string; readonly before: string }
  | { readonly code: 'best-score'; readonly label: string; readonly score: string; readonly of: number }
  /** How often they said so lately, and what they said last. */
  | { readonly code: 'pain'; readonly times: number; readonly said: string }
  | { readonly code: 'far-more'; readonly sessions: number }
  | { readonly code: 'first-week'; readonly sessions: number }
  /** After days away that were agreed, or after due days that were missed; so many done since. */
  | {
      readonly code: 'back';
      readonly after:
        { readonly kind: 'away'; readonly days: number } | { readonly kind: 'missed'; readonly due: number };
      readonly done: number;
    }
  | { readonly code: 'bounced'; readonly reason: string };

/** Something about someone that asks for a word or a look. */
export type AttentionItem = AttentionFacts & {
  readonly evidence: readonly Evidence[];
  /** The same occasion asks once: what was acted upon is quiet until there is another. */
  readonly occasion: string;
};

/** Places of the last days that count, newest first, at most `count` of them. */
export function lastOf({ states }: HistoryDays, counts: (place: number) => boolean, count: number): number[] {
  const found: number[] = [];
  for (let i = states.length - 1; i >= 0 && found.length < count; i--) if (counts(i)) found.push(i);
  return found;
}

export const owed =
  ({ states }: HistoryDays) =>
  (i: number) =>
    isOwed(states[i]!);
export const effortAt = ({ records }: HistoryDays, i: number): number | null => records[i]?.effort ?? null;
/** Done, and said how hard it was. */
export const rated = (h: HistoryDays) => (i: number) => isKept(h.states[i]!) && effortAt(h, i) !== null;
export const idOf = ({ plan }: HistoryDays, place: number): number => plan.dayIds[place]!;
export const asState = (h: HistoryDays, places: readonly number[]): Evidence[] =>
  places.map((i) => ({ dayId: idOf(h, i), kind: 'state', state: h.states[i]! }));
export const asEffort = (h: HistoryDays, places: readonly number[]): Evidence[] =>
  places.map((i) => ({ dayId: idOf(h, i), kind: 'effort', effort: effortAt(h, i)! }));
export const asSaid = (what: readonly (RetestScore | ToldPain)[]): Evidence[] =>
  what.map(({ dayId, words }) => ({ dayId, kind: 'said', words }));
/** Of places newest first, the efforts from the oldest on. */
export const efforts = (h: HistoryDays, places: readonly number[]): number[] =>
  places.map((i) => effortAt(h, i)!).reverse();

/** Places of all days that count, in the order of the plan. */
export function placesOf({ states }: HistoryDays, counts: (place: number) => boolean): number[] {
  const found: number[] = [];
  for (let i = 0; i < states.length; i++) if (counts(i)) found.push(i);
  return found;
}
