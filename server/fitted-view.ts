import { fitSession } from '../core/movement/fit-session.ts';
import type { FitChange } from '../core/movement/fit-session.ts';
import type { SentDay } from '../db/queries/record.ts';
import type { LinkScope } from './personal-link.ts';
import type { PlannedSession } from './session-view.ts';
import { planDocument } from './session-view.ts';
import type { WorkspaceBook } from './workspace-book.ts';
import { resolveBlocks } from '../core/session/resolve.ts';

export interface FittedView extends Omit<PlannedSession, 'errors'> {
  /** What this person does in another shape, and why. */
  readonly changes: readonly FitChange[];
}

/** A sent version as the person behind a link does it. */
export function fitDay(sent: Pick<SentDay, 'document'>, { enrolment }: LinkScope, { library }: WorkspaceBook): FittedView {
  const { document, changes } = fitSession(sent.document, resolveBlocks(sent.document), enrolment.profile, library);
  return { ...planDocument(document, library), changes };
}
