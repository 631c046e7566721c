import { sheetFilms } from '../session/session-sheet.ts';
import type { Film, SessionSheet, SheetBlock, SheetLine } from '../session/session-sheet.ts';

/** `10 squat (each side)`; a rest is `0:20 rest`. */
export const lineText = ({ figure, name = 'rest', details }: SheetLine): string =>
  `${[figure, name].filter((part) => part !== '').join(' ')}${details === undefined ? '' : ` (${details})`}`;

const blockText = ({ name, rule, rules, lines, thenRest }: SheetBlock): string =>
  [
    `${name}: ${rule}`,
    ...rules.map((r) => `  ${r}`),
    ...lines.map((l) => `- ${lineText(l)}`),
    ...(thenRest ? [thenRest] : []),
  ].join('\n');

/** `40 min (38 to 42), effort 6 of 10`. */
export const sheetLength = ({ length, range, effort }: SessionSheet): string =>
  `${length}${range === '' ? '' : ` (${range})`}${effort === null ? '' : `, effort ${effort} of 10`}`;

/** `Film of squat: https://…`, a line each; nothing: empty. */
export const filmLines = (films: readonly Film[]): string =>
  films.map(({ of, url }) => `Film of ${of}: ${url}`).join('\n');

/** A session as plain text, with exact numbers, ready for any chat, mail or description. Ends without a newline. */
export const sheetText = (sheet: SessionSheet): string =>
  [
    [sheet.title, sheetLength(sheet), `Have ready: ${sheet.kit}`, ...(sheet.note === '' ? [] : [sheet.note])].join(
      '\n',
    ),
    ...sheet.blocks.map(blockText),
    ...[filmLines(sheetFilms(sheet))].filter((films) => films !== ''),
  ].join('\n\n');
