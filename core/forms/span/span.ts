import type { SpanRule } from '../../document/time-rule.ts';
import type { TimeForm } from '../form.ts';
import { levers } from './levers.ts';
import { notation } from './notation.ts';
import { rule } from './rule.ts';
import { steps } from './steps.ts';
import { words } from './words.ts';

/** An open span: the list over and over until the time is up, alone or in turns. */
export const span: TimeForm<SpanRule, SpanRule> = { kind: 'span', rule, notation, steps, words, levers };
