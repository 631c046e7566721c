import ICAL from 'ical.js';

/** A recurrence rule was followed further than any calendar of a person needs. */
export class EndlessRuleError extends Error {
  constructor() {
    super('the rule has no end in sight');
    this.name = 'EndlessRuleError';
  }
}

/** Steps to the next date (from one 29 February to the next, day by day, 2,922 at most), and of all rules of a file together. */
const MAX_STEPS_BETWEEN = 3_000;
const MAX_FILE_STEPS = 50_000;

/** What a rule's search goes through from one candidate to the next; each counts one step. */
const STEPPERS = [
  'increment_generic',
  'increment_monthday',
  'increment_month',
  'increment_year',
  'next_weekday_by_week',
] as const;

type Stepper = (this: unknown, ...args: unknown[]) => unknown;

/**
 * Runs `work`, in which ical.js follows recurrence rules, and throws EndlessRuleError once one has searched longer for its next
 * date than any needs, or all together have; `work` is given what to call where a date was found. ical.js searches on for a
 * rule that no date fulfils (30 February, every day) for good; a step is counted where it goes on to the next candidate.
 */
export function withStepLimit<T>(work: (onDate: () => void) => T): T {
  const prototype = ICAL.RecurIterator.prototype as unknown as Record<string, Stepper | undefined>;
  const before = STEPPERS.map((name) => prototype[name]);
  let sinceDate = 0;
  let ofFile = 0;
  for (const name of STEPPERS) {
    const step = prototype[name];
    if (!step) throw new RangeError(`ical.js has no ${name} any more`);
    prototype[name] = function (...args) {
      if (++sinceDate > MAX_STEPS_BETWEEN || ++ofFile > MAX_FILE_STEPS) throw new EndlessRuleError();
      return step.apply(this, args);
    };
  }
  try {
    return work(() => {
      sinceDate = 0;
    });
  } finally {
    for (const [i, name] of STEPPERS.entries()) prototype[name] = before[i];
  }
}
