import { fold } from './phrases/strip.ts';
import type { Stretch } from './tables.ts';
import { cellsOf } from './tables.ts';

/** What the cells of a column say of a row's movement. */
export type ColumnKind =
  'day' | 'role' | 'group' | 'name' | 'sets' | 'reps' | 'setsByReps' | 'rest' | 'load' | 'tempo' | 'note';

export type TableRow = Readonly<Partial<Record<ColumnKind, Stretch>>>;

/** A table with a row for each movement: where its name, sets, repetitions, rest and the rest of it stand. */
export interface ExerciseTable {
  readonly head: Stretch;
  readonly rows: readonly TableRow[];
  /** What stands below it. */
  readonly end: number;
}

const COLUMNS: readonly [RegExp, ColumnKind][] = [
  [/^\W*(?:day|weekday|date)\W*$/, 'day'],
  [/^\W*(?:exercises?|movements?|moves?|what|name|drills?|activity)\W*$/, 'name'],
  [/^\W*(?:sets?\s*(?:x|\*|by|\/|and|&)\s*reps?|volume|dose|dosage|prescription|scheme)\W*$/, 'setsByReps'],
  [/^\W*(?:sets?|rounds?|series|times)\W*$/, 'sets'],
  [/^\W*(?:reps?(?:etitions)?|reps?\s*\/\s*time|time|duration|how many|work|hold|amount)\W*$/, 'reps'],
  [/^\W*(?:rest|recovery|pause)\b.*$/, 'rest'],
  [/^\W*(?:load|weight|kg|intensity|%|rpe)\b.*$/, 'load'],
  [/^\W*tempo\W*$/, 'tempo'],
  [/^\W*(?:part|section|phase)\W*$/, 'role'],
  [/^\W*(?:group|superset|order|pair|#|no\.?|block)\W*$/, 'group'],
  [/^\W*(?:notes?|comments?|remarks?|cues?)\W*$/, 'note'],
];

/** The line of a table in Markdown that sets its heading apart. */
const RULE = /^[\s|:;,=_-]+$/;

/** A heading stands among the first lines, below a title at most. */
const MOST_ABOVE = 4;

/** The table of movements in a source, if it has one: columns named in one line, set apart by one sign. */
export function findExercises(source: string): ExerciseTable | undefined {
  const lines = [...source.matchAll(/[^\r\n]+/g)].map((m) => ({ start: m.index, end: m.index + m[0].length }));
  for (const [at, head] of lines.slice(0, MOST_ABOVE).entries())
    for (const separator of ['\t', ';', ',', '|']) {
      const kinds = cellsOf(source, head.start, head.end, separator).map(
        ({ start, end }) => COLUMNS.find(([pattern]) => pattern.test(fold(source.slice(start, end))))?.[1],
      );
      if (!kinds.includes('name') || kinds.filter((k) => k !== undefined).length < 2) continue;
      const below: Stretch[] = [];
      let end = head.end;
      for (const line of lines.slice(at + 1)) {
        if (cellsOf(source, line.start, line.end, separator).length < 2) break;
        end = line.end;
        if (!RULE.test(source.slice(line.start, line.end))) below.push(line);
      }
      return { head, end, rows: below.map((line) => rowOf(source, line, separator, kinds)) };
    }
  return undefined;
}

/** The cells of a row by what their columns are called; of two columns of a kind the first that isn't empty, the other is a note. */
function rowOf(source: string, line: Stretch, separator: string, kinds: readonly (ColumnKind | undefined)[]): TableRow {
  const row: Partial<Record<ColumnKind, Stretch>> = {};
  for (const [i, cell] of cellsOf(source, line.start, line.end, separator).entries()) {
    if (source.slice(cell.start, cell.end).trim() === '') continue;
    row[kinds[i] ?? 'note'] ??= cell;
  }
  return row;
}

/** The rows of a table day by day, where it has a column of days; one that leaves its day open belongs to the day above it. */
export function daysOfRows(
  source: string,
  { rows }: ExerciseTable,
): { readonly day: Stretch; readonly rows: readonly TableRow[] }[] {
  const days: { day: Stretch; rows: TableRow[] }[] = [];
  for (const row of rows) {
    const last = days.at(-1);
    const said = row.day && fold(source.slice(row.day.start, row.day.end)).trim();
    const isSame = last && (said === undefined || said === fold(source.slice(last.day.start, last.day.end)).trim());
    if (isSame) last.rows.push(row);
    else if (row.day) days.push({ day: row.day, rows: [row] });
  }
  return days;
}
