import { countLetters } from '../../letters.ts';
import Papa from 'papaparse';
import type { DayDate } from '../../calendar/day.ts';
import { parseDayDate } from '../../calendar/day.ts';
import { isTimeZone } from '../../calendar/release.ts';
import type { MovementLibrary } from '../../movement/library.ts';
import type { Swap } from '../../movement/read-swaps.ts';
import { MAX_SWAPS, readSwaps } from '../../movement/read-swaps.ts';
import type { Level } from '../../movement/fit-movement.ts';
import type { Pattern } from '../../movement/movement.ts';
import { PATTERNS } from '../../movement/movement.ts';
import type { Spare } from '../../movement/spare.ts';
import type { Column } from './column-names.ts';
import { columnOf } from './column-names.ts';
import { capitalized } from '../../words/words.ts';
import { isSpare, SPARE_WORDS, SPARES } from '../../movement/spare.ts';

export interface NewPerson {
  readonly name: string;
  readonly detail: string;
  readonly timeZone: string;
  readonly joinedOn: DayDate;
  readonly address: string;
  readonly kit?: readonly string[];
  readonly spares: readonly Spare[];
  readonly levels: Readonly<Partial<Record<Pattern, Level>>>;
  readonly swaps: readonly Swap[];
}

export interface PersonRow {
  /** Of the text, from 1, a header included. */
  readonly line: number;
  readonly name: string;
  /** Absent where the row has an error. */
  readonly person?: NewPerson;
  readonly errors: readonly { readonly column: string; readonly message: string }[];
}

export interface ReadPeople {
  readonly rows: readonly PersonRow[];
  /** What is wrong with all of it; then there are no rows. */
  readonly error?: string;
  readonly unknownColumns: readonly string[];
}

export const MAX_PEOPLE_ROWS = 400;
const MAX_TEXT = 200_000;
const TOO_MANY = `At most ${MAX_PEOPLE_ROWS} people at a time; these are more.`;

/** What is taken where nothing is said. */
export interface PeopleDefaults {
  readonly timeZone: string;
  readonly joinedOn: DayDate;
}

/**
 * Reads people as they are pasted: a line each, a name alone or with an address, a group or a time zone beside it (`Ada Fennick,
 * ada@example.org`, `Ada Fennick <ada@example.org>`, `Ada Fennick; violins`), or a table with a header line (RFC 4180; commas,
 * semicolons or tabs; UTF-8). Lists in a table's cell are parted by `;` or `/`; a level is one number for all, or `push=2; squat=3`.
 * Nothing is written by reading; what is wrong is named with its line and column. `existing` are names that are in the programme
 * already. Swaps (`push-up -> wall push-up; ...`) are read with a library; without one they are passed by.
 */
export function readPeople(
  text: string,
  defaults: PeopleDefaults,
  existing: readonly string[],
  library?: MovementLibrary,
): ReadPeople {
  const refused = (error: string, unknownColumns: readonly string[] = []): ReadPeople => ({
    rows: [],
    unknownColumns,
    error,
  });
  if (text.length > MAX_TEXT) return refused('A roster has at most 200 kB; paste it in parts.');
  const plain = text.replace(/^\ufeff/, '');
  if (plain.trim() === '') return refused('There is nobody in it yet. Write a name on each line.');
  const isTable = isHeader(plain.trimStart().split(/\r\n|\n|\r/, 1)[0]!);
  const seen = new Set(existing.map((n) => n.trim().toLowerCase()));
  const row = (cell: (column: Column) => string, line: number): PersonRow => {
    const read = readRow(cell, line, defaults, seen, library);
    seen.add(read.name.toLowerCase());
    return read;
  };
  if (!isTable) {
    const lines = plain
      .split(/\r\n|\n|\r/)
      .flatMap((l, i) => (l.trim() === '' ? [] : [{ line: i + 1, cells: readLine(l) }]));
    if (lines.length > MAX_PEOPLE_ROWS) return refused(TOO_MANY);
    return { unknownColumns: [], rows: lines.map(({ line, cells }) => row((column) => cells[column] ?? '', line)) };
  }
  const parsed = Papa.parse<string[]>(plain, { skipEmptyLines: 'greedy', preview: MAX_PEOPLE_ROWS + 2 });
  const [header = [], ...body] = parsed.data;
  const columns = header.map(columnOf);
  const unknownColumns = header.filter((c, i) => columns[i] === undefined && c.trim() !== '');
  if (!columns.includes('name') && !columns.includes('last name'))
    return refused('A column “name” is missing in the first line.', unknownColumns);
  const twice = columns.find((c, i) => c !== undefined && columns.indexOf(c) !== i);
  if (twice) return refused(`The column “${twice}” stands there twice.`, unknownColumns);
  if (body.length > MAX_PEOPLE_ROWS) return refused(TOO_MANY, unknownColumns);
  return {
    unknownColumns,
    rows: body.map((cells, i) =>
      row((column) => unguarded(columns.includes(column) ? (cells[columns.indexOf(column)] ?? '') : '').trim(), i + 2),
    ),
  };
}

/** A cell without the apostrophe that keeps a spreadsheet from taking it for a formula, as our own rosters have it. */
const unguarded = (cell: string): string => cell.replace(/^'(?=[=+\-@])/, '');

/** A line that names columns: the name's, or two others. Someone who is called Name Group would have to be written by hand. */
function isHeader(line: string): boolean {
  const columns = (Papa.parse<string[]>(line, { preview: 1 }).data[0] ?? []).map(columnOf);
  return columns.includes('name') || columns.filter((c) => c !== undefined).length > 1;
}

const ADDRESS = /^[^\s@<>,;]+@[^\s@<>,;]+$/;
const PHONE = /^\+?[\d ()/.-]{6,}$/;

/** One person's line, its parts by what they look like. */
function readLine(line: string): Partial<Record<Column, string>> {
  const plain = line.trim().replace(/^(?:[-*•·–]|\d{1,3}[.)])\s+/, '');
  const opens = plain.endsWith('>') ? plain.lastIndexOf('<') : -1;
  const cells = (opens < 0 ? plain : `${plain.slice(0, opens).trim()},${plain.slice(opens + 1, -1)}`)
    .split(/[,;\t]/)
    .map((c) => c.trim());
  // A name and its address with nothing but a blank between them.
  const words = cells.length === 1 ? cells[0]!.split(/\s+/) : [];
  const isLoose = words.length > 1 && words.at(-1)!.includes('@');
  const out: Partial<Record<Column, string>> = {};
  for (const cell of isLoose ? [words.slice(0, -1).join(' '), words.at(-1)!] : cells) {
    if (cell === '') continue;
    const column: Column =
      ADDRESS.test(cell) || PHONE.test(cell)
        ? 'address'
        : out.name === undefined
          ? 'name'
          : isTimeZone(cell)
            ? 'time zone'
            : 'group';
    out[column] = out[column] === undefined ? cell : `${out[column]}, ${cell}`;
  }
  // An address alone says who it is, as well as it can.
  if (out.name === undefined && out.address !== undefined && out.address.includes('@'))
    out.name = out.address
      .slice(0, out.address.indexOf('@'))
      .split(/[._-]+/)
      .map(capitalized)
      .join(' ');
  return out;
}

const parts = (cell: string) =>
  cell
    .split(/[;/|]/)
    .map((p) => p.trim())
    .filter((p) => p !== '');

function readRow(
  cell: (column: Column) => string,
  line: number,
  defaults: PeopleDefaults,
  seen: ReadonlySet<string>,
  library: MovementLibrary | undefined,
): PersonRow {
  const errors: { column: string; message: string }[] = [];
  const push = (column: string, message: string) => void errors.push({ column, message });
  const name = [cell('name'), cell('last name')].filter(Boolean).join(' ');
  if (name === '') push('name', 'A name is missing.');
  else if (countLetters(name) > 80) push('name', 'A name has at most 80 letters.');
  else if (seen.has(name.toLowerCase())) push('name', `“${name}” is there already.`);
  const detail = cell('group');
  if (countLetters(detail) > 80) push('group', 'At most 80 letters.');
  const address = cell('address');
  if (countLetters(address) > 120) push('address', 'At most 120 letters.');
  const timeZone = cell('time zone') || defaults.timeZone;
  if (!isTimeZone(timeZone)) push('time zone', `“${timeZone}” is no time zone; write it like Europe/Vienna.`);
  const since = cell('joined');
  const joinedOn = since === '' ? defaults.joinedOn : parseDayDate(since);
  if (!joinedOn) push('joined', `“${since}” is no date; write it like ${defaults.joinedOn}.`);
  const kit = cell('kit');
  const spares = parts(cell('avoid'))
    .map((word) => {
      const key = word.toLowerCase();
      const found = isSpare(key) ? key : SPARES.find((s) => SPARE_WORDS[s] === key || SPARE_WORDS[s] === `sore ${key}`);
      if (!found) push('avoid', `“${word}” is nothing to avoid; there are ${SPARES.join(', ')}.`);
      return found;
    })
    .filter((s) => s !== undefined);
  const levels = readLevels(cell('level'), push);
  const written = cell('swaps')
    .split(';')
    .map((s) => s.trim())
    .filter((s) => s !== '');
  if (written.length > MAX_SWAPS) push('swaps', `At most ${MAX_SWAPS} swaps.`);
  const { swaps, errors: wrong } = library ? readSwaps(written, library) : { swaps: [], errors: [] };
  for (const message of wrong) push('swaps', message);
  return {
    line,
    name,
    errors,
    ...(errors.length === 0 && {
      person: {
        name,
        detail,
        timeZone,
        joinedOn: joinedOn!,
        address,
        ...(kit !== '' && { kit: kit.toLowerCase() === 'none' ? [] : parts(kit.toLowerCase()).slice(0, 20) }),
        spares: [...new Set(spares)],
        levels,
        swaps,
      },
    }),
  };
}

function readLevels(cell: string, push: (column: string, message: string) => void): Partial<Record<Pattern, Level>> {
  if (cell === '') return {};
  const level = (text: string): Level | undefined => {
    if (/^[1-5]$/.test(text.trim())) return Number(text) as Level;
    push('level', `“${text.trim()}” is no level; levels are 1 to 5.`);
    return undefined;
  };
  if (!cell.includes('=')) {
    const all = level(cell);
    return all ? Object.fromEntries(PATTERNS.map((p) => [p, all])) : {};
  }
  const out: Partial<Record<Pattern, Level>> = {};
  for (const part of parts(cell)) {
    const [pattern = '', value = ''] = part.split('=').map((x) => x.trim());
    const known = PATTERNS.find((p) => p === pattern.toLowerCase());
    if (!known) push('level', `“${pattern}” is no pattern; there are ${PATTERNS.join(', ')}.`);
    const read = level(value);
    if (known && read) out[known] = read;
  }
  return out;
}
