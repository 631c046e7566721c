import type { PyramidRule } from '../../document/time-rule.ts';
import type { TimeForm } from '../form.ts';
import { levers } from './levers.ts';
import { notation } from './notation.ts';
import { rule } from './rule.ts';
import { steps } from './steps.ts';
import { words } from './words.ts';

/** Items two by two: up by so many a set in one way, down in the next from the set one stopped in. */
export const pyramid: TimeForm<PyramidRule, PyramidRule> = { kind: 'pyramid', rule, notation, steps, words, levers };
