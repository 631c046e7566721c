import { escapeHtml, htmlPage } from '../../../core/html-page.ts';
import type { KeptDay } from '../../../server/participant/kept-pages.ts';

/** The kept day that is today's at an instant; undefined where none is. */
export const todayAt = (days: readonly KeptDay[], nowMs: number): KeptDay | undefined =>
  days.find((d) => d.fromMs <= nowMs && nowMs < d.untilMs);

/** What time it is for the kept days: the server's when they were said, and what the device's own clock has run since; it never goes back. */
export const keptNow = (saidMs: number, keptAtMs: number, deviceMs: number): number =>
  saidMs + Math.max(0, deviceMs - keptAtMs);

const pathWithin = (token: string, pathname: string): string => pathname.slice(`/p/${token}`.length).replace(/\/$/, '');

/** Where the page for an address is kept: today's by the hour, a day's only from its hour on; undefined where none may be shown. */
export function keptPathOf(
  days: readonly KeptDay[],
  token: string,
  pathname: string,
  nowMs: number,
): string | undefined {
  const base = `/p/${token}`;
  const rest = pathWithin(token, pathname);
  if (rest === '') {
    const today = todayAt(days, nowMs);
    return today && `${base}?on=${today.key}`;
  }
  if (/^\/(?:me(?:\/(?:health|messages|days))?|weeks)$/.test(rest)) return `${base}${rest}`;
  const [, key, part = ''] = /^\/([^/]+)(\/(?:clock|log))?$/.exec(rest) ?? [];
  const day = days.find((d) => d.key === key);
  return day && day.opensMs <= nowMs ? `${base}/${day.key}${part}` : undefined;
}

/** The addresses of our own files in a page, a style sheet or a script, each once. */
export const assetsIn = (text: string): string[] => [
  ...new Set(
    [...text.matchAll(/\/?assets\/[\w.-]+\.(?:js|css|woff2|svg)/g)].map(([path]) =>
      path.startsWith('/') ? path : `/${path}`,
    ),
  ),
];

const STYLE = `body{margin:0;background:#faf6ee;color:#2b2622;font:18px/1.5 Verdana,sans-serif}main{max-width:34em;margin:0 auto;padding:24px}h1{font-size:26px;line-height:1.2}a{color:#7b2b5e;display:inline-block;min-height:24px}@media (prefers-color-scheme:dark){body{background:#1f1b1d;color:#efe8df}a{color:#e39ac4}}`;

/** The page where there is no network and nothing kept for an address: what is kept, and when it opens. */
export function offlinePage(days: readonly KeptDay[], token: string, pathname: string, nowMs: number): string {
  const key = /^\/([^/]+)/.exec(pathWithin(token, pathname))?.[1];
  const asked = days.find((d) => d.key === key);
  const said = asked
    ? `${asked.title} opens at its hour: ${new Date(asked.opensMs).toLocaleString([], { weekday: 'long', hour: '2-digit', minute: '2-digit' })}.`
    : pathWithin(token, pathname) === ''
      ? 'Nothing is kept here for today.'
      : 'This page isn’t kept on this phone.';
  const open = days.filter((d) => d.opensMs <= nowMs);
  const list = open.map(
    (d) =>
      `<li><a href="/p/${escapeHtml(token)}/${escapeHtml(d.key)}">${escapeHtml(d.title)}</a> ${escapeHtml(d.words)}</li>`,
  );
  return htmlPage({
    title: 'No network · Ysodos',
    style: STYLE,
    body: `<h1>There is no network just now</h1><p>${escapeHtml(said)} What you logged is safe on this phone, and is sent by itself as soon as there is one.</p>${list.length > 0 ? `<p>Kept here, and open:</p><ul>${list.join('')}</ul>` : ''}<p><a href="/p/${escapeHtml(token)}">To today</a></p>`,
  });
}
