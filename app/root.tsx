import './theme/base.css';
import { useContext } from 'react';
import {
  data,
  isRouteErrorResponse,
  Links,
  Meta,
  Outlet,
  Scripts,
  ScrollRestoration,
  useRouteLoaderData,
} from 'react-router';
import { readCookie } from '../server/cookies.ts';
import { isSameOrigin } from '../server/origin-check.ts';
import { isStatusKind, STATUS_WORDS, statusKind } from '../server/status-words.ts';
import type { Route } from './+types/root';
import { Mark } from './components/mark.tsx';
import { NonceContext } from './components/nonce-context.ts';

export const middleware: Route.MiddlewareFunction[] = [
  ({ request }) => {
    if (!isSameOrigin(request)) throw data({ kind: 'origin' }, { status: 403 });
  },
];

export function loader({ request }: Route.LoaderArgs) {
  const theme = readCookie(request, 'ysodos_theme');
  return { theme: theme === 'light' || theme === 'dark' ? theme : null };
}

export { afterSending as shouldRevalidate } from './components/kept-pages.ts';

export const meta: Route.MetaFunction = () => [{ title: 'Ysodos' }];
export const links: Route.LinksFunction = () => [{ rel: 'icon', href: '/icon.svg', type: 'image/svg+xml' }];

export function Layout({ children }: { children: React.ReactNode }) {
  const nonce = useContext(NonceContext);
  const root = useRouteLoaderData<typeof loader>('root');
  return (
    <html lang="en" {...(root?.theme && { 'data-theme': root.theme })}>
      <head>
        <meta charSet="utf-8" />
        <meta name="viewport" content="width=device-width, initial-scale=1" />
        <meta name="robots" content="noindex" />
        <Meta />
        <Links />
      </head>
      <body>
        {children}
        <ScrollRestoration nonce={nonce} />
        <Scripts nonce={nonce} />
      </body>
    </html>
  );
}

export default function Root() {
  return <Outlet />;
}

/** Every status has a page of its own, in words. */
export function ErrorBoundary({ error }: Route.ErrorBoundaryProps) {
  const told = isRouteErrorResponse(error)
    ? (error.data as { kind?: unknown; field?: string; message?: string } | null)
    : null;
  const isOffline = error instanceof TypeError && typeof navigator !== 'undefined' && !navigator.onLine;
  const kind = isOffline
    ? 'offline'
    : isStatusKind(told?.kind)
      ? told.kind
      : isRouteErrorResponse(error)
        ? statusKind(error.status)
        : 'broken';
  const { title, text } = STATUS_WORDS[kind];
  return (
    <main className="lone">
      <title>{`${title} · Ysodos`}</title>
      <Mark size={34} />
      <h1>{title}</h1>
      {kind === 'field' && told?.field && (
        <p className="notice bad" role="alert">
          <b>{told.field}</b>: {told.message}
        </p>
      )}
      <p>{text}</p>
      {kind !== 'link' && (
        <p>
          <a href="/">To the beginning</a>
        </p>
      )}
    </main>
  );
}
