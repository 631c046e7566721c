const ESCAPED: Readonly<Record<string, string>> = { '%': '%25', '|': '%7C', '\n': '%0A' };
const MEANT: Readonly<Record<string, string>> = { '25': '%', '7C': '|', '0A': '\n' };

const packCell = (cell: string | number): string => String(cell).replace(/[%|\n]/g, (sign) => ESCAPED[sign]!);
const unpackCell = (cell: string): string =>
  cell.includes('%') ? cell.replace(/%(25|7C|0A)/g, (_, code: string) => MEANT[code]!) : cell;

/**
 * Lines of cells as one short text, none of them without cells: hundreds of small things cost more to encode one by one, on the
 * server and on the page, and quotes and names of fields weigh more than what they hold.
 */
export const packLines = (lines: readonly (readonly (string | number)[])[]): string =>
  lines.map((cells) => cells.map(packCell).join('|')).join('\n');

/** The lines again, all of their cells as text. */
export const unpackLines = (packed: string): string[][] =>
  packed === '' ? [] : packed.split('\n').map((line) => line.split('|').map(unpackCell));
