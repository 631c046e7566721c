import { sessionTitle } from '../../../core/session/session-title.ts';
import { scoreFields } from '../../../core/record/score.ts';
import { buildStages } from '../../../core/follow/stage.ts';
import { dayToMatch } from '../../../server/earlier-scores.ts';
import { withOwnDay } from '../../../server/own-day.ts';
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
  return withOwnDay(params, 'begun', ({ view, sent, fitted }) => {
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
  });
}

export default function Clock({ loaderData, params }: Route.ComponentProps) {
  return <ClockScreen {...loaderData} back={`/p/${params.token}/${params.day}`} />;
}
