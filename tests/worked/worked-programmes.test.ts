import { describe, expect, test } from 'vitest';
import type { DayDate } from '../../core/calendar/day.ts';
import { dayKey } from '../../core/calendar/day.ts';
import { baseLibrary } from '../../core/movement/library.ts';
import { arrangeWeek } from '../../core/progress/arrange/arrange-week.ts';
import { buildArrangeScope } from '../../core/progress/arrange/arrange-scope.ts';
import { createDayPlanner } from '../../core/progress/day-plan.ts';
import { insertWeek, lightenText, removeWeek, shiftDays } from '../../core/progress/edit/edit-weeks.ts';
import { EXAMPLES, findExample } from '../../core/progress/examples/examples.ts';
import { findGuards } from '../../core/progress/guards/find-guards.ts';
import { printRule } from '../../core/progress/levers/lever-text.ts';
import { planProgramme } from '../../core/progress/plan-programme.ts';
import type { ProgrammeDocument } from '../../core/progress/programme-document.ts';
import { createTrackBook, regenerate } from '../../core/progress/edit/regenerate.ts';
import { buildTrackNote } from '../../core/progress/track/track-note.ts';

const scope = { library: baseLibrary, routines: new Map() };
const run = { startsOn: '2026-01-05' as DayDate };

/** The days from week 3 on some days later; none where there is no room. */
function shifted(programme: ProgrammeDocument, by: number): ProgrammeDocument[] {
  try {
    return [
      shiftDays(programme, { week: 3, weekday: 1 }, by, (message) => {
        throw new RangeError(message);
      }),
    ];
  } catch (error) {
    if (error instanceof RangeError) return [];
    throw error;
  }
}

/** What a programme comes to, week by week: sums, what is worth a look, the best order, what lighter would be. */
function describeProgramme(programme: ProgrammeDocument): string {
  const planner = createDayPlanner(scope);
  const book = createTrackBook(scope);
  const written = regenerate(programme, book, undefined, planner);
  const weeks = planProgramme(written, planner);
  const tracks = written.tracks.map((t) => book.read(t));
  const guards = findGuards({ programme: written, weeks, tracks, run });
  const strict = {
    ...written,
    guards: {
      ...written.guards,
      thresholds: {
        'load-change': 1,
        'work-change': 1,
        'reps-change': 1,
        'same-joint': 1,
        'same-area': 10,
        monotony: 0.5,
        'strength-days': 7,
        'target-broken': 1,
        'no-lighter-week': 2,
        'lighter-week': 100,
        'hard-days': 1,
      },
    },
  };
  return [
    ...written.tracks.map((t) => `track ${t.id}: ${t.levers.map(printRule).join(' | ')}`),
    ...weeks.map(({ days: _days, ...sums }) => `week ${JSON.stringify(sums)}`),
    ...guards.map((g) => `guard ${JSON.stringify(g)}`),
    ...findGuards({ programme: strict, weeks, tracks, run }).map((g) => `strict ${JSON.stringify(g)}`),
    ...written.days.map((d) => {
      const plan = planner.of(d.text);
      return `day ${dayKey(d)} ${plan ? `${plan.title} ${plan.clockSec.low}/${plan.clockSec.likely}/${plan.clockSec.high} load ${plan.loadAu}` : 'to write'} ${JSON.stringify(buildTrackNote(written, d, book) ?? null)}`;
    }),
    ...weeks
      .slice(0, 4)
      .map(
        ({ week }) =>
          `order ${week} ${JSON.stringify(arrangeWeek(buildArrangeScope(written, week, { planner, run, locked: new Set() })))}`,
      ),
    ...written.days
      .slice(0, 6)
      .map((d) => `lighter ${dayKey(d)} ${JSON.stringify(lightenText(d.text, scope).split('\n'))}`),
    ...[
      insertWeek(written, 3, 'lighter', (text) => lightenText(text, scope)),
      insertWeek(written, written.weeks + 1, 'lighter', (text) => lightenText(text, scope)),
      insertWeek(written, 2, 'pause', (text) => text),
      removeWeek(written, 2),
      removeWeek(written, 4),
      ...([7, -1, 14] as const).flatMap((by) => shifted(written, by)),
    ].map(
      (p) =>
        `weeks ${p.weeks} ${p.days.map(dayKey).join(' ')} lighter ${p.lighter.join(',')} steps ${p.days.map((d) => d.track?.week ?? '-').join(' ')}`,
    ),
    '',
  ].join('\n');
}

/** Worked programmes: what each example comes to, kept as text beside this test (see worked-sessions.test.ts). */
describe('worked programmes', () => {
  test.each(Object.keys(EXAMPLES))('%s', async (id) => {
    await expect(describeProgramme(findExample(id)!)).toMatchFileSnapshot(`./programmes/${id}.txt`);
  });
});
