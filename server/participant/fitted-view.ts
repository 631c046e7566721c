import { BoundedCache } from '../../core/bounded-cache.ts';
import type { FitChange } from '../../core/fit/fit-change.ts';
import { fitHeld } from '../../core/fit/hold.ts';
import type { MovementNotes } from '../../core/fit/movement-notes.ts';
import { collectNotes, namesIn } from '../../core/fit/movement-notes.ts';
import type { SheetFigures } from '../../core/figure/sheet-figure.ts';
import { sheetFigures } from '../../words/en/figures/sheet-figures.ts';
import { resolveBlocks } from '../../core/session/resolve.ts';
import type { SessionSheet } from '../../core/session/session-sheet.ts';
import { buildSheet } from '../../core/session/session-sheet.ts';
import { localDate } from '../../core/calendar/release.ts';
import type { FitPerson } from '../../core/movement/fit-movement.ts';
import type { MovementLibrary } from '../../core/movement/library.ts';
import type { ShapeLadders } from '../../core/clock/shapes.ts';
import { shapeLadders } from '../../core/clock/shape-ladders.ts';
import type { Sensible } from '../../core/record/scores/doubts.ts';
import { sensibleBounds } from '../../core/record/scores/sensible.ts';
import { easePerson } from '../../core/movement/fit-movement.ts';
import type { Enrolment } from '../../db/queries/person.ts';
import { nowMs } from '../config.ts';
import type { SessionDocument } from '../../core/document/document.ts';
import type { Db } from '../../db/pool.ts';
import { toFitPerson } from '../../db/queries/person.ts';
import { libraryFor } from '../../core/fit/paced-library.ts';
import { plannedFactor } from '../../core/pace/person-pace.ts';
import { heldOn } from './held.ts';
import { versionDocument } from './version-document.ts';
import type { LinkScope } from '../doors/personal-link.ts';
import type { PlannedSession } from '../write/session-view.ts';
import { planDocument } from '../write/session-view.ts';
import type { WorkspaceBook } from '../write/workspace-book.ts';

export interface FittedView extends Omit<PlannedSession, 'errors'> {
  /** What this person does in another shape, and why. */
  readonly changes: readonly FitChange[];
  readonly notes: MovementNotes;
  readonly figures: SheetFigures;
  readonly sheet: SessionSheet;
  /** What the fit was made with. */
  readonly library: MovementLibrary;
  readonly person: FitPerson;
  /** As it was sent, for everybody. */
  readonly sent: SessionDocument;
}

/** Fits by version, movements and profile: on one morning hundreds of people ask for a handful of them. */
const fits = new BoundedCache<string, FittedView>(400);

/** What a session is fitted by to someone on their present day. */
export function fitPersonOf({
  profile,
  easedUntil,
  timeZone,
  pace: learned,
}: Pick<Enrolment, 'profile' | 'easedUntil' | 'timeZone' | 'pace'>): FitPerson {
  const today = localDate(nowMs(), timeZone);
  const pace = plannedFactor(learned);
  const person = { ...toFitPerson(profile, today), ...(pace !== 1 && { pace }) };
  return easedUntil !== null && today <= easedUntil ? easePerson(person) : person;
}

/** A sent version as the person behind a link does it. `versionId` is one that this workspace was found to have. */
export async function fitDay(
  db: Db,
  { versionId }: { readonly versionId: number },
  { enrolment }: Pick<LinkScope, 'enrolment'>,
  { library: common, key }: WorkspaceBook,
): Promise<FittedView> {
  const person = fitPersonOf(enrolment);
  const held = await heldOn(db, enrolment, { versionId });
  const fitKey = `${versionId} ${key} ${held?.key ?? ''} ${JSON.stringify(person)}`;
  const known = fits.peek(fitKey);
  if (known) return known;
  const sent = await versionDocument(db, versionId);
  return fits.get(fitKey, () => {
    const { document, changes } = fitHeld(sent, resolveBlocks(sent), { person, held }, common);
    const library = libraryFor(person, common);
    const planned = planDocument(document, library);
    const notes = collectNotes(planned.blocks, library);
    return {
      ...planned,
      changes,
      notes,
      figures: sheetFigures(namesIn(planned.blocks), library),
      sheet: buildSheet(planned.document, planned.blocks, planned.plan, library),
      library,
      person,
      sent,
    };
  });
}

const laddersKnown = new WeakMap<FittedView, ShapeLadders>();

/** The shapes that this person may go to on the way; made once for a fit. */
export function laddersOf(fitted: FittedView): ShapeLadders {
  let known = laddersKnown.get(fitted);
  if (!known) laddersKnown.set(fitted, (known = shapeLadders(fitted.blocks, fitted.library, fitted.person)));
  return known;
}

const boundsKnown = new WeakMap<FittedView, readonly Sensible[]>();

/** What nobody is likely to exceed in it; made once for a fit. */
export function boundsOf(fitted: FittedView): readonly Sensible[] {
  let known = boundsKnown.get(fitted);
  if (!known) boundsKnown.set(fitted, (known = sensibleBounds(fitted.plan, fitted.blocks, fitted.library)));
  return known;
}

/** Two short lines on how each of some movements is done, by name; what nothing is said of is left out. */
export function cuesFor(names: Iterable<string>, library: MovementLibrary): Record<string, readonly string[]> {
  return Object.fromEntries(
    [...new Set(names)].flatMap((name) => {
      const m = library.findByName(name);
      const lines = m ? [m.doing, m.watchFor].filter((line) => line !== '') : [];
      return lines.length > 0 ? [[name, lines] as const] : [];
    }),
  );
}
