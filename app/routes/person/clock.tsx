import { sessionTitle } from '../../../core/session/session-title.ts';
import { data } from 'react-router';
import { scoreFields } from '../../../core/record/score.ts';
import { buildStages } from '../../../core/follow/stage.ts';
import { dayToMatch } from '../../../server/earlier-scores.ts';
import { parseOwnDay, withPersonalLink } from '../../../server/personal-link.ts';
import { loadPersonView, noteSeen, openDay } from '../../../server/person-view.ts';
import { fitDay } from '../../../server/fitted-view.ts';
import { loadWorkspaceBook } from '../../../server/workspace-book.ts';
import { packRibbon } from '../../charts/pack-ribbon.ts';
import { layoutRibbon } from '../../charts/ribbon-layout.ts';
import clockCss from '../../theme/clock.css?url';
import { ClockScreen } from '../../components/clock-screen.tsx';
import type { Route } from './+types/clock';

export const links: Route.LinksFunction = () => [{ rel: 'stylesheet', href: clockCss }];

export const meta: Route.MetaFunction = () => [
  { title: 'The clock · Ysodos' },
  { name: 'theme-color', content: '#7b2b5e' },
];

export async function loader({ params }: Route.LoaderArgs) {
  return withPersonalLink(
    params.token,
    async (db, scope) => {
      const place = parseOwnDay(params.day);
      const view = await loadPersonView(db, scope);
      const sent = place && openDay(view, place, scope.enrolment);
      if (!sent) throw data({ kind: 'closed' }, { status: 404 });
      await noteSeen(db, scope, view, sent, 'begun');
      const fitted = await fitDay(db, sent, scope, await loadWorkspaceBook(db));
      const { plan, blocks, document } = fitted;
      return {
        versionId: sent.versionId,
        title: sessionTitle(document),
        stages: buildStages(plan, blocks),
        scored: scoreFields(plan),
        toMatch: dayToMatch(view, sent.dayId, fitted),
        totalSec: plan.clockSec.likely,
        ribbon: packRibbon(layoutRibbon(plan, { widthPx: 350, heightPx: 38 })),
      };
    },
    { day: params.day },
  );
}

export default function Clock({ loaderData, params }: Route.ComponentProps) {
  return <ClockScreen {...loaderData} back={`/p/${params.token}/${params.day}`} />;
}
