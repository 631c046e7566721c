import { exportInsights } from '../../server/follow-up/export-insights.ts';
import { costlyByCoach } from '../../server/http/limits/costly-reads.ts';
import { withProgramme } from '../../server/doors/coach-scope.ts';
import type { Route } from './+types/insights';

/** The figures behind "Is it working": all of them as JSON, completion with its intervals as CSV. */
export async function loader({ request, params }: Route.LoaderArgs) {
  return costlyByCoach(request, () =>
    withProgramme(request, params.programmeId, (db, scope) => exportInsights(db, scope, request), 'coach'),
  );
}
