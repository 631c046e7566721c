import type { MovementLibrary } from '../core/movement/library.ts';
import type { Block, SessionDocument } from '../core/session/document.ts';
import type { SessionPlan } from '../core/session/plan.ts';
import { computePlan } from '../core/session/plan.ts';
import { resolveBlocks } from '../core/session/resolve.ts';
import { parseSession } from '../core/notation/parse.ts';
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

/** Plans by text and routines, newest kept: the same days are asked for on every coach's page. Holds no more than this. */
const MAX_KEPT = 600;
const kept = new Map<string, PlannedSession>();

/** The plan of a draft. */
export function planText(text: string, book: WorkspaceBook): PlannedSession {
  const key = `${book.key}\n${text}`;
  const known = kept.get(key);
  if (known) return known;
  const { document, issues } = parseSession(text, book.library);
  const planned: PlannedSession = {
    document,
    blocks: resolveBlocks(document, book.routines),
    plan: computePlan(document, book.library, book.routines),
    errors: issues.length,
  };
  kept.set(key, planned);
  if (kept.size > MAX_KEPT) kept.delete(kept.keys().next().value!);
  return planned;
}
