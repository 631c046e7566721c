import { sessionTitle } from '../../../core/session/session-title.ts';
import { scoreFields } from '../../../core/record/scores/score.ts';
import { buildStages } from '../../../core/clock/build-stages.ts';
import { withSetUps } from '../../../core/clock/voice/set-up.ts';
import { withStageOptions } from '../../../core/clock/stage-options.ts';
import { dayToMatch } from '../../../server/participant/earlier-scores.ts';
import { withPaceMarks } from '../../../core/clock/voice/pace-marks.ts';
import { needsWarmUp } from '../../../core/session/needs-warm-up.ts';
import { cuesFor, laddersOf } from '../../../server/participant/fitted-view.ts';
import { sheetFigures } from '../../../words/en/figures/sheet-figures.ts';
import { withOwnDay } from '../../../server/participant/own-day.ts';
import { packRibbon } from '../../charts/session/pack-ribbon.ts';
import { layoutRibbon } from '../../charts/ribbon-layout.ts';
import clockCss from './clock.css?url';
import { ClockScreen } from './clock-screen.tsx';
import { orKeptPage } from '../base/kept-pages.ts';
import { pageTitle } from '../../parts/page-title.ts';
import type { Route } from './+types/clock';

export const links: Route.LinksFunction = () => [{ rel: 'stylesheet', href: clockCss }];

export const meta: Route.MetaFunction = ({ loaderData }) => [
  ...pageTitle('The clock', loaderData?.title),
  { name: 'theme-color', content: '#7b2b5e' },
];

export async function loader({ params, request }: Route.LoaderArgs) {
  return withOwnDay(request, params, 'begun', ({ scope, view, sent, fitted }) => {
    const { plan, blocks, document } = fitted;
    const ladders = laddersOf(fitted);
    const toMatch = dayToMatch(view, sent.dayId, fitted);
    const names = Object.values(ladders).flatMap((l) => [...l.names, ...Object.values(l.standIns)]);
    return {
      versionId: sent.versionId,
      title: sessionTitle(document),
      stages: withPaceMarks(
        withStageOptions(withSetUps(buildStages(plan, blocks), fitted.library), document, blocks, fitted.library),
        toMatch.targets,
      ),
      ladders,
      cues: cuesFor(names, fitted.library),
      figures: { ...fitted.figures, ...sheetFigures(names, fitted.library) },
      scored: scoreFields(plan),
      toMatch,
      totalSec: plan.clockSec.likely,
      voice: scope.enrolment.run.clock.voice,
      warmUp: needsWarmUp(plan, blocks) ? scope.enrolment.run.clock.warmUp : null,
      ribbon: packRibbon(layoutRibbon(plan, { widthPx: 350, heightPx: 38 })),
    };
  });
}

export const clientLoader = (args: Route.ClientLoaderArgs) => orKeptPage(args);

export default function Clock({ loaderData, params }: Route.ComponentProps) {
  return <ClockScreen {...loaderData} back={`/p/${params.token}/${params.day}`} />;
}
