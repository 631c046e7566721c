import { loadAudit, readAuditSearch } from '../../server/account/audit-page.ts';
import { note } from '../../server/doors/audit.ts';
import { withCoach } from '../../server/doors/coach-scope.ts';
import { coachZone } from '../../server/doors/coach-zone.ts';
import { costlyByCoach, countRead } from '../../server/http/limits/costly-reads.ts';
import { fileAnswer, toCsv } from '../../server/http/csv.ts';
import { requireProof } from '../../server/doors/prove-again.ts';
import type { Route } from './+types/done-csv';

/** More than a workspace does in 400 days. */
const MOST_LINES = 100_000;

/** What was done, as CSV: for owners, who have shown who they are. */
export async function loader({ request }: Route.LoaderArgs) {
  return costlyByCoach(request, () =>
    withCoach(
      request,
      async (db, coach) => {
        requireProof(request, coach);
        await countRead(db, { kind: 'coach', id: coach.coachId, workspaceId: coach.workspaceId });
        const search = readAuditSearch(new URL(request.url).searchParams);
        const timeZone = coachZone(request);
        const lines = await loadAudit(db, search, { timeZone, limit: MOST_LINES });
        await note(db, coach, 'exported', { detail: 'what was done' });
        return fileAnswer(
          'done',
          true,
          toCsv(lines.map((l) => ({ day: l.day, time: l.time, who: l.who, did: l.words }))),
        );
      },
      'owner',
    ),
  );
}
