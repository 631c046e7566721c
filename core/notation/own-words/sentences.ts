import { D, N, re } from './phrases/spoken-numbers.ts';
import { fold } from './phrases/strip.ts';

/** Letters of a sentence that are read; a longer one is read so far, and what is behind is kept as words. */
export const MOST_LETTERS = 400;

/** Letters of a line that are read; what is behind is kept as words. */
export const MOST_OF_LINE = 2000;

/** A full stop behind one of these ends no sentence. */
const SHORTENED =
  /(?:^|[^\p{L}])(?:min|mins|sec|secs|approx|incl|reps?|ex|no|alt|ea|vs|e\.g|i\.e|max|ca)$|^\W*\d{1,2}$/u;

/** A rest that comes before what follows: "rest 5 minutes, then …". */
const REST_FIRST = re`^\\W*(?:then )?(?:take |have )?(?:an? )?(?:rest|break)(?: for| of)?\\s*${D}\\s*[,;]?\\s*(?:(?:and )?(?=then\\s)|(?=and\\s))`;

const END = /(?:[.!?]+["')\]]*|;)\s+(?=["(]?[\p{L}\p{N}])/gu;

/** Where a new list begins within a sentence: "…, then 3 rounds of …". */
const NEW_LIST = re`(?:[\\s,;.-]*\\band)?[\\s,;.-]*\\b(?:then|followed by|after that|afterwards|into|finally)\\b[\\s,:]*(?=(?:(?:we|you|it's|do|complete|go|a|an|the|for|i want you to|straight)\\s+)*(?:(?:${N})\\s*(?:(?:-|to)\\s*${N}\\s*)?(?:rounds?|rds?|sets?|circuits?)\\b|${D}\\s*(?:amrap|emom|of amrap)|amrap\\b|e\\d?mom\\b|every\\s+${D}|tabata\\b|as many rounds))`;

export interface Sentence {
  readonly start: number;
  readonly end: number;
}

/** The sentences of a stretch of a source, and the parts of one that begin a list of their own. */
export function sentencesOf(source: string, start: number, end: number): Sentence[] {
  const text = fold(source.slice(start, end));
  const cuts: number[] = [];
  for (const { index, 0: mark } of text.matchAll(END)) {
    const depth = (text.slice(0, index).match(/\(/g)?.length ?? 0) - (text.slice(0, index).match(/\)/g)?.length ?? 0);
    const isEnd = depth <= 0 && !(mark.startsWith('.') && SHORTENED.test(text.slice(0, index)));
    if (isEnd) cuts.push(index + mark.length);
  }
  const found: Sentence[] = [];
  for (const [i, to] of [...cuts, text.length].entries()) found.push(...listsOf(text, cuts[i - 1] ?? 0, to));
  return found.map((s) => ({ start: start + s.start, end: start + s.end }));
}

function listsOf(text: string, from: number, to: number): Sentence[] {
  const found: Sentence[] = [];
  let start = from;
  const rest = REST_FIRST.exec(text.slice(from, to));
  if (rest) {
    found.push({ start, end: from + rest[0].length });
    start = from + rest[0].length;
  }
  for (;;) {
    const next = NEW_LIST.exec(text.slice(start + 1, to));
    if (!next || !/\p{L}/u.test(text.slice(start, start + 1 + next.index))) break;
    const at = start + 1 + next.index;
    found.push({ start, end: at });
    start = at + /^[\s,;.-]*/.exec(next[0])![0].length;
  }
  return [...found, { start, end: to }];
}
