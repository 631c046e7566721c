import type { FitChange } from '../../core/fit/fit-change.ts';
import type { Score } from '../../core/record/scores/score.ts';
import type { Db } from '../pool.ts';
import type { NumberedStanding } from './standing.ts';

/** A line that somebody did otherwise than it was sent. */
export interface DoneShape {
  readonly block: number;
  readonly item: number;
  readonly to: string;
  /** Times what was sent, where that was another number. */
  readonly times?: number;
}

/** Records that stand of some days with scores, or with something done in another shape: by the fit, and on the way. */
export async function listStandingShapes(
  db: Db,
  runId: number,
  dayIds: readonly number[],
): Promise<
  {
    enrolmentId: number;
    dayId: number;
    scores: Score[];
    shapes: DoneShape[];
  }[]
> {
  if (dayIds.length === 0) return [];
  const { rows } = await db.query<{
    enrolment_id: number;
    day_id: number;
    scores: Score[];
    shapes: DoneShape[];
  }>({
    name: 'standing-shapes',
    text: `select s.enrolment_id, s.day_id, r.scores, r.fit || coalesce(r.details -> 'chosen', '[]'::jsonb) as shapes
             from standing s join record r on r.id = s.record_id
     where s.run_id = $1::bigint and s.day_id = any($2::bigint[]) and (s.has_scores or s.has_swaps)`,
    values: [runId, dayIds],
  });
  return rows.map((r) => ({ enrolmentId: r.enrolment_id, dayId: r.day_id, scores: r.scores, shapes: r.shapes }));
}

/** Sessions done in a run of which a time is known: scored, or seen by the clock, with what was done in another shape; of all, or of some. */
export async function listTimed(
  db: Db,
  runId: number,
  dayIds: readonly number[],
  enrolmentIds: readonly number[] | null = null,
): Promise<(NumberedStanding & { readonly ranSec: Readonly<Record<string, number>> })[]> {
  if (dayIds.length === 0) return [];
  const { rows } = await db.query<{
    enrolment_id: number;
    day_id: number;
    scores: Score[];
    fit: FitChange[];
    ran: Record<string, number> | null;
  }>({
    name: 'timed',
    text: `select s.enrolment_id, s.day_id, r.scores, r.details -> 'ranSec' as ran,
                  r.fit || coalesce(r.details -> 'chosen', '[]'::jsonb)
                        || coalesce((select jsonb_agg(jsonb_build_object('block', b::int)) from jsonb_object_keys(r.details -> 'fewer') as b), '[]'::jsonb)
                    as fit
             from standing s join record r on r.id = s.record_id
     where s.run_id = $1::bigint and s.day_id = any($2::bigint[]) and s.outcome = 'done' and (s.has_scores or s.last_block is not null)
       and ($3::bigint[] is null or s.enrolment_id = any($3::bigint[]))`,
    values: [runId, dayIds, enrolmentIds],
  });
  return rows.map((r) => ({
    enrolmentId: r.enrolment_id,
    dayId: r.day_id,
    scores: r.scores,
    fit: r.fit,
    ranSec: r.ran ?? {},
  }));
}
