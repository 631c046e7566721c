import Papa from 'papaparse';

/** Cells that a spreadsheet would take for a formula are quoted by it (docs/formulas.md 7). */
const FORMULA = /^[=+\-@\t\r\n＝＋－＠]/;

/** Where a spreadsheet parts lines by semicolons or tabs, what stands behind one begins a cell of its own. */
const FORMULA_WITHIN = /([;\t\r\n][ \u00a0]*)(?=[=+\-@＝＋－＠])/g;
const harmless = (cell: unknown): unknown => (typeof cell === 'string' ? cell.replace(FORMULA_WITHIN, "$1'") : cell);

/** Rows as a CSV file's text: RFC 4180, with the mark by which spreadsheets know UTF-8. */
export const toCsv = (rows: readonly object[]): string =>
  `\uFEFF${Papa.unparse(
    rows.map((row) => Object.fromEntries(Object.entries(row).map(([name, cell]) => [name, harmless(cell)]))),
    { escapeFormulae: FORMULA, newline: '\r\n' },
  )}`;

/** A file of figures, as CSV or JSON, that a browser saves. */
export const fileAnswer = (name: string, isCsv: boolean, content: string): Response =>
  new Response(content, {
    headers: {
      'cache-control': 'private, no-store',
      'content-type': isCsv ? 'text/csv; charset=utf-8' : 'application/json; charset=utf-8',
      'content-disposition': `attachment; filename="${name}.${isCsv ? 'csv' : 'json'}"`,
    },
  });
