/**
 * `npm run library`: makes the shelf that is shipped from the review form, the spreadsheets in core/movement/library. What breaks a
 * rule is told with file, row and column, and nothing is written.
 */
import { readFileSync, writeFileSync } from 'node:fs';
import { readBreathingSheet, readCautionSheet, readMovementSheet } from '../../core/movement/review.ts';
import type { Result } from '../../core/result.ts';
import { CommandError, runCommand } from '../parts/say.ts';

const FOLDER = new URL('../../core/movement/library/', import.meta.url);
const SHEETS = ['lower-body.csv', 'upper-body.csv', 'trunk-and-heart.csv', 'mobility.csv'];
export const SHELF_FILE = new URL('shelf.generated.ts', FOLDER);

const readText = (file: string) => readFileSync(new URL(file, FOLDER), 'utf8');

function valueOf<T>(read: Result<T>): T {
  if (read.status === 'refused') throw new CommandError(read.message, 'Correct the cell, then run this again.');
  return read.value;
}

/** The module that is shipped, as text. */
export function makeShelf(): string {
  const rows = SHEETS.flatMap((file) => valueOf(readMovementSheet(file, readText(file))));
  const cautions = valueOf(readCautionSheet('cautions.csv', readText('cautions.csv')));
  const breathing = valueOf(readBreathingSheet('breathing.csv', readText('breathing.csv')));
  const lines = (list: readonly unknown[]) => list.map((x) => `    ${JSON.stringify(x)},`).join('\n');
  return `// Made from the spreadsheets beside it by \`npm run library\`; correct those, not this.
import type { ShippedShelf } from '../shelf.ts';

export const SHELF: ShippedShelf = {
  rows: [
${lines(rows)}
  ],
  cautions: [
${lines(cautions)}
  ],
  breathing: ${JSON.stringify(breathing)} as ShippedShelf['breathing'],
};
`;
}

if (process.argv[1]?.endsWith('library.ts'))
  runCommand(async () => {
    const text = makeShelf();
    writeFileSync(SHELF_FILE, text);
    process.stdout.write(`${text.split('\n').length - 9} rows written.\n`);
    return 0;
  });
