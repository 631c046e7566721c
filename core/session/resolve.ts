import type { Block, SessionDocument } from '../document/document.ts';

/** Stored blocks by name, for `routine NAME`. */
export type Routines = ReadonlyMap<string, Block>;

/**
 * The blocks with `same as` and `routine` replaced by what they refer to; role, label and the rest after the
 * block stay the block's own. A reference that leads nowhere, or in a circle, gives a block without items.
 */
export function resolveBlocks(document: SessionDocument, routines: Routines = new Map()): Block[] {
  const byLabel = new Map<string, Block>();
  for (const block of document.blocks) {
    if (block.label && !byLabel.has(block.label.toLowerCase())) byLabel.set(block.label.toLowerCase(), block);
  }
  return document.blocks.map((block) => {
    let target: Block | undefined = block;
    const seen = new Set<Block>();
    while (target?.source && !seen.has(target)) {
      seen.add(target);
      target =
        target.source.kind === 'same-as'
          ? byLabel.get(target.source.label.toLowerCase())
          : routines.get(target.source.name.toLowerCase());
    }
    if (target === block) return block;
    const { source: _source, ...own } = block;
    if (!target || target.source) return own;
    const { role: _role, label: _label, thenRestSec: _then, comments: _comments, source: _other, ...rules } = target;
    return { ...own, ...rules, ...saidOf(own) };
  });
}

/** What a block says of its own beside the rules of another: its film, its cues, its fault to look out for. */
const saidOf = ({ film, cues, watch }: Block): Pick<Block, 'film' | 'cues' | 'watch'> => ({
  ...(film !== undefined && { film }),
  ...(cues && { cues }),
  ...(watch !== undefined && { watch }),
});

/**
 * The document as it is sent: stored routines are written out, so that a version stays what it was when a routine is
 * changed. A routine that isn't there leaves its block as it is.
 */
export function freezeRoutines(document: SessionDocument, routines: Routines): SessionDocument {
  return {
    ...document,
    blocks: document.blocks.map((block) => {
      const routine = block.source?.kind === 'routine' ? routines.get(block.source.name.toLowerCase()) : undefined;
      if (!routine) return block;
      const { source: _source, ...own } = block;
      const { role: _role, label: _label, thenRestSec, comments: _comments, ...rules } = routine;
      return {
        ...own,
        ...rules,
        ...saidOf(own),
        ...((own.thenRestSec ?? thenRestSec) && { thenRestSec: own.thenRestSec ?? thenRestSec }),
      };
    }),
  };
}
