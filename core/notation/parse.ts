import type { LeadLine } from './lead-lines.ts';
import { MAX_CUES, readLeadLine } from './lead-lines.ts';
import { countLetters, cutLetters } from '../letters.ts';
import type { Block, Comments, Item, Role, SessionDocument, SessionField } from '../document/document.ts';
import { countSteps, MAX_STEPS } from '../forms/count-steps.ts';
import { ROLES, SESSION_FIELDS } from '../document/document.ts';
import { FILM_RULE, isFilmAddress } from '../document/film.ts';
import { MAX_DURATION_SEC, MAX_GROUP, MAX_NAME_LENGTH } from '../limits.ts';
import { beginsLikeHeader } from '../text/header-start.ts';
import { Cursor, UnreadableError } from '../text/cursor.ts';
import type { NotationIssue } from '../text/issue.ts';
import { formOf } from '../forms/forms.ts';
import { nearestWords } from '../words/nearest.ts';
import type { HeaderRules } from './read-header.ts';
import { printClauses, printItem } from './print.ts';
import { readClauses } from './read-header.ts';
import { done } from '../result.ts';
import { sameData } from '../same-data.ts';
import type { ItemSource, MovementNames, ReadItem } from './read-item.ts';
import { readItem } from './read-item.ts';
import type { LineTokens, Token } from '../text/tokens.ts';
import { readSideList } from './side-list.ts';
import { tokenizeLine } from '../text/tokens.ts';

export const MAX_TEXT_BYTES = 200_000;
export const MAX_ITEMS = 400;
export const MAX_BLOCKS = 60;
/** Blank lines and comments included. */
export const MAX_LINES = 10_000;
/** Characters in one line. The longest that means something, a note with a comment behind it, has a quarter of that. */
export const MAX_LINE_LENGTH = 4_000;
/** Reading stops here: nobody mends five hundred things at once. */
export const MAX_ISSUES = 500;

/** Where each block and item of the document stands in the text; lines count from 1. */
export interface SessionSource {
  readonly fields: Readonly<Partial<Record<SessionField, number>>>;
  readonly blocks: readonly {
    readonly line: number;
    readonly items: readonly ItemSource[];
    /** The line of the block’s own film. */
    readonly film?: number;
  }[];
  /** Lines in natural words, and the usual spelling that they were taken as: a line for each item that they say. */
  readonly natural: readonly { readonly line: number; readonly usual: readonly string[] }[];
}

/** A line in the coach's own words as lines of the notation: one for a header, one for each item; undefined where it has no one reading. */
export type NaturalLine = (words: string, as: 'header' | 'item') => readonly string[] | undefined;

/** So many lines are tried in vain as natural words: nobody writes more of them that mean nothing. */
const MOST_MISSED = 60;

export interface ParsedSession {
  /** All that could be read; lines with an issue are left out. */
  readonly document: SessionDocument;
  readonly issues: readonly NotationIssue[];
  readonly source: SessionSource;
}

type Mutable<T> = { -readonly [K in keyof T]: T[K] };
interface OpenBlock {
  block: Mutable<Omit<Block, 'items'>> & { items: Item[] };
  line: number;
  items: ItemSource[];
  film?: number;
  /** Clock and count are written beside where the block comes from. */
  repeats: boolean;
  /** Where the header's clauses stand. */
  clauses: { readonly column: number; readonly endColumn: number };
  /** A header that couldn't be read: its items are read for their own errors, and then dropped. */
  ghost: boolean;
}

/**
 * Reads session notation (docs/notation.md); what isn't any is asked of `natural`, where that is given. Never throws on any text; time is linear in its length, and short for every text
 * that is taken: reading stops, and says so, at too many issues, items or blocks.
 * `names` tells which words are known movements, whose names win over other readings of the same words.
 * An empty text gives a document without blocks and no issue.
 */
export function parseStrictly(text: string, names: MovementNames, natural?: NaturalLine): ParsedSession {
  const issues: NotationIssue[] = [];
  const document: Mutable<SessionDocument> = { blocks: [] };
  const fields: Partial<Record<SessionField, number>> = {};
  const tooLarge = findTooLarge(text);
  if (tooLarge !== undefined) {
    issues.push({ line: 1, column: 1, endColumn: 1, code: 'too-large', suggestions: [], message: tooLarge });
    return { document, issues, source: { fields, blocks: [], natural: [] } };
  }
  const blocks: OpenBlock[] = [];
  const lineComments: Partial<Record<SessionField | 'end', Comments>> = {};
  const taken: { line: number; usual: readonly string[] }[] = [];
  let missed = 0;
  const asNatural = (words: string, as: 'header' | 'item') => {
    if (!natural || missed >= MOST_MISSED) return undefined;
    const usual = natural(words, as);
    if (!usual) missed++;
    return usual;
  };
  let before: string[] = [];
  let items = 0;
  /** Too many items or blocks: what follows is left unread. */
  let isFull = false;
  const takeComments = (after: string | undefined): Comments | undefined => {
    const own: Comments = {
      ...(before.length > 0 && { before }),
      ...(after !== undefined && after !== '' && { after }),
    };
    before = [];
    return own.before || own.after ? own : undefined;
  };
  for (const [index, lineText] of text.split(/\r\n|\n|\r/).entries()) {
    if (isFull || issues.length >= MAX_ISSUES) break;
    if (lineText.trim() === '') continue;
    const line = index + 1;
    if (lineText.length > MAX_LINE_LENGTH) {
      issues.push({
        line,
        column: 1,
        endColumn: MAX_LINE_LENGTH + 1,
        code: 'too-large',
        suggestions: [],
        message: `A line has at most ${MAX_LINE_LENGTH.toLocaleString('en')} letters, and this one more; write it as several.`,
      });
      continue;
    }
    const lead = readLeadLine(lineText);
    if (lead && readBelowHeader(lead, line, lineText, blocks, issues)) {
      if (lead.kind !== 'fault' && lead.comment) before.push(lead.comment);
      continue;
    }
    const field = sessionField(lineText);
    let read: LineTokens =
      field && isWholeLine(field.known) ? wholeLine(lineText, field) : tokenizeLine(lineText, line);
    const { tokens, comment } = read;
    if (tokens.length === 0) {
      issues.push(...read.issues);
      if (comment) before.push(comment);
      continue;
    }
    let cursor = new Cursor(tokens, line, lineText);
    const words = lineText.slice(0, tokens.at(-1)!.end);
    /** Goes on with a header in natural words as with its usual spelling. */
    const takeHeader = () => {
      const [usual] = asNatural(words, 'header') ?? [];
      const own = usual === undefined ? undefined : tokenizeLine(usual, line);
      if (!own || own.issues.length > 0) return undefined;
      const next = new Cursor(own.tokens, line, usual!);
      const found = blockHeader(next);
      const at = next.at;
      const faults: NotationIssue[] = [];
      if (found) readClauses(next, faults);
      if (!found || faults.length > 0) return undefined;
      next.at = at;
      taken.push({ line, usual: [usual!] });
      read = own;
      cursor = next;
      return found;
    };
    const guard = (readLine: () => void) => {
      if (read.issues.length > 0) {
        issues.push(...read.issues);
        return;
      }
      try {
        readLine();
      } catch (error) {
        if (!(error instanceof UnreadableError)) throw error;
        issues.push(error.issue);
      }
    };
    const header = blockHeader(cursor) ?? (field || !beginsLikeHeader(words) ? undefined : takeHeader());
    if (header && blocks.length >= MAX_BLOCKS) {
      isFull = true;
      issues.push({
        line,
        column: 1,
        endColumn: tokens[0]!.end + 1,
        code: 'too-many-items',
        suggestions: [],
        message: `A session has at most ${MAX_BLOCKS} blocks; nothing is read from here on. Split it over several days.`,
      });
    } else if (header) {
      const lineComment = takeComments(comment);
      const label = header.label;
      const from = cursor.peek();
      const faults: NotationIssue[] = [...read.issues];
      let headerRules: HeaderRules = faults.length > 0 ? { time: { kind: 'flow' } } : readClauses(cursor, faults);
      if (faults.length > 0 && faults.every(mayBeNatural) && takeHeader()) headerRules = readClauses(cursor, []);
      else issues.push(...faults);
      const { repeats, ...rules } = headerRules;
      blocks.push({
        block: {
          role: header.role,
          ...(label && { label }),
          ...rules,
          ...(lineComment && { comments: lineComment }),
          items: [],
        },
        line,
        items: [],
        ghost: false,
        repeats: repeats === true,
        clauses: { column: (from?.start ?? 0) + 1, endColumn: tokens.at(-1)!.end + 1 },
      });
    } else if (field) {
      guard(() => {
        const open = blocks.at(-1);
        if (!field.known) unknownLine(cursor, field.word, blocks);
        else if (open && field.known === 'Film') {
          if (open.block.film !== undefined)
            cursor.fail('repeated', 'This block has a film already; keep one.', [], tokens[0]);
          cursor.at = 2;
          open.block.film = readFilm(cursor);
          open.film = line;
          // A block keeps no place for a remark on its film: it goes on to what follows.
          if (comment) before.push(comment);
        } else if (open) {
          cursor.fail('out-of-place', `“${field.known}:” belongs above the first block.`, [], tokens[0]);
        } else {
          if (fields[field.known] !== undefined)
            cursor.fail('repeated', `“${field.known}:” stands here a second time; keep one.`, [], tokens[0]);
          cursor.at = 2;
          readField(cursor, field.known, document);
          fields[field.known] = line;
          const lineComment = takeComments(comment);
          if (lineComment) lineComments[field.known] = lineComment;
        }
      });
    } else {
      guard(() => {
        const open = blocks.at(-1);
        if (!open) {
          cursor.fail(
            'out-of-place',
            'A block header comes before the first item, for example “Main: 3 rounds”.',
            [],
            tokens[0],
            tokens.at(-1),
          );
        }
        const read = readItems(cursor, names, () => asNatural(words, 'item'));
        if (read.usual) taken.push({ line, usual: read.usual });
        items += read.found.length;
        if (items > MAX_ITEMS) {
          isFull = true;
          cursor.fail(
            'too-many-items',
            `A session has at most ${MAX_ITEMS} items; nothing is read from here on. Split it over several days.`,
            [],
            tokens[0],
          );
        }
        const lineComment = takeComments(comment);
        for (const [i, { item, source }] of read.found.entries()) {
          open!.block.items.push(lineComment && i === 0 ? { ...item, comments: lineComment } : item);
          open!.items.push(source);
        }
      });
    }
  }
  if (before.length > 0) lineComments.end = { before };
  if (Object.keys(lineComments).length > 0) document.comments = lineComments;
  const real = blocks.filter((b) => !b.ghost);
  checkBlocks(real, names, issues);
  const whole = real.filter((b) => !b.ghost);
  document.blocks = whole.map((b) => b.block);
  issues.sort((a, b) => a.line - b.line || a.column - b.column);
  if (issues.length > MAX_ISSUES) issues.length = MAX_ISSUES;
  return {
    document,
    issues,
    source: {
      fields,
      blocks: whole.map(({ line, film, items: lines }) => ({ line, items: lines, ...(film && { film }) })),
      natural: taken,
    },
  };
}

/**
 * Whether a line may be meant in natural words. A number out of bounds, a bracket left open and a misspelt word of the notation stay
 * errors, and so does what isn't written to its end.
 */
const mayBeNatural = ({ code, suggestions }: NotationIssue): boolean => {
  switch (code) {
    case 'unknown-clause':
    case 'out-of-place':
    case 'contradiction':
      return suggestions.length === 0;
    case 'unknown-modifier':
      // The one suggestion is to put the words in quotation marks.
      return suggestions.length === 1;
    case 'missing':
      // "45 of what?" may be answered by the words that follow.
      return suggestions.some((s) => s.endsWith(' sets'));
    default:
      return false;
  }
};

interface ReadItems {
  readonly found: readonly ReadItem[];
  /** Where natural words were taken: their usual spelling. */
  readonly usual?: readonly string[];
}

/** The items of a line: one, those of a list of one side, or what natural words say. Throws an UnreadableError where it is none of these. */
function readItems(cursor: Cursor, names: MovementNames, natural: () => readonly string[] | undefined): ReadItems {
  try {
    return { found: readSideList(cursor, names) ?? [readItem(cursor, names)] };
  } catch (error) {
    if (!(error instanceof UnreadableError) || !mayBeNatural(error.issue)) throw error;
    const usual = natural();
    if (!usual) throw error;
    const movement = { start: cursor.tokens[0]!.start, end: cursor.tokens.at(-1)!.end };
    const found = usual.map((text) => ({
      item: readItem(new Cursor(tokenizeLine(text, cursor.line).tokens, cursor.line, text), names).item,
      source: { line: cursor.line, movement },
    }));
    return { found, usual };
  }
}

/** Why a text is too large to be read; undefined where it isn't. Counts UTF-8 bytes without a TextEncoder's copy. */
function findTooLarge(text: string): string | undefined {
  let bytes = 0;
  let lines = 1;
  for (let i = 0; i < text.length; i++) {
    const code = text.charCodeAt(i);
    bytes += code < 0x80 ? 1 : code < 0x800 ? 2 : code >= 0xd800 && code <= 0xdfff ? 2 : 3;
    if (code === 0x0a || (code === 0x0d && text.charCodeAt(i + 1) !== 0x0a)) lines++;
  }
  if (bytes > MAX_TEXT_BYTES)
    return `A session has at most ${MAX_TEXT_BYTES / 1000} kB of text; this is ${Math.ceil(bytes / 1000)} kB. Split it over several days.`;
  if (lines > MAX_LINES)
    return `A session has at most ${MAX_LINES.toLocaleString('en')} lines; these are ${lines.toLocaleString('en')}. Split it over several days.`;
  return undefined;
}

/** Takes a line that stands between a header and its items; false where it is none, so that it is read as any other. */
function readBelowHeader(
  lead: LeadLine,
  line: number,
  text: string,
  blocks: readonly OpenBlock[],
  issues: NotationIssue[],
): boolean {
  const open = blocks.at(-1);
  const fail = (message: string) =>
    issues.push({
      line,
      column: 1,
      endColumn: text.trimEnd().length + 1,
      code: 'out-of-place',
      suggestions: [],
      message,
    });
  if (lead.kind === 'fault') fail(lead.message);
  else if (!open || open.items.length > 0) fail('This belongs under a block’s header, before its items.');
  else if (lead.kind === 'next') {
    if (open.block.source) fail('The header says already where the lines come from; keep one.');
    else open.block.source = { kind: 'routine', name: lead.names[0]!, next: lead.names.slice(1) };
  } else {
    open.film = line;
    if (lead.kind === 'watch') {
      if (open.block.watch !== undefined) fail('“Watch:” stands here a second time; keep one.');
      open.block.watch = lead.words;
    } else if ((open.block.cues?.length ?? 0) >= MAX_CUES) fail(`A block has at most ${MAX_CUES} cues.`);
    else open.block.cues = [...(open.block.cues ?? []), lead.cue];
  }
  return true;
}

interface FieldWord {
  known: SessionField | undefined;
  word: string;
  start: number;
  valueAt: number;
}

/** A line that begins with a single word and a colon, other than a block header. */
function sessionField(text: string): FieldWord | undefined {
  const colon = text.indexOf(':');
  if (colon < 0 || colon > 40) return undefined;
  const word = text.slice(0, colon).trim();
  if (word === '' || !/^\p{L}[\p{L}\p{Pd}]*$/u.test(word)) return undefined;
  const known = SESSION_FIELDS.find((f) => f.toLowerCase() === word.toLowerCase());
  return { known, word, start: text.indexOf(word), valueAt: colon + 1 };
}

/** A title or note is taken as it stands: its words have no meaning for the notation, but `#` still comments. */
function wholeLine(text: string, field: FieldWord): LineTokens {
  const hash = text.search(/(?<=\s|:)#/);
  const end = hash < 0 ? text.length : hash;
  const value = text.slice(field.valueAt, end);
  const lead = value.length - value.trimStart().length;
  const start = field.valueAt + lead;
  const tokens: Token[] = [
    {
      kind: 'word',
      text: field.word.toLowerCase(),
      value: NaN,
      start: field.start,
      end: field.start + field.word.length,
      spaced: false,
    },
    { kind: 'mark', text: ':', value: NaN, start: field.valueAt - 1, end: field.valueAt, spaced: false },
  ];
  if (value.trim() !== '')
    tokens.push({
      kind: 'quoted',
      text: value.trim(),
      value: NaN,
      start,
      end: start + value.trim().length,
      spaced: true,
    });
  return { tokens, comment: hash < 0 ? undefined : text.slice(hash + 1).trim(), issues: [] };
}

const ROLE_SPELLINGS = new Map<string, Role>([
  ...ROLES.map((role) => [role.toLowerCase(), role] as const),
  ['warmup', 'Warm-up'],
  ['cooldown', 'Cool-down'],
]);

function blockHeader(cursor: Cursor): { role: Role; label?: string } | undefined {
  const first = cursor.peek();
  if (first?.kind !== 'word') return undefined;
  let role = ROLE_SPELLINGS.get(first.text);
  let at = 1;
  const second = cursor.peek(1);
  if (!role && second?.kind === 'word') {
    role = ROLE_SPELLINGS.get(`${first.text}${second.text}`);
    at = 2;
  }
  if (!role) return undefined;
  if (cursor.peek(at)?.text === ':') {
    cursor.at = at + 1;
    return { role };
  }
  if (cursor.peek(at)?.text !== '(') return undefined;
  const open = at + 1;
  let close = open;
  while (close < cursor.tokens.length && cursor.tokens[close]!.text !== ')') close++;
  if (cursor.peek(close + 1)?.text !== ':') return undefined;
  const quoted = close === open + 1 && cursor.tokens[open]!.kind === 'quoted' ? cursor.tokens[open]!.text : undefined;
  const label = cutLetters(quoted ?? cursor.slice(open, close), MAX_NAME_LENGTH).trim();
  cursor.at = close + 2;
  return { role, ...(label && { label }) };
}

function unknownLine(cursor: Cursor, word: string, blocks: OpenBlock[]): never {
  const near = nearestWords(word, [...ROLES, ...SESSION_FIELDS]);
  // What follows a misspelt header belongs to it, not to the block before it.
  blocks.push({
    block: { role: 'Main', time: { kind: 'flow' }, items: [] },
    line: cursor.line,
    items: [],
    ghost: true,
    repeats: false,
    clauses: { column: 1, endColumn: 2 },
  });
  return cursor.fail(
    'unknown-line',
    `“${word}:” begins no line of a session; blocks are ${ROLES.join(', ')}.`,
    near.map((n) => `${n}:`),
    cursor.tokens[0],
    cursor.tokens[1],
  );
}

/** Fields whose value is all that stands on the line. */
const isWholeLine = (field: SessionField | undefined): boolean =>
  field === 'Note' || field === 'Title' || field === 'Film';

function fieldStart(cursor: Cursor, field: SessionField): Token {
  const first = cursor.peek();
  if (first) return first;
  const message = `Nothing stands after “${field}:”; write it, or remove the line.`;
  return cursor.fail('missing', message, [], cursor.tokens[0], cursor.tokens[1]);
}

function readFilm(cursor: Cursor): string {
  const { text } = fieldStart(cursor, 'Film');
  return isFilmAddress(text) ? text : cursor.fail('bad-value', FILM_RULE);
}

function readField(cursor: Cursor, field: SessionField, document: Mutable<SessionDocument>): void {
  const first = fieldStart(cursor, field);
  switch (field) {
    case 'Title':
    case 'Note': {
      const most = field === 'Title' ? 120 : 500;
      if (countLetters(first.text) > most)
        return cursor.fail('bad-value', `A ${field.toLowerCase()} has at most ${most} letters.`);
      document[field === 'Title' ? 'title' : 'note'] = first.text;
      return;
    }
    case 'Film':
      document.film = readFilm(cursor);
      return;
    case 'Target':
      document.targetSec = cursor.duration('The target length');
      if (document.targetSec > MAX_DURATION_SEC)
        return cursor.fail('bad-value', 'A target is at most six hours.', [], first);
      break;
    case 'Group':
      document.groupSize = cursor.count('The number of people', 1, MAX_GROUP);
      cursor.takeOneOf('people', 'persons', 'person');
      break;
    case 'Effort':
      document.effort = cursor.count('Effort', 0, 10);
      break;
    case 'Kit':
      document.kit = readKit(cursor);
      break;
    case 'Retest':
      document.retest = cutLetters(cursor.slice(cursor.at, cursor.tokens.length), MAX_NAME_LENGTH);
      cursor.at = cursor.tokens.length;
      break;
  }
  if (!cursor.done)
    cursor.fail('out-of-place', `“${cursor.peek()!.text}” doesn’t belong after ${field.toLowerCase()}; remove it.`);
}

function readKit(cursor: Cursor): string[] {
  const kit: string[] = [];
  while (!cursor.done) {
    const from = cursor.at;
    while (!cursor.done && cursor.peek()!.text !== ',') cursor.at++;
    const name = cursor.slice(from, cursor.at);
    if (name === '') cursor.fail('missing', 'Nothing stands between two commas; take one out.');
    if (countLetters(name) > MAX_NAME_LENGTH)
      cursor.fail('bad-value', `A piece of kit has at most ${MAX_NAME_LENGTH} letters.`, [], cursor.tokens[from]);
    kit.push(name.toLowerCase());
    if (cursor.takeMark(',') && cursor.done)
      cursor.fail('missing', 'Nothing follows the comma; remove it.', [], cursor.tokens.at(-1));
  }
  if (kit.includes('none')) {
    if (kit.length > 1)
      cursor.fail('contradiction', '“none” and pieces of kit contradict each other; keep one.', [], cursor.tokens[2]);
    return [];
  }
  return kit;
}

/** What only shows once all blocks are read: empty blocks, labels that nothing has, work beyond bounds. */
function checkBlocks(blocks: readonly OpenBlock[], names: MovementNames, issues: NotationIssue[]): void {
  const report = (
    open: OpenBlock,
    code: NotationIssue['code'],
    message: string,
    suggestions: readonly string[] = [],
  ) => {
    issues.push({ line: open.line, column: 1, endColumn: 2, code, message, suggestions });
  };
  const hasIssueInside = (open: OpenBlock, next: OpenBlock | undefined) =>
    issues.some((i) => i.line >= open.line && (next === undefined || i.line < next.line));
  const byLabel = new Map<string, OpenBlock>();
  for (const open of blocks) {
    const label = open.block.label?.toLowerCase();
    if (label === undefined) continue;
    if (byLabel.has(label))
      report(open, 'repeated', `Two blocks are labelled “${open.block.label}”; give each its own label.`);
    else byLabel.set(label, open);
  }
  for (const [i, open] of blocks.entries()) {
    const { block } = open;
    if (block.source) {
      if (block.source.kind === 'same-as') {
        const target = checkSameAs(open, block.source.label, byLabel, report);
        if (target) checkRepeated(open, target, names, issues);
      } else if (open.repeats || block.items.length > 0 || (block.source.next && saysMore(block)))
        report(open, 'contradiction', 'The routine brings its own clock, count and lines; leave these out.');
      continue;
    }
    if (block.items.length === 0) {
      if (!hasIssueInside(open, blocks[i + 1]))
        report(open, 'no-items', 'This block has no items yet; write one a line below it.');
      continue;
    }
    if (block.items.every((item) => item.kind === 'rest') && !hasIssueInside(open, blocks[i + 1])) {
      report(open, 'no-items', 'This block has nothing but rest; write “then rest” on the block before it instead.');
    }
    if (formOf(block.time).notation.restNeedsLength) {
      const bare = block.items.findIndex((item) => item.kind === 'rest' && item.sec === undefined);
      if (bare >= 0) {
        issues.push({
          line: open.items[bare]!.line,
          column: 1,
          endColumn: 5,
          code: 'missing',
          suggestions: ['0:30 rest'],
          message: 'Without turns or intervals a rest needs its length, like “0:30 rest”.',
        });
      }
    }
  }
  for (const open of blocks) settle(open, report);
  checkSteps(blocks, byLabel, report);
}

/** Whether a header says more than that a block is gone through once. */
const saysMore = ({ source: _source, ...block }: Block): boolean => printClauses(block).join() !== 'flow';

/** What a form makes of a block once its items are known: `every 1:00, 5 rounds` becomes so many slots. */
function settle(open: OpenBlock, report: Report): void {
  const { block } = open;
  if (block.items.length === 0) return;
  const answer = formOf(block.time).notation.settle?.(block.time, block) ?? done(block);
  if (answer.status === 'refused') {
    report(open, 'contradiction', answer.message, answer.remedy === undefined ? [] : [answer.remedy]);
    open.ghost = true;
  } else if (answer.value !== block) {
    const settled = answer.value;
    const { rounds: _rounds, ...rest } = open.block;
    open.block = { ...rest, ...settled, items: [...settled.items] };
  }
}

/** A block that says again what it refers to may say only the same; another clock or another line contradicts, and is mended by a button. */
function checkRepeated(open: OpenBlock, target: OpenBlock, names: MovementNames, issues: NotationIssue[]): void {
  const { block, line } = open;
  const meant = target.block;
  if (open.repeats) {
    const rules = ({ time, count, rounds, relay }: Block) => ({ time, count, rounds, relay });
    const own = formOf(block.time).notation.settle?.(block.time, { ...block, items: meant.items }) ?? done(block);
    const settledMeant = formOf(meant.time).notation.settle?.(meant.time, meant) ?? done(meant);
    if (
      own.status === 'refused' ||
      settledMeant.status === 'refused' ||
      !sameData(rules(own.value), rules(settledMeant.value))
    )
      issues.push({
        line,
        ...open.clauses,
        code: 'contradiction',
        message: `“${meant.label}” has another clock or count: ${printClauses(settledMeant.status === 'done' ? settledMeant.value : meant).join(', ')}. Write the same, or leave it out.`,
        suggestions: [`same as "${meant.label}"`],
      });
  }
  if (block.items.length === 0) return;
  const bare = ({ comments: _comments, ...item }: Item) => item;
  const at = Math.max(block.items.length, meant.items.length);
  for (let i = 0; i < at; i++) {
    const [own, other] = [block.items[i], meant.items[i]];
    if (own && other && sameData(bare(own), bare(other))) continue;
    const words = other && printItem(other, names);
    issues.push({
      line: own ? open.items[i]!.line : line,
      column: 1,
      endColumn: own ? 4000 : 2,
      code: 'contradiction',
      message: words
        ? `“${meant.label}” has “${words}” in this place. Write the same, or leave the lines out.`
        : `“${meant.label}” has ${meant.items.length} lines, and these are ${block.items.length}. Leave them out.`,
      suggestions: own && words ? [words] : [],
    });
    return;
  }
}

type Report = (open: OpenBlock, code: NotationIssue['code'], message: string, suggestions?: readonly string[]) => void;

/** The block that `same as` leads to, whose rounds, sets and lines are done again; itself where it refers to none. */
function meantBy(block: Block, byLabel: ReadonlyMap<string, OpenBlock>): Block {
  const seen = new Set<Block>();
  let meant = block;
  while (meant.source?.kind === 'same-as' && !seen.has(meant)) {
    seen.add(meant);
    meant = byLabel.get(meant.source.label.toLowerCase())?.block ?? meant;
  }
  return meant;
}

/** A block that would make the session longer than can be led is left out, and said. */
function checkSteps(blocks: readonly OpenBlock[], byLabel: ReadonlyMap<string, OpenBlock>, report: Report): void {
  let steps = 0;
  for (const open of blocks) {
    const { block } = open;
    const own = countSteps(meantBy(block, byLabel));
    if (steps + own <= MAX_STEPS) steps += own;
    else {
      open.ghost = true;
      const what = `${(steps + own).toLocaleString('en')} steps of work (items by rounds, sets and sides)`;
      report(open, 'bad-value', `With this block it is ${what}, more than anyone can do; write fewer rounds.`);
    }
  }
}

function checkSameAs(
  open: OpenBlock,
  label: string,
  byLabel: ReadonlyMap<string, OpenBlock>,
  report: Report,
): OpenBlock | undefined {
  const seen = new Set<OpenBlock>([open]);
  let target = byLabel.get(label.toLowerCase());
  if (!target) {
    const labels = [...byLabel.values()].map((b) => b.block.label!);
    report(
      open,
      'unknown-label',
      `No block is labelled “${label}”; a label stands in brackets: “Main (${label}): …”.`,
      nearestWords(label, labels),
    );
    return undefined;
  }
  while (target) {
    if (seen.has(target)) {
      report(open, 'contradiction', 'This block refers to itself; write its items once.');
      return undefined;
    }
    seen.add(target);
    if (target.block.source?.kind !== 'same-as') return target;
    target = byLabel.get(target.block.source.label.toLowerCase());
  }
  return undefined;
}
