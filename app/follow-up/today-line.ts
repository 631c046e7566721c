import { requireRole, withProgramme } from '../../server/doors/coach-scope.ts';
import { openLine } from '../../server/http/limits/live-lines.ts';
import { loadTodayLine } from '../../server/follow-up/today-line.ts';
import type { Route } from './+types/today-line';

const LOOK_EVERY_MS = 2_000;
/** Proxies end what is silent. */
const SAY_EVERY = 10;
/** A browser comes back by itself; who may see it is asked anew then. */
const OPEN_FOR_MS = 5 * 60_000;

/** Today's line while it happens, as server-sent events: one at once, then one for each change. */
export async function loader({ request, params }: Route.LoaderArgs) {
  const look = (at: Request) =>
    withProgramme(at, params.programmeId, async (db, { programme }) =>
      JSON.stringify(await loadTodayLine(db, programme)),
    );
  const leave = openLine(await requireRole(request));
  if (!leave)
    return new Response('Too many pages look on just now.', { status: 429, headers: { 'retry-after': '30' } });
  let last: string;
  try {
    last = await look(request);
  } catch (error) {
    leave();
    throw error;
  }
  const { signal } = request;
  const text = new TextEncoder();
  const endsAt = performance.now() + OPEN_FOR_MS;
  let timer: NodeJS.Timeout | undefined;
  let isOver = false;
  const end = () => {
    if (isOver) return;
    isOver = true;
    clearTimeout(timer);
    leave();
  };
  const stream = new ReadableStream<Uint8Array>({
    start(controller) {
      const send = (line: string) => controller.enqueue(text.encode(line));
      const close = () => {
        if (isOver) return;
        end();
        controller.close();
      };
      signal.addEventListener('abort', close);
      send(`retry: 3000\ndata: ${last}\n\n`);
      let silent = 0;
      const again = async () => {
        // A request of its own for each look: it reads in a transaction that ends at once.
        const now = await look(new Request(request.url, { headers: request.headers }));
        if (isOver) return;
        if (now !== last) {
          last = now;
          silent = 0;
          send(`data: ${now}\n\n`);
        } else if (++silent % SAY_EVERY === 0) send(': still here\n\n');
        if (performance.now() > endsAt) close();
        else next();
      };
      const next = () => {
        timer = setTimeout(() => {
          // Whatever is in the way (the database, a sign-in that ended): the browser asks anew, and is told.
          again().catch(close);
        }, LOOK_EVERY_MS);
        timer.unref();
      };
      next();
    },
    cancel: end,
  });
  return new Response(stream, {
    headers: {
      'content-type': 'text/event-stream; charset=utf-8',
      'cache-control': 'no-store, no-transform',
      'x-accel-buffering': 'no',
    },
  });
}
