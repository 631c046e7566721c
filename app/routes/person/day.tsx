import { data, Link } from 'react-router';
import { formatDay } from '../../../core/calendar/day.ts';
import { dayToMatch } from '../../../server/earlier-scores.ts';
import { parseOwnDay, withPersonalLink } from '../../../server/personal-link.ts';
import { loadPersonView, noteSeen, openDay } from '../../../server/person-view.ts';
import { fitDay } from '../../../server/fitted-view.ts';
import { loadWorkspaceBook } from '../../../server/workspace-book.ts';
import { toDaySession } from '../../components/day-session.ts';
import { DayView } from '../../components/day-view.tsx';
import type { Route } from './+types/day';

export const meta: Route.MetaFunction = () => [{ title: 'A day · Ysodos' }];

export async function loader({ params }: Route.LoaderArgs) {
  return withPersonalLink(
    params.token,
    async (db, scope) => {
      const place = parseOwnDay(params.day);
      const view = await loadPersonView(db, scope);
      const sent = place && openDay(view, place, scope.enrolment);
      if (!place || !sent) throw data({ kind: 'closed' }, { status: 404 });
      await noteSeen(db, scope, view, sent, 'opened');
      const fitted = await fitDay(db, sent, scope, await loadWorkspaceBook(db));
      return {
        above: `${formatDay(sent.date)} · week ${place.week}`,
        session: toDaySession(fitted, sent, dayToMatch(view, sent.dayId, fitted).words),
      };
    },
    { day: params.day },
  );
}

export default function Day({ loaderData, params }: Route.ComponentProps) {
  const base = `/p/${params.token}`;
  return (
    <main className="person">
      <p className="small">
        <Link to={base}>To today</Link>
      </p>
      <DayView base={base} dayKey={params.day} session={loaderData.session} above={loaderData.above} />
    </main>
  );
}
