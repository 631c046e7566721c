import { cutLetters } from '../../letters.ts';
import { assertNever } from '../../assert-never.ts';
import type { DayPlace } from '../../calendar/day.ts';
import { dayKey, dayName, MAX_WEEKS } from '../../calendar/day.ts';
import { MAX_TEXT_BYTES } from '../../notation/parse.ts';
import { turnRoutineLines } from '../../notation/next-routine.ts';
import type { DayPlanner } from '../day-plan.ts';
import { insertWeek, lightenText, removeWeek, shiftDays } from './edit-weeks.ts';
import type { EditResult, ProgrammeEdit } from './programme-edit.ts';
import type { ProgrammeDay, ProgrammeDocument, Track } from '../programme-document.ts';
import { byPlace, findProgrammeDay, isAt, MAX_TRACKS, progressionWeek } from '../programme-document.ts';
import type { TrackBook } from './regenerate.ts';
import { regenerate } from './regenerate.ts';

export interface EditScope {
  readonly book: TrackBook;
  /** Places whose session was sent: it stays as it is, where it is. */
  readonly locked: ReadonlySet<string>;
  /** Told of every session that is written anew, so that it needn't be read again. */
  readonly planner?: DayPlanner;
}

/** What an edit can't do is said with a remedy; nothing is half done. */
export class EditRefusedError extends Error {}
const refuse = (message: string): never => {
  throw new EditRefusedError(message);
};

/**
 * The programme after some edits, one after the other, with tracks written anew. Sent sessions stay as they are: an edit
 * that would move, replace or take one away is refused, and levers leave them alone. Nothing of `programme` is changed.
 */
export function applyProgrammeEdits(
  programme: ProgrammeDocument,
  edits: readonly ProgrammeEdit[],
  scope: EditScope,
): EditResult {
  const isLocked = (day: DayPlace) => scope.locked.has(dayKey(day));
  try {
    let now = programme;
    for (const edit of edits) {
      const next = applyOne(now, edit, scope);
      const sorted = { ...next, days: [...next.days].sort(byPlace) };
      checkBounds(sorted);
      now = regenerate(sorted, scope.book, isLocked, scope.planner);
      for (const day of programme.days.filter(isLocked)) {
        const after = findProgrammeDay(now, day);
        if (!after || after.text !== day.text)
          refuse(`${dayName(day, programme.firstWeekday)} has been sent, so it stays where it is. Begin after it.`);
      }
    }
    return { status: 'changed', programme: now };
  } catch (error) {
    if (error instanceof EditRefusedError) return { status: 'refused', message: error.message };
    throw error;
  }
}

function checkBounds(programme: ProgrammeDocument): void {
  if (programme.weeks > MAX_WEEKS) refuse(`A programme has at most ${MAX_WEEKS} weeks.`);
  if (programme.weeks < 1) refuse('A programme has at least one week.');
  const out = programme.days.find((d) => d.week > programme.weeks || d.week < 1 || d.weekday < 1 || d.weekday > 7);
  if (out)
    refuse(
      `${dayName(out, programme.firstWeekday)} lies outside the ${programme.weeks} weeks; remove its session first.`,
    );
  if (programme.days.some((d) => d.track && d.track.week > MAX_WEEKS))
    refuse(`Its sessions would come to more than ${MAX_WEEKS} weeks of progression. Remove a lighter week first.`);
  if (programme.tracks.length > MAX_TRACKS) refuse(`A programme has at most ${MAX_TRACKS} tracks.`);
}

const withDays = (programme: ProgrammeDocument, days: readonly ProgrammeDay[]): ProgrammeDocument => ({
  ...programme,
  days,
});
const mapDay = (
  programme: ProgrammeDocument,
  place: DayPlace,
  next: (day: ProgrammeDay) => ProgrammeDay,
): ProgrammeDocument =>
  withDays(
    programme,
    programme.days.map((d) => (isAt(place)(d) ? next(d) : d)),
  );

function needDay(programme: ProgrammeDocument, place: DayPlace): ProgrammeDay {
  return (
    findProgrammeDay(programme, place) ?? refuse(`There is no session on ${dayName(place, programme.firstWeekday)}.`)
  );
}

/** `beyond`: so many weeks past the end are meant as well. */
function needWeek(programme: ProgrammeDocument, week: number, beyond = 0): void {
  if (week > programme.weeks + beyond) refuse(`There is no week ${week}.`);
}

const withoutTrack = ({ track: _track, ...day }: ProgrammeDay): ProgrammeDay => day;

function applyOne(programme: ProgrammeDocument, edit: ProgrammeEdit, { book }: EditScope): ProgrammeDocument {
  switch (edit.kind) {
    case 'set-track':
      return setTrack(programme, edit.track);
    case 'remove-track':
      return {
        ...programme,
        tracks: programme.tracks.filter((t) => t.id !== edit.id),
        days: programme.days.map((d) => (d.track?.id === edit.id ? withoutTrack(d) : d)),
      };
    case 'join-track':
      return joinTrack(programme, edit.id, edit.places);
    case 'leave-track':
      return withDays(
        programme,
        programme.days.map((d) => (edit.places.some((p) => isAt(p)(d)) ? withoutTrack(d) : d)),
      );
    case 'add-day':
      return findProgrammeDay(programme, edit.place)
        ? programme
        : withDays(programme, [...programme.days, { ...edit.place, text: '' }]);
    case 'remove-day':
      needDay(programme, edit.place);
      return withDays(
        programme,
        programme.days.filter((d) => !isAt(edit.place)(d)),
      );
    case 'set-text':
      return setText(programme, edit.place, edit.text);
    case 'move-day':
      return moveDay(programme, edit.from, edit.to);
    case 'arrange-week':
      return arrangeDays(programme, edit.week, edit.moves);
    case 'copy-week':
      return copyWeek(programme, edit.from, edit.to);
    case 'insert-week':
      needWeek(programme, edit.at, 1);
      return insertWeek(programme, edit.at, edit.as, (text) => lightenText(text, book.scope));
    case 'remove-week':
      needWeek(programme, edit.week);
      return removeWeek(programme, edit.week);
    case 'shift':
      return shiftDays(programme, edit.from, edit.days, refuse);
    case 'pin':
      return setPin(programme, edit.place, edit.isPinned);
    case 'set-lighter':
      return {
        ...programme,
        lighter: [...new Set(edit.lighter)].filter((w) => w >= 1 && w <= MAX_WEEKS).sort((a, b) => a - b),
      };
    case 'set-theme': {
      const { [edit.weekday]: _old, ...others } = programme.themes;
      return { ...programme, themes: edit.theme ? { ...others, [edit.weekday]: edit.theme } : others };
    }
    case 'set-day-theme':
      return mapDay(programme, edit.place, ({ theme: _theme, ...day }) => ({
        ...day,
        ...(edit.theme && edit.theme !== programme.themes[day.weekday] && { theme: edit.theme }),
      }));
    case 'set-blocked':
      return {
        ...programme,
        blocked: [...edit.blocked].sort((a, b) => (a.date < b.date ? -1 : a.date > b.date ? 1 : 0)),
      };
    case 'set-guards':
      return { ...programme, guards: edit.guards };
    case 'set-title':
      return edit.title.trim() === ''
        ? refuse('A programme needs a title.')
        : { ...programme, title: cutLetters(edit.title.trim(), 120) };
    case 'place-retest':
      return edit.places.reduce((now, place) => {
        const rest = now.days.filter((d) => !isAt(place)(d));
        const theme = findProgrammeDay(now, place)?.theme;
        return withDays(now, [
          ...rest,
          { week: place.week, weekday: place.weekday, text: edit.text, ...(theme && { theme }) },
        ]);
      }, programme);
    case 'replace':
      return edit.programme;
    default:
      return assertNever(edit);
  }
}

function setTrack(programme: ProgrammeDocument, track: Track): ProgrammeDocument {
  if (!/^[a-z0-9][a-z0-9-]{0,60}$/.test(track.id)) refuse('A track’s id has small letters, digits and dashes.');
  if (track.name.trim() === '') refuse('A track needs a name.');
  if (new TextEncoder().encode(track.text).length > MAX_TEXT_BYTES) refuse('That session is too long for one track.');
  const isKnown = programme.tracks.some((t) => t.id === track.id);
  return {
    ...programme,
    tracks: isKnown ? programme.tracks.map((t) => (t.id === track.id ? track : t)) : [...programme.tracks, track],
  };
}

function joinTrack(programme: ProgrammeDocument, id: string, places: readonly DayPlace[]): ProgrammeDocument {
  const track = programme.tracks.find((t) => t.id === id) ?? refuse('That track is gone.');
  const others = programme.days.filter((d) => !places.some((p) => isAt(p)(d)));
  const joined = [...new Map(places.map((p) => [dayKey(p), p])).values()].map((place): ProgrammeDay => {
    const theme = findProgrammeDay(programme, place)?.theme;
    return {
      week: place.week,
      weekday: place.weekday,
      text: track.text,
      ...(theme && { theme }),
      track: { id, week: progressionWeek(programme, place.week), isPinned: false },
    };
  });
  return withDays(programme, [...others, ...joined]);
}

function setText(programme: ProgrammeDocument, place: DayPlace, text: string): ProgrammeDocument {
  if (!findProgrammeDay(programme, place))
    return withDays(programme, [...programme.days, { week: place.week, weekday: place.weekday, text }]);
  return mapDay(programme, place, (d) => ({ ...d, text, ...(d.track && { track: { ...d.track, isPinned: true } }) }));
}

function moveDay(programme: ProgrammeDocument, from: DayPlace, to: DayPlace): ProgrammeDocument {
  needDay(programme, from);
  return withDays(
    programme,
    programme.days.map((d) => {
      if (isAt(from)(d)) return { ...d, week: to.week, weekday: to.weekday };
      return isAt(to)(d) ? { ...d, week: from.week, weekday: from.weekday } : d;
    }),
  );
}

function arrangeDays(
  programme: ProgrammeDocument,
  week: number,
  moves: readonly { from: number; to: number }[],
): ProgrammeDocument {
  const to = new Map(moves.map((m) => [m.from, m.to]));
  const days = programme.days.map((d) => (d.week === week ? { ...d, weekday: to.get(d.weekday) ?? d.weekday } : d));
  const own = days.filter((d) => d.week === week).map((d) => d.weekday);
  if (new Set(own).size < own.length) refuse('Two sessions can’t share a day.');
  return withDays(programme, days);
}

function copyWeek(programme: ProgrammeDocument, from: number, to: number): ProgrammeDocument {
  if (from === to) return programme;
  const source = programme.days.filter((d) => d.week === from);
  if (source.length === 0) refuse(`Week ${from} has no sessions to copy.`);
  const at = progressionWeek(programme, to);
  const copies = source.map((d): ProgrammeDay => ({
    ...d,
    week: to,
    // Where a block takes the next of some routines each week, the copy takes the one of its week.
    ...(!d.track && to > from && { text: turnRoutineLines(d.text, to - from) }),
    ...(d.track && { track: { ...d.track, week: at } }),
  }));
  return withDays(programme, [...programme.days.filter((d) => d.week !== to), ...copies]);
}

function setPin(programme: ProgrammeDocument, place: DayPlace, isPinned: boolean): ProgrammeDocument {
  const day = needDay(programme, place);
  if (!day.track) refuse('Only a session of a track can be kept as it is; a single one is anyway.');
  return mapDay(programme, place, (d) => ({ ...d, track: { ...d.track!, isPinned } }));
}
