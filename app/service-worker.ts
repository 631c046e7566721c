/// <reference lib="webworker" />
import { clientsClaim } from 'workbox-core';
import { ExpirationPlugin } from 'workbox-expiration';
import { registerRoute } from 'workbox-routing';
import { CacheFirst } from 'workbox-strategies';
import type { KeptDay, KeptPages } from '../server/participant/kept-pages.ts';
import { assetsIn, keptNow, keptPathOf, offlinePage } from './participant/kept/kept-lookup.ts';

declare const self: ServiceWorkerGlobalScope;

/** The phone's keeper: whole pages of a participant's days, and the files that they are made of, for when there is no network. */

// What is cached is named by its content and only added to, so that a new version of this file never takes anything from an open page.
void self.skipWaiting();
clientsClaim();

const ASSETS = 'ysodos-assets';
const MOST_ASSETS = 400;
const YEAR_SEC = 365 * 24 * 3600;
/** A network that doesn't answer in this time is none, where the page is kept. */
const PATIENCE_MS = 4_000;
const AT_ONCE = 3;
/** When this device was told, by its own clock. */
const KEPT_AT = 'x-kept-at';

const keptName = (token: string) => `ysodos-kept-${token}`;
const indexPath = (token: string) => `/p/${token}/keep.json`;

const assets = new CacheFirst({
  cacheName: ASSETS,
  plugins: [new ExpirationPlugin({ maxEntries: MOST_ASSETS, maxAgeSeconds: YEAR_SEC, purgeOnQuotaError: true })],
});
registerRoute(
  ({ url, sameOrigin }) => sameOrigin && (url.pathname.startsWith('/assets/') || /^\/icon/.test(url.pathname)),
  assets,
);

registerRoute(
  ({ request, url, sameOrigin }) => sameOrigin && request.mode === 'navigate' && /^\/p\/[^/]+/.test(url.pathname),
  async ({ request, url }) => {
    const token = /^\/p\/([^/?#]+)/.exec(url.pathname)![1]!;
    const kept = await findKept(token, url);
    try {
      const answer = await (kept ? within(fetch(request), PATIENCE_MS) : fetch(request));
      // Perhaps the link has ended: then nothing of it stays here.
      if (answer.status === 404) void keepSoon(token);
      // The server has more to do than it can, or is being restarted: the kept page is better than none.
      return answer.status >= 502 && kept ? kept : answer;
    } catch {
      return kept ?? (await answerOffline(token, url));
    }
  },
);

const within = <T>(work: Promise<T>, ms: number): Promise<T> =>
  Promise.race([work, new Promise<T>((_, failed) => setTimeout(() => failed(new Error('no answer')), ms))]);

/** What is kept of someone's pages, and what time it is there: the server's when it was said, and what this device has counted since. */
async function readIndex(token: string): Promise<{ days: readonly KeptDay[]; nowMs: number } | undefined> {
  const found = await (await caches.open(keptName(token))).match(indexPath(token));
  if (!found) return undefined;
  const { days, nowMs } = (await found.json()) as KeptPages;
  return { days, nowMs: keptNow(nowMs, Number(found.headers.get(KEPT_AT)), Date.now()) };
}

/** The kept page for an address; none where its day has yet to come, or nothing was kept. */
async function findKept(token: string, url: URL): Promise<Response | undefined> {
  if (!(await caches.has(keptName(token)))) return undefined;
  const index = await readIndex(token);
  const path = index && keptPathOf(index.days, token, url.pathname, index.nowMs);
  return path === undefined ? undefined : (await caches.open(keptName(token))).match(path);
}

async function answerOffline(token: string, url: URL): Promise<Response> {
  const index = (await caches.has(keptName(token))) ? await readIndex(token) : undefined;
  const page = offlinePage(index?.days ?? [], token, url.pathname, index?.nowMs ?? Date.now());
  return new Response(page, { status: 503, headers: { 'content-type': 'text/html; charset=utf-8' } });
}

/** Keeps what is to be kept of someone's pages, fetching only those that changed; a link that has ended takes all of it away. */
async function keep(token: string): Promise<void> {
  const asked = await fetch(indexPath(token), { headers: { 'keep-page': '1' } });
  if (asked.status === 404) {
    await caches.delete(keptName(token));
    // Pages that are still open were perhaps kept ones.
    for (const client of await self.clients.matchAll())
      if (new URL(client.url).pathname.startsWith(`/p/${token}`)) client.postMessage({ kind: 'ended' });
    return;
  }
  if (!asked.ok) return;
  const index = (await asked.json()) as KeptPages;
  const cache = await caches.open(keptName(token));
  const todo = [...index.pages];
  const work = async () => {
    for (let page = todo.shift(); page; page = todo.shift()) {
      const known = await cache.match(page.path);
      if (known?.headers.get('x-kept-tag') === page.tag) continue;
      const answer = await fetch(page.path, { headers: { 'keep-page': '1', accept: 'text/html' } });
      if (!answer.ok) continue;
      const text = await answer.text();
      await keepAssets(assetsIn(text));
      const headers = new Headers(answer.headers);
      headers.delete('content-encoding');
      headers.delete('content-length');
      headers.set('x-kept-tag', page.tag);
      await cache.put(page.path, new Response(text, { headers }));
    }
  };
  await Promise.all(Array.from({ length: AT_ONCE }, work));
  // Last, so that it never names what isn't there.
  const headers = new Headers({ 'content-type': 'application/json', [KEPT_AT]: String(Date.now()) });
  await cache.put(indexPath(token), new Response(JSON.stringify(index), { headers }));
  const wanted = new Set([indexPath(token), ...index.pages.map((p) => p.path)]);
  for (const request of await cache.keys()) {
    const { pathname, search } = new URL(request.url);
    if (!wanted.has(pathname + search)) await cache.delete(request);
  }
}

async function keepAssets(paths: readonly string[]): Promise<void> {
  const cache = await caches.open(ASSETS);
  for (const path of paths) {
    if (await cache.match(path)) continue;
    const answer = await fetch(path);
    if (!answer.ok) continue;
    // A style sheet names its fonts; a page names all scripts that it needs.
    const text = path.endsWith('.css') ? await answer.clone().text() : '';
    await cache.put(path, answer);
    if (text !== '') await keepAssets(assetsIn(text));
  }
}

let keeping: Promise<void> = Promise.resolve();

/** One after the other: two tabs ask for the same. Without network there is nothing new to keep. */
function keepSoon(token: string): Promise<void> {
  keeping = keeping.then(() => keep(token)).catch(() => undefined);
  return keeping;
}

self.addEventListener('message', (event) => {
  const { kind, token } = (event.data ?? {}) as { kind?: unknown; token?: unknown };
  if (kind !== 'keep' || typeof token !== 'string') return;
  event.waitUntil(keepSoon(token));
});
