import type { Role, SessionDocument, WorkItem } from '../../document/document.ts';
import { countLetters, cutLetters } from '../../letters.ts';
import { MAX_DURATION_SEC, MAX_ROUNDS } from '../../limits.ts';
import type { MovementLibrary } from '../../movement/library.ts';
import { MAX_BLOCKS, MAX_ITEMS, parseSession } from '../parse.ts';
import { printSession } from '../print.ts';
import type { OpenBlock } from './build-blocks.ts';
import { openBlock, readable, restBehind, toBlock } from './build-blocks.ts';
import type { HeaderFacts } from './header-phrases.ts';
import { takeHeader, takeRole } from './header-phrases.ts';
import type { ItemFacts } from './item-phrases.ts';
import { FILLERS, takeItem, takeRow } from './item-phrases.ts';
import { findExercises } from './tables.ts';
import type { Doubt, Piece, PieceTarget } from './piece.ts';
import { D, toNumber, toSeconds, re } from './spoken-numbers.ts';
import { Strip } from './strip.ts';

/** A plan in a coach's own words, read. Every letter and digit of the source lies in a piece, or is a bullet, a number of a list or an ornament. */
export interface OwnWords {
  /** Session notation; empty where nothing could be made of it. */
  readonly text: string;
  readonly pieces: readonly Piece[];
  readonly doubts: readonly Doubt[];
}

/** Longer lines are read so far; what is behind is kept as words. */
const MOST_LETTERS = 400;
const MOST_NOTE = 400;
const MOST_WORDS = 200;

type Target = PieceTarget | null;
interface OpenPiece {
  readonly start: number;
  readonly end: number;
  readonly as: Piece['as'];
  readonly target: Target;
}

interface State {
  readonly source: string;
  readonly library: MovementLibrary;
  readonly pieces: OpenPiece[];
  readonly doubts: Doubt[];
  readonly blocks: OpenBlock[];
  readonly notes: string[];
  /** Bullets and numbers of lists: they are of nothing. */
  /** Whether a place is one that this session is read from: of a table each day has its own cells. */
  readonly covers: (start: number, end: number) => boolean;
  readonly ornaments: { readonly start: number; readonly end: number }[];
  title?: string;
  targetSec?: number;
  kit?: readonly string[];
  groupSize?: number;
  items: number;
  /** The letter of the group that lines belong to: `A` of `A1`. */
  group?: string;
  /** Whether nothing but fields and notes came before. */
  isHead: boolean;
  blankBefore: boolean;
}

/** Reads a plan in a coach's own words as one session. Never throws; linear in the text's length. */
export function readOwnWords(source: string, library: MovementLibrary): OwnWords {
  return readStretch(source, [{ start: 0, end: source.length }], library);
}

/** Reads stretches of a source, one after the other, as one session; places are those of the source. */
export function readStretch(
  source: string,
  stretches: readonly { readonly start: number; readonly end: number }[],
  library: MovementLibrary,
): OwnWords {
  const state: State = {
    source,
    library,
    pieces: [],
    doubts: [],
    blocks: [],
    notes: [],
    ornaments: [],
    covers: (start, end) => stretches.some((s) => start >= s.start && end <= s.end),
    items: 0,
    isHead: true,
    blankBefore: false,
  };
  for (const stretch of stretches) {
    const start = readTable(state, stretch);
    const { end } = stretch;
    let lastEnd = start;
    for (const { 0: line, index: at } of source.slice(start, end).matchAll(/[^\r\n]+/g)) {
      if (line.trim() === '') continue;
      const from = start + at;
      state.blankBefore = source.slice(lastEnd, from).split(/\r\n|\n|\r/).length > 2;
      lastEnd = from + line.length;
      const cut = Math.min(line.length, MOST_LETTERS);
      readLine(state, from, from + cut);
      if (cut < line.length) keepAsNote(state, new Strip(source, from + cut, lastEnd));
    }
  }
  return finish(state);
}

/** Reads the table of movements that a stretch begins with; where what follows it begins. */
function readTable(state: State, { start, end }: { readonly start: number; readonly end: number }): number {
  const table = start === 0 ? findExercises(state.source.slice(0, end)) : undefined;
  if (!table) return start;
  take(state, table.head.start, table.head.end, 'role', null);
  for (const row of table.rows) {
    if (!row.name) continue;
    const strips = (['reps', 'load', 'tempo', 'name'] as const).flatMap((kind) => {
      const cell = row[kind];
      return cell ? [{ kind, strip: new Strip(state.source, cell.start, cell.end) }] : [];
    });
    const item = takeRow(strips, state.library);
    const name = strips.at(-1)!.strip;
    if (!item) {
      keepAsNote(state, new Strip(state.source, name.start, name.start + name.text.length));
      continue;
    }
    const sets = row.sets ? toNumber(state.source.slice(row.sets.start, row.sets.end)) : undefined;
    const count = sets !== undefined && Number.isInteger(sets) && sets >= 1 ? sets : undefined;
    const rest = row.rest ? readRestCell(state, row.rest) : undefined;
    const block = open(
      state,
      openBlock('Main', {
        ...(count !== undefined && { rounds: { low: count, high: count } }),
        ...(rest !== undefined && { between: { of: 'rounds', lowSec: rest, highSec: rest } }),
      }),
    );
    block.items.push(item.item);
    block.sets.push(undefined);
    state.items++;
    state.doubts.push(...item.doubts);
    for (const kind of ['sets', 'rest'] as const)
      if (row[kind]) takeCell(state, row[kind], kind === 'sets' ? 'count' : 'rest', blockTarget(state));
    const target: Target = { kind: 'item', block: state.blocks.length - 1, item: 0 };
    for (const { strip } of strips) takeAll(state, strip, target);
    if (row.note) keepAsNote(state, new Strip(state.source, row.note.start, row.note.end));
  }
  return table.end;
}

function takeCell(
  state: State,
  { start, end }: { readonly start: number; readonly end: number },
  as: Piece['as'],
  target: Target,
): void {
  const said = state.source.slice(start, end);
  take(state, start + said.length - said.trimStart().length, start + said.trimEnd().length, as, target);
}

/** Seconds of rest in a cell; a bare number from 10 on is seconds. */
function readRestCell(
  state: State,
  { start, end }: { readonly start: number; readonly end: number },
): number | undefined {
  const said = state.source.slice(start, end).trim();
  const sec = toSeconds(said, /^\d{1}$/.test(said) ? 60 : 1);
  return Number.isInteger(sec) && sec > 0 && sec <= MAX_DURATION_SEC ? sec : undefined;
}

const current = (state: State): OpenBlock | undefined => state.blocks.at(-1);

const ORNAMENT = /^(?:[\s\p{Extended_Pictographic}\u200d\ufe0f*•▪◦·_`#>|=~+:.,;-]+|\(?\d{1,2}[.)](?=\s)|\[[ x]?\])+/u;
const GROUP = /^\(?([a-h])\s?([1-9])?\s*[.):-]\s*(?=\S)|^\(?([a-h])([1-9])\s+(?=\S)/i;
const TURN =
  /^(?:(?:on )?(?:the )?(?:first|second|third|fourth|fifth|sixth|odd|even|next)\s*(?:min(?:ute)?s?|slot)s?|min(?:ute)?s?\s*\d{1,2}(?!\d)|(?:odd|even)(?:s)?(?=\s*[:.)-])|station\s*\d{1,2}(?!\d)|m\d(?=\s*[:.)-])|exercise\s*\d{1,2}(?!\d))\s*[:.)-]*\s*(?=[^\s:.)-])/i;

/** What stands before the words of a line: bullets, numbers of a list, the turn that it is for. */
function readLine(state: State, from: number, to: number): void {
  let start = from + (ORNAMENT.exec(state.source.slice(from, to))?.[0].length ?? 0);
  const end = to;
  state.ornaments.push({ start: from, end: start });
  const group = GROUP.exec(state.source.slice(start, end));
  let isGroup = false;
  if (group && !/^[a-h]\s*[.):-]?\s*$/i.test(state.source.slice(start, end))) {
    const letter = (group[1] ?? group[3]!).toUpperCase();
    if (letter !== state.group) startGroup(state, letter);
    take(state, start, start + group[0].trimEnd().length, 'role', blockTarget(state));
    start += group[0].length;
    isGroup = true;
  }
  const turn = TURN.exec(state.source.slice(start, end));
  if (turn) {
    take(state, start, start + turn[0].replace(/[\s:.)-]+$/, '').length, 'clock', blockTarget(state));
    start += turn[0].length;
  } else {
    const past = pastNumbering(state, start, end);
    state.ornaments.push({ start, end: past });
    start = past;
  }
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
  const number = /^(\d{1,2})\s+(?=\p{L})/u.exec(state.source.slice(start, end));
  if (!number || block?.facts.time?.kind !== 'intervals') return start;
  return Number(number[1]) === block.items.length + 1 && !/\d/.test(state.source.slice(start + number[0].length, end))
    ? start + number[0].length
    : start;
}

function startGroup(state: State, letter: string): void {
  state.group = letter;
  const block = current(state);
  if (block && block.items.length === 0) block.label ??= letter;
  else open(state, { ...openBlock(block?.role ?? 'Main'), label: letter });
}

function open(state: State, block: OpenBlock): OpenBlock {
  state.blocks.push(block);
  state.isHead = false;
  return block;
}

const blockTarget = (state: State): Target =>
  state.blocks.length === 0 ? null : { kind: 'block', block: state.blocks.length - 1 };

function take(state: State, start: number, end: number, as: Piece['as'], target: Target): void {
  if (end > start) state.pieces.push({ start, end, as, target });
}

const takeAll = (state: State, strip: Strip, target: Target): void => {
  for (const t of strip.taken) take(state, t.start, t.end, t.as, target);
};

const LENGTH = re`(?:\\b(?:session )?(?:length|duration|time|total(?: time)?)\\s*[:=]?\\s*|\\b(?:about|approx(?:imately)?\\.?|around|roughly|for)\\s+|~\\s*|\\()?(${D})(?:\\s*(?:in all|total|long|session|workout|today))?`;
const NO_KIT =
  /\b(?:no (?:kit|equipment|gear|weights)(?: (?:needed|required|today))?|bodyweight only|nothing needed)\b/;
const KIT =
  /\b(?:you(?:'ll| will)? (?:will )?need|needed|kit|equipment|gear|have ready|grab|bring)\s*(?:is|are|:)?\s*([^.!;\u0001]+)/;

/** Title, length, kit and group, as they stand above a session. */
function readField(state: State, strip: Strip): boolean {
  const titled = /^\s*(title|name|session|note|notes)\s*:\s*(?=\S)/.exec(strip.text);
  if (titled && state.isHead) {
    const from = titled[0].length;
    if (!titled[1]!.startsWith('note')) {
      if (state.title !== undefined || readsAsHeader(state, strip, from)) return false;
      strip.takeRange(0, strip.text.length, 'title');
      setTitle(state, strip.original(from, strip.text.length));
      takeAll(state, strip, { kind: 'field', field: 'Title' });
      return true;
    }
    return false;
  }
  if (!state.isHead) return false;
  const hasKit = NO_KIT.test(strip.text) || KIT.test(strip.text);
  const isAlone = re`^\\W*(?:about|approx\\.?|around|roughly|~)?\\s*${D}\\W*$`.test(strip.text);
  const isLength =
    isAlone || /\b(?:session length|length|duration|total time|time|minutes?)\s*[:=]?\s*\d/.test(strip.text);
  const ending = re`^([^\\d]*?[\\p{L})])\\s*[,(-]+\\s*${D}\\W*$`.exec(strip.text);
  const isTitled =
    ending !== null &&
    toSeconds(strip.text.slice(ending[1]!.length).replace(/^[\s,(-]+/, '')) >= 300 &&
    !state.library.findByName(ending[1]!.trim());
  const inWords = isTitled || re`(?:\\babout|\\bapprox|\\baround|\\broughly|~|\\()\\s*${D}`.test(strip.text);
  if (!hasKit && !isLength && !inWords && !/^\W*minutes\s+\d+/.test(strip.text)) return false;
  if (!hasKit && readsAsHeader(state, strip, 0)) return false;
  takeKit(state, strip);
  takeLength(state, strip);
  const left = strip.left();
  const targetOf: Target = { kind: 'field', field: state.kit ? 'Kit' : 'Target' };
  if (
    left.length > 0 &&
    state.title === undefined &&
    left.length === 1 &&
    left[0]!.from < 3 &&
    !/[.!?]/.test(left[0]!.text)
  ) {
    const { from, to } = left[0]!;
    setTitle(state, strip.original(from, to));
    strip.takeRange(from, to, 'title');
  } else for (const { from, to } of left) note(state, strip, from, to);
  for (const t of strip.taken)
    take(
      state,
      t.start,
      t.end,
      t.as,
      t.as === 'title'
        ? { kind: 'field', field: 'Title' }
        : t.as === 'note'
          ? { kind: 'field', field: 'Note' }
          : t.as === 'length'
            ? { kind: 'field', field: 'Target' }
            : targetOf,
    );
  return true;
}

function takeKit(state: State, strip: Strip): void {
  if (strip.take(NO_KIT, 'kit')) {
    state.kit ??= [];
    return;
  }
  const match = KIT.exec(strip.text);
  if (!match) return;
  const pieces = match[1]!
    .split(/,|\band\b|\+|&|\//)
    .map((p) =>
      p
        .replace(/^\s*(?:an?|the|your|some|one)\s+/, '')
        .replace(/[()#"]/g, ' ')
        .replace(/\s+/g, ' ')
        .trim(),
    )
    .filter((p) => /\p{L}/u.test(p) && p.length <= 40 && parseSession(`Kit: ${p}`, state.library).issues.length === 0);
  // What can't be had as kit stays, and is kept as words.
  if (pieces.length === 0) return;
  strip.take(KIT, 'kit');
  state.kit = [...(state.kit ?? []), ...pieces].slice(0, 20);
}

function takeLength(state: State, strip: Strip): void {
  const bare = /^\W*minutes\s+(\d{1,3})\b/.exec(strip.text);
  const found = bare ?? LENGTH.exec(strip.text);
  if (!found || state.targetSec !== undefined) return;
  const sec = bare ? Number(bare[1]) * 60 : toSeconds(found[1]!);
  if (sec < 60 || sec > MAX_DURATION_SEC || sec % 60 !== 0) return;
  state.targetSec = sec;
  strip.takeRange(found.index, found.index + found[0].length, 'length');
}

/** Whether the words from `from` on say a clock, rounds or a movement with a number: then they are no field. */
function readsAsHeader({ source, library }: State, strip: Strip, from: number): boolean {
  const head = new Strip(source, strip.start + from, strip.start + strip.text.length);
  const facts = takeHeader(head);
  if (facts.time || facts.rounds || facts.list || facts.forTime || facts.role || facts.between) return true;
  const item = takeItem(new Strip(source, strip.start + from, strip.start + strip.text.length), library);
  return item !== undefined && item.isKnown && item.hasNumber;
}

function setTitle(state: State, words: string): void {
  state.title = cutLetters(
    words
      .replace(/#/g, '')
      .replace(/\s+/g, ' ')
      .replace(/[:\s]+$/, ''),
    120,
  ).trim();
}

/** A line that says rest and nothing else: a slot, a pause between two items, or one behind the block. */
function readRest(state: State, strip: Strip): boolean {
  const block = current(state);
  const long =
    re`^\\W*(?:then )?(?:take |have )?(?:an? )?(?:rest|recover(?:y)?|break|pause)\\b\\s*(?:for |of |:|-)*\\s*(${D})?\\W*$|^\\W*(${D})\\s*(?:of )?(?:rest|recovery|break)\\W*$`.exec(
      strip.text,
    );
  if (!long || !block) return false;
  const said = long[1] ?? long[2];
  const sec = said === undefined ? undefined : toSeconds(said);
  const hasClock = block.facts.time?.kind === 'slots';
  if (sec === undefined && !hasClock && block.facts.time?.kind !== 'intervals') return false;
  if (sec !== undefined && (sec < 1 || sec > MAX_DURATION_SEC)) return false;
  strip.takeRange(0, strip.text.length, 'rest');
  if (sec !== undefined && state.blankBefore && block.items.length > 0) block.facts.thenRestSec = sec;
  else if (state.items < MAX_ITEMS) {
    state.items++;
    block.items.push({ kind: 'rest', ...(sec !== undefined && !hasClock && { sec }) });
    block.sets.push(undefined);
    takeAll(state, strip, { kind: 'item', block: state.blocks.length - 1, item: block.items.length - 1 });
    return true;
  }
  takeAll(state, strip, blockTarget(state));
  return true;
}

const isSaid = (f: HeaderFacts): boolean =>
  f.time !== undefined ||
  f.rounds !== undefined ||
  f.list !== undefined ||
  f.forTime === true ||
  f.capSec !== undefined ||
  f.between !== undefined ||
  f.thenRestSec !== undefined;

const HEAD_END = /:\s+(?=\S)|:\s*$|\b(?:of|through)\s*:?\s+(?=\S)/g;
const SEPARATOR =
  /\s*[,;]\s+(?:and |then )*|\s+\+\s+|\s+&\s+|\.\s+(?=\S)|\s+(?:and then|then|and)\s+(?=(?:an?|\d+|one|two|three|four|five|six|seven|eight|nine|ten|twelve|fifteen|twenty|thirty)\b)/g;

/** A header, items, or a header with its items behind it. False where it is neither. */
function readList(state: State, start: number, end: number): boolean {
  const { source, library } = state;
  const asHeader = new Strip(source, start, end);
  const facts = takeHeader(asHeader);
  if (asHeader.lettersLeft === 0 && (isSaid(facts) || facts.role || facts.isOnce)) {
    applyHeader(state, facts, asHeader);
    return true;
  }
  const single = new Strip(source, start, end);
  const item = takeItem(single, library);
  const isWhole = item !== undefined && item.isKnown && item.hasNumber && !item.hasWords;
  const isByRound = item?.item.dose?.kind === 'reps' && item.item.dose.amount.kind === 'list';
  if (isWhole && !(isByRound && beginsBlock(state, item))) {
    addItem(state, item, single);
    return true;
  }
  if (readBehindRole(state, start, end)) return true;
  if (readBehindHead(state, start, end)) return true;
  const parts = partsOf(state, start, end);
  const said = parts.filter((p) => isItem(state, p.start, p.end)).length;
  if (parts.length > 1 && said >= Math.max(2, parts.length - 2) && !isSaid(facts)) {
    readParts(state, start, end);
    return true;
  }
  if (isSaid(facts) && readBeside(state, facts, asHeader, item)) return true;
  // A first line that begins with words no movement is called is what the session is called.
  const isTitle =
    state.isHead &&
    state.title === undefined &&
    item?.isKnown === false &&
    item.hasWords &&
    /^\W*\p{L}{2}/u.test(asHeader.source.slice(start, end));
  if (item && !isTitle && (item.isKnown || item.hasNumber) && !isProse(item)) {
    addItem(state, item, single);
    return true;
  }
  return false;
}

/** Whether numbers by round begin a block of their own: not where the block above has as many rounds. */
function beginsBlock(state: State, item: ItemFacts): boolean {
  const block = current(state);
  const { dose } = item.item;
  const count = dose?.kind === 'reps' && dose.amount.kind === 'list' ? dose.amount.values.length : 0;
  return (
    count >= 3 &&
    (block === undefined || block.items.length > 0 || block.facts.time !== undefined || !block.facts.rounds) &&
    block?.facts.rounds?.high !== count
  );
}

/** A part of the session named at the beginning of a line, with its items behind it: `Cool down - 2 minutes walk`. */
function readBehindRole(state: State, start: number, end: number): boolean {
  const whole = new Strip(state.source, start, end);
  const role = takeRole(whole);
  const taken = whole.taken[0];
  if (!role || !taken || taken.start - start > MOST_LEAD) return false;
  const lead = whole.text.slice(0, taken.start - start);
  const isWith = /with$/.test(state.source.slice(taken.start, taken.end).toLowerCase());
  if (!isWith && /[\p{L}\p{N}]/u.test(lead) && !FILLERS.test(lead.trim())) return false;
  // "(5 min)" behind a part's name is how long it is to last: nothing of its first item.
  const lasting = re`^\\s*\\(?\\s*(?:about |~)?${D}\\s*\\)`.exec(whole.text.slice(taken.end - start))?.[0] ?? '';
  const behind = taken.end + lasting.length;
  const rest = behind + /^[^\p{L}\p{N}(]*/u.exec(whole.text.slice(behind - start))![0].length;
  if (rest >= end) return false;
  if (/^\s*:/.test(state.source.slice(behind, end)) || !isItem(state, rest, end)) {
    const parts = partsOf(state, rest, end);
    if (!isWith && (parts.length < 2 || !parts.every((p) => isItem(state, p.start, p.end, true)))) return false;
  }
  const head = new Strip(state.source, start, behind);
  applyHeader(state, takeHeader(head), head);
  readOn(state, rest, end);
  return true;
}

/** So far from a line's beginning a part of the session may be named. */
const MOST_LEAD = 40;

/** What stands behind a header in its line: further clauses, items, or its name. */
function readOn(state: State, start: number, end: number): void {
  const behind = new Strip(state.source, start, end);
  const more = takeHeader(behind);
  const isMore = isSaid(more) && !more.role;
  const left = behind.left();
  if (isMore && left.every(({ from, to }) => isFew(state, start + from, start + to))) {
    applyBelow(state, more, behind, false);
    for (const { from, to } of left) readParts(state, start + from, start + to);
    return;
  }
  readParts(state, start, end);
}

/** Items, or small words, from one place to another. */
const isFew = (state: State, start: number, end: number): boolean =>
  partsOf(state, start, end).every(
    (p) => isItem(state, p.start, p.end, true) || FILLERS.test(state.source.slice(p.start, p.end).trim()),
  );

/** What stands before a colon or "of" is a header where it reads as one; behind it come its items. */
function readBehindHead(state: State, start: number, end: number): boolean {
  const { source } = state;
  const { text } = new Strip(source, start, end);
  for (const { index, 0: mark } of text.matchAll(HEAD_END)) {
    const head = new Strip(source, start, start + index);
    const facts = takeHeader(head);
    const rest = index + mark.length;
    const isColon = mark.startsWith(':');
    if (!(isSaid(facts) || (isColon && (facts.role || facts.isOnce))) || head.lettersLeft > MOST_BESIDE) continue;
    applyHeader(state, facts, head);
    if (!/[\p{L}\p{N}]/u.test(text.slice(rest))) return true;
    if (
      isName(state, start + rest, end) &&
      (facts.role === undefined || facts.role === 'Main' || facts.role === 'Skill')
    ) {
      const label = source.slice(start + rest, end).trim();
      take(
        state,
        start + rest,
        start + rest + source.slice(start + rest, end).trimEnd().length,
        'role',
        blockTarget(state),
      );
      nameBlock(state, current(state)!, label.toLowerCase());
    } else readOn(state, start + rest, end);
    return true;
  }
  return false;
}

/** Words without a number that name no movement: what a part of the session is called. */
function isName(state: State, start: number, end: number): boolean {
  const words = state.source.slice(start, end).trim();
  return (
    /^[\p{L}\s&-]{3,40}$/u.test(words) &&
    partsOf(state, start, end).every((p) => !isItem(state, p.start, p.end, true)) &&
    takeHeader(new Strip(state.source, start, end)).time === undefined
  );
}

/** Letters beside a header that are kept as words: a longer line is no header. */
const MOST_BESIDE = 24;

/** A header whose items stand in the same line, before or behind it. */
function readBeside(state: State, facts: HeaderFacts, strip: Strip, item: ItemFacts | undefined): boolean {
  const left = strip.left();
  const parts = left.flatMap(({ from, to }) => partsOf(state, strip.start + from, strip.start + to));
  const known = parts.filter((p) => isItem(state, p.start, p.end, true));
  if (known.length > 0) {
    const isBelow =
      known[0]!.start < (strip.taken[0]?.start ?? 0) && facts.time === undefined && facts.list === undefined;
    if (isBelow) open(state, openBlock(roleAfter(current(state)), { ...facts }));
    else applyHeader(state, facts, strip, false);
    for (const { from, to } of left) readParts(state, strip.start + from, strip.start + to);
    if (isBelow) takeAll(state, strip, blockTarget(state));
    return true;
  }
  if (item?.isKnown && item.hasNumber) return false;
  applyHeader(state, facts, strip);
  return true;
}

/** A sentence that says more than a movement and how much of it. */
function isProse(item: ItemFacts): boolean {
  const count = (text: string): number => text.match(/\p{L}+/gu)?.length ?? 0;
  const name = count(item.item.choices[0]!.name);
  const beside = (item.item.words ?? []).reduce((sum, w) => sum + count(w), 0);
  // A movement before a comma is named for its own sake, whatever is said of it.
  if (item.isKnown) return beside > (item.hasNumber ? 16 : item.isFirst ? 8 : 3);
  return item.hasNumber ? name > 5 || beside > 10 : name > 3 || beside > 0;
}

const isItem = ({ source, library }: State, start: number, end: number, mayBeBare = false): boolean => {
  const item = takeItem(new Strip(source, start, end), library);
  return item !== undefined && (item.isKnown ? item.hasNumber || mayBeBare || !item.hasWords : false);
};

/** A list in a line, part by part; a part in brackets isn't taken apart. */
function partsOf({ source }: State, start: number, end: number): { start: number; end: number }[] {
  const text = new Strip(source, start, end).text;
  const parts: { start: number; end: number }[] = [];
  let at = 0;
  for (const { index, 0: mark } of text.matchAll(SEPARATOR)) {
    const isOpen = (text.slice(0, index).match(/\(/g)?.length ?? 0) > (text.slice(0, index).match(/\)/g)?.length ?? 0);
    if (isOpen || index === 0) continue;
    parts.push({ start: start + at, end: start + index });
    at = index + mark.length;
  }
  parts.push({ start: start + at, end });
  return parts.filter((p) => /[\p{L}\p{N}]/u.test(source.slice(p.start, p.end)));
}

function readParts(state: State, start: number, stop: number): void {
  const end = takeTail(state, start, stop);
  const parts = partsOf(state, start, end);
  // "3 left, 3 right": what is no item by itself belongs to the one before it.
  const joined: { start: number; end: number }[] = [];
  for (const part of parts) {
    const last = joined.at(-1);
    const isSmall = FILLERS.test(state.source.slice(part.start, part.end).trim());
    if (last && !isSmall && !isRule(state, last.start, last.end) && !takesPart(state, part.start, part.end))
      last.end = part.end;
    else joined.push({ ...part });
  }
  // In a list of names alone a new name is one too; beside numbers it is words.
  const isBareList = joined.length === 1 || joined.every((p) => !/\d/.test(state.source.slice(p.start, p.end)));
  for (const part of joined) {
    const header = new Strip(state.source, part.start, part.end);
    const facts = takeHeader(header);
    if (header.lettersLeft === 0 && isSaid(facts)) {
      applyBelow(state, facts, header);
      continue;
    }
    const strip = new Strip(state.source, part.start, part.end);
    const item = takeItem(strip, state.library);
    if (item && (item.isKnown || item.hasNumber || isBareList) && !(isProse(item) && joined.length > 1))
      addItem(state, item, strip);
    else keepAsNote(state, new Strip(state.source, part.start, part.end));
  }
}

/** `(5 rounds)` at the end of a list in a line belongs to its header. */
function takeTail(state: State, start: number, end: number): number {
  const strip = new Strip(state.source, start, end);
  const tail = /\(([^()]+)\)\W*$/.exec(strip.text);
  if (!tail || tail.index === 0) return end;
  const inside = new Strip(state.source, start + tail.index, end);
  const facts = takeHeader(inside);
  if (inside.lettersLeft > 0 || !isSaid(facts)) return end;
  applyBelow(state, facts, inside);
  return start + tail.index;
}

/** Whether all of a stretch says something of the list. */
function isRule({ source }: State, start: number, end: number): boolean {
  const strip = new Strip(source, start, end);
  return isSaid(takeHeader(strip)) && strip.lettersLeft === 0;
}

function takesPart({ source, library }: State, start: number, end: number): boolean {
  const header = new Strip(source, start, end);
  const facts = takeHeader(header);
  if (header.lettersLeft === 0 && isSaid(facts)) return true;
  const item = takeItem(new Strip(source, start, end), library);
  return item !== undefined && (item.isKnown || item.hasNumber);
}

/** Takes a header: into the block that waits for its items, below the one that has them, or as a new one. */
function applyHeader(state: State, facts: HeaderFacts, strip: Strip, hasWords = true): void {
  const block = current(state);
  const said = strip.source.slice(strip.start, strip.start + strip.text.length).toLowerCase();
  const below =
    /\b(?:repeat|again|all of|whole|everything|do (?:it|this|that)|go (?:through|round)|through|over|times)\b|^\W*(?:x\s*\d|\d+\s*x)\W*$/.test(
      said,
    ) && !/:\s*$/.test(said);
  const isSmall = facts.time === undefined && facts.list === undefined && facts.role === undefined && !facts.isOnce;
  const belongsBelow = isSmall && block && block.items.length > 0 && (below || facts.rounds === undefined);
  if (belongsBelow) {
    applyBelow(state, facts, strip, hasWords);
    return;
  }
  const role: Role = facts.role ?? roleAfter(block);
  const waits = block && block.items.length === 0 && (facts.role === undefined || !isSaid(block.facts));
  const target = waits ? block : open(state, openBlock(facts.role ?? (facts.isOnce ? 'Main' : role)));
  if (waits && facts.role) target.role = facts.role;
  nameBlock(state, target, facts.label);
  Object.assign(target.facts, { ...facts, role: undefined });
  agree(target);
  if (hasWords) for (const { from, to } of strip.left()) note(state, strip, from, to);
  takeAll(state, strip, blockTarget(state));
}

/** A part's own name is the session's title where it stands above everything. */
function nameBlock(state: State, block: OpenBlock, label: string | undefined): void {
  if (label === undefined) return;
  if (state.blocks.length === 1 && state.title === undefined && block.items.length === 0) setTitle(state, label);
  else if (!state.blocks.some((b) => b.label?.toLowerCase() === label)) block.label ??= label;
}

/** What no line says stands in the part before it; work with a clock of its own is no warm-up any more. */
const roleAfter = (block: OpenBlock | undefined): Role =>
  block === undefined || block.role === 'Warm-up' || block.role === 'Skill' ? 'Main' : block.role;

/** Rounds of a list under a clock of turns say how long it goes on, where nothing else does. */
function agree({ facts }: OpenBlock): void {
  if (facts.time?.kind !== 'slots' || !facts.rounds || !facts.lacksLength) return;
  facts.slotRounds = facts.rounds.high;
  facts.lacksLength = false;
}

function applyBelow(state: State, facts: HeaderFacts, strip: Strip, hasWords = true): void {
  const isCap = facts.capSec !== undefined && facts.time === undefined && facts.rounds === undefined;
  const capped = isCap ? state.blocks.findLast((b) => b.facts.forTime ?? b.facts.list ?? b.facts.rounds) : undefined;
  const block = capped ?? current(state) ?? open(state, openBlock('Main'));
  const { role: _role, ...said } = facts;
  Object.assign(block.facts, said);
  agree(block);
  if (hasWords) for (const { from, to } of strip.left()) note(state, strip, from, to);
  takeAll(state, strip, blockTarget(state));
}

/** Clocks that nothing gave a length: so long was taken, and it is asked. */
function askLengths(state: State): void {
  for (const [b, { facts }] of state.blocks.entries()) {
    const { time } = facts;
    if (!facts.lacksLength || (time?.kind !== 'span' && time?.kind !== 'slots')) continue;
    const piece = state.pieces.find((p) => p.as === 'clock' && p.target?.kind === 'block' && p.target.block === b);
    const takenSec = time.kind === 'span' ? time.sec : time.slots * time.slotSec;
    if (piece) state.doubts.push({ start: piece.start, end: piece.end, facts: { code: 'no-length', takenSec } });
  }
}

/** An item that is done another number of times than what stands above it is a block of its own. */
function startsAnew(block: OpenBlock, sets: number | undefined): boolean {
  const { facts, items } = block;
  if (
    sets === undefined ||
    items.length === 0 ||
    facts.list ||
    facts.time ||
    facts.forTime ||
    block.label !== undefined
  )
    return false;
  const said = block.sets.filter((s) => s !== undefined);
  return (facts.rounds?.high ?? (said.length > 0 ? Math.max(...said) : 1)) !== sets;
}

function addItem(state: State, item: ItemFacts, strip: Strip): void {
  if (state.items >= MAX_ITEMS || state.blocks.length >= MAX_BLOCKS) {
    state.doubts.push({ start: strip.start, end: strip.start + strip.text.length, facts: { code: 'too-much' } });
    keepAsNote(state, new Strip(state.source, strip.start, strip.start + strip.text.length));
    return;
  }
  let block = current(state) ?? open(state, openBlock('Main'));
  const isAfter = /^\W*(?:after that|afterwards|finally|lastly)\b/i.test(
    strip.source.slice(strip.start, strip.start + strip.text.length),
  );
  if (startsAnew(block, item.sets) || (isAfter && block.items.length > 0 && isSaid(block.facts)))
    block = open(state, openBlock(block.role));
  state.items++;
  state.isHead = false;
  block.items.push(item.item);
  block.sets.push(item.sets !== undefined && item.sets <= MAX_ROUNDS ? item.sets : undefined);
  state.doubts.push(...item.doubts);
  takeAll(state, strip, { kind: 'item', block: state.blocks.length - 1, item: block.items.length - 1 });
}

/** Keeps words of a strip where they stand: on the item before them, or above the session. */
function note(state: State, strip: Strip, from: number, to: number): void {
  const words = strip
    .original(from, to)
    .replace(/["“”„]/g, '’')
    .replace(/\s+/g, ' ')
    .trim();
  if (FILLERS.test(words)) {
    strip.takeRange(from, to, strip.taken[0]?.as ?? 'note');
    return;
  }
  const isNumber = /\d/.test(words);
  strip.takeRange(from, to, isNumber ? 'unread' : 'note');
  if (isNumber) state.doubts.push({ start: strip.start + from, end: strip.start + to, facts: { code: 'unread' } });
  keep(state, words);
}

/** Words in parts that the notation takes, none of them lost. */
const inParts = (words: string): string[] =>
  Array.from({ length: Math.ceil(countLetters(words) / MOST_WORDS) }, (_, i) =>
    [...words]
      .slice(i * MOST_WORDS, (i + 1) * MOST_WORDS)
      .join('')
      .trim(),
  ).filter((w) => w !== '');

const withWords = (item: WorkItem, words: string): WorkItem => ({
  ...item,
  words: [...(item.words ?? []), ...inParts(words)],
});

function keep(state: State, words: string): Target {
  const block = current(state);
  const at = block ? block.items.findLastIndex((i) => i.kind === 'work') : -1;
  const item = block?.items[at];
  if (block && item?.kind !== 'work' && isSaid(block.facts)) {
    block.words.push(...inParts(words));
    return { kind: 'block', block: state.blocks.length - 1 };
  }
  if (!block || item?.kind !== 'work') {
    state.notes.push(words.replace(/#/g, ' '));
    return { kind: 'field', field: 'Note' };
  }
  block.items[at] = withWords(item, words);
  return { kind: 'item', block: state.blocks.length - 1, item: at };
}

/** A line that is no part of the work: the title where it comes first, else words that are kept where they stand. */
function keepAsNote(state: State, strip: Strip): void {
  const words = strip.original(0, strip.text.length).trim();
  if (FILLERS.test(words)) {
    strip.takeRange(0, strip.text.length, 'note');
    takeAll(state, strip, blockTarget(state));
    return;
  }
  const isTitle =
    state.isHead &&
    state.title === undefined &&
    state.notes.length === 0 &&
    countLetters(words) <= 60 &&
    !/[!?]|\.\s|^(?:hi|hey|hello|dear|morning|good (?:morning|day|evening)|ok|okay|right)\b/i.test(words) &&
    /\p{L}/u.test(words);
  if (isTitle) {
    strip.takeRange(0, strip.text.length, 'title');
    setTitle(state, words);
    takeAll(state, strip, { kind: 'field', field: 'Title' });
    return;
  }
  const isNumber = /\d/.test(words);
  strip.takeRange(0, strip.text.length, isNumber ? 'unread' : 'note');
  for (const t of strip.taken)
    if (isNumber) state.doubts.push({ start: t.start, end: t.end, facts: { code: 'unread' } });
  const target = words === '' ? null : keep(state, words.replace(/["“”„]/g, '’').replace(/\s+/g, ' '));
  takeAll(state, strip, target);
}

/** Clocks under which nothing stands can't be kept as such: they are words behind what came before them, and it is asked. */
function askEmpty(state: State): void {
  for (const [b, { facts, items, words }] of state.blocks.entries()) {
    if (items.some((i) => i.kind === 'work')) continue;
    const isOf = (p: OpenPiece) => p.target?.kind === 'block' && p.target.block === b;
    const of = state.pieces.filter(isOf);
    if (of.length === 0 || (!isSaid(facts) && words.length === 0)) continue;
    const [start, end] = [Math.min(...of.map((p) => p.start)), Math.max(...of.map((p) => p.end))];
    const target = keepBehind(
      state,
      b,
      state.source
        .slice(start, end)
        .replace(/["“”„]/g, '’')
        .replace(/\s+/g, ' '),
    );
    for (const [i, p] of state.pieces.entries()) if (isOf(p)) state.pieces[i] = { ...p, as: 'unread', target };
    state.doubts.push({ start, end, facts: { code: 'no-items' } });
  }
}

const isPiece = (of: object): of is OpenPiece => 'target' in of;

/** What no phrase took, in no line's turn: it is words of what it stands beside. So nothing is lost, whatever the grammar misses. */
function sweep(state: State): void {
  const { source, pieces, ornaments } = state;
  const known = [...pieces, ...ornaments].sort((a, b) => a.start - b.start);
  const found: OpenPiece[] = [];
  let at = pieces.length === 0 ? source.length : 0;
  let before: Target = null;
  for (const next of [...known, { start: source.length, end: source.length }]) {
    if (next.start > at && state.covers(at, next.start))
      for (const { 0: line, index } of source.slice(at, next.start).matchAll(/[^\r\n]+/g)) {
        if (!/[\p{L}\p{N}]/u.test(line)) continue;
        const start = at + index + (line.length - line.trimStart().length);
        const end = at + index + line.trimEnd().length;
        found.push(sweepUp(state, start, end, before));
      }
    at = Math.max(at, next.end);
    if (isPiece(next)) before = next.target;
  }
  pieces.push(...found);
}

function sweepUp(state: State, start: number, end: number, beside: Target): OpenPiece {
  const words = state.source
    .slice(start, end)
    .replace(/["“”„]/g, '’')
    .replace(/\s+/g, ' ')
    .trim();
  if (FILLERS.test(words)) return { start, end, as: 'note', target: beside };
  const isNumber = /\d/.test(words);
  if (isNumber) state.doubts.push({ start, end, facts: { code: 'unread' } });
  const block = beside && beside.kind !== 'field' ? beside.block : state.blocks.length - 1;
  const target = keepBehind(state, block + 1, words);
  return { start, end, as: isNumber ? 'unread' : 'note', target };
}

/** Keeps words on the last movement before a block; above the session where there is none. */
function keepBehind(state: State, before: number, words: string): Target {
  for (let b = before - 1; b >= 0; b--) {
    const block = state.blocks[b]!;
    const at = block.items.findLastIndex((i) => i.kind === 'work');
    const item = block.items[at];
    if (item?.kind !== 'work') continue;
    block.items[at] = withWords(item, words);
    return { kind: 'item', block: b, item: at };
  }
  state.notes.push(words.replace(/#/g, ' '));
  return { kind: 'field', field: 'Note' };
}

/** The session in notation, and the line of it that each piece stands on. */
function finish(state: State): OwnWords {
  askLengths(state);
  askEmpty(state);
  sweep(state);
  const { library, title, targetSec, kit, notes } = state;
  // What a note doesn't hold stands on the first block.
  const over = [...notes.join(' ').replace(/\s+/g, ' ').trim()].slice(MOST_NOTE).join('').trim();
  if (over !== '') state.blocks.find((b) => b.items.some((i) => i.kind === 'work'))?.words.unshift(...inParts(over));
  const kept = state.blocks
    .flatMap((open, b) => (open.items.some((i) => i.kind === 'work') ? [{ open, b }] : []))
    .slice(0, MAX_BLOCKS);
  const blocks = kept.map(({ open }, i) => readable(toBlock(restBehind(open, i < kept.length - 1)), library));
  const allNotes = notes.join(' ').replace(/\s+/g, ' ').trim();
  const noteText = cutLetters(allNotes, MOST_NOTE).trim();
  const document: SessionDocument = {
    ...(title !== undefined && title !== '' && { title }),
    ...(targetSec !== undefined && { targetSec }),
    ...(kit && { kit }),
    ...(noteText !== '' && { note: noteText }),
    blocks,
  };
  const text = blocks.length === 0 ? '' : printSession(document, library);
  const { source } = parseSession(text, library);
  const placeOf = new Map(kept.map(({ b }, i) => [b, i]));
  const lineOf = (target: Target): number | null => {
    if (target === null || text === '') return null;
    if (target.kind === 'field') return source.fields[target.field] ?? null;
    const block = source.blocks[placeOf.get(target.block) ?? -1];
    return target.kind === 'block' ? (block?.line ?? null) : (block?.items[target.item]?.line ?? null);
  };
  const pieces = state.pieces
    // Without any work there is no session to keep words in.
    .map(({ start, end, as, target }): Piece => ({
      start,
      end,
      as: text === '' && as !== 'title' ? 'unread' : as,
      line: lineOf(target),
    }))
    .sort((a, b) => a.start - b.start);
  return { text, pieces, doubts: state.doubts.sort((a, b) => a.start - b.start) };
}
