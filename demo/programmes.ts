import type { DayDate } from '../core/calendar/day.ts';
import { addDays, dayKey } from '../core/calendar/day.ts';
import { readCalendar } from '../core/exchange/read-calendar.ts';
import { findExample } from '../core/progress/examples/examples.ts';
import type { ProgrammeDocument } from '../core/progress/programme-document.ts';
import { ORCHESTRA_UNWRITTEN, orchestraCalendar } from './orchestra.ts';

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
    days: example.days.map((d) => (unwritten.includes(dayKey(d)) ? { week: d.week, weekday: d.weekday, text: '' } : d)),
    blocked: calendar.days.map(({ date, words, uid }) => ({ date, words, uid, rule: 'no hard session' as const })),
  };
}

/** The readers' 28 days. */
export const libraryProgramme = (): ProgrammeDocument => findExample('stairs-and-stories')!;
