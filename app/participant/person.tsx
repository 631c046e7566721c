import { useEffect } from 'react';
import { Outlet, useParams, useRevalidator } from 'react-router';
import { FocusOnNavigation } from '../shell/frame/focus-on-navigation.tsx';
import { keepPages } from './base/kept-pages.ts';
import { Outbox } from './base/outbox.tsx';
import participantCss from './participant.css?url';

export const links = () => [{ rel: 'stylesheet', href: participantCss }];

/** A page that is looked at again after this long asks anew: a session may have been sent meanwhile. */
const STALE_MS = 60_000;

export default function PersonLayout() {
  const { token } = useParams();
  const { revalidate } = useRevalidator();
  useEffect(() => (token === undefined ? undefined : keepPages(token)), [token]);
  useEffect(() => {
    let seenMs = Date.now();
    const look = () => {
      const isStale = Date.now() - seenMs > STALE_MS;
      // A clock that runs, or a form with something in it, is left alone.
      const isBusy = document.querySelector('.clock.is-running, form.log') !== null;
      if (document.visibilityState !== 'visible' || !navigator.onLine || !isStale || isBusy) return;
      seenMs = Date.now();
      void revalidate();
    };
    document.addEventListener('visibilitychange', look);
    const timer = setInterval(look, STALE_MS);
    return () => {
      document.removeEventListener('visibilitychange', look);
      clearInterval(timer);
    };
  }, [revalidate]);
  return (
    <>
      {token !== undefined && (
        <link rel="manifest" href={`/p/${token}/app.webmanifest`} crossOrigin="use-credentials" />
      )}
      <FocusOnNavigation />
      <Outlet />
      <Outbox />
    </>
  );
}
