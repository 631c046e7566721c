/** `./ysodos read [--json] FILE...`: plans in a coach's own words, read as sessions; `-` is standard input. */
import { baseLibrary } from '../core/movement/library.ts';
import type { OwnPlan } from '../core/notation/own-words/read-plan.ts';
import { readOwnPlan } from '../core/notation/own-words/read-plan.ts';
import { analyseText } from '../core/session/analyse.ts';
import { buildCheckReport } from '../words/en/check-report.ts';
import { doubtChoices, doubtWords } from '../words/en/own-words.ts';
import type { GivenFile } from './parts/read-files.ts';
import { readGivenFiles, writeJson } from './parts/read-files.ts';
import { runCommand } from './parts/say.ts';

const planOf = (file: string, text: string) => buildCheckReport(file, analyseText(text, baseLibrary), baseLibrary);
const isUnread = ({ pieces }: OwnPlan): boolean => pieces.some((p) => p.as === 'unread');

/** One file's object of `read --json` (docs/notation.md, "From the command line"). */
function report({ file, text: source }: GivenFile, plan: OwnPlan) {
  const isOne = plan.days.length === 1;
  const [first] = plan.days;
  const doubts = plan.doubts.map(({ start, end, facts, day }) => ({
    start,
    end,
    message: doubtWords(facts, source.slice(start, end)),
    choices: doubtChoices(facts),
    ...(!isOne && { day }),
  }));
  const pieces = plan.pieces.map(({ start, end, as, line, day }) => ({ start, end, as, line, ...(!isOne && { day }) }));
  const whole = isOne
    ? { text: first!.text, plan: planOf(file, first!.text) }
    : {
        days: plan.days.map(({ heading, week, weekday, text }) => ({
          heading,
          week,
          weekday,
          text,
          plan: planOf(file, text),
        })),
      };
  return { file, ...whole, pieces, doubts };
}

/** The same for people: the session or sessions, then what is asked, each with its place. */
function sayRead({ file, text: source }: GivenFile, plan: OwnPlan): void {
  for (const { heading, text } of plan.days)
    process.stdout.write(`${plan.days.length > 1 ? `# ${heading}\n` : ''}${text}\n`);
  for (const { start, end, facts } of plan.doubts) {
    const line = source.slice(0, start).split('\n').length;
    process.stderr.write(`${file}:${line}: ${doubtWords(facts, source.slice(start, end))}\n`);
  }
}

runCommand(async () => {
  const { files, isJson } = readGivenFiles('read', true);
  const read = files.map((given) => ({ given, plan: readOwnPlan(given.text, baseLibrary) }));
  if (isJson) writeJson(read.map(({ given, plan }) => report(given, plan)));
  else for (const { given, plan } of read) sayRead(given, plan);
  return read.some(({ plan }) => isUnread(plan)) ? 1 : 0;
});
