import { Outlet } from 'react-router';
import { Toolkit } from '../shell/toolkit.tsx';
import antdCss from '../theme/antd.generated.css?url';
import type { Route } from './+types/door-layout';

export const links: Route.LinksFunction = () => [{ rel: 'stylesheet', href: antdCss }];

/** Around the pages on which a coach comes in: the same controls as inside. */
export default function DoorLayout() {
  return (
    <Toolkit>
      <Outlet />
    </Toolkit>
  );
}
