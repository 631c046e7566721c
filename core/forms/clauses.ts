import type { Cursor } from '../text/cursor.ts';
import type { ClockClause, TimeForm } from './form.ts';
import { TIME_FORMS } from './forms.ts';
import type { ExtraKey, Extras } from './said.ts';
import { MAX_TEAM } from '../limits.ts';

/** A few words on a clause, and what completion writes for it. */
export interface ClauseStart {
  readonly label: string;
  readonly insert: string;
  readonly detail: string;
}

/** A clause that belongs to one form or a few without being their clock. */
export interface ExtraClause<K extends ExtraKey = ExtraKey> {
  readonly key: K;
  readonly words: readonly string[];
  readonly start: ClauseStart;
  /** Said where it stands beside another form. */
  readonly refusal: string;
  /** Said where it stands twice. */
  readonly named: string;
  read(cursor: Cursor): Extras[K];
}

export const EXTRA_CLAUSES: { readonly [K in ExtraKey]: ExtraClause<K> } = {
  forTime: {
    key: 'forTime',
    words: ['for', 'time'],
    start: { label: 'for time', insert: 'for time', detail: 'the score is the time' },
    refusal: '“for time” runs without a clock; remove one of the two.',
    named: 'for time',
    read: () => true,
  },
  cap: {
    key: 'cap',
    words: ['cap'],
    start: { label: 'cap', insert: 'cap 12:00', detail: 'the latest end of a block for time' },
    refusal: 'A cap goes with “for time” or rounds; this block’s clock ends it already.',
    named: 'The cap',
    read: (cursor) => cursor.duration('The cap'),
  },
  workCap: {
    key: 'workCap',
    words: ['work', 'cap'],
    start: { label: 'work cap', insert: 'work cap 0:50', detail: 'by when the work of each turn should be over' },
    refusal: 'A work cap goes with a clock of turns like “every 1:15 for 30:00”.',
    named: 'The work cap',
    read: (cursor) => cursor.duration('The work cap'),
  },
  stations: {
    key: 'stations',
    words: ['stations'],
    start: { label: 'stations', insert: 'stations', detail: 'the group spreads and rotates' },
    refusal: 'Stations go with an interval clock like “work 0:45 rest 0:15”.',
    named: 'stations',
    read: () => true,
  },
  relay: {
    key: 'relay',
    words: ['relay'],
    start: { label: 'relay', insert: 'relay 24-16-8 teams of 4', detail: 'teams, each member in turn' },
    refusal: 'A relay has its own numbers and runs without a clock.',
    named: 'The relay',
    read(cursor) {
      const values = cursor.list('The number of reps');
      const teamSize = cursor.takeWords('teams', 'of') ? cursor.count('The size of a team', 2, MAX_TEAM) : undefined;
      return { values, ...(teamSize && { teamSize }) };
    },
  },
};

/** Clauses that any form may have beside its clock, as they are begun: what counts, rests, repeats, comes from elsewhere. */
export const COMMON_STARTS: readonly ClauseStart[] = [
  { label: 'rounds', insert: '3 rounds', detail: 'the list so many times, at one’s own pace' },
  { label: 'reps', insert: 'reps 21-15-9', detail: 'that many of each, round by round' },
  { label: 'reps cycling', insert: 'reps 4-8-12 cycling', detail: 'the list starts over while the clock runs' },
  { label: 'by feel', insert: 'by feel', detail: 'no number is owed' },
  { label: 'rest between rounds', insert: 'rest 0:30 between rounds', detail: 'never after the last' },
  { label: 'rest between items', insert: 'rest 0:20 between items', detail: 'never after the last' },
  { label: 'sets', insert: '2 sets, rest 1:00', detail: 'the whole block again' },
  { label: 'then rest', insert: 'then rest 2:00', detail: 'after the block' },
  { label: 'scored', insert: 'scored', detail: 'its score is asked for, though it isn’t by itself' },
];

/** The clock clauses with the forms that they begin; those of more words first, so that the longest reading wins. */
export const CLOCK_CLAUSES: readonly { readonly form: TimeForm; readonly clause: ClockClause<unknown> }[] =
  TIME_FORMS.flatMap((form) => form.notation.clauses.map((clause) => ({ form, clause })));

/** All clauses as a coach would begin them, for completion. */
export const CLAUSE_STARTS: readonly ClauseStart[] = [
  ...CLOCK_CLAUSES.flatMap(({ clause }) => clause.starts),
  ...Object.values(EXTRA_CLAUSES).map((e) => e.start),
  ...COMMON_STARTS,
];

/** The words that begin clauses, for whoever misspells one. */
export const CLAUSE_WORDS: readonly string[] = [
  ...new Set([
    ...CLOCK_CLAUSES.map(({ clause }) => clause.words.join(' ')),
    ...Object.values(EXTRA_CLAUSES).map((e) => e.words.join(' ')),
    ...COMMON_STARTS.map((s) => s.label.replace(/ (?:between|cycling).*/, '')),
    'turns of',
    'same as',
    'routine',
  ]),
];
