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
import { readOwnCookie } from '../server/http/cookies.ts';
import { isSameOrigin } from '../server/http/origin-check.ts';
import type { StatusKind } from '../words/en/statuses.ts';
import { isStatusKind, STATUS_WORDS, statusKind } from '../words/en/statuses.ts';
import { pageTitle } from './parts/page-title.ts';
import type { Route } from './+types/root';
import { RibbonHatch } from './charts/session/ribbon.tsx';
import { Mark } from './shell/frame/mark.tsx';
import { SaveScope } from './parts/save-note.tsx';
import { NonceContext } from './shell/frame/nonce-context.ts';

export const middleware: Route.MiddlewareFunction[] = [
  ({ request }) => {
    if (!isSameOrigin(request)) throw data({ kind: 'origin' }, { status: 403 });
  },
];

export function loader({ request }: Route.LoaderArgs) {
  const theme = readOwnCookie(request, 'ysodos_theme');
  return { theme: theme === 'light' || theme === 'dark' ? theme : null };
}

export { afterSending as shouldRevalidate } from './participant/base/kept-pages.ts';

export const meta: Route.MetaFunction = ({ error }) => pageTitle(error ? STATUS_WORDS[kindOf(error)].title : undefined);
/** Small enough to come with the page: public/icon.svg. */
const ICON =
  "data:image/svg+xml,%3Csvg xmlns='http://www.w3.org/2000/svg' viewBox='-3 -1 26 26'%3E%3Cpath d='M2 22V10a8 8 0 0 1 16 0v12' fill='none' stroke='%237B2B5E' stroke-width='3'/%3E%3Cpath d='M6.8 22V11.4a3.2 3.2 0 0 1 6.4 0V22z' fill='%237B2B5E'/%3E%3C/svg%3E";

export const links: Route.LinksFunction = () => [{ rel: 'icon', href: ICON, type: 'image/svg+xml' }];

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
        <RibbonHatch />
        {children}
        <ScrollRestoration nonce={nonce} />
        <Scripts nonce={nonce} />
      </body>
    </html>
  );
}

export default function Root() {
  return (
    <SaveScope>
      <Outlet />
    </SaveScope>
  );
}

/** What an answer of ours says went wrong. */
const toldOf = (error: unknown) =>
  isRouteErrorResponse(error) ? (error.data as { kind?: unknown; field?: string; message?: string } | null) : null;

/** What went wrong, by what says it in words. */
function kindOf(error: unknown): StatusKind {
  if (error instanceof TypeError && typeof navigator !== 'undefined' && !navigator.onLine) return 'offline';
  const kind = toldOf(error)?.kind;
  if (isStatusKind(kind)) return kind;
  return isRouteErrorResponse(error) ? statusKind(error.status) : 'broken';
}

/** Every status has a page of its own, in words. */
export function ErrorBoundary({ error }: Route.ErrorBoundaryProps) {
  const told = toldOf(error);
  const kind = kindOf(error);
  const { title, text } = STATUS_WORDS[kind];
  return (
    <main className="lone">
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
