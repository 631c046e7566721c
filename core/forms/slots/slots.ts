import type { SlotsRule } from '../../document/time-rule.ts';
import type { TimeForm } from '../form.ts';
import type { Draft } from './notation.ts';
import { levers } from './levers.ts';
import { notation } from './notation.ts';
import { rule } from './rule.ts';
import { steps } from './steps.ts';
import { words } from './words.ts';

/** Items take the slots of a clock in turn; the rest is what is left of the slot. */
export const slots: TimeForm<SlotsRule, Draft> = { kind: 'slots', rule, notation, steps, words, levers };
