import type { SessionDocument } from '../document/document.ts';
import { applyEdits, tailOf } from './apply-edits.ts';
import type { SessionSource } from './parse.ts';
import { itemLines, printHeader } from './print.ts';
import type { MovementNames } from './read-item.ts';

/** A text as it was read. */
export interface ReadText {
  readonly text: string;
  readonly document: SessionDocument;
  readonly source: SessionSource;
}

/**
 * The text with those headers, items and the effort changed in which `next` differs from what was read; all other lines,
 * comments and the order stay. `next` has the same blocks with the same items as `read.document`, else it is a RangeError.
 */
export function rewriteText(read: ReadText, next: SessionDocument, names: MovementNames): string {
  const { document, source } = read;
  if (next === document) return read.text;
  if (next.blocks.length !== document.blocks.length)
    throw new RangeError(`${next.blocks.length} blocks can’t be written over ${document.blocks.length}`);
  const lines = read.text.split(/\r\n|\n|\r/);
  const put = (line: number, words: readonly string[]) => {
    const [first, ...rest] = words;
    lines[line - 1] = [first! + tailOf(lines[line - 1]!), ...rest].join('\n');
  };
  for (const [b, block] of next.blocks.entries()) {
    const before = document.blocks[b]!;
    if (block === before) continue;
    if (block.items.length !== before.items.length)
      throw new RangeError(`${block.items.length} items can’t be written over ${before.items.length}`);
    const header = printHeader(block);
    if (header !== printHeader(before)) put(source.blocks[b]!.line, [header]);
    const places = source.blocks[b]!.items;
    for (const line of new Set(places.map((p) => p.line))) {
      // Several items may stand in one line: they are written anew together.
      const own = block.items.filter((_, i) => places[i]!.line === line);
      if (own.some((item) => !before.items.includes(item)))
        put(
          line,
          itemLines(own, names).map((l) => l.text),
        );
    }
  }
  const text = lines.join('\n');
  return next.effort === document.effort
    ? text
    : applyEdits(
        text,
        [{ kind: 'set-field', field: 'Effort', value: next.effort === undefined ? null : String(next.effort) }],
        names,
      );
}
