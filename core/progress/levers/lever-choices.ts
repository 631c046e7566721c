import type { MovementLibrary } from '../../movement/library.ts';
import type { SessionDocument } from '../../document/document.ts';
import { blockName } from '../../session/explain/explain.ts';
import { readLever } from './apply-lever.ts';
import type { Lever } from './lever.ts';
import { isSameLever, LEVER_KINDS } from './lever.ts';
import type { LeverRule } from '../track/schedule.ts';

const BY_ITEM: readonly Lever['kind'][] = ['reps', 'work', 'load', 'shape', 'tempo'];

/**
 * The levers that a session offers and no rule uses yet: each kind on all of the work, then by movement, by the header's
 * list, and by block where there are several that it could mean.
 */
export function leverChoices(
  document: SessionDocument,
  rules: readonly LeverRule[],
  library: MovementLibrary,
): { readonly lever: Lever; readonly now: string }[] {
  const blocks = document.blocks.filter((b) => !b.source);
  const main = blocks.filter((b) => b.role !== 'Warm-up' && b.role !== 'Cool-down');
  const named = [
    ...new Set(main.flatMap((b) => b.items.flatMap((i) => (i.kind === 'work' ? [i.choices[0]!.name] : [])))),
  ];
  const labels = [...new Set(blocks.map(blockName))];
  const wished: Lever[] = LEVER_KINDS.flatMap((kind): Lever[] => [
    { kind },
    ...(kind === 'reps' ? [{ kind, of: 'list' }] : []),
    ...(BY_ITEM.includes(kind) && named.length > 1 ? named.map((of) => ({ kind, of })) : []),
    ...(kind !== 'effort' && labels.length > 1 ? labels.map((label) => ({ kind, in: label })) : []),
  ]);
  return wished.flatMap((lever) => {
    const now = readLever(document, lever, library);
    if (now === undefined || rules.some((r) => isSameLever(r.lever, lever))) return [];
    return [{ lever, now }];
  });
}
