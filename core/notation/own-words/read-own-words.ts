import type { MovementLibrary } from '../../movement/library.ts';
import { openBlock } from './build-blocks.ts';
import type { Answers } from './piece.ts';
import { Strip } from './phrases/strip.ts';
import type { OwnWords } from './finish-reading.ts';
import { finish } from './finish-reading.ts';
import type { State } from './reading-state.ts';
import { current, open, blockTarget, take } from './reading-state.ts';
import type { ExerciseTable } from './exercise-table.ts';
import { readRows, takeCell } from './read-exercises.ts';
import { readField } from './read-fields.ts';
import { readRest } from './apply-lines.ts';
import { readList } from './read-lists.ts';
import { keepAsNote } from './keep-words.ts';
import { MOST_LETTERS, MOST_OF_LINE, sentencesOf } from './sentences.ts';

/** A part of a source that belongs to one session; of a table of movements the rows that are read there. */
export interface SourceStretch {
  readonly start: number;
  readonly end: number;
  readonly rows?: ExerciseTable['rows'];
  /** The heading of those rows, where it stands in this stretch. */
  readonly head?: ExerciseTable['head'];
}

/** Reads stretches of a source, one after the other, as one session; places are those of the source. */
export function readStretch(
  source: string,
  stretches: readonly SourceStretch[],
  library: MovementLibrary,
  answers: Answers = new Map(),
): OwnWords {
  const state: State = {
    source,
    library,
    pieces: [],
    doubts: [],
    answers,
    blocks: [],
    notes: [],
    ornaments: [],
    covers: (start, end) => stretches.some((s) => start >= s.start && end <= s.end),
    items: 0,
    isHead: true,
    blankBefore: false,
  };
  for (const stretch of stretches) {
    const { start, end, rows, head } = stretch;
    if (head) takeCell(state, head, 'role', null);
    if (rows) {
      readRows(state, rows);
      continue;
    }
    let lastEnd = start;
    for (const { 0: line, index: at } of source.slice(start, end).matchAll(/[^\r\n]+/g)) {
      if (line.trim() === '') continue;
      const from = start + at;
      state.blankBefore = source.slice(lastEnd, from).split(/\r\n|\n|\r/).length > 2;
      lastEnd = from + line.length;
      readLine(state, from, lastEnd);
    }
  }
  return finish(state);
}

const ORNAMENT =
  /^(?:[\s\p{Extended_Pictographic}\u200d\ufe0f*•▪◦·_`#>|=~+.,;-]+|:(?!\d{2}\b)|\(?\d{1,2}[.)](?=\s)|\[[ x]?\])+/u;

const GROUP = /^\(?([a-h])\s?([1-9])?\s*[.):-]\s*(?=\S)|^\(?([a-h])([1-9])\s+(?=\S)/i;

const TURN =
  /^(?:(?:on )?(?:the )?(?:first|second|third|fourth|fifth|sixth|seventh|eighth|ninth|tenth|odd|even|next|last)\s*(?:min(?:ute)?s?|slot|exercise|movement|station)s?|(?:first|second|third|fourth|fifth|sixth|seventh|eighth|finally|lastly)(?:ly)?(?=\s*[:.)])|exercise the (?:first|second|third|fourth|fifth|sixth|seventh|eighth|ninth|tenth)(?=\s*[:.)-])|min(?:ute)?s?\s*\d{1,2}(?!\d)|(?:odd|even)(?:s)?(?=\s*[:.)-])|station\s*\d{1,2}(?!\d)|m\d(?=\s*[:.)-])|exercise\s*\d{1,2}(?!\d))\s*[:.)-]*\s*(?=[^\s:.)-])/i;

/** What stands before the words of a line: bullets, numbers of a list, the turn that it is for. */
function readLine(state: State, from: number, to: number): void {
  let start = from + (ORNAMENT.exec(state.source.slice(from, to))?.[0].length ?? 0);
  const end = to;
  state.ornaments.push({ start: from, end: start });
  const group = GROUP.exec(state.source.slice(start, end));
  let isGroup = false;
  if (group && !/^[a-h]\s*[.):-]?\s*$/i.test(state.source.slice(start, end))) {
    const letter = (group[1] ?? group[3]!).toUpperCase();
    if (letter !== state.group && !isTurnLetter(state)) startGroup(state, letter);
    take(state, start, start + group[0].trimEnd().length, 'role', blockTarget(state));
    start += group[0].length;
    isGroup = true;
  }
  const turn = TURN.exec(state.source.slice(start, end));
  const open = current(state);
  if (open && (turn || /\d/.test(state.source.slice(from, start)))) open.facts.mayHoldAll = false;
  if (turn) {
    take(state, start, start + turn[0].replace(/[\s:.)-]+$/, '').length, 'clock', blockTarget(state));
    start += turn[0].length;
  } else {
    const past = pastNumbering(state, start, end);
    state.ornaments.push({ start, end: past });
    start = past;
  }
  const cut = Math.min(end, start + MOST_OF_LINE);
  for (const sentence of sentencesOf(state.source, start, cut)) {
    const to = Math.min(sentence.end, sentence.start + MOST_LETTERS);
    readSentence(state, sentence.start, to, isGroup);
    if (to < sentence.end) keepAsNote(state, new Strip(state.source, to, sentence.end));
    state.blankBefore = false;
  }
  if (cut < end) keepAsNote(state, new Strip(state.source, cut, end));
}

function readSentence(state: State, start: number, end: number, isGroup: boolean): void {
  const whole = new Strip(state.source, start, end);
  if (!/[\p{L}\p{N}]/u.test(whole.text)) return;
  if (!isGroup && readField(state, whole)) return;
  if (readRest(state, whole)) return;
  if (readList(state, start, end)) return;
  keepAsNote(state, new Strip(state.source, start, end));
}

/** Numbers of a list without a dot, under a clock that gives the dose: `1 star jumps`. */
function pastNumbering(state: State, start: number, end: number): number {
  const block = current(state);
  const number = /^(\d{1,2})\s*(?:[-–—]\s*)?(?<=[\s–—-])(?=\p{L})/u.exec(state.source.slice(start, end));
  if (!number || block?.facts.time?.kind !== 'intervals') return start;
  return Number(number[1]) === block.items.length + 1 && !/\d/.test(state.source.slice(start + number[0].length, end))
    ? start + number[0].length
    : start;
}

/** Under a clock of turns letters number the turns. */
function isTurnLetter(state: State): boolean {
  const block = current(state);
  return block?.facts.time?.kind === 'slots' && block.label === undefined;
}

function startGroup(state: State, letter: string): void {
  state.group = letter;
  const block = current(state);
  if (block && block.items.length === 0) block.label ??= letter;
  else open(state, { ...openBlock(block?.role ?? 'Main'), label: letter });
}
