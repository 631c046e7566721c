import { Link, Outlet, useLocation, useParams } from 'react-router';
import { dayKey, formatDay } from '../../core/calendar/day.ts';
import { nowMs } from '../../server/config.ts';
import { loadCalendars, unreadyDays, WHY_UNREADY } from '../../server/jobs/release-run.ts';
import { formatWait } from '../../server/send/send-view.ts';
import { listDays, type Programme } from '../../db/queries/programme.ts';
import { findStoppable } from '../../db/queries/messages/message.ts';
import { listHeldDays } from '../../db/queries/messages/stop.ts';
import { listRunNames } from '../../db/queries/run.ts';
import { withProgramme } from '../../server/doors/coach-scope.ts';
import { coachToday } from '../../server/doors/coach-zone.ts';
import { loadWorkspaceBook } from '../../server/write/workspace-book.ts';
import { planText } from '../../server/write/session-view.ts';
import { PassedByWords } from './passed-by.tsx';
import { ForReading, useIsReader } from '../parts/reader.tsx';
import { HeldLines } from './held-lines.tsx';
import { CoachHead } from './coach-head.tsx';
import { spineDays, usualDay } from './spine-days.ts';
import { Spine } from './spine.tsx';
import type { Route } from './+types/programme';

export { onlyNewPlaces as shouldRevalidate } from '../parts/only-new-places.ts';

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `${loaderData?.programme.title ?? 'Programme'} · Ysodos` },
];

export async function loader({ request, params }: Route.LoaderArgs) {
  return withProgramme(request, params.programmeId, async (db, { programme }) => {
    const now = nowMs();
    const [book, stored, runs, calendars, held, stoppable] = await Promise.all([
      loadWorkspaceBook(db),
      listDays(db, programme),
      listRunNames(db, programme.id),
      loadCalendars(db, programme),
      listHeldDays(db, programme.runId, new Date(now)),
      findStoppable(db, programme.runId, new Date(now)),
    ]);
    const days = spineDays(programme, stored, coachToday(request), (text) => planText(text, book));
    return {
      programme,
      runs,
      days,
      usualDay: usualDay(days),
      now,
      held: held.map((h) => ({ ...h, key: dayKey(h), title: days.find((d) => d.key === dayKey(h))?.title ?? '' })),
      stoppable,
      passedBy: book.passedBy,
      unready: nextUnready(programme, calendars, now),
    };
  });
}

/** The next day that can't go out as it is; null where all can, or the run is archived. */
function nextUnready(programme: Programme, calendars: Awaited<ReturnType<typeof loadCalendars>>, now: number) {
  const [unready] = programme.run.archivedAtMs === null ? unreadyDays(programme, calendars, now) : [];
  if (!unready) return null;
  return {
    key: dayKey(unready.day),
    words: formatDay(unready.firstDate),
    wait: formatWait(unready.firstMs - now),
    why: WHY_UNREADY[unready.why],
    stage: unready.why === 'by-hand' ? ('send' as const) : ('write' as const),
  };
}

/** Pages that are about no day, or show the days themselves. */
const WITHOUT_SPINE = new Set(['plan', 'movements', 'people', 'run', 'outbox']);

/** Stages whose pages are there to change something. */
const CHANGED = new Set(['plan', 'write', 'send', 'people']);

export default function ProgrammeLayout({ loaderData }: Route.ComponentProps) {
  const { programme, runs, days, usualDay: usual, passedBy, unready, held, stoppable, now } = loaderData;
  const { day } = useParams();
  const isReader = useIsReader();
  const { pathname } = useLocation();
  const stage = pathname.split('/')[3];
  const base = `/programmes/${programme.key}`;
  const to = stage === 'send' ? 'send' : 'write';
  return (
    <>
      <CoachHead programme={programme} runs={runs} dayKey={day ?? usual} hasDay={day !== undefined} />
      {!WITHOUT_SPINE.has(stage ?? '') && !pathname.includes('/follow-up/') && (
        <Spine
          days={days}
          selected={day}
          linkTo={(key) => (stage === 'follow-up' ? `${base}/follow-up?day=${key}` : `${base}/${to}/${key}`)}
        />
      )}
      <main id="main" className="page">
        {unready && stage !== 'send' && unready.key !== day && (
          <p className="notice bad">
            <Link to={`${base}/${unready.stage}/${unready.key}`}>{unready.words}</Link> goes out in {unready.wait}, and{' '}
            {unready.why}.
          </p>
        )}
        {!isReader && <HeldLines base={base} held={held} stoppable={stoppable} nowMs={now} />}
        <PassedByWords told={passedBy} movementsPath={`${base}/movements`} />
        {isReader && CHANGED.has(stage ?? '') ? (
          <ForReading>
            <Outlet />
          </ForReading>
        ) : (
          <Outlet />
        )}
      </main>
    </>
  );
}
