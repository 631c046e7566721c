import { baseLibrary } from '../core/movement/library.ts';
import type { Block, SessionDocument } from '../core/session/document.ts';
import type { SessionPlan } from '../core/session/plan.ts';
import { computePlan } from '../core/session/plan.ts';
import { resolveBlocks } from '../core/session/resolve.ts';
import { parseSession } from '../core/notation/parse.ts';

export interface PlannedSession {
  readonly document: SessionDocument;
  readonly blocks: readonly Block[];
  readonly plan: SessionPlan;
  readonly errors: number;
}

export function planDocument(document: SessionDocument): Omit<PlannedSession, 'errors'> {
  return { document, blocks: resolveBlocks(document), plan: computePlan(document, baseLibrary) };
}

/** Plans by text, newest kept: the same days are asked for on every coach's page. Holds no more than this. */
const MAX_KEPT = 600;
const kept = new Map<string, PlannedSession>();

export function planText(text: string): PlannedSession {
  const known = kept.get(text);
  if (known) return known;
  const { document, issues } = parseSession(text, baseLibrary);
  const planned: PlannedSession = { ...planDocument(document), errors: issues.length };
  kept.set(text, planned);
  if (kept.size > MAX_KEPT) kept.delete(kept.keys().next().value!);
  return planned;
}
