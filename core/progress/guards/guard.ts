import type { DayPlace } from '../../calendar/day.ts';

/** Things about a programme that a coach may want to look at. Information, never a verdict. */
export const GUARD_CODES = [
  'load-change',
  'work-change',
  'reps-change',
  'monotony',
  'no-lighter-week',
  'lighter-week',
  'same-area',
  'same-joint',
  'hard-days',
  'levers-at-once',
  'strength-days',
  'target-broken',
  'blocked-day',
  'retest-differs',
] as const;
export type GuardCode = (typeof GUARD_CODES)[number];
export const isGuardCode = (text: string): text is GuardCode => GUARD_CODES.some((c) => c === text);

export interface GuardRail {
  readonly name: string;
  /** What it looks for. */
  readonly means: string;
  /** The usual threshold; null where there is none to set. */
  readonly threshold: number | null;
  readonly unit: string;
  readonly least: number;
  readonly most: number;
  readonly source: string;
}

const COMMON = 'common practice, no source';

export const GUARD_RAILS: Record<GuardCode, GuardRail> = {
  'load-change': {
    name: 'load week on week',
    means: 'planned load (effort x minutes) grows by more than this',
    threshold: 10,
    unit: '%',
    least: 1,
    most: 500,
    source:
      'a habit, not a limit: a graded plan did not cut injuries in novice runners (Buist 2008, from memory), and nothing is known for home intervals',
  },
  'work-change': {
    name: 'work minutes week on week',
    means: 'minutes of work grow by more than this',
    threshold: 20,
    unit: '%',
    least: 1,
    most: 500,
    source: COMMON,
  },
  'reps-change': {
    name: 'repetitions week on week',
    means: 'repetitions of a pattern grow by more than this, and by at least 20',
    threshold: 25,
    unit: '%',
    least: 1,
    most: 500,
    source: COMMON,
  },
  monotony: {
    name: 'days alike',
    means: 'the week’s mean daily load over its spread (sample SD) is above this',
    threshold: 2,
    unit: '',
    least: 0.5,
    most: 20,
    source: 'monotony and strain after Foster 1998 (from memory); this threshold is common practice, no source',
  },
  'no-lighter-week': {
    name: 'a lighter week',
    means: 'so many weeks in a row without a lighter one',
    threshold: 5,
    unit: 'weeks',
    least: 2,
    most: 52,
    source:
      'people report a lighter week every 5 to 6 weeks (Rogerson 2024, from memory); a whole week off did not help (Coleman 2024, from memory)',
  },
  'lighter-week': {
    name: 'lighter enough',
    means: 'a lighter week’s planned load is not lower by at least this than the last other week’s',
    threshold: 10,
    unit: '%',
    least: 1,
    most: 100,
    source:
      'a lighter week is planned reduced stress (Bell 2023, from memory); how much is the coach’s, this threshold is common practice, no source',
  },
  'same-area': {
    name: 'same area on neighbouring days',
    means: 'one area has at least this share of the work on both days',
    threshold: 40,
    unit: '%',
    least: 10,
    most: 100,
    source: COMMON,
  },
  'same-joint': {
    name: 'same joint on neighbouring days',
    means: 'both days ask much of the wrists, shoulders or knees for at least so many minutes',
    threshold: 6,
    unit: 'min',
    least: 1,
    most: 120,
    source: COMMON,
  },
  'hard-days': {
    name: 'hard days touching',
    means: 'two neighbouring days are planned at this effort or above',
    threshold: 7,
    unit: 'effort',
    least: 1,
    most: 10,
    source: COMMON,
  },
  'levers-at-once': {
    name: 'more than one change at once',
    means: 'more than this many things make a track’s session harder from one week to the next',
    threshold: 1,
    unit: 'levers',
    least: 1,
    most: 9,
    source: 'one thing at a time is a convention',
  },
  'strength-days': {
    name: 'strength days',
    means: 'fewer strength days in a week than this',
    threshold: 2,
    unit: 'days',
    least: 1,
    most: 7,
    source: 'strength on 2 days a week (WHO 2020, BJSM 54:1451, from memory)',
  },
  'target-broken': {
    name: 'target length',
    means: 'a session is likely to differ from its target by more than this',
    threshold: 10,
    unit: '%',
    least: 1,
    most: 100,
    source: COMMON,
  },
  'blocked-day': {
    name: 'blocked days',
    means: 'a session stands on a day that is blocked for it',
    threshold: null,
    unit: '',
    least: 0,
    most: 0,
    source: 'your own calendar',
  },
  'retest-differs': {
    name: 'retests alike',
    means: 'sessions with one retest name are not the same, so that their scores can’t be compared',
    threshold: null,
    unit: '',
    least: 0,
    most: 0,
    source: COMMON,
  },
};

/** One thing to look at. */
export interface Guard {
  readonly code: GuardCode;
  /** The weeks that it concerns, ascending. */
  readonly weeks: readonly number[];
  readonly places: readonly DayPlace[];
  /** What it is about, short: `Week 3 → 4`, `Friday and Saturday`. */
  readonly subject: string;
  readonly message: string;
  readonly threshold: number | null;
}

/** `weeks 1 to 3 and 5` */
export function formatWeeks(weeks: readonly number[]): string {
  const runs: [number, number][] = [];
  for (const w of weeks) {
    const last = runs.at(-1);
    if (last && last[1] === w - 1) last[1] = w;
    else runs.push([w, w]);
  }
  const words = runs.map(([a, b]) => (a === b ? String(a) : b === a + 1 ? `${a}, ${b}` : `${a} to ${b}`));
  return `${weeks.length === 1 ? 'week' : 'weeks'} ${words.length > 1 ? `${words.slice(0, -1).join(', ')} and ${words.at(-1)}` : words.join('')}`;
}
