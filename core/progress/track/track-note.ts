import { parseSession } from '../../notation/read-session.ts';
import { explainWeek } from '../week/explain-week.ts';
import type { ProgrammeDay, ProgrammeDocument } from '../programme-document.ts';
import type { TrackBook } from '../edit/regenerate.ts';

/** What a track's session is, and how it differs from the week before it. */
export interface TrackNote {
  readonly track: string;
  /** Of the progression. */
  readonly week: number;
  readonly isPinned: boolean;
  /** `rounds 6 → 7, 24:00 → 28:00`; empty for a track's first session, and for a pinned one. */
  readonly words: string;
  readonly why: readonly string[];
}

/** The note of a day; undefined where it is in no track. */
export function buildTrackNote(
  programme: ProgrammeDocument,
  day: ProgrammeDay | undefined,
  book: TrackBook,
): TrackNote | undefined {
  const track = day?.track && programme.tracks.find((t) => t.id === day.track!.id);
  if (!day?.track || !track) return undefined;
  const { week, isPinned } = day.track;
  const note = { track: track.name, week, isPinned };
  const before = programme.days
    .filter((d) => d.track?.id === track.id && d.track.week < week)
    .sort((a, b) => a.track!.week - b.track!.week)
    .at(-1);
  if (isPinned || !before) return { ...note, words: '', why: [] };
  // What was sent, or changed by hand, is compared as it stands, not as the levers would write it now.
  const built = book.week(track, before.track!.week, programme.lighter);
  const stands =
    built.text === before.text ? built : { ...built, document: parseSession(before.text, book.scope.library).document };
  const { words, why } = explainWeek(book.read(track), book.week(track, week, programme.lighter), stands);
  return { ...note, words, why };
}
