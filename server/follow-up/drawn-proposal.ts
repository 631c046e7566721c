import type pg from 'pg';
import { dayName, weekdayOf } from '../../core/calendar/day.ts';
import type { SessionDocument } from '../../core/document/document.ts';
import { fitHeld } from '../../core/fit/hold.ts';
import { parseSession } from '../../core/notation/read-session.ts';
import type { ChangedLine } from '../../core/progress/person/change-person.ts';
import { changedLines, personAfter } from '../../core/progress/person/change-person.ts';
import { findProgrammeDay } from '../../core/progress/programme-document.ts';
import type { DayState } from '../../core/record/adherence/strand.ts';
import { resolveBlocks } from '../../core/session/resolve.ts';
import { sessionTitle } from '../../core/session/session-title.ts';
import { getEnrolment } from '../../db/queries/person.ts';
import { getPlan } from '../../db/queries/plan.ts';
import type { Programme } from '../../db/queries/programme.ts';
import { listVersionDocuments } from '../../db/queries/record.ts';
import { listBegun } from '../../db/queries/standing.ts';
import { heldOn } from '../participant/held.ts';
import { fitPersonOf } from '../participant/fitted-view.ts';
import { withBy } from './proposal-answers.ts';
import { loadWhatNext } from './proposals.ts';
import { loadRunFollow } from './run-follow.ts';
import { loadWorkspaceBook } from '../write/workspace-book.ts';

/** What taking a proposal would make of someone's next sessions. */
export interface DrawnProposal {
  /** The next session that it changes, line by line; null where it changes none of the next ones. */
  readonly day: { readonly name: string; readonly title: string; readonly lines: readonly ChangedLine[] } | null;
  /** How many of the next ones were looked at. */
  readonly looked: number;
}

/** Days that are still before someone: not excused, and nothing said of them. */
const STILL_OPEN: ReadonlySet<DayState> = new Set(['due', 'ahead', 'unsent']);
/** Sessions that are looked through for one that changes. */
const MOST_LOOKED = 12;

/**
 * What a person's open proposal would change, in their own fit, of the first session that they haven't begun and that it changes.
 * Undefined for someone who isn’t in this run.
 */
export async function drawProposal(
  db: pg.PoolClient,
  programme: Programme,
  enrolmentId: number,
  by: number | undefined,
): Promise<DrawnProposal | undefined> {
  const follow = await loadRunFollow(db, programme);
  const followed = follow.people.find((p) => p.enrolmentId === enrolmentId);
  const proposal = (await loadWhatNext(db, programme, follow)).people.find((p) => p.enrolmentId === enrolmentId);
  if (!followed) return undefined;
  // Answered a moment ago: the page that shows it asks once more before it takes the line off.
  if (!proposal?.change) return { day: null, looked: 0 };
  const { calendar, states } = followed;
  const ahead = follow.days.filter((_, i) => calendar.own[i]!.date >= calendar.today && STILL_OPEN.has(states[i]!));
  const [person, book, stored, begun, sent] = await Promise.all([
    getEnrolment(db, enrolmentId),
    loadWorkspaceBook(db),
    getPlan(db, { id: programme.id, runId: programme.runId }),
    listBegun(
      db,
      enrolmentId,
      ahead.map((d) => d.dayId),
    ),
    listVersionDocuments(
      db,
      ahead.flatMap((d) => d.versionId ?? []),
    ),
  ]);
  const before = fitPersonOf(person);
  const after = personAfter(before, withBy(proposal.change, by), { since: calendar.today, words: proposal.words });
  const { change } = proposal;
  const heldWeek = change.kind === 'hold' ? change.week : change.kind === 'let-go' ? null : person.heldWeek;
  const first = weekdayOf(programme.startsOn);
  let looked = 0;
  for (const day of ahead) {
    if (begun.has(day.dayId)) continue;
    if (looked === MOST_LOOKED) break;
    const text = findProgrammeDay(stored.programme, day)?.text ?? '';
    const document: SessionDocument =
      day.versionId === undefined ? parseSession(text, book.library).document : sent.get(day.versionId)!;
    if (document.blocks.length === 0) continue;
    looked++;
    const blocks = resolveBlocks(document, book.routines);
    const [now, then] = [await heldOn(db, person, day), await heldOn(db, { ...person, heldWeek }, day)];
    const fit = (who: typeof before, held: typeof now) =>
      fitHeld(document, blocks, { person: who, held }, book.library).document;
    const lines = changedLines(fit(before, now), fit(after, then), book.library);
    if (lines.length > 0) return { day: { name: dayName(day, first), title: sessionTitle(document), lines }, looked };
  }
  return { day: null, looked };
}
