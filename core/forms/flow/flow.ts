import type { FlowRule } from '../../document/time-rule.ts';
import type { TimeForm } from '../form.ts';
import { levers } from './levers.ts';
import { notation } from './notation.ts';
import { rule } from './rule.ts';
import { steps } from './steps.ts';
import { words } from './words.ts';

/** Once through, unhurried: warm-ups, cool-downs, mobility. */
export const flow: TimeForm<FlowRule, null> = { kind: 'flow', rule, notation, steps, words, levers };
