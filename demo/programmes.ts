import type { DayDate } from '../core/calendar/day.ts';
import { addDays, dayKey } from '../core/calendar/day.ts';
import { readCalendar } from '../core/exchange/read-calendar.ts';
import { findExample } from '../core/progress/examples/examples.ts';
import type { ProgrammeDay, ProgrammeDocument } from '../core/progress/programme-document.ts';
import { ORCHESTRA_UNWRITTEN, orchestraCalendar } from './orchestra.ts';

/** Fridays on which the ladder is a retest: the same session each time, whatever the track does. */
const LADDER_WEEKS: readonly number[] = [1, 3, 6];

/** A day of the ladder that is compared with the ones before: its text as in week 1, under the retest's name. */
function asRetest(days: readonly ProgrammeDay[], day: ProgrammeDay): ProgrammeDay {
  if (day.weekday !== 5 || !LADDER_WEEKS.includes(day.week) || !day.track) return day;
  const first = days.find((d) => d.week === LADDER_WEEKS[0] && d.weekday === 5)!;
  return {
    ...day,
    text: first.text.replace('Effort: 6\n', 'Effort: 6\nRetest: the ladder\n'),
    track: { ...day.track, isPinned: true },
  };
}

/** The players' eight weeks, its last sessions still to write, with the office's calendar read in. */
export function orchestraProgramme(startsOn: DayDate): ProgrammeDocument {
  const example = findExample('eight-weeks')!;
  const calendar = readCalendar(
    orchestraCalendar((week) => addDays(startsOn, (week - 1) * 7)),
    { from: startsOn, to: addDays(startsOn, example.weeks * 7 - 1), timeZone: 'UTC' },
  );
  if (calendar.status === 'refused') throw new Error(calendar.message);
  const unwritten: readonly string[] = ORCHESTRA_UNWRITTEN;
  return {
    ...example,
    days: example.days.map((d) =>
      unwritten.includes(dayKey(d)) ? { week: d.week, weekday: d.weekday, text: '' } : asRetest(example.days, d),
    ),
    blocked: calendar.days.map(({ date, words, uid }) => ({ date, words, uid, rule: 'no hard session' as const })),
  };
}

/** The readers' 28 days. */
export const libraryProgramme = (): ProgrammeDocument => findExample('stairs-and-stories')!;
