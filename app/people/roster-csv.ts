import { withProgramme } from '../../server/doors/coach-scope.ts';
import { costlyByCoach } from '../../server/http/limits/costly-reads.ts';
import { exportRoster } from '../../server/people/export-roster.ts';
import type { Route } from './+types/roster-csv';

/** The people of a run as CSV, in the columns by which they can be brought in again. */
export async function loader({ request, params }: Route.LoaderArgs) {
  return costlyByCoach(request, () =>
    withProgramme(request, params.programmeId, (db, scope) => exportRoster(db, scope, request), 'coach'),
  );
}
