import { takeHeader } from './phrases/header-phrases.ts';
import { fold, Strip } from './phrases/strip.ts';

export interface Stretch {
  readonly start: number;
  readonly end: number;
}

/** A table of days (a column each) by blocks (a row each): each day's cells from top to bottom. */
export interface PlanTable {
  readonly days: readonly { readonly heading: Stretch | undefined; readonly stretches: readonly Stretch[] }[];
  /** Names of columns that are no day: they say nothing of their own. */
  readonly names: readonly Stretch[];
}

export const DAY_CELL = /^\W*(?:(?:mon|tue|wed|thu|fri|sat|sun)[a-z]*|day\s*\d{1,2})\W*$/;

/** The cells of a line, by their separator; quotation marks around a cell are left out. */
export function cellsOf(source: string, start: number, end: number, separator: string): Stretch[] {
  const cells: Stretch[] = [];
  let from = start;
  let isQuoted = false;
  const push = (to: number) => {
    const isIn = source[from] === '"' && source[to - 1] === '"' && to - from >= 2;
    cells.push(isIn ? { start: from + 1, end: to - 1 } : { start: from, end: to });
  };
  for (let i = start; i < end; i++) {
    if (source[i] === '"') isQuoted = !isQuoted;
    if (isQuoted || source[i] !== separator) continue;
    push(i);
    from = i + 1;
  }
  push(end);
  return cells;
}

/** The table that a source is, if it is one whose columns are days; undefined otherwise. */
export function findTable(source: string): PlanTable | undefined {
  const lines = [...source.matchAll(/[^\r\n]+/g)].map((m) => ({ start: m.index, end: m.index + m[0].length }));
  const head = lines[0];
  if (!head || lines.length < 2) return undefined;
  for (const separator of ['\t', ';', ',', '|']) {
    const cells = cellsOf(source, head.start, head.end, separator);
    const isDay = cells.map(({ start, end }) => DAY_CELL.test(fold(source.slice(start, end))));
    if (isDay.filter(Boolean).length < 2) continue;
    const rows = lines.slice(1).map(({ start, end }) => cellsOf(source, start, end, separator));
    const label = isDay[0] ? -1 : 0;
    const isEmpty = ({ start, end }: Stretch) => source.slice(start, end).trim() === '';
    // What stands in no day's column is kept behind the first day.
    const others = rows.flatMap((row) =>
      row.filter((cell, column) => !isDay[column] && !isEmpty(cell) && !(column === label && isRole(source, cell))),
    );
    const first = isDay.indexOf(true);
    return {
      names: cells.filter((cell, column) => !isDay[column] && !isEmpty(cell)),
      days: cells.flatMap((heading, column) => {
        if (!isDay[column]) return [];
        const stretches = rows.flatMap((row) => {
          const cell = row[column];
          const name = label < 0 ? undefined : row[label];
          if (!cell || source.slice(cell.start, cell.end).trim() === '') return [];
          return [...(name && isRole(source, name) ? [name] : []), ...linesOf(source, cell)];
        });
        return [{ heading, stretches: column === first ? [...stretches, ...others] : stretches }];
      }),
    };
  }
  return undefined;
}

function isRole(source: string, { start, end }: Stretch): boolean {
  const strip = new Strip(source, start, end);
  const { role } = takeHeader(strip);
  return role !== undefined && strip.lettersLeft === 0;
}

/** A cell's lines: what semicolons, slashes with blanks and breaks set apart. */
function linesOf(source: string, { start, end }: Stretch): Stretch[] {
  const found: Stretch[] = [];
  let from = start;
  for (const { index, 0: mark } of source.slice(start, end).matchAll(/\s*;\s*|\s+\/\s+|\s*\n\s*/g)) {
    found.push({ start: from, end: start + index });
    from = start + index + mark.length;
  }
  found.push({ start: from, end });
  return found;
}
