import { array, boolean, mixed, number, object, string, ValidationError } from 'yup';
import type { DayDate } from '../calendar/day.ts';
import { dayKey, MAX_WEEKS, parseDayDate } from '../calendar/day.ts';
import { hasAtMost } from '../letters.ts';
import { MAX_TEXT_BYTES } from '../notation/parse.ts';
import { isGuardCode } from '../progress/guards/guard.ts';
import { readRule } from '../progress/levers/lever-text.ts';
import type { BlockedDay, ProgrammeDay, ProgrammeDocument, Theme, Track } from '../progress/programme-document.ts';
import { byPlace, MAX_TRACKS, THEMES } from '../progress/programme-document.ts';
import type { LeverRule } from '../progress/track/schedule.ts';
import type { SchoolId } from '../progress/track/schools.ts';
import { SCHOOL_IDS } from '../progress/track/schools.ts';
import { parseJson } from './parse-json.ts';
import { PROGRAMME_FORMAT, PROGRAMME_VERSION } from './writing/write-programme.ts';

/** A year of six sessions a week has a third of it. */
export const MAX_PROGRAMME_BYTES = 1_500_000;

/** Something in a file that can't be taken, with where it is (`days[3].week`) and a remedy. */
export interface ProgrammeIssue {
  readonly path: string;
  readonly message: string;
}

export type ReadProgramme =
  | { readonly status: 'read'; readonly programme: ProgrammeDocument }
  | { readonly status: 'refused'; readonly issues: readonly ProgrammeIssue[] };

const line = (most: number) =>
  string()
    .defined()
    .matches(/^[^\p{Cc}]*$/u, { message: 'has to be one line.', excludeEmptyString: true })
    .test('letters', `has at most ${most} letters.`, hasAtMost(most));
const whole = (least: number, most: number) =>
  number()
    .required('is missing.')
    .integer('has to be a whole number.')
    .min(least, `is at least ${least}.`)
    .max(most, `is at most ${most}.`);
const text = string()
  .defined('is missing.')
  .test(
    'size',
    `has at most ${MAX_TEXT_BYTES / 1000} kB.`,
    (v) => v === undefined || new TextEncoder().encode(v).length <= MAX_TEXT_BYTES,
  );
const theme = string().oneOf([...THEMES], `is one of ${THEMES.join(', ')}.`);

const SCHEMA = object({
  title: line(120).required('is missing.').trim('has blanks around it.').strict(),
  weeks: whole(1, MAX_WEEKS),
  firstWeekday: number()
    .integer('has to be a whole number.')
    .min(1, 'is at least 1.')
    .max(7, 'is at most 7.')
    .default(undefined),
  lighter: array(whole(1, MAX_WEEKS)).default(undefined),
  themes: object()
    .test(
      'themes',
      `goes from weekdays 1 to 7 to one of ${THEMES.join(', ')}.`,
      (v) => v === undefined || Object.entries(v).every(([k, t]) => /^[1-7]$/.test(k) && THEMES.some((x) => x === t)),
    )
    .default(undefined),
  tracks: array(
    object({
      id: string()
        .required('is missing.')
        .matches(/^[a-z0-9][a-z0-9-]{0,60}$/, 'has small letters, digits and dashes.'),
      name: line(80).required('is missing.').trim('has blanks around it.').strict(),
      school: string()
        .required('is missing.')
        .oneOf([...SCHOOL_IDS], `is one of ${SCHOOL_IDS.join(', ')}.`),
      levers: array(string().required('is empty.')).default(undefined).max(30, 'are at most 30.'),
      text,
    }),
  )
    .default(undefined)
    .max(MAX_TRACKS, `are at most ${MAX_TRACKS}.`),
  days: array(
    object({
      week: whole(1, MAX_WEEKS),
      weekday: whole(1, 7),
      theme,
      text,
      track: object({
        id: string().required('is missing.'),
        week: whole(1, MAX_WEEKS),
        pinned: boolean().default(undefined),
      }).default(undefined),
    }),
  )
    .default(undefined)
    .max(MAX_WEEKS * 7, 'are too many.'),
  blocked: array(
    object({
      date: string()
        .required('is missing.')
        .test('date', 'is a day of the calendar, like 2026-05-16.', (v) => v === undefined || parseDayDate(v) === v),
      words: line(200).required('is missing.').trim('has blanks around it.').strict(),
      rule: string()
        .required('is missing.')
        .oneOf(['no hard session', 'no session'], 'is “no hard session” or “no session”.'),
      uid: line(300).optional(),
    }),
  )
    .default(undefined)
    .max(1000, 'are at most 1000.'),
  guards: object({
    off: array(
      string()
        .required()
        .test('code', 'is no guard rail.', (v) => isGuardCode(v)),
    ).default(undefined),
    thresholds: object()
      .test(
        'thresholds',
        'goes from guard rails to numbers.',
        (v) =>
          v === undefined ||
          Object.entries(v).every(([k, n]) => isGuardCode(k) && typeof n === 'number' && Number.isFinite(n)),
      )
      .default(undefined),
  }).default(undefined),
  format: mixed(),
  version: mixed(),
}).required();

/** What isn't among the known keys. */
function extraOf(value: object, known: readonly string[]): { extra?: Record<string, unknown> } {
  const left = Object.entries(value).filter(([key]) => !known.includes(key) && key !== 'extra');
  return left.length === 0 ? {} : { extra: Object.fromEntries(left) };
}

interface RawTrack {
  id: string;
  name: string;
  school: SchoolId;
  levers?: string[];
  text: string;
}
interface RawDay {
  week: number;
  weekday: number;
  theme?: Theme;
  text: string;
  track?: { id: string; week: number; pinned?: boolean };
}
interface RawProgramme {
  title: string;
  weeks: number;
  firstWeekday?: number;
  lighter?: number[];
  themes?: Partial<Record<number, Theme>>;
  tracks?: RawTrack[];
  days?: RawDay[];
  blocked?: (Omit<BlockedDay, 'date'> & { date: DayDate })[];
  guards?: { off?: string[]; thresholds?: Record<string, number> };
}

/** Reads a programme's JSON document. Nothing is guessed: every field that can't be taken is named. */
export function parseProgramme(source: string): ReadProgramme {
  if (source.length > MAX_PROGRAMME_BYTES)
    return refused('', `The file has more than ${MAX_PROGRAMME_BYTES / 1e6} MB; a programme is smaller than that.`);
  const read = parseJson(source);
  return read.status === 'refused'
    ? refused('', `This is no JSON that can be taken. ${read.message}`)
    : readProgrammeValue(read.value);
}

const refused = (path: string, message: string): ReadProgramme => ({ status: 'refused', issues: [{ path, message }] });

export function readProgrammeValue(value: unknown): ReadProgramme {
  if (typeof value !== 'object' || value === null || Array.isArray(value))
    return refused('', 'A programme is one JSON object; take a file that was exported here.');
  const { format, version } = value as { format?: unknown; version?: unknown };
  if (format !== PROGRAMME_FORMAT)
    return refused('format', `is “${PROGRAMME_FORMAT}” in a programme’s file; this one is something else.`);
  if (version !== PROGRAMME_VERSION)
    return refused(
      'version',
      typeof version === 'number' && version > PROGRAMME_VERSION
        ? `is ${version}; this Ysodos reads version ${PROGRAMME_VERSION}. Bring Ysodos up to date.`
        : `is the number ${PROGRAMME_VERSION}.`,
    );
  try {
    SCHEMA.validateSync(value, { abortEarly: false, strict: true });
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error;
    const found = error.inner.length > 0 ? error.inner : [error];
    return {
      status: 'refused',
      issues: found.map((e) => ({
        path: e.path ?? '',
        message: e.type === 'typeError' ? 'has the wrong kind of value.' : e.message,
      })),
    };
  }
  return assemble(value as RawProgramme);
}

function assemble(raw: RawProgramme): ReadProgramme {
  const issues: ProgrammeIssue[] = [];
  const ids = new Set<string>();
  const tracks = (raw.tracks ?? []).map((t, i): Track => {
    if (ids.has(t.id)) issues.push({ path: `tracks[${i}].id`, message: `“${t.id}” is there twice.` });
    ids.add(t.id);
    const levers = (t.levers ?? []).flatMap((words, k): LeverRule[] => {
      const read = readRule(words);
      if (read.status === 'done') return [read.value];
      issues.push({ path: `tracks[${i}].levers[${k}]`, message: read.message });
      return [];
    });
    return {
      id: t.id,
      name: t.name,
      school: t.school,
      levers,
      text: t.text,
      ...extraOf(t, ['id', 'name', 'school', 'levers', 'text']),
    };
  });
  const places = new Set<string>();
  const days = (raw.days ?? []).map((d, i): ProgrammeDay => {
    if (d.week > raw.weeks)
      issues.push({ path: `days[${i}].week`, message: `is ${d.week}, and the programme has ${raw.weeks} weeks.` });
    if (places.has(dayKey(d)))
      issues.push({
        path: `days[${i}]`,
        message: `stands on a day that has a session already (week ${d.week}, weekday ${d.weekday}).`,
      });
    places.add(dayKey(d));
    if (d.track && !ids.has(d.track.id))
      issues.push({ path: `days[${i}].track.id`, message: `“${d.track.id}” is no track of this file.` });
    return {
      week: d.week,
      weekday: d.weekday,
      text: d.text,
      ...(d.theme && { theme: d.theme }),
      ...(d.track && { track: { id: d.track.id, week: d.track.week, isPinned: d.track.pinned === true } }),
      ...extraOf(d, ['week', 'weekday', 'text', 'theme', 'track']),
    };
  });
  if (issues.length > 0) return { status: 'refused', issues };
  return {
    status: 'read',
    programme: {
      title: raw.title.trim(),
      weeks: raw.weeks,
      firstWeekday: raw.firstWeekday ?? 1,
      lighter: [...new Set(raw.lighter ?? [])].sort((a, b) => a - b),
      themes: raw.themes ?? {},
      tracks,
      days: days.sort(byPlace),
      blocked: (raw.blocked ?? []).map((b) => ({
        date: b.date,
        words: b.words,
        rule: b.rule,
        ...(b.uid !== undefined && { uid: b.uid }),
        ...extraOf(b, ['date', 'words', 'rule', 'uid']),
      })),
      guards: { off: raw.guards?.off ?? [], thresholds: raw.guards?.thresholds ?? {} },
      ...extraOf(raw, [
        'format',
        'version',
        'title',
        'weeks',
        'firstWeekday',
        'lighter',
        'themes',
        'tracks',
        'days',
        'blocked',
        'guards',
      ]),
    },
  };
}
