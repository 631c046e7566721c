import type { IntervalsRule } from '../../document/time-rule.ts';
import type { TimeForm } from '../form.ts';
import type { Draft } from './notation.ts';
import { levers } from './levers.ts';
import { notation } from './notation.ts';
import { rule } from './rule.ts';
import { steps } from './steps.ts';
import { words } from './words.ts';

/** Each item an interval of work, with rest behind it; round by round, or so many in all. */
export const intervals: TimeForm<IntervalsRule, Draft> = { kind: 'intervals', rule, notation, steps, words, levers };
