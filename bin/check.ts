/** `./ysodos check [--json] FILE...`: the plan and the findings of session files; `-` is standard input. */
import { buildCheckReport, formatCheckReport } from '../words/en/check-report.ts';
import { baseLibrary } from '../core/movement/library.ts';
import { analyseText } from '../core/session/analyse.ts';
import { sayIssues } from './parts/say-issues.ts';
import { readGivenFiles, writeJson } from './parts/read-files.ts';
import { runCommand } from './parts/say.ts';

runCommand(async () => {
  const { files, isJson } = readGivenFiles('check', true);
  const checked = files.map(({ file, text }) => ({ file, analysis: analyseText(text, baseLibrary) }));
  if (isJson) writeJson(checked.map(({ file, analysis }) => buildCheckReport(file, analysis, baseLibrary)));
  else {
    for (const { file, analysis } of checked) sayIssues(file, analysis.issues);
    process.stdout.write(
      `${checked.map(({ file, analysis }) => formatCheckReport(file, analysis, baseLibrary)).join('\n\n')}\n`,
    );
  }
  return checked.some(({ analysis }) => analysis.issues.length > 0) ? 1 : 0;
});
