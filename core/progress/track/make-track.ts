import type { DayPlace } from '../../calendar/day.ts';
import { dayKey, weekdayName } from '../../calendar/day.ts';
import type { DayPlanner } from '../day-plan.ts';
import type { ProgrammeEdit } from '../edit/programme-edit.ts';
import type { ProgrammeDocument } from '../programme-document.ts';
import { findProgrammeDay } from '../programme-document.ts';

/** A track's id from a title: small letters, digits and dashes, and a number where it is taken. */
function trackId(title: string, programme: ProgrammeDocument): string {
  const wished =
    title
      .normalize('NFKD')
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-+|-+$/g, '')
      .slice(0, 40) || 'track';
  let id = wished;
  for (let n = 2; programme.tracks.some((t) => t.id === id); n++) id = `${wished}-${n}`;
  return id;
}

/**
 * The session of a day as a track that doesn't grow yet; what suits its form is offered beside it. It also takes the same weekday of all later weeks that has a
 * session still to write. Undefined where the day has no session, or one that is in a track already.
 */
export function makeTrack(
  programme: ProgrammeDocument,
  place: DayPlace,
  planner: DayPlanner,
  locked: ReadonlySet<string>,
): { readonly edits: readonly ProgrammeEdit[]; readonly words: string } | undefined {
  const day = findProgrammeDay(programme, place);
  const own = day && planner.of(day.text);
  if (!day || !own || day.track || locked.has(dayKey(place))) return undefined;
  const later = programme.days.filter(
    (d) => d.weekday === place.weekday && d.week > place.week && d.text.trim() === '' && !locked.has(dayKey(d)),
  );
  const places = [place, ...later].map(({ week, weekday }) => ({ week, weekday }));
  const weekday = weekdayName(place.weekday, programme.firstWeekday);
  const name = own.title || weekday;
  const id = trackId(name, programme);
  return {
    edits: [
      { kind: 'set-track', track: { id, name, text: day.text, school: 'own-number', levers: [] } },
      { kind: 'join-track', id, places },
    ],
    words: `${name} as a track on ${places.length} ${weekday}${places.length === 1 ? '' : 's'}`,
  };
}

/** A session that could be the same every week: where it stands, its name, and how many later days of its weekday wait to be written. */
export interface Recurring {
  readonly place: DayPlace;
  readonly title: string;
  readonly later: number;
}

/** The sessions outside of tracks that stand last on their weekday before days to write. Sent ones stay as they are, and so do sent days. */
export function recurring(
  programme: ProgrammeDocument,
  planner: DayPlanner,
  locked: ReadonlySet<string>,
): readonly Recurring[] {
  return programme.days.flatMap((day): Recurring[] => {
    if (day.text.trim() === '' || day.track || locked.has(dayKey(day))) return [];
    const later = programme.days.filter(
      (d) => d.weekday === day.weekday && d.week > day.week && !locked.has(dayKey(d)),
    );
    const plan = planner.of(day.text);
    if (!plan || later.length === 0 || later.some((d) => d.text.trim() !== '')) return [];
    return [{ place: { week: day.week, weekday: day.weekday }, title: plan.title, later: later.length }];
  });
}
