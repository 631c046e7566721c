import { countLetters } from '../letters.ts';
import Papa from 'papaparse';
import type { DayDate } from '../calendar/day.ts';
import { parseDayDate } from '../calendar/day.ts';
import { isTimeZone } from '../calendar/release.ts';
import type { MovementLibrary } from '../movement/library.ts';
import type { Swap } from '../movement/read-swaps.ts';
import { MAX_SWAPS, readSwaps } from '../movement/read-swaps.ts';
import type { Level } from '../movement/fit-movement.ts';
import type { Pattern } from '../movement/movement.ts';
import { PATTERNS } from '../movement/movement.ts';
import type { Spare } from '../movement/spare.ts';
import { isSpare, SPARE_WORDS, SPARES } from '../movement/spare.ts';

export interface NewPerson {
  readonly name: string;
  readonly detail: string;
  readonly timeZone: string;
  readonly joinedOn: DayDate;
  readonly channel: string;
  readonly kit?: readonly string[];
  readonly spares: readonly Spare[];
  readonly levels: Readonly<Partial<Record<Pattern, Level>>>;
  readonly swaps: readonly Swap[];
}

export interface PeopleCsvRow {
  /** Of the file, from 1, the header included. */
  readonly line: number;
  readonly name: string;
  /** Absent where the row has an error. */
  readonly person?: NewPerson;
  readonly errors: readonly { readonly column: string; readonly message: string }[];
}

export interface PeopleCsv {
  readonly rows: readonly PeopleCsvRow[];
  /** What is wrong with the file as a whole; then there are no rows. */
  readonly error?: string;
  readonly unknownColumns: readonly string[];
}

export const PEOPLE_COLUMNS = [
  'name',
  'detail',
  'time zone',
  'since',
  'channel',
  'kit',
  'spare',
  'level',
  'swaps',
] as const;
const OTHER_SPELLINGS: Record<string, (typeof PEOPLE_COLUMNS)[number]> = {
  zone: 'time zone',
  timezone: 'time zone',
  joined: 'since',
  email: 'channel',
  'e-mail': 'channel',
  phone: 'channel',
  team: 'detail',
  branch: 'detail',
  instrument: 'detail',
  spares: 'spare',
  'to spare': 'spare',
  levels: 'level',
  swap: 'swaps',
};
export const MAX_PEOPLE_ROWS = 400;
const MAX_TEXT = 200_000;

/**
 * Reads a roster (RFC 4180; commas, semicolons or tabs; UTF-8) with a header line. Lists in a cell are parted by `;`
 * or `/`; a level is one number for all, or `push=2; squat=3`. Nothing is written by reading; every wrong cell is named
 * with its line and column. `existing` are names that are in the programme already. Swaps (`push-up -> wall push-up; ...`) are read
 * with a library; without one they are passed by.
 */
export function readPeopleCsv(
  text: string,
  defaults: { readonly timeZone: string; readonly joinedOn: DayDate },
  existing: readonly string[],
  library?: MovementLibrary,
): PeopleCsv {
  if (text.length > MAX_TEXT)
    return { rows: [], unknownColumns: [], error: 'A roster has at most 200 kB; bring it in in parts.' };
  const parsed = Papa.parse<string[]>(text.replace(/^\ufeff/, ''), {
    skipEmptyLines: 'greedy',
    preview: MAX_PEOPLE_ROWS + 2,
  });
  const [header, ...body] = parsed.data;
  if (!header || header.every((c) => c.trim() === ''))
    return {
      rows: [],
      unknownColumns: [],
      error: 'There is nothing in it. The first line names the columns: name, time zone, kit …',
    };
  const columns = header.map((c) => {
    const key = c.trim().toLowerCase().replaceAll('_', ' ');
    return PEOPLE_COLUMNS.find((k) => k === key) ?? OTHER_SPELLINGS[key];
  });
  const unknownColumns = header.filter((c, i) => columns[i] === undefined && c.trim() !== '');
  if (!columns.includes('name'))
    return { rows: [], unknownColumns, error: 'A column “name” is missing in the first line.' };
  const twice = columns.find((c, i) => c !== undefined && columns.indexOf(c) !== i);
  if (twice) return { rows: [], unknownColumns, error: `The column “${twice}” stands there twice.` };
  if (body.length > MAX_PEOPLE_ROWS)
    return {
      rows: [],
      unknownColumns,
      error: `At most ${MAX_PEOPLE_ROWS} people at a time; these are more.`,
    };
  const seen = new Set(existing.map((n) => n.trim().toLowerCase()));
  return {
    unknownColumns,
    rows: body.map((cells, i): PeopleCsvRow => {
      const row = readRow(
        (column) => (columns.includes(column) ? (cells[columns.indexOf(column)] ?? '') : '').trim(),
        i + 2,
        defaults,
        seen,
        library,
      );
      seen.add(row.name.toLowerCase());
      return row;
    }),
  };
}

const parts = (cell: string) =>
  cell
    .split(/[;/|]/)
    .map((p) => p.trim())
    .filter((p) => p !== '');

function readRow(
  cell: (column: (typeof PEOPLE_COLUMNS)[number]) => string,
  line: number,
  defaults: { timeZone: string; joinedOn: DayDate },
  seen: ReadonlySet<string>,
  library: MovementLibrary | undefined,
): PeopleCsvRow {
  const errors: { column: string; message: string }[] = [];
  const push = (column: string, message: string) => void errors.push({ column, message });
  const name = cell('name');
  if (name === '') push('name', 'A name is missing.');
  else if (countLetters(name) > 80) push('name', 'A name has at most 80 letters.');
  else if (seen.has(name.toLowerCase())) push('name', `“${name}” is there already.`);
  const detail = cell('detail');
  if (countLetters(detail) > 80) push('detail', 'At most 80 letters.');
  const channel = cell('channel');
  if (countLetters(channel) > 120) push('channel', 'At most 120 letters.');
  const timeZone = cell('time zone') || defaults.timeZone;
  if (!isTimeZone(timeZone)) push('time zone', `“${timeZone}” is no time zone; write it like Europe/Vienna.`);
  const since = cell('since');
  const joinedOn = since === '' ? defaults.joinedOn : parseDayDate(since);
  if (!joinedOn) push('since', `“${since}” is no date; write it like ${defaults.joinedOn}.`);
  const kit = cell('kit');
  const spares = parts(cell('spare'))
    .map((word) => {
      const key = word.toLowerCase();
      const found = isSpare(key) ? key : SPARES.find((s) => SPARE_WORDS[s] === key || SPARE_WORDS[s] === `sore ${key}`);
      if (!found) push('spare', `“${word}” is nothing to spare; there are ${SPARES.join(', ')}.`);
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
        channel,
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
