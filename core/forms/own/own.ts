import type { OwnRule } from '../../document/time-rule.ts';
import type { TimeForm } from '../form.ts';
import { levers } from './levers.ts';
import { notation } from './notation.ts';
import { rule } from './rule.ts';
import { steps } from './steps.ts';
import { words } from './words.ts';

/** At one's own pace: rounds, a list of reps, for time, with a cap, a relay. It is what a header means that says no clock. */
export const own: TimeForm<OwnRule, null> = { kind: 'own', rule, notation, steps, words, levers };
