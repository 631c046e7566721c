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

const WORDS: Record<string, { title: string; text: string }> = {
  link: {
    title: 'This link doesn’t open anything',
    text: 'It may have been replaced by a newer one, or a letter got lost on the way. Look for the latest message from your coach, or ask for a new link.',
  },
  missing: { title: 'There is nothing here', text: 'The page may have moved, or it belongs to someone else.' },
  closed: { title: 'Not open yet', text: 'This day opens on its morning, at your own hour.' },
  origin: {
    title: 'This came from another page',
    text: 'Nothing was changed. Go back to Ysodos and try again from there.',
  },
  broken: {
    title: 'Something broke on our side',
    text: 'What you typed is still on the page before this one. Go back and try again.',
  },
};

export function ErrorBoundary({ error }: Route.ErrorBoundaryProps) {
  const kind = isRouteErrorResponse(error)
    ? ((error.data as { kind?: string } | null)?.kind ?? (error.status === 404 ? 'missing' : 'broken'))
    : 'broken';
  const { title, text } = WORDS[kind] ?? WORDS.broken!;
  return (
    <main className="lone">
      <title>{`${title} · Ysodos`}</title>
      <Mark size={34} />
      <h1>{title}</h1>
      <p>{text}</p>
      {kind !== 'link' && (
        <p>
          <a href="/">To the beginning</a>
        </p>
      )}
    </main>
  );
}
