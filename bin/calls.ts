/** `./ysodos calls [--json] FILE...`: what the clock calls for somebody who keeps to the likely pace; `-` is standard input. */
import { likelyCalls } from '../core/clock/voice/likely-calls.ts';
import { baseLibrary } from '../core/movement/library.ts';
import { analyseText } from '../core/session/analyse.ts';
import { formatClock } from '../core/words/format-clock.ts';
import { readGivenFiles, writeJson } from './parts/read-files.ts';
import { runCommand } from './parts/say.ts';
import { sayIssues } from './parts/say-issues.ts';

runCommand(async () => {
  const { files, isJson } = readGivenFiles('calls', true);
  const called = files.map(({ file, text }) => {
    const analysis = analyseText(text, baseLibrary);
    return { file, issues: analysis.issues, calls: likelyCalls(analysis.plan, analysis.blocks, baseLibrary) };
  });
  for (const { file, issues } of called) sayIssues(file, issues);
  if (isJson) writeJson(called.map(({ file, calls }) => ({ file, calls })));
  else
    for (const { file, calls } of called) {
      if (called.length > 1) process.stdout.write(`# ${file}\n`);
      for (const { at, say, kind } of calls)
        process.stdout.write(`${formatClock(Math.round(at)).padStart(7)}  ${say || kind}\n`);
    }
  return called.some(({ issues }) => issues.length > 0) ? 1 : 0;
});
