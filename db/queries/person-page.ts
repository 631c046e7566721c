import type { Outcome, RecordDetails } from '../../core/record/record.ts';
import type { Score } from '../../core/record/scores/score.ts';
import type { Db } from '../pool.ts';
import type { MessageKind, MessageState } from '../../core/channels/message.ts';

/** What stands of one day of someone, with what was said beside the numbers. */
export interface SaidOnDay {
  readonly dayId: number;
  readonly outcome: Outcome;
  readonly shareRatio: number;
  readonly effort: number | null;
  readonly remark: string;
  readonly scores: readonly Score[];
  readonly details: RecordDetails;
  readonly madeAtMs: number;
}

export async function listSaidBy(db: Db, enrolmentId: number): Promise<SaidOnDay[]> {
  const { rows } = await db.query<{
    day_id: number;
    outcome: Outcome;
    share_ratio: number;
    effort: number | null;
    remark: string;
    scores: Score[];
    details: RecordDetails;
    made_at: Date;
  }>(
    `select s.day_id, r.outcome, r.share_ratio, r.effort, r.remark, r.scores, r.details, r.made_at
     from standing s join record r on r.id = s.record_id where s.enrolment_id = $1::bigint order by r.made_at desc`,
    [enrolmentId],
  );
  return rows.map((r) => ({
    dayId: r.day_id,
    outcome: r.outcome,
    shareRatio: Math.round(r.share_ratio * 100) / 100,
    effort: r.effort,
    remark: r.remark,
    scores: r.scores,
    details: r.details,
    madeAtMs: r.made_at.getTime(),
  }));
}

/** What was sent to someone in a run, the newest first. */
export async function listSentTo(
  db: Db,
  enrolmentId: number,
  limit: number,
): Promise<
  { kind: MessageKind; state: MessageState; reason: string; dayId: number | null; subject: string; atMs: number }[]
> {
  const { rows } = await db.query<{
    kind: MessageKind;
    state: MessageState;
    reason: string;
    day_id: number | null;
    subject: string | null;
    created_at: Date;
  }>(
    `select kind, state, reason, day_id, extra ->> 'subject' as subject, created_at from message
     where enrolment_id = $1::bigint order by id desc limit $2::integer`,
    [enrolmentId, limit],
  );
  return rows.map((r) => ({
    kind: r.kind,
    state: r.state,
    reason: r.reason,
    dayId: r.day_id,
    subject: r.subject ?? '',
    atMs: r.created_at.getTime(),
  }));
}
