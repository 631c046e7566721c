import { Link } from 'react-router';
import { formatDay } from '../../../core/calendar/day.ts';
import { dayToMatch } from '../../../server/participant/earlier-scores.ts';
import { withOwnDay } from '../../../server/participant/own-day.ts';
import { toDaySession } from './day-session.ts';
import { nextOpening } from '../../../server/participant/person-view.ts';
import { placeWords } from '../../../words/en/days.ts';
import { DayView } from '../base/day-view.tsx';
import { orKeptPage } from '../base/kept-pages.ts';
import { pageTitle } from '../../parts/page-title.ts';
import type { Route } from './+types/day';

export const meta: Route.MetaFunction = ({ loaderData }) =>
  pageTitle(loaderData?.session.sheet.title ?? 'A day', loaderData?.above);

export async function loader({ params, request }: Route.LoaderArgs) {
  return withOwnDay(request, params, 'opened', ({ view, scope, sent, fitted }) => ({
    above: `${formatDay(sent.date)} · ${placeWords(view.strand.beads, sent)}`,
    next: nextOpening(view, scope),
    session: toDaySession(fitted, sent, dayToMatch(view, sent.dayId, fitted)),
  }));
}

export const clientLoader = (args: Route.ClientLoaderArgs) => orKeptPage(args);

export default function Day({ loaderData, params }: Route.ComponentProps) {
  const base = `/p/${params.token}`;
  return (
    <main className="person">
      <p className="small">
        <Link to={base}>To today</Link>
      </p>
      <DayView
        base={base}
        dayKey={params.day}
        session={loaderData.session}
        above={loaderData.above}
        next={loaderData.next}
      />
    </main>
  );
}
