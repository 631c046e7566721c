import { sessionTitle, UNREAD_TITLE } from '../../core/session/session-title.ts';
import { dayKey, weekdayOf } from '../../core/calendar/day.ts';
import { getPlan } from '../../db/queries/plan.ts';
import { listDays } from '../../db/queries/programme.ts';
import { withProgramme } from '../../server/doors/coach-scope.ts';
import { loadWorkspaceBook } from '../../server/write/workspace-book.ts';
import { planText } from '../../server/write/session-view.ts';
import type { Route } from './+types/days';

/** What stands on each day of a programme, for choosing one; with `?texts=yes` also as it is written. */
export async function loader({ request, params }: Route.LoaderArgs) {
  return withProgramme(request, params.programmeId, async (db, { programme }) => {
    const book = await loadWorkspaceBook(db);
    const withTexts = new URL(request.url).searchParams.get('texts') === 'yes';
    const { revision } = await getPlan(db, programme);
    const days = (await listDays(db, programme)).map((d) => {
      const planned = d.text.trim() === '' ? undefined : planText(d.text, book);
      return {
        key: dayKey(d),
        title: planned ? sessionTitle(planned.document) || UNREAD_TITLE : '',
        isSent: d.sent !== null,
        ...(withTexts && { text: d.text }),
      };
    });
    return { revision, weeks: programme.weeks, firstWeekday: weekdayOf(programme.startsOn), days };
  });
}
