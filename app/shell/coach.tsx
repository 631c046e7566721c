import { StyleProvider } from '@ant-design/cssinjs';
import { App, ConfigProvider } from 'antd';
import { useContext } from 'react';
import { FocusOnNavigation } from './frame/focus-on-navigation.tsx';
import { Outlet } from 'react-router';
import { coachZone } from '../../server/doors/coach-zone.ts';
import { needsProof } from '../../server/doors/prove-again.ts';
import { requireCoach } from '../../server/doors/coach-session.ts';
import { inLandmark } from '../parts/in-landmark.ts';
import { NonceContext } from './frame/nonce-context.ts';
import { useOwnZone } from './use-own-zone.ts';
import antdCss from '../theme/antd.generated.css?url';
import { antdTheme } from '../theme/antd-theme.ts';
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

/** antd for the coach's screens. `mock="server"`: its styles come from the built sheet, none are put in by script. */
export default function CoachLayout({ loaderData }: Route.ComponentProps) {
  const nonce = useContext(NonceContext);
  useOwnZone(loaderData.timeZone);
  return (
    <StyleProvider mock="server">
      <ConfigProvider theme={antdTheme} csp={{ nonce }} getPopupContainer={inLandmark}>
        <App component={false} message={{ maxCount: 3 }}>
          <a className="skip" href="#main">
            To the content
          </a>
          <noscript>
            <p className="notice bad">
              A coach’s pages need JavaScript, which is switched off here: they can be read, but nothing can be written
              or changed. Participants’ pages work without it, but for the clock.
            </p>
          </noscript>
          <FocusOnNavigation />
          <div data-behind className="as-it-is">
            <Outlet />
          </div>
          <div className="dialog-place" />
        </App>
      </ConfigProvider>
    </StyleProvider>
  );
}
