import { data } from 'react-router';
import { dayKey, formatDay } from '../../../core/calendar/day.ts';
import { explainChange } from '../../../core/fit/fit-session.ts';
import { buildSheet } from '../../../core/session/session-sheet.ts';
import { nowMs } from '../../../server/config.ts';
import { fitDay } from '../../../server/fitted-view.ts';
import { parseOwnDay, withPersonalLink } from '../../../server/personal-link.ts';
import { loadPersonView, openDay } from '../../../server/person-view.ts';
import { makePdf, pdfAnswer } from '../../../server/session-pdf.ts';
import { loadWorkspaceBook } from '../../../server/workspace-book.ts';
import type { Route } from './+types/sheet';

/** A day of theirs on paper, as they do it; `week.pdf`: all of its week that is open. */
export async function loader({ params, request }: Route.LoaderArgs) {
  const isWeek = new URL(request.url).pathname.endsWith('/week.pdf');
  const { sessions, title } = await withPersonalLink(
    params.token,
    async (db, scope) => {
      const place = parseOwnDay(params.day);
      const view = await loadPersonView(db, scope);
      const book = await loadWorkspaceBook(db);
      const places = view.strand.beads.filter((b) =>
        isWeek ? b.week === place?.week : b.week === place?.week && b.weekday === place.weekday,
      );
      const open = places.flatMap((bead) => {
        const day = openDay(view, bead, scope.enrolment);
        return day ? [{ bead, day }] : [];
      });
      if (open.length === 0) throw data({ kind: 'closed' }, { status: 404 });
      return {
        title: `${scope.enrolment.programmeTitle}, ${isWeek ? `week ${place!.week}` : dayKey(open[0]!.bead)}`,
        sessions: await Promise.all(
          open.map(async ({ bead, day }) => {
            const fitted = await fitDay(db, day, scope, book);
            return {
              above: `${formatDay(bead.date)}, week ${bead.week}`,
              sheet: buildSheet(fitted.document, fitted.blocks, fitted.plan),
              changes: fitted.changes.map(explainChange),
            };
          }),
        ),
      };
    },
    { day: params.day },
  );
  return pdfAnswer(await makePdf(sessions, { title, createdMs: nowMs() }), isWeek ? 'week' : 'session');
}
