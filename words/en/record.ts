import type { Outcome } from '../../core/record/record.ts';

/** What the words for effort are, 0 to 10 (own words; the scale is the 0-to-10 session scale, docs/formulas.md 2). */
export const EFFORT_WORDS = [
  'nothing at all',
  'hardly anything',
  'easy',
  'could chat on',
  'breathing a little',
  'talking in sentences',
  'talking in short sentences',
  'a few words at a time',
  'a word at a time',
  'nearly all I had',
  'all I had',
] as const;

/** What somebody says of a session as a whole. */
export const OUTCOME_WORDS: Record<Outcome, string> = { done: 'done', part: 'part of it', 'not-done': 'not today' };
