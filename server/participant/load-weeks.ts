import { numbersOverTime } from './numbers-over-time.ts';
import type pg from 'pg';
import { dayKey, formatDay, weekdayOf } from '../../core/calendar/day.ts';
import { localTime } from '../../core/calendar/release.ts';
import { packStrand } from '../../core/record/adherence/packed-strand.ts';
import { type LinkScope } from '../doors/personal-link.ts';
import { loadPersonView } from './person-view.ts';

/** Coming days that are shown; the rest is in the strand. */
const SHOWN_NEXT = 5;

export async function loadWeeks(db: pg.PoolClient, scope: LinkScope, request: Request) {
  const { enrolment } = scope;
  const view = await loadPersonView(db, scope);
  const { beads, adherence, today } = view.strand;
  const dates = new Map(beads.map((b) => [b.dayId, b.date]));
  return {
    programmeTitle: enrolment.programmeTitle,
    name: enrolment.name,
    firstWeekday: weekdayOf(enrolment.startsOn ?? enrolment.run.rules.startsOn),
    days: beads.map((b) => dayKey(b)).join(' '),
    strand: packStrand(beads),
    adherence: { done: adherence.done, due: adherence.due, inARow: adherence.inARow },
    hasBoards: enrolment.run.hasBoards,
    hasLeft: enrolment.leftOn !== null && enrolment.leftOn <= today,
    isAsked: new URL(request.url).searchParams.get('ask') === 'delete',
    next: beads
      .filter((b) => b.state === 'ahead')
      .slice(0, SHOWN_NEXT)
      .map((b) => ({ words: formatDay(b.date), time: localTime(b.releaseMs, enrolment.timeZone) })),
    numbers: await numbersOverTime(db, enrolment.enrolmentId, dates),
  };
}
