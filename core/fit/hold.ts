import type { Block, SessionDocument } from '../document/document.ts';
import { formOf, scoreKind } from '../forms/forms.ts';
import type { FitPerson } from '../movement/fit-movement.ts';
import { laddersWith } from '../movement/ladders-with.ts';
import type { MovementLibrary } from '../movement/library.ts';
import { isWork } from '../words/describe-item.ts';
import { computePlan } from '../session/plan.ts';
import { sameData } from '../same-data.ts';
import { blockChanges } from './block-changes.ts';
import type { FitChange } from './fit-change.ts';
import type { FittedSession } from './fit-session.ts';
import { fitSession } from './fit-session.ts';

/** The same movement, or another step of one ladder that it is on. */
function isSameWork(a: string, b: string, library: MovementLibrary): boolean {
  if (a === b) return true;
  const [from, to] = [library.findByName(a), library.findByName(b)];
  if (!from || !to) return false;
  return from.id === to.id || laddersWith(from, library).some((l) => l.steps.some((s) => s.movementId === to.id));
}

/** Whether two blocks are one at two points of its progression: the same form, line by line the same work. */
function isSameBlock(a: Block, b: Block, library: MovementLibrary): boolean {
  if (a.role !== b.role || (a.label ?? '') !== (b.label ?? '') || a.items.length !== b.items.length) return false;
  if (formOf(a.time) !== formOf(b.time)) return false;
  return a.items.every((item, i) => {
    const other = b.items[i]!;
    if (!isWork(item) || !isWork(other)) return item.kind === other.kind;
    return (
      item.choices.length === other.choices.length &&
      item.choices.every((c, k) => isSameWork(c.name, other.choices[k]!.name, library))
    );
  });
}

/**
 * A session with the numbers that it had earlier: each block that is the same one at an earlier point of its progression is done as it was
 * then. Blocks of which nothing earlier is known stay. All blocks are resolved; `reason` is what a change is explained with.
 */
export function withHeldNumbers(
  blocks: readonly Block[],
  earlier: readonly Block[],
  reason: string,
  library: MovementLibrary,
): { readonly blocks: readonly Block[]; readonly changes: readonly FitChange[] } {
  const left = [...earlier];
  const changes: FitChange[] = [];
  const held = blocks.map((block, b) => {
    const at = left.findIndex((e) => isSameBlock(block, e, library));
    if (at < 0) return block;
    const [was] = left.splice(at, 1);
    if (sameData(was, block)) return block;
    changes.push(...blockChanges(block, was!, { block: b, how: 'own', reason, isScored: scoreKind(block) !== 'none' }));
    return was!;
  });
  return { blocks: held, changes };
}

/** An earlier session that someone stays with; its blocks are resolved. */
export interface Held {
  readonly blocks: readonly Block[];
  readonly reason: string;
}

/**
 * A session as `fitSession` has it, with the numbers of an earlier one where that is held. Nobody is held to more work than was sent, as
 * in a lighter week, and a retest is never held.
 */
export function fitHeld(
  document: SessionDocument,
  blocks: readonly Block[],
  { person, held }: { readonly person: FitPerson; readonly held: Held | undefined },
  library: MovementLibrary,
): FittedSession {
  if (!held || document.retest !== undefined) return fitSession(document, blocks, person, library);
  const kept = withHeldNumbers(blocks, held.blocks, held.reason, library);
  const workOf = (own: readonly Block[]) => computePlan({ ...document, blocks: own }, library).workSec;
  if (kept.changes.length === 0 || workOf(kept.blocks) > workOf(blocks))
    return fitSession(document, blocks, person, library);
  const fitted = fitSession({ ...document, blocks: [...kept.blocks] }, kept.blocks, person, library);
  return { ...fitted, changes: [...kept.changes, ...fitted.changes] };
}
