import type { DayPlace } from '../../core/calendar/day-place.ts';
import { countedDay } from '../../core/calendar/day-place.ts';
import type { DayState } from '../../core/record/adherence/strand.ts';

/** What became of a session for someone. */
export const STATE_WORDS: Record<DayState, string> = {
  done: 'done',
  part: 'part done',
  due: 'due today',
  missed: 'missed',
  'not-done': 'said “not today”',
  ahead: 'not open yet',
  unsent: 'not sent',
  before: 'before joining',
  excused: 'excused',
  'not-due': 'not due: it wasn’t open in time',
  bonus: 'done beside what was due',
  late: 'done after its window',
};

/** `day 5 of 28` where a programme is counted in days, else `week 2`. */
export const placeWords = (days: readonly DayPlace[], place: DayPlace): string => {
  const counted = countedDay(days, place);
  return counted ? `day ${counted.day} of ${counted.of}` : `week ${place.week}`;
};
