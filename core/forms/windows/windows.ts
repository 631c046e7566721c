import type { WindowsRule } from '../../document/time-rule.ts';
import type { TimeForm } from '../form.ts';
import { levers } from './levers.ts';
import { notation } from './notation.ts';
import { rule } from './rule.ts';
import { steps } from './steps.ts';
import { words } from './words.ts';

/** The list starts again from the top in every window; each window has its score. */
export const windows: TimeForm<WindowsRule, WindowsRule> = { kind: 'windows', rule, notation, steps, words, levers };
