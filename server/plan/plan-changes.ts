import type pg from 'pg';
import { dayKey } from '../../core/calendar/day.ts';
import { applyProgrammeEdits } from '../../core/progress/edit/apply-programme-edit.ts';
import type { ProgrammeEdit } from '../../core/progress/edit/programme-edit.ts';
import type { ProgrammeDocument } from '../../core/progress/programme-document.ts';
import { byPlace, findProgrammeDay, isAt } from '../../core/progress/programme-document.ts';
import type { TrackBook } from '../../core/progress/edit/regenerate.ts';
import { createTrackBook } from '../../core/progress/edit/regenerate.ts';
import type { PlanSlice, StoredPlan } from '../../db/queries/plan.ts';
import {
  changedPlaces,
  findPlanChange,
  getPlan,
  insertPlanChange,
  slicePlan,
  updateChangeUndone,
  updatePlan,
} from '../../db/queries/plan.ts';
import { StaleError } from '../../db/errors.ts';
import type { WorkspaceBook } from '../write/workspace-book.ts';

export interface PlanScope {
  readonly workspaceId: number;
  readonly programmeId: number;
  /** The run whose sent days stay as they are. */
  readonly runId: number;
  readonly coachId: number;
  readonly now: Date;
}

export type PlanAnswer =
  | { readonly status: 'changed'; readonly revision: number; readonly words: string }
  | { readonly status: 'refused'; readonly message: string };

const books = new WeakMap<WorkspaceBook, TrackBook>();

/** The track book of a workspace, built once for its movements and routines. */
export function trackBookOf(book: WorkspaceBook): TrackBook {
  let found = books.get(book);
  if (!found) {
    found = createTrackBook({ library: book.library, routines: book.routines });
    books.set(book, found);
  }
  return found;
}

/** Carries out edits on the plan as it stands now, and remembers them for undo. `revision` is the one that was looked at. */
export async function changePlan(
  db: pg.PoolClient,
  book: WorkspaceBook,
  at: PlanScope,
  change: { revision: number; words: string; edits: readonly ProgrammeEdit[] },
): Promise<PlanAnswer> {
  const stored = await getPlan(db, { id: at.programmeId, runId: at.runId }, true);
  if (stored.revision !== change.revision) throw new StaleError(stored.revision);
  const result = applyProgrammeEdits(stored.programme, change.edits, {
    book: trackBookOf(book),
    locked: new Set(stored.sent),
  });
  if (result.status === 'refused') return result;
  return {
    status: 'changed',
    revision: await keepChange(db, at, stored, result.programme, change.words),
    words: change.words,
  };
}

async function keepChange(
  db: pg.PoolClient,
  at: PlanScope,
  stored: StoredPlan,
  next: ProgrammeDocument,
  words: string,
): Promise<number> {
  const places = changedPlaces(stored.programme, next);
  const revision = await updatePlan(db, { ...at, stored, next });
  await insertPlanChange(db, {
    ...at,
    words,
    before: slicePlan(stored.programme, places),
    after: slicePlan(next, places),
  });
  return revision;
}

/** Puts a slice back; a day that was sent or changed by hand since then keeps what it has. */
function putBack(stored: StoredPlan, from: PlanSlice, to: PlanSlice): { programme: ProgrammeDocument; kept: number } {
  let kept = 0;
  const days = to.days
    .reduce((now, { day, ...place }) => {
      const current = now.find(isAt(place));
      const expected = from.days.find(isAt(place))?.day;
      const isTouched = stored.sent.includes(dayKey(place)) || (current?.text ?? null) !== (expected?.text ?? null);
      if (isTouched) {
        kept++;
        return now;
      }
      return [...now.filter((d) => !isAt(place)(d)), ...(day ? [day] : [])];
    }, stored.programme.days)
    .filter((d) => d.week <= to.frame.weeks);
  return {
    programme: { ...to.frame, firstWeekday: stored.programme.firstWeekday, days: [...days].sort(byPlace) },
    kept,
  };
}

/** Takes the last change back, or brings the last one that was taken back again. */
export async function undoPlan(db: pg.PoolClient, at: PlanScope, which: 'undo' | 'redo'): Promise<PlanAnswer> {
  const change = await findPlanChange(db, at.programmeId, which);
  if (!change)
    return { status: 'refused', message: which === 'undo' ? 'There is nothing to undo.' : 'There is nothing to redo.' };
  const stored = await getPlan(db, { id: at.programmeId, runId: at.runId }, true);
  const [from, to] = which === 'undo' ? [change.after, change.before] : [change.before, change.after];
  const { programme, kept } = putBack(stored, from, to);
  const lost = stored.programme.days.find((d) => stored.sent.includes(dayKey(d)) && !findProgrammeDay(programme, d));
  if (lost) return { status: 'refused', message: 'Sessions have been sent since; that change can’t be taken back.' };
  const revision = await updatePlan(db, { ...at, stored, next: programme });
  await updateChangeUndone(db, change.id, which === 'undo');
  const left =
    kept === 0
      ? ''
      : ` ${kept} ${kept === 1 ? 'day was' : 'days were'} changed or sent since, and ${kept === 1 ? 'stays' : 'stay'} as ${kept === 1 ? 'it is' : 'they are'}.`;
  return {
    status: 'changed',
    revision,
    words: `${which === 'undo' ? 'Taken back' : 'Done again'}: ${change.words}.${left}`,
  };
}
