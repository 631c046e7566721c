import type { DayPlace } from '../../calendar/day.ts';
import type { Area, Pattern } from '../../movement/movement.ts';
import type { WatchedJoint } from '../day-plan.ts';
import type { LeverKind } from '../levers/lever.ts';

/** Things about a programme that a coach may want to look at. Information, never a verdict. */
export const GUARD_CODES = [
  'load-change',
  'work-change',
  'reps-change',
  'monotony',
  'no-lighter-week',
  'lighter-week',
  'same-area',
  'same-joint',
  'hard-days',
  'levers-at-once',
  'strength-days',
  'target-broken',
  'blocked-day',
  'retest-differs',
] as const;
export type GuardCode = (typeof GUARD_CODES)[number];
export const isGuardCode = (text: string): text is GuardCode => GUARD_CODES.some((c) => c === text);

/** What a coach can set of a rule. */
export interface GuardRail {
  /** The usual threshold; null where there is none to set. */
  readonly threshold: number | null;
  readonly least: number;
  readonly most: number;
}

/** Thresholds, each with its source beside its words in words/en/guards.ts. */
export const GUARD_RAILS: Record<GuardCode, GuardRail> = {
  'load-change': {
    threshold: 10,
    least: 1,
    most: 500,
  },
  'work-change': {
    threshold: 20,
    least: 1,
    most: 500,
  },
  'reps-change': {
    threshold: 25,
    least: 1,
    most: 500,
  },
  monotony: {
    threshold: 2,
    least: 0.5,
    most: 20,
  },
  'no-lighter-week': {
    threshold: 5,
    least: 2,
    most: 52,
  },
  'lighter-week': {
    threshold: 10,
    least: 1,
    most: 100,
  },
  'same-area': {
    threshold: 40,
    least: 10,
    most: 100,
  },
  'same-joint': {
    threshold: 6,
    least: 1,
    most: 120,
  },
  'hard-days': {
    threshold: 7,
    least: 1,
    most: 10,
  },
  'levers-at-once': {
    threshold: 2,
    least: 2,
    most: 10,
  },
  'strength-days': {
    threshold: 2,
    least: 1,
    most: 7,
  },
  'target-broken': {
    threshold: 10,
    least: 1,
    most: 100,
  },
  'blocked-day': {
    threshold: null,
    least: 0,
    most: 0,
  },
  'retest-differs': {
    threshold: null,
    least: 0,
    most: 0,
  },
};

/** A figure of a week against that of an earlier one. */
interface WeekFigures {
  readonly was: number;
  readonly now: number;
  readonly pct: number;
  /** The week that it is held against. */
  readonly against: number;
}

/** What stands between a week and the one it is held against: a week without sessions, or a lighter one with its figure. */
export type Between = { readonly kind: 'pause' } | { readonly kind: 'lighter'; readonly value: number };

/** Lowest and highest of some weeks. */
export type Span = readonly [low: number, high: number];
/** Of two neighbouring days, the first and the second. */
export type Both = readonly [first: number, second: number];

/** What two neighbouring days have in common. */
export type PairFacts =
  | { readonly code: 'same-area'; readonly shared: readonly { readonly area: Area; readonly pct: Both }[] }
  | { readonly code: 'same-joint'; readonly shared: readonly { readonly joint: WatchedJoint; readonly sec: Both }[] }
  | { readonly code: 'hard-days'; readonly efforts: Both };

/** What there is to look at, with its figures. */
export type GuardFacts =
  /** Planned load in effort x minutes; work in seconds. */
  | (WeekFigures & { readonly code: 'load-change' | 'work-change'; readonly between?: Between })
  | (WeekFigures & { readonly code: 'reps-change'; readonly pattern: Pattern; readonly between?: Between })
  | (WeekFigures & { readonly code: 'lighter-week' })
  | { readonly code: 'monotony'; readonly loadAu: Span; readonly monotony: Span; readonly strainAu: Span }
  | { readonly code: 'no-lighter-week' }
  | { readonly code: 'strength-days'; readonly days: number }
  | (PairFacts & { readonly weekdays: Both })
  | { readonly code: 'levers-at-once'; readonly track: string; readonly levers: readonly LeverKind[] }
  | { readonly code: 'target-broken'; readonly title: string; readonly likelySec: number; readonly targetSec: number }
  /** What the day is blocked with; the effort where only a hard session is. */
  | { readonly code: 'blocked-day'; readonly title: string; readonly with: string; readonly effort?: number }
  /** The first session of the name, and the first that differs from it. */
  | { readonly code: 'retest-differs'; readonly retest: string; readonly first: DayPlace; readonly other: DayPlace };

/** One thing to look at. */
export type Guard = GuardFacts & {
  /** The weeks that it concerns, ascending. */
  readonly weeks: readonly number[];
  readonly places: readonly DayPlace[];
  readonly threshold: number | null;
};
