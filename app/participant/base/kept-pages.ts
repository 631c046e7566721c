import type { ShouldRevalidateFunctionArgs } from 'react-router';
import type { KeptPages } from '../../../server/participant/kept-pages.ts';

/** What the names of clocks in this browser's store begin with. */
export const CLOCK_KEY = 'ysodos-clock-';

interface PageLoaderArgs<T> {
  readonly request: Request;
  readonly serverLoader: () => Promise<T>;
}

/**
 * What a page of a participant shows, from the server; where that can't be reached the whole page is asked for instead, which the
 * phone has kept. An answer of the server, whatever it says, is an answer.
 */
export async function orKeptPage<T>({ request, serverLoader }: PageLoaderArgs<T>): Promise<T> {
  try {
    return await serverLoader();
  } catch (error) {
    if (!(error instanceof TypeError)) throw error;
    const { pathname, search } = new URL(request.url);
    window.location.assign(pathname + search);
    return new Promise<T>(() => undefined);
  }
}

/** What of the root changes is only the theme, and only where it was set. */
export const afterSending = ({ formMethod }: ShouldRevalidateFunctionArgs): boolean =>
  formMethod !== undefined && formMethod.toUpperCase() !== 'GET';

/** Sets the keeping of pages going, and again whenever the page comes into sight with a network. */
export function keepPages(token: string): () => void {
  if (!('serviceWorker' in navigator)) return () => undefined;
  const ask = () => {
    if (document.visibilityState !== 'visible' || !navigator.onLine) return;
    void navigator.serviceWorker.ready.then((registration) =>
      registration.active?.postMessage({ kind: 'keep', token }),
    );
  };
  navigator.serviceWorker.register('/service-worker.js', { scope: '/p/' }).then(ask, () => undefined); // Refused: then there is no page without network.
  const onMessage = (event: MessageEvent) => {
    if ((event.data as { kind?: unknown } | null)?.kind === 'ended') endOnThisPhone();
  };
  navigator.serviceWorker.addEventListener('message', onMessage);
  document.addEventListener('visibilitychange', ask);
  window.addEventListener('online', ask);
  return () => {
    navigator.serviceWorker.removeEventListener('message', onMessage);
    document.removeEventListener('visibilitychange', ask);
    window.removeEventListener('online', ask);
  };
}

/** The link has ended: clocks that ran here are forgotten, and the page is asked of the server, which says so. Unsent logs stay. */
function endOnThisPhone(): void {
  try {
    for (const key of Object.keys(localStorage)) if (key.startsWith(CLOCK_KEY)) localStorage.removeItem(key);
  } catch {
    // A store that may not be read holds nothing.
  }
  window.location.reload();
}

/** Takes everything of someone off this device. */
export async function forgetPages(token: string): Promise<void> {
  if (!('caches' in window)) return;
  await caches.delete(`ysodos-kept-${token}`);
}

/** The days of someone that this phone has kept, in words; none where it keeps nothing. */
export async function readKeptDays(token: string): Promise<string[]> {
  if (!('caches' in window) || !(await caches.has(`ysodos-kept-${token}`))) return [];
  const found = await (await caches.open(`ysodos-kept-${token}`)).match(`/p/${token}/keep.json`);
  return found ? ((await found.json()) as KeptPages).days.map((d) => d.words) : [];
}
