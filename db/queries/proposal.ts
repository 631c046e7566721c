import type { Db } from '../pool.ts';

/** What came of a proposal. */
export interface ProposalAnswer<Change = unknown, Was = unknown> {
  readonly id: number;
  readonly enrolmentId: number | null;
  readonly key: string;
  readonly answer: 'accepted' | 'declined';
  readonly words: string;
  readonly change: Change;
  readonly was: Was;
  readonly atMs: number;
  readonly by: string;
}

/** The answers that stand in a run, the newest first; what was taken back isn't among them. */
export async function listAnswers(db: Db, runId: number): Promise<ProposalAnswer[]> {
  const { rows } = await db.query<{
    id: number;
    enrolment_id: number | null;
    key: string;
    answer: 'accepted' | 'declined';
    words: string;
    change: unknown;
    was: unknown;
    answered_at: Date;
    by: string | null;
  }>({
    name: 'proposal-answers',
    text: `select a.id, a.enrolment_id, a.key, a.answer, a.words, a.change, a.was, a.answered_at, c.name as by
     from proposal_answer a left join coach c on c.id = a.coach_id
     where a.run_id = $1::bigint and a.undone_at is null order by a.answered_at desc, a.id desc`,
    values: [runId],
  });
  return rows.map((r) => ({
    id: r.id,
    enrolmentId: r.enrolment_id,
    key: r.key,
    answer: r.answer,
    words: r.words,
    change: r.change,
    was: r.was,
    atMs: r.answered_at.getTime(),
    by: r.by ?? '',
  }));
}

export async function insertAnswer(
  db: Db,
  a: {
    workspaceId: number;
    runId: number;
    enrolmentId: number | null;
    key: string;
    answer: 'accepted' | 'declined';
    words: string;
    change: object;
    was: object;
    coachId: number;
    now: Date;
  },
): Promise<void> {
  await db.query(
    `insert into proposal_answer (workspace_id, run_id, enrolment_id, key, answer, words, change, was, coach_id, answered_at)
     values ($1::bigint, $2::bigint, $3::bigint, $4::text, $5::text, left($6::text, 500), $7::jsonb, $8::jsonb, $9::bigint, $10::timestamptz)`,
    [
      a.workspaceId,
      a.runId,
      a.enrolmentId,
      a.key,
      a.answer,
      a.words,
      JSON.stringify(a.change),
      JSON.stringify(a.was),
      a.coachId,
      a.now,
    ],
  );
}

/** Marks an answer as taken back; once. */
export async function updateAnswerUndone(db: Db, answerId: number, now: Date): Promise<void> {
  await db.query('update proposal_answer set undone_at = $2::timestamptz where id = $1::bigint and undone_at is null', [
    answerId,
    now,
  ]);
}

/** Answers of a run are given one after the other: who comes second sees what the first has answered. */
export async function lockAnswers(db: Db, runId: number): Promise<void> {
  await db.query('select from run where id = $1::bigint for update', [runId]);
}
