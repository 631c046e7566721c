import { eventStream } from '../../server/http/event-stream.ts';
import { requireRole, withProgramme } from '../../server/doors/coach-scope.ts';
import { openLine } from '../../server/http/limits/live-lines.ts';
import { loadTodayLine } from '../../server/follow-up/today-line.ts';
import type { Route } from './+types/today-line';

/** A browser comes back by itself after `openForMs`; who may see it is asked anew then. */
const PACE = { lookEveryMs: 2_000, sayEvery: 10, openForMs: 5 * 60_000 };

/** Today's line while it happens, as server-sent events: one at once, then one for each change. */
export async function loader({ request, params }: Route.LoaderArgs) {
  const look = (at: Request) =>
    withProgramme(at, params.programmeId, async (db, { programme }) =>
      JSON.stringify(await loadTodayLine(db, programme)),
    );
  const leave = openLine(await requireRole(request));
  if (!leave)
    return new Response('Too many pages look on just now.', { status: 429, headers: { 'retry-after': '30' } });
  try {
    // A request of its own for each look: it reads in a transaction that ends at once.
    const again = () => look(new Request(request.url, { headers: request.headers }));
    return eventStream(request.signal, await look(request), again, leave, PACE);
  } catch (error) {
    leave();
    throw error;
  }
}
