import type { DoneGlance, FeltGlance, LoadGlance } from '../../../core/record/insights/at-a-glance.ts';
import { FELT_APART } from '../../../core/record/insights/at-a-glance.ts';
import type { CompletionBy, DropOff } from '../../../core/record/insights/insights.ts';
import { SMALL_NUMBER } from '../../../core/record/insights/shares.ts';
import { capitalized, plural } from '../../../core/words/words.ts';
import { EFFORT_REMEDY } from '../plan.ts';

/** A share in whole per cent. */
export const percentWords = (ratio: number): string => `${Math.round(100 * ratio)} %`;

const MANY: Record<CompletionBy, string> = {
  week: 'weeks',
  weekday: 'weekdays',
  length: 'lengths',
  form: 'forms',
  theme: 'themes',
};
/** How a group is spoken of: sessions on a weekday, of a length ... */
const GROUP: Record<CompletionBy, (label: string) => string> = {
  week: (label) => capitalized(label),
  weekday: (label) => `What falls on ${label}`,
  length: (label) => `What takes ${label}`,
  form: (label) => `“${label}”`,
  theme: (label) => `“${label}”`,
};

/** Whether anything was done more, or less, than the rest: a sentence to read before the intervals. */
export function doneGlanceWords(glance: DoneGlance, by: CompletionBy): string {
  switch (glance.kind) {
    case 'too-few':
      return `Too few to compare yet: ${glance.due} were due, and ${SMALL_NUMBER} a group say something.`;
    case 'alike': {
      const [low, high] = [percentWords(glance.low), percentWords(glance.high)];
      const range = low === high ? `about ${low} was done in each` : `${low} to ${high} was done`;
      return `The ${MANY[by]} differ by no more than chance: ${range}.`;
    }
    case 'apart': {
      const { label, isMore, ratio, othersRatio, due } = glance;
      return `${GROUP[by](label)} was done ${isMore ? 'more' : 'less'} than the others: ${percentWords(ratio)}, not ${percentWords(othersRatio)}. With ${due} sessions due that is more than chance.`;
    }
  }
}

/** How many are still there, in a sentence. */
export function dropOffWords({ people, gone, steps, lastWeek }: DropOff): string {
  if (gone === 0) return `${people === 1 ? 'The one person is' : `All ${people} are`} still there.`;
  const most = steps.reduce((a, b) => (b.events > a.events ? b : a));
  const when =
    most.events > 1 || steps.length === 1
      ? `; ${most.events === gone ? (gone === 1 ? 'it was' : 'all') : `${most.events} of them`} in week ${most.time}`
      : '';
  return `${plural(gone, 'person', 'people')} of ${people} dropped off within ${plural(lastWeek, 'week')}${when}.`;
}

/** Whether sessions felt as they were planned, in a sentence. */
export function feltGlanceWords({ by, said, furthest }: FeltGlance): string {
  if (said === 0) return 'None of these sessions has a planned effort to hold against.';
  const size = Math.abs(by).toFixed(1);
  const lead =
    Math.abs(by) < FELT_APART
      ? 'Sessions feel about as hard as planned'
      : `Sessions feel ${by > 0 ? 'harder' : 'easier'} than planned, by ${size} of 10 on average`;
  return furthest
    ? `${lead}; most of all “${furthest.title}” in week ${furthest.week}, by ${Math.abs(furthest.by).toFixed(1)}.`
    : `${lead}.`;
}

/** Sessions without a planned effort, and how to give them one. */
export const unplannedWords = (n: number): string =>
  `${plural(n, 'session has', 'sessions have')} no planned effort. ${EFFORT_REMEDY}`;

/** Weeks without a planned load, and why. */
export const unplannedWeeksWords = (n: number): string =>
  `${plural(n, 'week has', 'weeks have')} no planned load, since a session in ${n === 1 ? 'it' : 'them'} has no effort. ${EFFORT_REMEDY}`;

/** Felt load against planned, in a sentence. */
export function loadGlanceWords({ ratio = 1, weeks }: Pick<LoadGlance, 'ratio' | 'weeks'>): string {
  const over = weeks === 1 ? 'the week that is over' : `${weeks} weeks`;
  const pct = Math.round(100 * ratio) - 100;
  return pct === 0
    ? `Over ${over} people felt the load that was planned.`
    : `Over ${over} people felt ${Math.abs(pct)} % ${pct > 0 ? 'more' : 'less'} load than was planned.`;
}

/** What load, monotony and strain are, said where they stand. */
export const LOAD_WORDS =
  'Load is effort (0 to 10) times minutes; its unit has no name in the trade but “arbitrary unit” (AU), and is good for comparing one’s own weeks. Monotony says how much alike the seven days are: from about 2 on, hard and easy days hardly differ; ∞ where all seven are the same. Strain is load times monotony: high in a week that is both full and even. Numbers to talk about, no verdict.';
/** What the picture of who is still there shows. */
export const survivalWords = (lostAfter: number): string =>
  `The line starts with everybody at 100 % and falls where somebody drops off; it counts from each person’s first week, and those who joined lately count as far as they have come (Kaplan-Meier). The band is the 95 % interval. Dropped off: left, or missed ${lostAfter} due days in a row (two weeks of this programme).`;
