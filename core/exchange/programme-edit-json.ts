import type { DayPlace } from '../calendar/day.ts';
import { MAX_WEEKS } from '../calendar/day.ts';
import type { ProgrammeEdit } from '../progress/edit/programme-edit.ts';
import type { ProgrammeDocument } from '../progress/programme-document.ts';
import { emptyProgramme, isTheme } from '../progress/programme-document.ts';
import { parseJson } from './parse-json.ts';
import type { Result } from '../result.ts';
import { done, refused } from '../result.ts';
import { readProgrammeValue } from './programme-json.ts';
import { toProgrammeJson } from './writing/write-programme.ts';

const BLANK = emptyProgramme({ title: 'x', weeks: 1, weekdays: [] });

/** A programme's file with one part of it: what reads a file reads the part. */
function readPart(part: object): ProgrammeDocument | string {
  const read = readProgrammeValue({ ...toProgrammeJson({ ...BLANK, weeks: MAX_WEEKS }), ...part });
  return read.status === 'read' ? read.programme : read.issues.map((i) => `${i.path} ${i.message}`).join(' ');
}

/** More than any screen makes at once. */
const MAX_EDITS = 200;
type Bag = Record<string, unknown>;

const isWhole = (value: unknown, least: number, most: number): value is number =>
  typeof value === 'number' && Number.isInteger(value) && value >= least && value <= most;
const isBag = (value: unknown): value is Bag => typeof value === 'object' && value !== null && !Array.isArray(value);
const isText = (value: unknown): value is string => typeof value === 'string';

class UnreadableEditError extends Error {}
const fail = (message: string): never => {
  throw new UnreadableEditError(message);
};

const week = (value: unknown): number => (isWhole(value, 1, MAX_WEEKS + 1) ? value : fail('a week is 1 to 52'));
const weekday = (value: unknown): number => (isWhole(value, 1, 7) ? value : fail('a weekday is 1 to 7'));
const place = (value: unknown): DayPlace =>
  isBag(value) ? { week: week(value.week), weekday: weekday(value.weekday) } : fail('a place has a week and a weekday');
const list = <T>(value: unknown, read: (item: unknown) => T): T[] =>
  Array.isArray(value) && value.length <= 400 ? value.map(read) : fail('a list is expected');
const text = (value: unknown): string =>
  isText(value) && value.length <= 200_000 ? value : fail('a text is expected');
const theme = (value: unknown) =>
  value === null || (isText(value) && isTheme(value)) ? value : fail('that is no theme');
/** What isn’t there must not pass for what a file may leave out. */
const given = (value: unknown): unknown => value ?? fail('a part of it is missing');
const part = (bag: object): ProgrammeDocument => {
  const read = readPart(bag);
  return typeof read === 'string' ? fail(read) : read;
};

function readEdit(value: unknown): ProgrammeEdit {
  if (!isBag(value)) return fail('an edit is an object');
  switch (value.kind) {
    case 'set-track':
      return { kind: value.kind, track: part({ tracks: [given(value.track)] }).tracks[0]! };
    case 'remove-track':
      return { kind: value.kind, id: text(value.id) };
    case 'join-track':
      return { kind: value.kind, id: text(value.id), places: list(value.places, place) };
    case 'leave-track':
      return { kind: value.kind, places: list(value.places, place) };
    case 'add-day':
    case 'remove-day':
      return { kind: value.kind, place: place(value.place) };
    case 'set-text':
      return { kind: value.kind, place: place(value.place), text: text(value.text) };
    case 'move-day':
      return { kind: value.kind, from: place(value.from), to: place(value.to) };
    case 'arrange-week':
      return {
        kind: value.kind,
        week: week(value.week),
        moves: list(value.moves, (m) =>
          isBag(m) ? { from: weekday(m.from), to: weekday(m.to) } : fail('a move goes from a weekday to another'),
        ),
      };
    case 'copy-week':
      return { kind: value.kind, from: week(value.from), to: week(value.to) };
    case 'insert-week':
      return { kind: value.kind, at: week(value.at), as: value.as === 'pause' ? 'pause' : 'lighter' };
    case 'remove-week':
      return { kind: value.kind, week: week(value.week) };
    case 'shift':
      return {
        kind: value.kind,
        from: place(value.from),
        days: isWhole(value.days, -400, 400) ? value.days : fail('days are a whole number'),
      };
    case 'pin':
      return { kind: value.kind, place: place(value.place), isPinned: value.isPinned === true };
    case 'set-lighter':
      return { kind: value.kind, lighter: list(value.lighter, week) };
    case 'set-theme':
      return { kind: value.kind, weekday: weekday(value.weekday), theme: theme(value.theme) };
    case 'set-day-theme':
      return { kind: value.kind, place: place(value.place), theme: theme(value.theme) };
    case 'set-blocked':
      return { kind: value.kind, blocked: part({ blocked: given(value.blocked) }).blocked };
    case 'set-guards':
      return { kind: value.kind, guards: part({ guards: given(value.guards) }).guards };
    case 'set-title':
      return { kind: value.kind, title: text(value.title) };
    case 'place-retest':
      return { kind: value.kind, text: text(value.text), places: list(value.places, place) };
    case 'replace': {
      const read = readProgrammeValue(value.programme);
      return read.status === 'read'
        ? { kind: value.kind, programme: read.programme }
        : fail(read.issues.map((i) => `${i.path} ${i.message}`).join(' '));
    }
    default:
      return fail('that is no edit');
  }
}

/** Reads edits that came over the wire; anything that a screen can't have sent is refused with a message. */
export function readEditsJson(source: string): Result<readonly ProgrammeEdit[]> {
  const read = parseJson(source);
  const value = read.status === 'read' ? read.value : undefined;
  if (!Array.isArray(value) || value.length === 0 || value.length > MAX_EDITS)
    return refused('The change can’t be read; load the page again.');
  try {
    return done(value.map(readEdit));
  } catch (error) {
    if (error instanceof UnreadableEditError) return refused(`The change can’t be read: ${error.message}.`);
    throw error;
  }
}

/** Dates belong to a run: a template goes without them. */
export const withoutDates = (programme: ProgrammeDocument): ProgrammeDocument => ({ ...programme, blocked: [] });
