import type { Role, Span, TimeRule } from '../../../document/document.ts';

/** What the words of a line say of a list: its part of the session, its clock, how often, how many of each, where rest is. */
export interface HeaderFacts {
  role?: Role;
  label?: string;
  time?: TimeRule;
  rounds?: Span;
  list?: number[];
  cycling?: boolean;
  between?: { readonly of: 'rounds' | 'items'; readonly lowSec: number; readonly highSec: number };
  /** Nothing said between what that rest is. */
  isBetweenOpen?: boolean;
  /** Slots that go on for so many rounds of the list, however long it is. */
  slotRounds?: number;
  /** The whole list may be meant in every slot: unless a line says whose turn it is for. */
  mayHoldAll?: boolean;
  /** The whole list is done in every slot: a slot is long, and rounds are counted. */
  holdsAll?: boolean;
  /** Intervals in all, where the list has one item. */
  times?: number;
  thenRestSec?: number;
  capSec?: number;
  forTime?: boolean;
  /** A clock was named without its length. */
  lacksLength?: boolean;
  /** The numbers are totals, done in as many parts as it takes. */
  gathers?: boolean;
  /** One of several parts that are alike: what is said of all of them stands above or below. */
  isPart?: true;
  /** Every member of a team does the first number, then every member the next. */
  isRelay?: boolean;
  /** When partners swap, where that goes by the clock. */
  swaps?: string;
  /** One of two partners works at a time. */
  partners?: boolean;
  /** Each movement has all the intervals before the next one begins. */
  isEachAlone?: boolean;
  /** As many of each as goes in its time. */
  isMost?: boolean;
  /** Once through, whatever else. */
  isOnce?: boolean;
}
