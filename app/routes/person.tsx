import participantCss from '../theme/participant.css?url';
import { Outlet } from 'react-router';
import { Outbox } from '../components/outbox.tsx';

export const links = () => [{ rel: 'stylesheet', href: participantCss }];

export default function PersonLayout() {
  return (
    <>
      <Outlet />
      <Outbox />
    </>
  );
}
