import type { Item, WorkItem } from '../document/document.ts';
import { sameData } from '../same-data.ts';
import { Cursor } from '../text/cursor.ts';
import type { ItemSource, MovementNames, ReadItem } from './read-item.ts';
import { readItem } from './read-item.ts';

type Side = 'left' | 'right';
const OTHER: Readonly<Record<Side, Side>> = { left: 'right', right: 'left' };

/** Whether a line is `left then right: …`, one list done with the one side and then with the other. */
function firstSide(cursor: Cursor): Side | undefined {
  for (const side of ['left', 'right'] as const)
    if (cursor.peek()?.text === side && cursor.peek(1)?.text === 'then' && cursor.peek(2)?.text === OTHER[side])
      return cursor.peek(3)?.text === ':' ? side : undefined;
  return undefined;
}

/**
 * Reads `left then right: hip raise, hydrant, lateral kickback`: the items with the left, then the same with the right; undefined where
 * the line is none. Throws an UnreadableError with the place and a remedy.
 */
export function readSideList(cursor: Cursor, names: MovementNames): ReadItem[] | undefined {
  const side = firstSide(cursor);
  if (!side) return undefined;
  const colon = cursor.tokens[3]!;
  cursor.at = 4;
  if (cursor.done) cursor.fail('missing', 'After the colon come the movements, with commas between them.', [], colon);
  const found: { item: WorkItem; source: ItemSource }[] = [];
  while (!cursor.done) {
    const from = cursor.at;
    while (!cursor.done && cursor.peek()!.text !== ',') cursor.at++;
    const own = cursor.tokens.slice(from, cursor.at);
    if (own.length === 0) cursor.fail('missing', 'Nothing stands between two commas; take one out.');
    const { item, source } = readItem(new Cursor(own, cursor.line, cursor.text), names);
    if (
      item.kind === 'rest' ||
      item.side ||
      item.halfEachSide ||
      (item.dose && 'sides' in item.dose && item.dose.sides)
    )
      return cursor.fail(
        'contradiction',
        `“${side} then ${OTHER[side]}” says the sides of all of them; write the movement with its number alone.`,
        [],
        own[0],
        own.at(-1),
      );
    found.push({ item, source });
    if (cursor.peek()) cursor.at++;
    if (cursor.done && cursor.tokens.at(-1)!.text === ',')
      cursor.fail('missing', 'Nothing follows the comma; remove it.', [], cursor.tokens.at(-1));
  }
  return [side, OTHER[side]].flatMap((s) => found.map(({ item, source }) => ({ item: { ...item, side: s }, source })));
}

/** How many items from `at` on are one list with one side and then the same with the other; 0 where they aren't. */
export function sideListLength(items: readonly Item[], at: number): number {
  const first = items[at];
  if (first?.kind !== 'work' || !first.side) return 0;
  const ofSide = (item: Item | undefined, side: Side) => item?.kind === 'work' && item.side === side;
  let half = 0;
  while (ofSide(items[at + half], first.side)) half++;
  if (half < 2) return 0;
  for (let i = 0; i < half; i++) {
    const [one, other] = [items[at + i] as WorkItem, items[at + half + i]];
    // A remark stands behind a line, and this is one.
    const isBare = (item: Item) => item.comments === undefined;
    if (!other || !ofSide(other, OTHER[first.side]) || !isBare(other) || (i > 0 && !isBare(one))) return 0;
    const { comments: _comments, ...bare } = one;
    if (!sameData({ ...bare, side: OTHER[first.side] }, other)) return 0;
  }
  return half * 2;
}

/** The list of one side in one line; undefined where one of its items takes a comma, and so a line. `print` writes one without its side. */
export function printSideList(items: readonly Item[], print: (item: WorkItem) => string): string | undefined {
  const half = items.slice(0, items.length / 2) as WorkItem[];
  const [side] = half.map((item) => item.side!);
  const parts = half.map(({ side: _side, comments: _comments, ...item }) => print(item));
  return parts.some((p) => /[,[\]"]/.test(p)) ? undefined : `${side} then ${OTHER[side!]}: ${parts.join(', ')}`;
}
