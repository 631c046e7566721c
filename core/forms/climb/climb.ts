import type { ClimbRule } from '../../document/time-rule.ts';
import type { TimeForm } from '../form.ts';
import { levers } from './levers.ts';
import { notation } from './notation.ts';
import { rule } from './rule.ts';
import { steps } from './steps.ts';
import { words } from './words.ts';

/** More of each item in every slot, until a slot no longer holds them (the climbing minute); the score is the last whole slot. */
export const climb: TimeForm<ClimbRule, ClimbRule> = { kind: 'climb', rule, notation, steps, words, levers };
