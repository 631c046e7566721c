import type { AttentionItem, PersonHistory } from './history.ts';
import type { AttentionCode } from './attention-rules.ts';

/** Letters of an occasion. */
export const MOST_OCCASION = 80;
/** Due days that "the last seven" are, and how many there must be before them for a comparison. */
export const LATELY = 7;
export const ENOUGH_BEFORE = 5;
export const RUNNING = 3;
/** A good word is due for so many days. */
export const GOOD_DAYS = 4;
export const FIRST_WEEK_DAYS = 7;
/** Lastingly: three weeks, of which the first is over, with so many due days at least. */
export const LASTING_DAYS = 21;
export const ENOUGH_LASTING = 6;
/** Due days missed one after the other are a gap from here on. */
export const GAP_DUE = 3;
/** Done in a row after a gap: worth a good word while there are so many. */
export const BACK_FROM = 2;
export const BACK_UP_TO = 3;
/** Of what was due since a gap, so much done is a return. */
export const BACK_SHARE = 2 / 3;
/** Sessions of which felt is held against planned, and how many there must be at least. */
export const FELT_LAST = 5;
export const FELT_LEAST = 3;
/** Loads of two sessions are alike up to this share of the earlier. */
export const ALIKE_LOAD = 0.1;

/** What a rule found: the facts of its code. */
export type Found<C extends AttentionCode> = Extract<AttentionItem, { code: C }>;
export type Rule<C extends AttentionCode> = (h: PersonHistory, threshold: number) => Found<C> | undefined;
