import participantCss from '../theme/participant.css?url';
import { FocusOnNavigation } from '../components/focus-on-navigation.tsx';
import { Outlet } from 'react-router';
import { Outbox } from '../components/outbox.tsx';

export const links = () => [{ rel: 'stylesheet', href: participantCss }];

export default function PersonLayout() {
  return (
    <>
      <FocusOnNavigation />
      <Outlet />
      <Outbox />
    </>
  );
}
