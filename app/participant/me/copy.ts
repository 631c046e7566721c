import type { Score } from '../../../core/record/scores/score.ts';
import { formatScore } from '../../../core/record/scores/score.ts';
import type { PersonCopy } from '../../../db/queries/own.ts';
import { copyPerson } from '../../../db/queries/own.ts';
import { costlyByLink, countRead } from '../../../server/http/limits/costly-reads.ts';
import { fileAnswer, toCsv } from '../../../server/http/csv.ts';
import { withPersonalLink } from '../../../server/doors/personal-link.ts';
import type { Route } from './+types/copy';

/** A line for each record. */
const copyLines = ({ runs }: PersonCopy) =>
  runs.flatMap((run) =>
    run.records.map((r) => {
      const details = (r.details ?? {}) as { reason?: string; body?: string };
      return {
        programme: run.programme,
        week: r.week,
        day: r.weekday,
        session: r.session ?? '',
        outcome: r.outcome,
        share: r.share_ratio,
        effort: r.effort ?? '',
        reason: details.reason ?? '',
        body: details.body ?? '',
        scores: (r.scores as Score[]).map(formatScore).join('; '),
        remark: r.remark,
        made: r.made_at,
        arrived: r.logged_at,
      };
    }),
  );

/** A copy of everything that is stored about someone: whole as JSON, what they logged as CSV. */
export const loader = ({ params, request }: Route.LoaderArgs) =>
  costlyByLink(params.token, () =>
    withPersonalLink(params.token, async (db, { enrolment, workspaceId }) => {
      await countRead(db, { kind: 'link', id: enrolment.personId, workspaceId });
      const copy = await copyPerson(db, enrolment.personId);
      const isCsv = new URL(request.url).pathname.endsWith('.csv');
      return fileAnswer('my-sessions', isCsv, isCsv ? toCsv(copyLines(copy)) : `${JSON.stringify(copy, null, 2)}\n`);
    }),
  );
