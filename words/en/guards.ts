import type { Weekday } from '../../core/calendar/day.ts';
import { dayName, weekdayName } from '../../core/calendar/day.ts';
import type { Between, Guard, GuardCode, PairFacts, Span } from '../../core/progress/guards/guard.ts';
import { LEVER_WORDS } from '../../core/progress/levers/lever.ts';
import { formatChange } from '../../core/progress/week/week-change.ts';
import type { WatchedJoint } from '../../core/progress/day-plan.ts';
import { formatClock } from '../../core/words/format-clock.ts';
import { capitalized, listWords, plural, wholeMinutes } from '../../core/words/words.ts';

interface RailWords {
  readonly name: string;
  /** What it looks for. */
  readonly means: string;
  readonly unit: string;
  /** Where the threshold comes from, in a few words and in full. */
  readonly from: string;
  readonly source: string;
}

const COMMON = 'common practice, no source';

/** What each rule of “worth a look” is called, looks for, and rests on. */
export const RAIL_WORDS: Record<GuardCode, RailWords> = {
  'load-change': {
    name: 'load week on week',
    means: 'planned load (effort x minutes) grows by this or more',
    unit: '%',
    from: 'a habit, not a limit',
    source:
      'a habit, not a limit: a graded plan did not cut injuries in novice runners (Buist 2008, from memory), and nothing is known for home intervals',
  },
  'work-change': {
    name: 'work minutes week on week',
    means: 'minutes of work grow by this or more, and by a minute at least',
    unit: '%',
    from: COMMON,
    source: COMMON,
  },
  'reps-change': {
    name: 'repetitions week on week',
    means: 'repetitions of a pattern grow by this or more, and by 20 at least',
    unit: '%',
    from: COMMON,
    source: COMMON,
  },
  monotony: {
    name: 'days alike',
    means: 'the week’s mean daily load over its spread (sample SD) is this or more',
    unit: '',
    from: 'monotony and strain after Foster 1998',
    source: 'monotony and strain after Foster 1998 (from memory); this threshold is common practice, no source',
  },
  'no-lighter-week': {
    name: 'a lighter week',
    means: 'so many weeks in a row, or more, without a lighter one',
    unit: 'weeks',
    from: 'people report a lighter week every 5 to 6 weeks',
    source:
      'people report a lighter week every 5 to 6 weeks (Rogerson 2024, from memory); a whole week off did not help (Coleman 2024, from memory)',
  },
  'lighter-week': {
    name: 'lighter enough',
    means: 'a lighter week’s planned load is lower by less than this than the last other week’s',
    unit: '%',
    from: 'a lighter week is planned reduced stress',
    source:
      'a lighter week is planned reduced stress (Bell 2023, from memory); how much is the coach’s, this threshold is common practice, no source',
  },
  'same-area': {
    name: 'same area on neighbouring days',
    means: 'one area has at least this share of the work on both days',
    unit: '%',
    from: COMMON,
    source: COMMON,
  },
  'same-joint': {
    name: 'same joint on neighbouring days',
    means: 'both days ask much of the wrists, shoulders or knees for at least so many minutes',
    unit: 'min',
    from: COMMON,
    source: COMMON,
  },
  'hard-days': {
    name: 'hard days touching',
    means: 'two neighbouring days are planned at this effort or above',
    unit: 'effort',
    from: COMMON,
    source: COMMON,
  },
  'levers-at-once': {
    name: 'more than one change at once',
    means: 'so many things or more make a track’s session harder from one week to the next',
    unit: 'levers',
    from: 'one thing at a time is a convention',
    source: 'one thing at a time is a convention',
  },
  'strength-days': {
    name: 'strength days',
    means: 'fewer strength days in a week than this',
    unit: 'days',
    from: 'strength on 2 days a week',
    source: 'strength on 2 days a week (WHO 2020, BJSM 54:1451, from memory)',
  },
  'target-broken': {
    name: 'target length',
    means: 'a session is likely to differ from its target by this or more; shorter in a lighter week doesn’t count',
    unit: '%',
    from: COMMON,
    source: COMMON,
  },
  'blocked-day': {
    name: 'blocked days',
    means: 'a session stands on a day that is blocked for it',
    unit: '',
    from: 'your own calendar',
    source: 'your own calendar',
  },
  'retest-differs': {
    name: 'retests alike',
    means: 'sessions with one retest name are not the same, so that their scores can’t be compared',
    unit: '',
    from: COMMON,
    source: COMMON,
  },
};

const JOINT_WORDS: Record<WatchedJoint, string> = { wrist: 'wrists', shoulder: 'shoulders', knee: 'knees' };

/** `weeks 1 to 3 and 5` */
export function weeksWords(weeks: readonly number[]): string {
  const runs: [number, number][] = [];
  for (const w of weeks) {
    const last = runs.at(-1);
    if (last && last[1] === w - 1) last[1] = w;
    else runs.push([w, w]);
  }
  const words = runs.map(([a, b]) => (a === b ? String(a) : b === a + 1 ? `${a}, ${b}` : `${a} to ${b}`));
  return `${weeks.length === 1 ? 'week' : 'weeks'} ${words.length > 1 ? `${words.slice(0, -1).join(', ')} and ${words.at(-1)}` : words.join('')}`;
}

/** `3.00`, or `2.69 to 3.02` over several weeks. */
function spanWords(span: Span, digits: number): string {
  const [low, high] = span.map((value) => (Number.isFinite(value) ? value.toFixed(digits) : '∞'));
  return low === high ? low! : `${low} to ${high}`;
}

const MEASURES: Record<'load-change' | 'work-change' | 'reps-change', (value: number) => string> = {
  'load-change': (loadAu) => String(Math.round(loadAu)),
  'work-change': (sec) => `${wholeMinutes(sec)} min`,
  'reps-change': String,
};

function betweenWords(between: Between | undefined, against: number, show: (value: number) => string): string {
  switch (between?.kind) {
    case undefined:
      return '';
    case 'pause':
      return ` After a week without sessions; this is against week ${against}.`;
    case 'lighter':
      return ` After a lighter week (${show(between.value)}) that is the plan; this is against week ${against}.`;
  }
}

/** What two days have in common, to stand behind “both”. */
export function pairMatter(facts: PairFacts): string {
  switch (facts.code) {
    case 'same-area':
      return `ask most of ${listWords(facts.shared.map((s) => s.area))}`;
    case 'same-joint':
      return `ask a lot of the ${listWords(facts.shared.map((s) => JOINT_WORDS[s.joint]))}`;
    case 'hard-days':
      return 'are hard';
  }
}

/** How much of it each of the two days has. */
export function pairFigures(facts: PairFacts): string {
  switch (facts.code) {
    case 'same-area':
      return facts.shared.map((s) => `${s.pct.map(Math.round).join(' and ')} % of the work`).join('; ');
    case 'same-joint':
      return facts.shared.map((s) => `${s.sec.map(wholeMinutes).join(' and ')} min`).join('; ');
    case 'hard-days':
      return `effort ${facts.efforts.join(' and ')}`;
  }
}

/** `, week 1` of one pair of days; ` in week 1; also in weeks 2 and 3` of the same two weekdays in several. */
const pairWeeks = ([first, ...others]: readonly number[]): string =>
  others.length > 0 ? ` in week ${first}; also in ${weeksWords(others)}` : `, week ${first}`;

/** What it is about, short: `Week 3 → 4`, `Friday and Saturday`. */
export function guardSubject(guard: Guard, firstWeekday: Weekday): string {
  const [week] = guard.weeks;
  switch (guard.code) {
    case 'load-change':
    case 'work-change':
    case 'reps-change':
      return `Week ${guard.against} → ${week}`;
    case 'lighter-week':
      return `Week ${week}, lighter`;
    case 'monotony':
    case 'strength-days':
      return capitalized(weeksWords(guard.weeks));
    case 'no-lighter-week':
      return `Weeks ${week} to ${guard.weeks.at(-1)}`;
    case 'same-area':
    case 'same-joint':
    case 'hard-days':
      return guard.weekdays.map((d) => weekdayName(d, firstWeekday)).join(' and ');
    case 'levers-at-once':
      return `${guard.track}, week ${week}`;
    case 'target-broken':
    case 'blocked-day':
      return dayName(guard.places[0]!, firstWeekday);
    case 'retest-differs':
      return `Retest ${guard.retest}`;
  }
}

/** What there is to look at, in one or two sentences with the figures. */
export function guardWords(guard: Guard, firstWeekday: Weekday): string {
  switch (guard.code) {
    case 'load-change':
    case 'work-change':
    case 'reps-change': {
      const show = MEASURES[guard.code];
      const what = { 'load-change': 'Planned load', 'work-change': 'Work', 'reps-change': 'Repetitions' }[guard.code];
      return `${what}${guard.code === 'reps-change' ? ` of ${guard.pattern}` : ''} ${show(guard.was)} → ${show(guard.now)}, ${formatChange(guard.pct, 1)}.${betweenWords(guard.between, guard.against, show)}`;
    }
    case 'lighter-week':
      return `Planned load ${Math.round(guard.was)} → ${Math.round(guard.now)}, ${formatChange(guard.pct, 1)} on week ${guard.against}.`;
    case 'monotony':
      return `The days are much alike: load ${spanWords(guard.loadAu, 0)}, monotony ${spanWords(guard.monotony, 2)} (sample SD), strain ${spanWords(guard.strainAu, 0)}.`;
    case 'no-lighter-week':
      return `${guard.weeks.length} weeks without a lighter one.`;
    case 'strength-days':
      return guard.days === 0 ? 'No strength day.' : `${plural(guard.days, 'strength day')}.`;
    case 'same-area':
    case 'same-joint':
    case 'hard-days':
      return `Both ${pairMatter(guard)}: ${pairFigures(guard)}${pairWeeks(guard.weeks)}.`;
    case 'levers-at-once':
      return `${capitalized(listWords(guard.levers.map((k) => LEVER_WORDS[k].name)))} move at once.`;
    case 'target-broken': {
      const offSec = guard.likelySec - guard.targetSec;
      return `${guard.title || 'The session'} is likely ${formatClock(guard.likelySec)}, ${formatClock(Math.abs(offSec))} ${offSec > 0 ? 'over' : 'short of'} its target of ${formatClock(guard.targetSec)}.`;
    }
    case 'blocked-day':
      return `${guard.with}: ${guard.title || 'a session'}${guard.effort === undefined ? '' : `, effort ${guard.effort},`} stands on it.`;
    case 'retest-differs':
      return `The session of ${dayName(guard.other, firstWeekday)} is not the one of ${dayName(guard.first, firstWeekday)}, so their scores don’t compare.`;
  }
}

/** `1.29`; `∞` where all seven days ask the same; `–` where nothing can be said. */
export const monotonyWords = (monotony: number | undefined): string =>
  monotony === undefined ? '–' : Number.isFinite(monotony) ? monotony.toFixed(2) : '∞';

/** Whole units of load; `∞` and `–` as its monotony is. */
export const strainWords = (strain: number | undefined): string =>
  strain === undefined ? '–' : Number.isFinite(strain) ? String(Math.round(strain)) : '∞';
