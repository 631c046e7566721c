import { nowMs } from '../../server/config.ts';
import { withCoach } from '../../server/doors/coach-scope.ts';
import { coachToday, coachZone } from '../../server/doors/coach-zone.ts';
import { loadHome } from '../../server/shell/load-home.ts';
import type { Route } from './+types/home-today';

/** Today over all runs, asked for by the page that shows it: the page itself is there before. */
export async function loader({ request }: Route.LoaderArgs) {
  const at = { nowMs: nowMs(), today: coachToday(request), timeZone: coachZone(request) };
  return withCoach(request, async (db, coach) => Response.json({ runs: await loadHome(db, coach, at) }));
}
