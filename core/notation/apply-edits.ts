import { leadLines } from './lead-lines.ts';
import { assertNever } from '../assert-never.ts';
import type { Block } from '../document/document.ts';
import { SESSION_FIELDS } from '../document/document.ts';
import type { SessionEdit } from './session-edit.ts';
import type { SessionSource } from './parse.ts';
import { parseSession } from './read-session.ts';
import { itemLines, printHeader, printItem } from './print.ts';
import type { MovementNames } from './read-item.ts';
import { tokenizeLine } from '../text/tokens.ts';

/**
 * Writes edits into a text, each into as few lines as it is about. Comments stay with the line they stand before or
 * behind, and lines that can't be read stay where they are. A position that the document doesn't have throws a RangeError.
 */
export function applyEdits(text: string, edits: readonly SessionEdit[], names: MovementNames): string {
  let now = text;
  for (const edit of edits) now = applyEdit(now, edit, names);
  return now;
}

/** The text with each of a line's items on a line of its own, where an edit is about one of several. */
function unfolded(text: string, edit: SessionEdit, names: MovementNames): string {
  const at =
    edit.kind === 'set-item' || edit.kind === 'remove-item'
      ? [[edit.block, edit.item]]
      : edit.kind === 'move-item'
        ? [
            [edit.block, edit.item],
            [edit.toBlock, edit.at],
          ]
        : edit.kind === 'insert-item'
          ? [[edit.block, edit.at]]
          : [];
  const { document, source } = parseSession(text, names);
  const lines = text.split(/\r\n|\n|\r/);
  const shared = new Map<number, string[]>();
  for (const [block, item] of at) {
    const own = source.blocks[block!]?.items;
    const line = own?.[item!]?.line;
    const isShared = line !== undefined && own!.filter((i) => i.line === line).length > 1;
    // Put before the first of them, a line stands before all of them.
    const isBefore = edit.kind === 'insert-item' && own?.[item! - 1]?.line !== line;
    if (!isShared || isBefore) continue;
    const printed = own!.flatMap((i, n) =>
      i.line === line ? [printItem(document.blocks[block!]!.items[n]!, names)] : [],
    );
    shared.set(line - 1, [printed[0]! + tailOf(lines[line - 1]!), ...printed.slice(1)]);
  }
  return shared.size === 0 ? text : lines.flatMap((line, i) => shared.get(i) ?? [line]).join('\n');
}

function applyEdit(before: string, edit: SessionEdit, names: MovementNames): string {
  const text = unfolded(before, edit, names);
  const lines = text.split(/\r\n|\n|\r/);
  const { source } = parseSession(text, names);
  const page = { lines, source, names };
  switch (edit.kind) {
    case 'set-field':
      setField(page, edit.field, edit.value);
      break;
    case 'set-item': {
      const at = itemLine(page, edit.block, edit.item);
      lines[at] = printItem(edit.next, names) + tailOf(lines[at]!);
      break;
    }
    case 'insert-item':
      lines.splice(insertionLine(page, edit.block, edit.at), 0, printItem(edit.next, names));
      break;
    case 'remove-item': {
      const at = itemLine(page, edit.block, edit.item);
      const from = withComments(lines, at);
      lines.splice(from, at + 1 - from);
      break;
    }
    case 'move-item': {
      const at = itemLine(page, edit.block, edit.item);
      const from = withComments(lines, at);
      moveLines(lines, from, at + 1, insertionLine(page, edit.toBlock, edit.at));
      break;
    }
    case 'set-header': {
      const at = blockLine(page, edit.block);
      lines[at] = printHeader(edit.next) + tailOf(lines[at]!);
      break;
    }
    case 'insert-block':
      insertBlockLines(page, edit.at, printBlock(edit.next, names));
      break;
    case 'remove-block': {
      const [from, to] = blockLines(page, edit.block);
      lines.splice(from, to - from);
      break;
    }
    case 'move-block': {
      const [from, to] = blockLines(page, edit.block);
      if (edit.at === edit.block || edit.at === edit.block + 1) return text;
      const own = trimmed(lines.slice(from, to));
      if (edit.at > edit.block) {
        insertBlockLines(page, edit.at, own);
        lines.splice(from, to - from);
      } else {
        lines.splice(from, to - from);
        insertBlockLines(page, edit.at, own);
      }
      break;
    }
    default:
      return assertNever(edit);
  }
  const joined = lines
    .join('\n')
    .replace(/^\n+/, '')
    .replace(/\n{3,}/g, '\n\n')
    .replace(/\n+$/, '\n');
  return joined === '\n' ? '' : joined.endsWith('\n') || joined === '' ? joined : `${joined}\n`;
}

interface Page {
  readonly lines: string[];
  readonly source: SessionSource;
  readonly names: MovementNames;
}

const isComment = (line: string | undefined) => line !== undefined && line.trimStart().startsWith('#');
const isBlank = (line: string | undefined) => line !== undefined && line.trim() === '';

function blockLine({ source }: Page, block: number): number {
  const found = source.blocks[block];
  if (!found) throw new RangeError(`there is no block ${block}; there are ${source.blocks.length}`);
  return found.line - 1;
}

function itemLine(page: Page, block: number, item: number): number {
  blockLine(page, block);
  const found = page.source.blocks[block]!.items[item];
  if (!found) throw new RangeError(`block ${block} has no item ${item}`);
  return found.line - 1;
}

/** Where the comments that stand right above a line begin. */
function withComments(lines: readonly string[], at: number): number {
  let from = at;
  while (from > 0 && isComment(lines[from - 1])) from--;
  return from;
}

/** The blanks and the comment after the last token of a line. */
export function tailOf(line: string): string {
  const { tokens } = tokenizeLine(line, 1);
  const tail = line.slice(tokens.at(-1)?.end ?? line.length).trimEnd();
  return tail.includes('#') ? tail : '';
}

/** The line before which a new item of a block goes: right after the item, or the header, that it follows. */
function insertionLine(page: Page, block: number, at: number): number {
  const header = blockLine(page, block);
  const count = page.source.blocks[block]!.items.length;
  if (at < 0 || at > count) throw new RangeError(`block ${block} has ${count} items, so none goes to ${at}`);
  if (at === 0) return page.source.blocks[block]!.film ?? header + 1;
  return itemLine(page, block, at - 1) + 1;
}

/** The lines of a block, its comments above and what follows it up to the next block included. */
function blockLines(page: Page, block: number): [number, number] {
  const from = withComments(page.lines, blockLine(page, block));
  const next = page.source.blocks[block + 1];
  return [from, next ? withComments(page.lines, next.line - 1) : afterContent(page.lines)];
}

/** The line after the last one that is more than a comment: what is remarked at the end stays at the end. */
function afterContent(lines: readonly string[]): number {
  const last = lines.findLastIndex((line) => !isBlank(line) && !isComment(line));
  return last < 0 ? lines.length : last + 1;
}

function trimmed(lines: readonly string[]): string[] {
  const own = [...lines];
  while (own.length > 0 && isBlank(own.at(-1))) own.pop();
  while (own.length > 0 && isBlank(own[0])) own.shift();
  return own;
}

function moveLines(lines: string[], from: number, to: number, target: number): void {
  if (target >= from && target <= to) return;
  const own = lines.splice(from, to - from);
  lines.splice(target > from ? target - own.length : target, 0, ...own);
}

export const printBlock = (block: Block, names: MovementNames): string[] => [
  printHeader(block),
  ...leadLines(block),
  ...itemLines(block.items, names).map((line) => line.text),
];

/** Puts a block's lines before block `at`, or last, with blank lines around. Counts the blocks of `page.source`, also after lines were taken out behind `at`. */
function insertBlockLines(page: Page, at: number, own: readonly string[]): void {
  const { lines, source } = page;
  if (at < 0 || at > source.blocks.length)
    throw new RangeError(`there are ${source.blocks.length} blocks, so none goes to ${at}`);
  const target = source.blocks[at] ? withComments(lines, source.blocks[at].line - 1) : afterContent(lines);
  const before = target > 0 && !isBlank(lines[target - 1]) ? [''] : [];
  lines.splice(target, 0, ...before, ...own, '');
}

function setField(page: Page, field: (typeof SESSION_FIELDS)[number], value: string | null): void {
  const { lines, source } = page;
  const at = source.fields[field];
  if (at !== undefined) {
    if (value === null) lines.splice(at - 1, 1);
    else {
      const line = lines[at - 1]!;
      const isWhole = field === 'Title' || field === 'Note' || field === 'Film';
      const hash = isWhole ? line.search(/\s+#/) : -1;
      lines[at - 1] = `${field}: ${value}${isWhole ? (hash < 0 ? '' : line.slice(hash)) : tailOf(line)}`;
    }
    return;
  }
  if (value === null) return;
  const earlier = SESSION_FIELDS.slice(0, SESSION_FIELDS.indexOf(field)).flatMap((f) => source.fields[f] ?? []);
  const target = earlier.length > 0 ? Math.max(...earlier) : 0;
  const isLast = source.blocks.length > 0 && Object.keys(source.fields).length === 0;
  lines.splice(target, 0, `${field}: ${value}`, ...(isLast ? [''] : []));
}
