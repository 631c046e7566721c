import type { Db } from '../pool.ts';

/** What someone says of a live session: that they come or don't, or, with the room's code, that they are there. */
export type LiveSaid = { readonly answer: 'yes' | 'no' } | { readonly came: { readonly code: string } };

/**
 * Keeps what someone says of a live session. False, with nothing kept, where it is full, or the code is not that of the room: of
 * several who take the last place at once one gets it.
 */
export async function upsertLiveReply(
  db: Db,
  r: { workspaceId: number; runDayId: number; enrolmentId: number; now: Date } & LiveSaid,
): Promise<boolean> {
  const { rows } = await db.query<{ live_limit: number | null; live_code: string | null }>(
    'select live_limit, live_code from run_day where id = $1::bigint for update',
    [r.runDayId],
  );
  if (!rows[0]) return false;
  const { live_limit: limit, live_code: code } = rows[0];
  if ('came' in r) {
    if (code === null || r.came.code.trim().toUpperCase() !== code) return false;
    await writeCame(db, { ...r, enrolmentIds: [r.enrolmentId] });
    return true;
  }
  if (r.answer === 'yes' && limit !== null) {
    const { rows: going } = await db.query<{ count: number }>(
      `select count(*) as count from live_reply where run_day_id = $1::bigint and answer = 'yes' and enrolment_id <> $2::bigint`,
      [r.runDayId, r.enrolmentId],
    );
    if (going[0]!.count >= limit) return false;
  }
  await db.query(
    `insert into live_reply (workspace_id, run_day_id, enrolment_id, answer, answered_at)
     values ($1::bigint, $2::bigint, $3::bigint, $4::text, $5::timestamptz)
     on conflict (run_day_id, enrolment_id) do update set answer = excluded.answer, answered_at = excluded.answered_at`,
    [r.workspaceId, r.runDayId, r.enrolmentId, r.answer, r.now],
  );
  return true;
}

/** Notes who came. */
export async function writeCame(
  db: Db,
  c: { workspaceId: number; runDayId: number; enrolmentIds: readonly number[]; now: Date },
): Promise<void> {
  await db.query(
    `insert into live_reply (workspace_id, run_day_id, enrolment_id, answer, answered_at, came_at)
     select $1::bigint, $2::bigint, id, 'yes', $4::timestamptz, $4::timestamptz from unnest($3::bigint[]) as id
     on conflict (run_day_id, enrolment_id) do update set came_at = coalesce(live_reply.came_at, excluded.came_at)`,
    [c.workspaceId, c.runDayId, c.enrolmentIds, c.now],
  );
}

/** Takes back that someone came. */
export async function deleteCame(db: Db, c: { runDayId: number; enrolmentId: number }): Promise<void> {
  await db.query('update live_reply set came_at = null where run_day_id = $1::bigint and enrolment_id = $2::bigint', [
    c.runDayId,
    c.enrolmentId,
  ]);
}

export interface LiveReply {
  readonly enrolmentId: number;
  readonly answer: 'yes' | 'no';
  readonly came: boolean;
}

export async function listLiveReplies(db: Db, runDayId: number): Promise<LiveReply[]> {
  const { rows } = await db.query<{ enrolment_id: number; answer: 'yes' | 'no'; came_at: Date | null }>(
    'select enrolment_id, answer, came_at from live_reply where run_day_id = $1::bigint order by enrolment_id',
    [runDayId],
  );
  return rows.map((r) => ({ enrolmentId: r.enrolment_id, answer: r.answer, came: r.came_at !== null }));
}
