import { exportRecords } from '../../server/follow-up/export-records.ts';
import { costlyByCoach } from '../../server/http/limits/costly-reads.ts';
import { withProgramme } from '../../server/doors/coach-scope.ts';
import type { Route } from './+types/records';

/** Who did what in a run, a line for each person and day that was theirs: CSV or JSON, by the address. */
export async function loader({ request, params }: Route.LoaderArgs) {
  return costlyByCoach(request, () =>
    withProgramme(request, params.programmeId, (db, scope) => exportRecords(db, scope, request), 'coach'),
  );
}
