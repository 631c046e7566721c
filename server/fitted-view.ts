import { fitSession } from '../core/movement/fit-session.ts';
import type { MovementLibrary } from '../core/movement/library.ts';
import type { Movement } from '../core/movement/movement.ts';
import { isWork } from '../core/session/describe-item.ts';
import type { SessionDocument } from '../core/session/document.ts';
import type { FitChange } from '../core/movement/fit-session.ts';
import type { SentDay } from '../db/queries/record.ts';
import type { LinkScope } from './personal-link.ts';
import type { PlannedSession } from './session-view.ts';
import { planDocument } from './session-view.ts';
import type { WorkspaceBook } from './workspace-book.ts';
import { resolveBlocks } from '../core/session/resolve.ts';

/** How a movement is done, by its name as written. */
export type MovementNotes = Readonly<Record<string, Pick<Movement, 'setUp' | 'doing' | 'watchFor' | 'breathing' | 'cautions'>>>;

export interface FittedView extends Omit<PlannedSession, 'errors'> {
  /** What this person does in another shape, and why. */
  readonly changes: readonly FitChange[];
  readonly notes: MovementNotes;
}

/** A sent version as the person behind a link does it. */
export function fitDay(sent: Pick<SentDay, 'document'>, { enrolment }: LinkScope, { library }: WorkspaceBook): FittedView {
  const { document, changes } = fitSession(sent.document, resolveBlocks(sent.document), enrolment.profile, library);
  return { ...planDocument(document, library), changes, notes: notesFor(document, library) };
}

function notesFor(document: SessionDocument, library: MovementLibrary): MovementNotes {
  const names = new Set(resolveBlocks(document).flatMap((b) => b.items.filter(isWork).flatMap((i) => i.choices.map((c) => c.name))));
  return Object.fromEntries([...names].flatMap((name) => {
    const m = library.findByName(name);
    return m && m.doing !== '' ? [[name, { setUp: m.setUp, doing: m.doing, watchFor: m.watchFor, breathing: m.breathing, cautions: m.cautions }]] : [];
  }));
}
