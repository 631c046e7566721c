import type { Weekday } from '../../calendar/day.ts';
import { dayOfWeekFrom, WEEKDAYS, MAX_WEEKS } from '../../calendar/day.ts';
import type { MovementLibrary } from '../../movement/library.ts';
import type { Answers, Doubt, Piece } from './piece.ts';
import type { OwnWords } from './finish-reading.ts';
import type { ExerciseTable } from './exercise-table.ts';
import { daysOfRows, findExercises } from './exercise-table.ts';
import type { SourceStretch } from './read-own-words.ts';
import { readStretch } from './read-own-words.ts';
import { fold } from './phrases/strip.ts';
import type { Stretch } from './tables.ts';
import { findTable } from './tables.ts';

/** One day of a plan in a coach's own words. */
export interface OwnDay extends OwnWords {
  /** Its heading as it stands; empty where the plan has none. */
  readonly heading: string;
  /** From 1, where a heading names it. */
  readonly week: number | null;
  /** The day of a week that begins on `firstWeekday`, 1 to 7, where the heading names it. */
  readonly weekday: number | null;
}

/** A plan of one or of several days. `pieces` and `doubts` are those of all days, in the order of the source. */
export interface OwnPlan {
  readonly days: readonly OwnDay[];
  readonly pieces: readonly (Piece & { readonly day: number })[];
  readonly doubts: readonly (Doubt & { readonly day: number })[];
}

interface Heading {
  readonly start: number;
  readonly end: number;
  readonly week: number | null;
  readonly weekday: number | null;
  /** A week alone heads the days that follow. */
  readonly isWeek: boolean;
}

const DAY =
  /^[^\p{L}\p{N}]*(?:(?:week|wk)\s*(\d{1,2})\b[\s,:./-]*)?(?:(mon|tue|wed|thu|fri|sat|sun)(?:s|nes|rs|ur)?(?:day)?s?\b\.?|(?:day|d)\s*(\d{1,2})\b)(?=\s*(?:[:.(,-]|$))/u;
/** A day's name without anything behind it that sets it apart. */
const BARE_DAY = /^[^\p{L}\p{N}]*()(mon|tue|wed|thu|fri|sat|sun)(?:s|nes|rs|ur)?(?:day)?\s+(?!salut)(?=[\p{L}\p{N}])/u;
const WEEK = /^[^\p{L}\p{N}]*(?:week|wk)\s*(\d{1,2})\b\W*$/u;

/** Reads a plan: its days by their headings, or the columns of a table; one without headings is one day. */
export function readOwnPlan(
  source: string,
  library: MovementLibrary,
  firstWeekday: Weekday = 1,
  answers: Answers = new Map(),
): OwnPlan {
  const table = findTable(source);
  if (table) {
    const plan = together(
      source,
      table.days.map(({ heading, stretches }) => ({
        heading: heading && headingIn(source, heading, firstWeekday),
        stretches,
      })),
      library,
      answers,
    );
    const names = table.names.map(({ start, end }) => ({ start, end, as: 'role' as const, line: null, day: 0 }));
    return { ...plan, pieces: [...names, ...plan.pieces].sort((a, b) => a.start - b.start || a.day - b.day) };
  }
  const exercises = findExercises(source);
  if (exercises) return together(source, stretchesOf(source, exercises, firstWeekday), library, answers);
  const headings: Heading[] = [];
  const lines = [...source.matchAll(/[^\r\n]+/g)];
  const areBare = lines.filter(({ 0: line }) => BARE_DAY.test(fold(line))).length >= 2;
  for (const { 0: line, index } of lines) {
    const found = headingIn(source, { start: index, end: index + line.length }, firstWeekday, areBare);
    if (found) headings.push(found);
  }
  if (headings.filter((h) => !h.isWeek).length < 2)
    return together(source, [{ heading: undefined, stretches: [{ start: 0, end: source.length }] }], library, answers);
  const days: { heading: Heading | undefined; stretches: Stretch[] }[] = [];
  if (/[\p{L}\p{N}]/u.test(source.slice(0, headings[0]!.start)))
    days.push({ heading: undefined, stretches: [{ start: 0, end: headings[0]!.start }] });
  let week: number | null = null;
  for (const [i, heading] of headings.entries()) {
    week = heading.week ?? week;
    const end = headings[i + 1]?.start ?? source.length;
    days.push({ heading: { ...heading, week }, stretches: [{ start: heading.end, end }] });
  }
  return together(source, days, library, answers);
}

/** Where rows stand: from their first cell to their last. */
function aroundRows(rows: ExerciseTable['rows'], whole: Stretch | undefined): Stretch {
  const cells = rows.flatMap((row) => Object.values(row));
  return whole ?? { start: Math.min(...cells.map((c) => c.start)), end: Math.max(...cells.map((c) => c.end)) };
}

interface Day {
  readonly heading: Heading | undefined;
  readonly stretches: readonly SourceStretch[];
}

/** A table of movements: one session, or one a day where a column names the days; what stands around it belongs to the first. */
function stretchesOf(source: string, table: ExerciseTable, firstWeekday: Weekday): Day[] {
  const { head, rows, end } = table;
  const above = { start: 0, end: head.start };
  const below = { start: end, end: source.length };
  const days = daysOfRows(source, table).map(({ day, rows }) => ({
    heading: headingIn(source, day, firstWeekday),
    rows,
  }));
  const isByDay = days.length > 0 && days.every(({ heading }) => heading !== undefined);
  const all = isByDay ? days : [{ heading: undefined, rows }];
  return all.map(({ heading, rows }, i) => ({
    heading,
    stretches: [
      ...(i === 0 ? [above] : []),
      { ...aroundRows(rows, isByDay ? undefined : { start: head.start, end }), rows, ...(i === 0 && { head }) },
      ...(i === 0 ? [below] : []),
    ],
  }));
}

function headingIn(
  source: string,
  { start, end }: Stretch,
  firstWeekday: Weekday,
  areBare = false,
): Heading | undefined {
  const line = fold(source.slice(start, end));
  const week = WEEK.exec(line);
  const found = week ?? DAY.exec(line) ?? (areBare ? BARE_DAY.exec(line) : null);
  if (!found) return undefined;
  const weekNumber = Number(found[1] ?? 0);
  const lead = line.length - line.replace(/^[^\p{L}\p{N}]+/u, '').length;
  const day = week ? 0 : Number(found[3] ?? 0);
  const name = week ? undefined : found[2];
  return {
    start: start + lead,
    end: start + found[0].replace(/\W+$/, '').length,
    week: weekNumber >= 1 && weekNumber <= MAX_WEEKS ? weekNumber : null,
    weekday: name
      ? dayOfWeekFrom(WEEKDAYS.findIndex((d) => d.toLowerCase().startsWith(name)) + 1, firstWeekday)
      : day >= 1 && day <= 7
        ? day
        : null,
    isWeek: week !== null,
  };
}

function together(source: string, stretches: readonly Day[], library: MovementLibrary, answers: Answers): OwnPlan {
  const days = stretches.map(({ heading, stretches: of }): OwnDay & { start: Heading | undefined } => ({
    ...readStretch(source, of, library, answers),
    heading: heading ? source.slice(heading.start, heading.end) : '',
    week: heading?.week ?? null,
    weekday: heading?.weekday ?? null,
    start: heading,
  }));
  const written = days.filter((d) => !(d.start?.isWeek && d.text === '' && d.pieces.length === 0));
  return {
    days: written.map(({ start: _start, ...day }) => day),
    pieces: [
      ...days.flatMap(({ start }) =>
        start ? [{ start: start.start, end: start.end, as: 'day' as const, line: null, day: 0 }] : [],
      ),
      ...written.flatMap(({ pieces }, day) => pieces.map((p) => ({ ...p, day }))),
    ]
      .map((p) =>
        p.as === 'day'
          ? {
              ...p,
              day: Math.max(
                0,
                written.findIndex((d) => d.start?.start === p.start),
              ),
            }
          : p,
      )
      .sort((a, b) => a.start - b.start || a.day - b.day)
      .filter((p, i, all) => i === 0 || p.start >= all[i - 1]!.end || p.day !== all[i - 1]!.day),
    doubts: written.flatMap(({ doubts }, day) => doubts.map((d) => ({ ...d, day }))),
  };
}
