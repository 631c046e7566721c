import { dayName, formatDay, weekdayOf } from '../../../core/calendar/day.ts';
import { plannedDate, toRunDays } from '../../../core/calendar/release.ts';
import { buildSheet } from '../../../core/session/session-sheet.ts';
import { listDays } from '../../../db/queries/programme.ts';
import { notFound, withDay } from '../../../server/coach-scope.ts';
import { nowMs, publicUrl } from '../../../server/config.ts';
import { planText } from '../../../server/session-view.ts';
import { makePdf, pdfAnswer } from '../../../server/session-pdf.ts';
import { loadWorkspaceBook } from '../../../server/workspace-book.ts';
import type { Route } from './+types/sheet';

/** A day, or a week of days, on paper for the coach: as written, with a code that leads people in. */
export async function loader({ request, params }: Route.LoaderArgs) {
  const isWeek = new URL(request.url).pathname.endsWith('/week.pdf');
  const { sessions, title, link } = await withDay(request, params, async (db, { programme, place }) => {
    const book = await loadWorkspaceBook(db);
    const days = toRunDays(await listDays(db, programme)).filter(
      (d) => d.week === place.week && (isWeek || d.weekday === place.weekday) && d.text.trim() !== '',
    );
    if (days.length === 0) return notFound();
    const { join, rules } = programme.run;
    const first = weekdayOf(programme.startsOn);
    return {
      title: `${programme.title}, ${isWeek ? `week ${place.week}` : dayName(place, first)}`,
      link:
        join.code !== null && join.isOpen
          ? { url: `${publicUrl().origin}/join/${join.code}`, words: 'Take part:' }
          : undefined,
      sessions: days.map((day) => {
        const planned = planText(day.text, book);
        return {
          above: `${formatDay(plannedDate(rules, { timeZone: 'UTC' }, day))}, week ${day.week}`,
          sheet: buildSheet(planned.document, planned.blocks, planned.plan),
          changes: [],
        };
      }),
    };
  });
  return pdfAnswer(await makePdf(sessions, { title, link, createdMs: nowMs() }), isWeek ? 'week' : 'session');
}
