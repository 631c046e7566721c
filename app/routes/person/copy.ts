import Papa from 'papaparse';
import type { Score } from '../../../core/record/score.ts';
import { formatScore } from '../../../core/record/score.ts';
import type { PersonCopy } from '../../../db/queries/own.ts';
import { copyPerson } from '../../../db/queries/own.ts';
import { withPersonalLink } from '../../../server/personal-link.ts';
import type { Route } from './+types/copy';

const HEADERS = { 'cache-control': 'private, no-store' };

/** Cells that a spreadsheet would take for a formula are quoted by it (docs/formulas.md 7). */
const FORMULA = /^[=+\-@\t\r\n＝＋－＠]/;

function toCsv({ runs }: PersonCopy): string {
  const lines = runs.flatMap((run) =>
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
  return Papa.unparse(lines, { escapeFormulae: FORMULA, newline: '\r\n' });
}

/** A copy of everything that is stored about someone: whole as JSON, what they logged as CSV. */
export const loader = ({ params, request }: Route.LoaderArgs) =>
  withPersonalLink(params.token, async (db, { enrolment }) => {
    const copy = await copyPerson(db, enrolment.personId);
    const isCsv = new URL(request.url).pathname.endsWith('.csv');
    return new Response(isCsv ? `\uFEFF${toCsv(copy)}` : `${JSON.stringify(copy, null, 2)}\n`, {
      headers: {
        ...HEADERS,
        'content-type': isCsv ? 'text/csv; charset=utf-8' : 'application/json',
        'content-disposition': `attachment; filename="my-sessions.${isCsv ? 'csv' : 'json'}"`,
      },
    });
  });
