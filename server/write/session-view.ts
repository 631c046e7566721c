import { BoundedCache } from '../../core/bounded-cache.ts';
import type { MovementLibrary } from '../../core/movement/library.ts';
import type { Block, SessionDocument } from '../../core/document/document.ts';
import type { SessionPlan } from '../../core/session/plan.ts';
import { computePlan } from '../../core/session/plan.ts';
import { resolveBlocks } from '../../core/session/resolve.ts';
import { parseSession } from '../../core/notation/read-session.ts';
import type { WorkspaceBook } from './workspace-book.ts';

export interface PlannedSession {
  readonly document: SessionDocument;
  readonly blocks: readonly Block[];
  readonly plan: SessionPlan;
  readonly errors: number;
}

/** The plan of a sent version: it carries its routines inside. */
export function planDocument(document: SessionDocument, library: MovementLibrary): Omit<PlannedSession, 'errors'> {
  return { document, blocks: resolveBlocks(document), plan: computePlan(document, library) };
}

/** Plans by text and routines: the same days are asked for on every coach's page. */
const plans = new BoundedCache<string, PlannedSession>(600);

/** The plan of a draft. */
export const planText = (text: string, book: WorkspaceBook): PlannedSession =>
  plans.get(`${book.key}\n${text}`, () => {
    const { document, issues } = parseSession(text, book.library);
    return {
      document,
      blocks: resolveBlocks(document, book.routines),
      plan: computePlan(document, book.library, book.routines),
      errors: issues.length,
    };
  });
