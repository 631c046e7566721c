import { WEEKDAYS } from '../../calendar/day.ts';
import { baseLibrary } from '../../movement/library.ts';
import { needRules } from '../levers/lever-text.ts';
import type { ProgrammeDay, ProgrammeDocument, Theme, Track } from '../programme-document.ts';
import { byPlace, NO_GUARD_SETTINGS } from '../programme-document.ts';
import { createTrackBook, regenerate } from '../edit/regenerate.ts';
import type { SchoolId } from '../track/schools.ts';

/** A track of an example: on one weekday, in all weeks that nothing else takes. */
export interface ExampleTrack {
  readonly id: string;
  readonly name: string;
  readonly weekday: number;
  readonly theme: Theme;
  readonly school: SchoolId;
  readonly levers: readonly string[];
  readonly text: string;
}

export interface ExampleProgramme {
  readonly title: string;
  /** Whom it was made for, and what it shows. */
  readonly about: string;
  readonly weeks: number;
  readonly lighter: readonly number[];
  readonly tracks: readonly ExampleTrack[];
  /** Sessions in place of a track's: single ones, or the track's own changed by hand. */
  readonly others: readonly {
    readonly week: number;
    readonly weekday: number;
    readonly text: string;
    readonly isPinned?: boolean;
    readonly theme?: Theme;
  }[];
}

/** The whole programme of an example, every session written by its levers. */
export function buildExample(example: ExampleProgramme): ProgrammeDocument {
  const tracks = example.tracks.map((t): Track => ({
    id: t.id,
    name: t.name,
    school: t.school,
    text: t.text,
    levers: needRules(t.levers),
  }));
  const days: ProgrammeDay[] = example.tracks.flatMap((t) =>
    Array.from({ length: example.weeks }, (_, i): ProgrammeDay => {
      const place = { week: i + 1, weekday: t.weekday };
      const other = example.others.find((o) => o.week === place.week && o.weekday === place.weekday);
      const track = { id: t.id, week: place.week, isPinned: other !== undefined };
      return {
        ...place,
        text: other?.text ?? t.text,
        ...(other?.theme && { theme: other.theme }),
        ...((!other || other.isPinned) && { track }),
      };
    }),
  );
  const stray = example.others.find((o) => !days.some((d) => d.week === o.week && d.weekday === o.weekday));
  if (stray)
    throw new RangeError(`nothing of the example stands on ${WEEKDAYS[stray.weekday - 1]} of week ${stray.week}`);
  return regenerate(
    {
      title: example.title,
      weeks: example.weeks,
      lighter: example.lighter,
      firstWeekday: 1,
      themes: Object.fromEntries(example.tracks.map((t) => [t.weekday, t.theme])),
      tracks,
      days: days.sort(byPlace),
      blocked: [],
      guards: NO_GUARD_SETTINGS,
    },
    createTrackBook({ library: baseLibrary, routines: new Map() }),
  );
}
