import Papa from 'papaparse';
import type { ObjectSchema } from 'yup';
import { number, object, string, ValidationError } from 'yup';
import type { Result } from '../result.ts';
import { done, refused } from '../result.ts';
import { JOINTS, movementId, PATTERNS, POSITIONS } from './movement.ts';
import type { ShelfRow } from './shelf.ts';

/**
 * The review form of the library: spreadsheets (CSV) with named columns, one movement a row, one column a joint, for a
 * physiotherapist to read and correct. Lists in a cell are parted by `;`. `counted` hold: the seconds are how long it is
 * usually held. What breaks a rule is told with its row, as the spreadsheet counts it, and its column.
 */
const YES = /^(?:yes|)$/;
const lower = () =>
  string()
    .defined()
    .matches(/^[^|\n]*$/, 'has a stroke or a new line in it');
const grade = () => number().required().integer().min(0).max(3);
const seconds = () => number().required().moreThan(0).max(600);

const MOVEMENT_ROW = object({
  name: lower().required().max(80),
  'other names': lower(),
  pattern: string().required().oneOf(PATTERNS),
  position: string().required().oneOf(POSITIONS),
  floor: string().defined().oneOf(['', 'floor']),
  counted: string().required().oneOf(['reps', 'hold']),
  sides: string().required().oneOf(['both', 'one at a time']),
  overhead: string().defined().matches(YES, 'is yes or empty'),
  'prepares wrists': string().defined().matches(YES, 'is yes or empty'),
  kit: lower(),
  effort: number().required().integer().min(1).max(5),
  'quick s': seconds(),
  'likely s': seconds().when('quick s', ([quick], schema) =>
    schema.min(quick as number, 'is less than the quick pace'),
  ),
  'careful s': seconds().when('likely s', ([likely], schema) =>
    schema.min(likely as number, 'is less than the likely pace'),
  ),
  'pace source': string().defined().oneOf(['', 'seen']),
  ...(Object.fromEntries(JOINTS.map((j) => [j, grade()])) as Record<(typeof JOINTS)[number], ReturnType<typeof grade>>),
  impact: grade(),
  noise: grade(),
  'set-up': lower().required().max(200),
  doing: lower().required().max(200),
  'watch for': lower().required().max(200),
  parts: lower(),
});

const CAUTION_ROW = object({
  place: string()
    .required()
    .oneOf([...JOINTS, 'impact']),
  'from grade': number().required().integer().min(1).max(3),
  'what they hear': lower().required().max(200),
});

const BREATHING_ROW = object({
  pattern: string().required().oneOf(PATTERNS),
  breathing: lower().required().max(200),
});

/** Reads one sheet. The failure names the file, the row as a spreadsheet counts it (the heading is row 1), and the column. */
function readSheet<T extends object>(file: string, csv: string, schema: ObjectSchema<T>): Result<T[]> {
  const { data, errors, meta } = Papa.parse<Record<string, string>>(csv, { header: true, skipEmptyLines: 'greedy' });
  const wanted = Object.keys(schema.fields);
  const missing = wanted.find((c) => !meta.fields?.includes(c));
  if (missing !== undefined) return refused(`${file}: the column “${missing}” is missing`);
  const strange = meta.fields?.find((c) => !wanted.includes(c));
  if (strange !== undefined) return refused(`${file}: “${strange}” is no column of this sheet`);
  const [broken] = errors;
  if (broken) return refused(`${file}, row ${(broken.row ?? 0) + 2}: ${broken.message}`);
  const rows: T[] = [];
  for (const [i, cells] of data.entries()) {
    try {
      rows.push(schema.validateSync(trimmed(cells), { stripUnknown: true }) as T);
    } catch (error) {
      if (!(error instanceof ValidationError)) throw error;
      const column = (error.path ?? '').replace(/^\["|"\]$/g, '');
      return refused(
        `${file}, row ${i + 2}, column “${column}”: ${error.message.replaceAll('["', '').replaceAll('"]', '')}`,
      );
    }
  }
  return done(rows);
}

const trimmed = (cells: Record<string, string>): Record<string, string> =>
  Object.fromEntries(Object.entries(cells).map(([key, value]) => [key, String(value).trim()]));

const list = (cell: string) =>
  cell
    .split(';')
    .map((w) => w.trim())
    .filter((w) => w !== '');

/** A sheet of movements as rows of the shelf. */
export function readMovementSheet(file: string, csv: string): Result<ShelfRow[]> {
  const read = readSheet(file, csv, MOVEMENT_ROW);
  if (read.status !== 'done') return read;
  return done(
    read.value.map((r): ShelfRow => [
      r.name,
      list(r['other names']).join(';'),
      PATTERNS.indexOf(r.pattern),
      POSITIONS.indexOf(r.position),
      `${r.counted === 'hold' ? 'h' : ''}${r.sides === 'one at a time' ? '1' : ''}${r.overhead ? 'o' : ''}${r.floor ? 'f' : ''}${r['prepares wrists'] ? 'p' : ''}${r['pace source'] ? 's' : ''}`,
      list(r.kit).join(';'),
      r.effort,
      `${r['quick s']}/${r['likely s']}/${r['careful s']}`,
      `${JOINTS.map((j) => r[j]).join('')}${r.impact}${r.noise}`,
      r['set-up'],
      r.doing,
      r['watch for'],
      list(r.parts).map(movementId).join(';'),
    ]),
  );
}

/** What someone with a sore place hears: place, from which grade, the words. */
export function readCautionSheet(file: string, csv: string): Result<(readonly [string, number, string])[]> {
  const read = readSheet(file, csv, CAUTION_ROW);
  if (read.status !== 'done') return read;
  return done(read.value.map((r) => [r.place, r['from grade'], r['what they hear']] as const));
}

/** How one breathes, by pattern; each pattern stands there once. */
export function readBreathingSheet(file: string, csv: string): Result<Record<string, string>> {
  const read = readSheet(file, csv, BREATHING_ROW);
  if (read.status !== 'done') return read;
  const missing = PATTERNS.find((p) => read.value.filter((r) => r.pattern === p).length !== 1);
  if (missing !== undefined) return refused(`${file}: “${missing}” has to stand there once`);
  return done(Object.fromEntries(read.value.map((r) => [r.pattern, r.breathing])));
}
