import type { SessionDocument } from '../../document/document.ts';
import { formOf } from '../../forms/forms.ts';
import { stepOn } from '../../movement/ladders-with.ts';
import type { MovementLibrary } from '../../movement/library.ts';
import { isWork } from '../../words/describe-item.ts';
import { readLever, usualBy } from '../levers/apply-lever.ts';
import type { LeverKind } from '../levers/lever.ts';
import type { SchoolId } from './schools.ts';
import { growth, SCHOOL_IDS } from './schools.ts';

/** What a school does next with a session that has become easy: a lever and how far, or the next shape of one movement. */
export type SchoolStep =
  | { readonly kind: 'pull'; readonly lever: LeverKind; readonly by: number }
  /** Ids and names of movements. */
  | {
      readonly kind: 'shape';
      readonly from: string;
      readonly to: string;
      readonly fromName: string;
      readonly toName: string;
    };

const LOAD_KG = 2;

/**
 * The next step of a school in a session: what it takes first, and where the session has none of that, a repetition, or what the form
 * grows by. Null where the school leaves the session as it is, or nothing of it can grow. Common practice, no source.
 */
export function schoolStep(id: SchoolId, document: SessionDocument, library: MovementLibrary): SchoolStep | null {
  const has = (kind: LeverKind) => readLever(document, { kind }, library) !== undefined;
  const pull = (lever: LeverKind, by: number): SchoolStep => ({ kind: 'pull', lever, by });
  const more = (): SchoolStep | null => {
    if (has('reps')) return pull('reps', 1);
    const [first] = growth(document).filter(({ lever }) => has(lever));
    return first ? pull(first.lever, first.by) : has('work') ? pull('work', usualBy('work', document)) : null;
  };
  switch (id) {
    case 'own-number':
    case 'by-feel':
      return null;
    case 'density':
      if (has('rest')) return pull('rest', -5);
      return document.blocks.some((b) => formOf(b.time).rule.slot(b.time) !== null) ? pull('clock', -5) : more();
    case 'load':
      return has('load') ? pull('load', LOAD_KG) : more();
    case 'shape':
      return nextShape(document, library) ?? more();
    case 'rounds-and-reps':
      return more();
  }
}

/** The first movement of the work that has a harder shape on its ladder. */
function nextShape(document: SessionDocument, library: MovementLibrary): SchoolStep | null {
  for (const block of document.blocks) {
    if (block.role === 'Warm-up' || block.role === 'Cool-down') continue;
    for (const item of block.items) {
      const from = isWork(item) ? library.findByName(item.choices[0]!.name) : undefined;
      const to = from && stepOn(from, 1, library);
      if (from && to && from.isHold === to.isHold)
        return { kind: 'shape', from: from.id, to: to.id, fromName: from.name, toName: to.name };
    }
  }
  return null;
}

/** The next step of every school. */
export const nextSteps = (document: SessionDocument, library: MovementLibrary): Record<SchoolId, SchoolStep | null> =>
  Object.fromEntries(SCHOOL_IDS.map((id) => [id, schoolStep(id, document, library)])) as Record<
    SchoolId,
    SchoolStep | null
  >;
