import type { MovementLibrary } from '../../movement/library.ts';
import type { Block, Item, WorkItem } from '../../document/document.ts';
import type { Lever } from './lever.ts';

/** How one kind of lever acts on one block: what it stands at, and the block pulled by so much. */
export interface LeverAction {
  /** Undefined where the block has nothing that this lever could pull. */
  read(block: Block, lever: Lever, library: MovementLibrary): string | undefined;
  /** The same block object where nothing changes; values stop at their limits. `inProportion`: as a share of each value. */
  pull(block: Block, by: number, lever: Lever, library: MovementLibrary, inProportion?: boolean): Block;
}

export const isList = (count: Block['count']): count is Extract<Block['count'], { kind: 'list' }> =>
  count?.kind === 'list';

/** Whether a lever means this item; one without `of` means all. */
export function meansItem(lever: Lever, item: WorkItem, library: MovementLibrary): boolean {
  if (lever.of === undefined) return true;
  if (lever.of === 'list') return false;
  const wanted = library.findByName(lever.of);
  return item.choices.some((c) =>
    wanted ? library.findByName(c.name)?.id === wanted.id : c.name.toLowerCase() === lever.of!.toLowerCase(),
  );
}

/** A block with its items mapped; the same object where none changed. */
export function mapItems(
  block: Block,
  lever: Lever,
  library: MovementLibrary,
  next: (item: WorkItem) => WorkItem,
): Block {
  let isChanged = false;
  const items = block.items.map((item): Item => {
    if (item.kind !== 'work' || !meansItem(lever, item, library)) return item;
    const now = next(item);
    isChanged ||= now !== item;
    return now;
  });
  return isChanged ? { ...block, items } : block;
}

/** What is read of each item that a lever means, joined: `8/10/12`. */
export function readItems(
  block: Block,
  lever: Lever,
  library: MovementLibrary,
  read: (item: WorkItem) => string | undefined,
): string | undefined {
  const found = block.items.flatMap((item) =>
    item.kind === 'work' && meansItem(lever, item, library) ? (read(item) ?? []) : [],
  );
  return found.length === 0 ? undefined : found.join('/');
}
