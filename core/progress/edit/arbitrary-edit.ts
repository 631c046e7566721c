/** Edits to try on programmes: for tests only. */
import fc from 'fast-check';
import { readRules } from '../levers/lever-text.ts';
import { ENGINE_TEXT, FOUR_TEXT, makeTrack } from '../programme-fixture.ts';
import type { ProgrammeEdit } from './programme-edit.ts';
import { THEMES } from '../programme-document.ts';

/** A place that may lie outside the programme. */
export const arbitraryPlace = fc.record({
  week: fc.integer({ min: 1, max: 9 }),
  weekday: fc.integer({ min: 1, max: 7 }),
});
const week = fc.integer({ min: 1, max: 8 });
const text = fc.constantFrom(
  '',
  'Title: Mine\nEffort: 4\n\nMain: 3 rounds\n8 squat\n',
  'Main: amrap 8:00\n5 burpee\n',
  'no notation at all',
);
const levers = fc
  .constantFrom(
    '',
    'reps: +1 a week',
    'rounds: wave 0, carry +1, lighter -1\nreps: wave +1',
    'clock: by week 0 15 30',
    'reps of push-up: double to 12, load +2',
  )
  .map((lines) => readRules(lines).rules);
const track = fc
  .record({ id: fc.constantFrom('four', 'engine', 'third'), session: fc.constantFrom(FOUR_TEXT, ENGINE_TEXT), levers })
  .map((t) => makeTrack(t.id, t.session, t.levers));
/** Kinds are constants, so that a record of one is an edit of it. */
const kind = <K extends ProgrammeEdit['kind']>(value: K) => fc.constant(value);
/** Any edit of a programme of about eight weeks with the tracks `four` and `engine`, those included that it has to refuse. */
export const arbitraryEdit: fc.Arbitrary<ProgrammeEdit> = fc.oneof(
  fc.record({ kind: kind('set-track'), track }),
  fc.record({ kind: kind('remove-track'), id: fc.constantFrom('four', 'third') }),
  fc.record({
    kind: kind('join-track'),
    id: fc.constantFrom('four', 'engine', 'third'),
    places: fc.array(arbitraryPlace, { maxLength: 3 }),
  }),
  fc.record({ kind: kind('leave-track'), places: fc.array(arbitraryPlace, { maxLength: 3 }) }),
  fc.record({ kind: kind('add-day'), place: arbitraryPlace }),
  fc.record({ kind: kind('remove-day'), place: arbitraryPlace }),
  fc.record({ kind: kind('set-text'), place: arbitraryPlace, text }),
  fc.record({ kind: kind('move-day'), from: arbitraryPlace, to: arbitraryPlace }),
  fc.record({
    kind: kind('arrange-week'),
    week,
    moves: fc.array(fc.record({ from: fc.integer({ min: 1, max: 7 }), to: fc.integer({ min: 1, max: 7 }) }), {
      maxLength: 3,
    }),
  }),
  fc.record({ kind: kind('copy-week'), from: week, to: week }),
  fc.record({ kind: kind('insert-week'), at: week, as: fc.constantFrom('lighter' as const, 'pause' as const) }),
  fc.record({ kind: kind('remove-week'), week }),
  fc.record({ kind: kind('shift'), from: arbitraryPlace, days: fc.integer({ min: -9, max: 9 }) }),
  fc.record({ kind: kind('pin'), place: arbitraryPlace, isPinned: fc.boolean() }),
  fc.record({ kind: kind('set-lighter'), lighter: fc.array(week, { maxLength: 3 }) }),
  fc.record({
    kind: kind('set-theme'),
    weekday: fc.integer({ min: 1, max: 7 }),
    theme: fc.constantFrom(null, ...THEMES),
  }),
  fc.record({ kind: kind('set-day-theme'), place: arbitraryPlace, theme: fc.constantFrom(null, ...THEMES) }),
  fc.record({ kind: kind('set-title'), title: fc.constantFrom('Spring', ' ') }),
  fc.record({
    kind: kind('place-retest'),
    text: fc.constant('Title: Test\nRetest: spring\n\nMain: amrap 6:00\n8 squat\n'),
    places: fc.array(arbitraryPlace, { maxLength: 3 }),
  }),
);
