import type pg from 'pg';
import { note } from '../doors/audit.ts';
import { countRead } from '../http/limits/costly-reads.ts';
import { type ProgrammeScope } from '../doors/coach-scope.ts';
import { fileAnswer, toCsv } from '../http/csv.ts';
import { loadInsights } from './run-insights.ts';

/** JSON has no infinity: a week of seven equal days says so in a word. */
const sayInfinite = (_key: string, value: unknown): unknown => (value === Infinity ? 'infinite' : value);

const pct = (n: number): number => Math.round(n * 1000) / 10;

/** The figures behind "Is it working": all of them as JSON, completion with its intervals as CSV. */
export async function exportInsights(db: pg.PoolClient, { programme, coach }: ProgrammeScope, request: Request) {
  await countRead(db, { kind: 'coach', id: coach.coachId, workspaceId: coach.workspaceId });
  await note(db, coach, 'exported', { programmeId: programme.id, detail: 'figures of the group' });
  const insights = await loadInsights(db, programme);
  if (!new URL(request.url).pathname.endsWith('.csv'))
    return fileAnswer(
      'is-it-working',
      false,
      `${JSON.stringify({ programme: programme.title, ...insights }, sayInfinite, 2)}\n`,
    );
  return fileAnswer(
    'is-it-working',
    true,
    toCsv([
      ...Object.entries(insights.completion).flatMap(([by, rows]) =>
        rows.map(({ label, share }) => ({
          figure: `completion by ${by}`,
          label,
          count: share.count,
          of: share.of,
          percent: pct(share.ratio),
          low: pct(share.low),
          high: pct(share.high),
        })),
      ),
      ...insights.dropOff.steps.map((s) => ({
        figure: 'still taking part after week',
        label: s.time,
        count: s.events,
        of: s.atRisk,
        percent: pct(s.share),
        low: pct(s.low),
        high: pct(s.high),
      })),
      ...insights.loads.flatMap((w) =>
        [
          ['load planned', w.plannedAu] as const,
          ['load felt, a person of those who said', w.feltAu] as const,
          ['load felt, a person due', w.perDueAu] as const,
        ].map(([figure, au]) => ({
          figure: `${figure}, AU`,
          label: `week ${w.week}`,
          count: w.said,
          of: w.due,
          percent: au === undefined ? '' : Math.round(au),
          low: '',
          high: '',
        })),
      ),
      ...insights.felt.map((f) => ({
        figure: 'effort felt',
        label: `week ${f.week}, ${f.title}`,
        count: f.said,
        of: '',
        percent: Math.round(f.mean * 100) / 100,
        low: f.low,
        high: f.high,
      })),
    ]),
  );
}
