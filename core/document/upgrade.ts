import type { Block, SessionDocument, TimeRule } from './document.ts';

/** How a pyramid was kept before it was a rule of time of its own: an interval clock with a count. */
interface OldPyramid {
  readonly time: {
    readonly kind: 'intervals';
    readonly workSec: readonly number[];
    readonly restSec: readonly number[];
  };
  readonly count: { readonly kind: 'pyramid'; readonly step: number };
}

const isOldPyramid = (block: object): block is OldPyramid =>
  (block as Partial<OldPyramid>).count?.kind === 'pyramid' && (block as Partial<OldPyramid>).time?.kind === 'intervals';

/** A document as it was stored, in today's form: sent versions never change, so that what reads them knows every form they ever had. */
export function upgradeDocument(stored: SessionDocument): SessionDocument {
  if (!stored.blocks.some(isOldPyramid)) return stored;
  return {
    ...stored,
    blocks: stored.blocks.map((block): Block => {
      if (!isOldPyramid(block)) return block;
      const { time, count, ...rest } = block as unknown as OldPyramid & Omit<Block, 'time' | 'count'>;
      const pyramid: TimeRule = {
        kind: 'pyramid',
        step: count.step,
        workSec: time.workSec[0]!,
        restSec: time.restSec[0] ?? 0,
      };
      return { ...rest, time: pyramid };
    }),
  };
}
