import type { AccumulateRule } from '../../document/time-rule.ts';
import type { TimeForm } from '../form.ts';
import { levers } from './levers.ts';
import { notation } from './notation.ts';
import { rule } from './rule.ts';
import { steps } from './steps.ts';
import { words } from './words.ts';

/** Totals, in as many parts and in whatever order one likes, with or without a cap; the score is the time. */
export const accumulate: TimeForm<AccumulateRule, null> = { kind: 'accumulate', rule, notation, steps, words, levers };
