import { Outlet, useLocation, useParams } from 'react-router';
import { listDays } from '../../../db/queries/programme.ts';
import { withProgramme } from '../../../server/coach-scope.ts';
import { coachToday } from '../../../server/coach-zone.ts';
import { loadWorkspaceBook } from '../../../server/workspace-book.ts';
import { planText } from '../../../server/session-view.ts';
import { PassedByWords } from '../../components/passed-by.tsx';
import { CoachHead } from '../../components/coach-head.tsx';
import { spineDays, usualDay } from '../../components/spine-days.ts';
import { Spine } from '../../components/spine.tsx';
import type { Route } from './+types/programme';

export { onlyNewPlaces as shouldRevalidate } from '../../components/only-new-places.ts';

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `${loaderData?.programme.title ?? 'Programme'} · Ysodos` },
];

export async function loader({ request, params }: Route.LoaderArgs) {
  return withProgramme(request, params.programmeId, async (db, { programme }) => {
    const [book, stored] = await Promise.all([loadWorkspaceBook(db), listDays(db, programme)]);
    const days = spineDays(programme, stored, coachToday(request), (text) => planText(text, book));
    return { programme, days, usualDay: usualDay(days), passedBy: book.passedBy };
  });
}

export default function ProgrammeLayout({ loaderData }: Route.ComponentProps) {
  const { programme, days, usualDay: usual, passedBy } = loaderData;
  const { day } = useParams();
  const { pathname } = useLocation();
  const stage = pathname.split('/')[3];
  const base = `/programmes/${programme.key}`;
  const to = stage === 'send' ? 'send' : 'write';
  return (
    <>
      <CoachHead programme={programme} dayKey={day ?? usual} />
      {stage !== 'plan' && stage !== 'movements' && stage !== 'people' && (
        <Spine
          days={days}
          selected={day}
          linkTo={(key) => (stage === 'follow-up' ? `${base}/follow-up?day=${key}` : `${base}/${to}/${key}`)}
        />
      )}
      <main id="main" className="page">
        <PassedByWords told={passedBy} movementsPath={`${base}/movements`} />
        <Outlet />
      </main>
    </>
  );
}
