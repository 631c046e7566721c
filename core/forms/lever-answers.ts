import { formatClock } from '../words/format-clock.ts';
import { pullSec } from './change.ts';
import type { LeverAnswer } from './form.ts';
import type { TimeRule } from '../document/time-rule.ts';

/** Levers that several forms answer alike. */

/** The rest behind each window or way, where there is one. */
export const restLever = <R extends Extract<TimeRule, { restSec: number }>>(): LeverAnswer<R> => ({
  read: ({ restSec }) => (restSec > 0 ? formatClock(restSec) : undefined),
  pull: (rule, by, block) =>
    rule.restSec > 0 ? { ...block, time: { ...rule, restSec: pullSec(rule.restSec, by) } } : block,
});

/** The latest end, where one is written. */
export const capLever = <R extends Extract<TimeRule, { capSec?: number }>>(): LeverAnswer<R> => ({
  read: ({ capSec }) => (capSec ? formatClock(capSec) : undefined),
  pull: (rule, by, block) => (rule.capSec ? { ...block, time: { ...rule, capSec: pullSec(rule.capSec, by) } } : block),
});
