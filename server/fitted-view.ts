import type { FitChange } from '../core/movement/fit-session.ts';
import { fitSession } from '../core/movement/fit-session.ts';
import type { MovementNotes } from '../core/movement/movement-notes.ts';
import { collectNotes } from '../core/movement/movement-notes.ts';
import { resolveBlocks } from '../core/session/resolve.ts';
import type { SentDay } from '../db/queries/record.ts';
import type { LinkScope } from './personal-link.ts';
import type { PlannedSession } from './session-view.ts';
import { planDocument } from './session-view.ts';
import type { WorkspaceBook } from './workspace-book.ts';

export interface FittedView extends Omit<PlannedSession, 'errors'> {
  /** What this person does in another shape, and why. */
  readonly changes: readonly FitChange[];
  readonly notes: MovementNotes;
}

/** A sent version as the person behind a link does it. */
export function fitDay(
  sent: Pick<SentDay, 'document'>,
  { enrolment }: LinkScope,
  { library }: WorkspaceBook,
): FittedView {
  const { document, changes } = fitSession(sent.document, resolveBlocks(sent.document), enrolment.profile, library);
  const planned = planDocument(document, library);
  return { ...planned, changes, notes: collectNotes(planned.blocks, library) };
}
