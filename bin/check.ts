/** `./ysodos check [--json] FILE...`: the plan and the findings of session files; `-` is standard input. */
import { readFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import { buildCheckReport, formatCheckReport } from '../words/en/check-report.ts';
import { baseLibrary } from '../core/movement/library.ts';
import { analyseText } from '../core/session/analyse.ts';
import { CommandError, runCommand } from './parts/say.ts';

function readOptions() {
  try {
    return parseArgs({ options: { json: { type: 'boolean' } }, allowPositionals: true });
  } catch (error) {
    throw new CommandError((error as Error).message, 'Write: check [--json] FILE... (- is standard input).');
  }
}

runCommand(async () => {
  const { values, positionals } = readOptions();
  if (positionals.length === 0)
    throw new CommandError('There is nothing to check.', 'Name one file or more, or - for standard input.');
  const read = positionals.map((file) => {
    try {
      return { file: file === '-' ? 'standard input' : file, text: readFileSync(file === '-' ? 0 : file, 'utf8') };
    } catch (error) {
      throw new CommandError(
        `${file} can’t be read: ${(error as Error).message}`,
        'Look at its name, and whether it may be read.',
      );
    }
  });
  const checked = read.map(({ file, text }) => ({ file, analysis: analyseText(text, baseLibrary) }));
  if (values.json)
    process.stdout.write(
      `${JSON.stringify(
        checked.map(({ file, analysis }) => buildCheckReport(file, analysis, baseLibrary)),
        null,
        2,
      )}\n`,
    );
  else {
    for (const { file, analysis } of checked) {
      for (const issue of analysis.issues) {
        const near = issue.suggestions.length > 0 ? ` Nearest: ${issue.suggestions.join(', ')}` : '';
        process.stderr.write(`${file}:${issue.line}:${issue.column}: ${issue.message}${near}\n`);
      }
    }
    process.stdout.write(
      `${checked.map(({ file, analysis }) => formatCheckReport(file, analysis, baseLibrary)).join('\n\n')}\n`,
    );
  }
  return checked.some(({ analysis }) => analysis.issues.length > 0) ? 1 : 0;
});
