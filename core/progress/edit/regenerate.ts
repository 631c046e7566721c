import type { ProgressScope, ReadTrack, TrackWeek } from '../track/build-track.ts';
import { buildTrackWeek, readTrack } from '../track/build-track.ts';
import type { DayPlanner } from '../day-plan.ts';
import type { ProgrammeDay, ProgrammeDocument, Track } from '../programme-document.ts';

/** Reads tracks and builds their weeks, remembering those of the newest state of each. */
export interface TrackBook {
  readonly scope: ProgressScope;
  read(track: Track): ReadTrack;
  week(track: Track, week: number, lighter: readonly number[]): TrackWeek;
}

/** Built weeks remembered for one state of a track. */
const MAX_WEEKS_KEPT = 400;

export function createTrackBook(scope: ProgressScope): TrackBook {
  const kept = new WeakMap<Track, { read: ReadTrack; weeks: Map<string, TrackWeek> }>();
  const open = (track: Track) => {
    let entry = kept.get(track);
    if (!entry) {
      entry = { read: readTrack(track, scope), weeks: new Map() };
      kept.set(track, entry);
    }
    return entry;
  };
  return {
    scope,
    read: (track) => open(track).read,
    week(track, week, lighter) {
      const { read, weeks } = open(track);
      const key = `${week} ${lighter.join(' ')}`;
      let built = weeks.get(key);
      if (!built) {
        if (weeks.size >= MAX_WEEKS_KEPT) weeks.clear();
        built = buildTrackWeek(read, week, lighter);
        weeks.set(key, built);
      }
      return built;
    },
  };
}

/**
 * The programme with every session of a track written anew by its levers. Pinned days, and those that `isLocked` says were
 * sent, keep their text; so does a day whose track is gone (it becomes a single session). The same object where nothing changes.
 */
export function regenerate(
  programme: ProgrammeDocument,
  book: TrackBook,
  isLocked: (day: ProgrammeDay) => boolean = () => false,
  planner?: DayPlanner,
): ProgrammeDocument {
  const tracks = new Map(programme.tracks.map((t) => [t.id, t]));
  let isChanged = false;
  const days = programme.days.map((day): ProgrammeDay => {
    if (!day.track) return day;
    const track = tracks.get(day.track.id);
    if (!track) {
      isChanged = true;
      const { track: _track, ...single } = day;
      return single;
    }
    if (day.track.isPinned || isLocked(day)) return day;
    const built = book.week(track, day.track.week, programme.lighter);
    if (planner && book.read(track).issues === 0) planner.ofKnown(built.text, built.document);
    if (built.text === day.text) return day;
    isChanged = true;
    return { ...day, text: built.text };
  });
  return isChanged ? { ...programme, days } : programme;
}

/** A programme from elsewhere, every session kept as it came: what differs from what its track would write here is pinned. */
export function pinDeviations(programme: ProgrammeDocument, book: TrackBook): ProgrammeDocument {
  const tracks = new Map(programme.tracks.map((t) => [t.id, t]));
  return {
    ...programme,
    days: programme.days.map((day) => {
      const track = day.track && tracks.get(day.track.id);
      if (
        !day.track ||
        !track ||
        day.track.isPinned ||
        book.week(track, day.track.week, programme.lighter).text === day.text
      )
        return day;
      return { ...day, track: { ...day.track, isPinned: true } };
    }),
  };
}
