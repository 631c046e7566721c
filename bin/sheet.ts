/** `./ysodos sheet FILE...`: what a participant reads of session files; `-` is standard input. */
import { sheetText } from '../core/exchange/session-text.ts';
import { baseLibrary } from '../core/movement/library.ts';
import { analyseText } from '../core/session/analyse.ts';
import { buildSheet } from '../core/session/session-sheet.ts';
import { readGivenFiles } from './parts/read-files.ts';
import { sayIssues } from './parts/say-issues.ts';
import { runCommand } from './parts/say.ts';

runCommand(async () => {
  const read = readGivenFiles('sheet', false).files.map(({ file, text }) => ({
    file,
    analysis: analyseText(text, baseLibrary),
  }));
  for (const { file, analysis } of read) sayIssues(file, analysis.issues);
  const sheets = read.map(({ analysis: { document, blocks, plan } }) =>
    sheetText(buildSheet(document, blocks, plan, baseLibrary)),
  );
  process.stdout.write(`${sheets.join('\n\n')}\n`);
  return read.some(({ analysis }) => analysis.issues.length > 0) ? 1 : 0;
});
