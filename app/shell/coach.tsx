import { FocusOnNavigation } from './frame/focus-on-navigation.tsx';
import { Outlet } from 'react-router';
import { coachZone } from '../../server/doors/coach-zone.ts';
import { needsProof } from '../../server/doors/prove-again.ts';
import { requireCoach } from '../../server/doors/coach-session.ts';
import { Toolkit } from './toolkit.tsx';
import { useOwnZone } from './use-own-zone.ts';
import antdCss from '../theme/antd.generated.css?url';
import coachCss from './coach.css?url';
import type { Route } from './+types/coach';

export const links: Route.LinksFunction = () => [
  { rel: 'stylesheet', href: antdCss },
  { rel: 'stylesheet', href: coachCss },
];

export async function loader({ request }: Route.LoaderArgs) {
  const coach = await requireCoach(request);
  const { coachName, workspaceName, role, hasSecondStep } = coach;
  return {
    coachName,
    workspaceName,
    role,
    hasSecondStep,
    needsProof: needsProof(coach),
    timeZone: coachZone(request),
  };
}

/** Around all of a coach's screens. */
export default function CoachLayout({ loaderData }: Route.ComponentProps) {
  useOwnZone(loaderData.timeZone);
  return (
    <Toolkit>
      <a className="skip" href="#main">
        To the content
      </a>
      <noscript>
        <p className="notice bad">
          A coach’s pages need JavaScript, which is switched off here: they can be read, but nothing can be written or
          changed. Participants’ pages work without it, but for the clock.
        </p>
      </noscript>
      <FocusOnNavigation />
      <div data-behind className="as-it-is">
        <Outlet />
      </div>
      <div className="dialog-place" />
    </Toolkit>
  );
}
