import { formatDay } from '../../core/calendar/day.ts';
import { plannedDate, toRunDays } from '../../core/calendar/release.ts';
import type { DayPlace } from '../../core/calendar/day.ts';
import type { LiveNote } from '../../core/messages/message-facts.ts';
import { letterTo } from '../../words/en/letters.ts';
import { writeLetter } from '../messages/write-letter.tsx';
import { explainChange } from '../../core/fit/fit-change.ts';
import type { Held } from '../../core/fit/hold.ts';
import { libraryFor } from '../../core/fit/paced-library.ts';
import { fitHeld } from '../../core/fit/hold.ts';
import { namesIn } from '../../core/fit/movement-notes.ts';
import { sheetFigures } from '../../words/en/figures/sheet-figures.ts';
import { ANYONE } from '../../core/movement/fit-movement.ts';
import { buildSheet } from '../../core/session/session-sheet.ts';
import type { Enrolment } from '../../db/queries/person.ts';
import type { Programme } from '../../db/queries/programme.ts';
import { publicUrl } from '../config.ts';
import { fitPersonOf } from '../participant/fitted-view.ts';
import type { PlannedSession } from '../write/session-view.ts';
import { planDocument } from '../write/session-view.ts';
import type { WorkspaceBook } from '../write/workspace-book.ts';

/** A session as one person would get it: planned in their shape, and the message that would tell them. */
export function previewFor(
  planned: PlannedSession,
  person: Enrolment | undefined,
  at: {
    readonly programme: Programme;
    readonly place: DayPlace;
    readonly coachName: string;
    /** A live session to come, as its message says it. */
    readonly live?: LiveNote | null;
    /** Where its links lead; without it they are only hinted at. */
    readonly link?: string;
    /** The earlier session that this person stays with. */
    readonly held: Held | undefined;
    readonly book: WorkspaceBook;
  },
) {
  const who = { person: person ? fitPersonOf(person) : ANYONE, held: at.held };
  const { document, changes } = fitHeld(planned.document, planned.blocks, who, at.book.library);
  const library = libraryFor(who.person, at.book.library);
  const own = planDocument(document, library);
  const sheet = buildSheet(own.document, own.blocks, own.plan, library);
  const [day] = toRunDays([at.place]);
  const date = plannedDate(at.programme.run.rules, person ?? { timeZone: 'UTC' }, day!);
  const letter = letterTo({
    occasion: { kind: 'session' },
    name: person?.name ?? 'Anyone',
    programmeTitle: at.programme.title,
    coachName: at.coachName,
    dayWords: formatDay(date),
    sheet,
    changes: changes.map(explainChange),
    live: at.live ?? null,
    link: at.link ?? `${publicUrl().origin}/p/…`,
    stopLink: at.link ?? `${publicUrl().origin}/stop/…`,
  });
  return {
    plan: own.plan,
    sheet,
    figures: sheetFigures(namesIn(own.blocks), library),
    changes: changes.map(explainChange),
    message: writeLetter(letter),
    dateWords: formatDay(date),
  };
}
