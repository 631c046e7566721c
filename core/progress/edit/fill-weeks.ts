import type { DayPlace } from '../../calendar/day.ts';
import { dayKey } from '../../calendar/day.ts';
import { turnRoutineLines } from '../../notation/next-routine.ts';
import type { ProgrammeDay, ProgrammeDocument } from '../programme-document.ts';
import type { ProgrammeEdit } from './programme-edit.ts';

/** Days that are filled from what stands before them on their weekday, as edits, with how many stay to write. */
export interface FilledDays {
  readonly edits: readonly ProgrammeEdit[];
  readonly filled: readonly DayPlace[];
  /** Days to write before which nothing stands on their weekday. */
  readonly left: number;
}

const isWritten = (day: ProgrammeDay): boolean => day.text.trim() !== '';

/**
 * Fills each day that is still to write with the session that stands last before it on its weekday: one of a track comes to the track's
 * next number, another is copied, and takes the next of its routines. Sent days stay. Nothing is replaced.
 */
export function fillDays(programme: ProgrammeDocument, locked: ReadonlySet<string>): FilledDays {
  const toWrite = programme.days.filter((d) => !isWritten(d) && !locked.has(dayKey(d)));
  const joins = new Map<string, DayPlace[]>();
  const copies: ProgrammeEdit[] = [];
  const filled: DayPlace[] = [];
  for (const { week, weekday } of toWrite) {
    const source = programme.days
      .filter((d) => d.weekday === weekday && d.week < week && isWritten(d))
      .reduce<ProgrammeDay | undefined>((last, d) => (!last || d.week > last.week ? d : last), undefined);
    if (!source) continue;
    const place = { week, weekday };
    filled.push(place);
    if (source.track) joins.set(source.track.id, [...(joins.get(source.track.id) ?? []), place]);
    else copies.push({ kind: 'set-text', place, text: turnRoutineLines(source.text, week - source.week) });
  }
  return {
    edits: [...[...joins].map(([id, places]): ProgrammeEdit => ({ kind: 'join-track', id, places })), ...copies],
    filled,
    left: toWrite.length - filled.length,
  };
}

/** The later weeks in which nothing is written yet, and nothing was sent: a copy of week `from` replaces nothing there. */
export const emptyWeeksAfter = (
  programme: ProgrammeDocument,
  from: number,
  locked: ReadonlySet<string>,
): readonly number[] =>
  Array.from({ length: Math.max(0, programme.weeks - from) }, (_, i) => from + 1 + i).filter(
    (week) => !programme.days.some((d) => d.week === week && (isWritten(d) || locked.has(dayKey(d)))),
  );
