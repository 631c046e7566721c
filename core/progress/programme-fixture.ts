/** Programmes to try things on: for tests only. */
import type { DayDate } from '../calendar/day.ts';
import { baseLibrary } from '../movement/library.ts';
import { createDayPlanner } from './day-plan.ts';
import { planProgramme } from './plan-programme.ts';
import { findGuards } from './guards/find-guards.ts';
import type { Guard } from './guards/guard.ts';
import type { ProgrammeDay, ProgrammeDocument, Track } from './programme-document.ts';
import { NO_GUARD_SETTINGS } from './programme-document.ts';
import { createTrackBook, regenerate } from './edit/regenerate.ts';
import { schoolLevers } from './track/schools.ts';
import { parseSession } from '../notation/read-session.ts';

export const scope = { library: baseLibrary, routines: new Map() };
export const book = createTrackBook(scope);
export const planner = createDayPlanner(scope);
/** A Monday. */
export const STARTS_ON = '2026-05-04' as DayDate;

export const FOUR_TEXT =
  'Title: Four in turn\nTarget: 30 min\nEffort: 6\n\nMain (Four): every 1:00 for 24:00, work cap 0:45\n10 goblet squat @ 12 kg\n12 band row\n14 alt step-back lunge\n10 push-up\n';
export const ENGINE_TEXT =
  'Title: Long engine\nTarget: 20 min\nEffort: 8\n\nMain (Engine): amrap 8:00, 2 sets, rest 1:00\n8 squat\n10 step jack\n4/side dead bug\n';

export function makeTrack(
  id: string,
  text: string,
  levers: Track['levers'] = schoolLevers('rounds-and-reps', parseSession(text, baseLibrary).document, baseLibrary),
): Track {
  return { id, name: id, text, school: 'rounds-and-reps', levers };
}

const trackDays = (id: string, weekday: number, weeks: number): ProgrammeDay[] =>
  Array.from({ length: weeks }, (_, i) => ({
    week: i + 1,
    weekday,
    text: '',
    track: { id, week: i + 1, isPinned: false },
  }));

/** Four weeks, the last lighter: Mondays and Thursdays each a track, Saturdays one single session in week 1. */
export function makeProgramme(over: Partial<ProgrammeDocument> = {}): ProgrammeDocument {
  const weeks = over.weeks ?? 4;
  const days = [
    ...trackDays('four', 1, weeks),
    ...trackDays('engine', 4, weeks),
    { week: 1, weekday: 6, text: 'Title: Slow\nEffort: 2\n\nMain: flow\n6 cat and cow\n' },
  ];
  return regenerate(
    {
      title: 'Try',
      weeks,
      lighter: [4],
      themes: {},
      tracks: [makeTrack('four', FOUR_TEXT), makeTrack('engine', ENGINE_TEXT)],
      days: days.sort((a, b) => a.week - b.week || a.weekday - b.weekday),
      firstWeekday: 1,
      blocked: [],
      guards: NO_GUARD_SETTINGS,
      ...over,
    },
    book,
  );
}

/** One session a day from its text, by week and weekday. */
export const singles = (
  texts: readonly (readonly [week: number, weekday: number, text: string])[],
  weeks = 4,
): ProgrammeDocument => ({
  title: 'Try',
  weeks,
  lighter: [],
  themes: {},
  tracks: [],
  firstWeekday: 1,
  blocked: [],
  guards: NO_GUARD_SETTINGS,
  days: texts.map(([week, weekday, text]) => ({ week, weekday, text })),
});

export const guardsOf = (programme: ProgrammeDocument): Guard[] =>
  findGuards({
    programme,
    weeks: planProgramme(programme, planner),
    tracks: programme.tracks.map((t) => book.read(t)),
    run: { startsOn: STARTS_ON },
  });
