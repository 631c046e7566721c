import { readSharedTotal } from '../../core/record/scores/shared-total.ts';
import type { SharedTotal } from '../../core/record/scores/shared-total.ts';
import type { BoardName } from '../../core/record/scores/boards.ts';
import type { Db } from '../pool.ts';
import { gracefully, STOPPED_BY_COACH } from './message.ts';

/** What a host has set for all of a run. */
export interface HostSettings {
  /** People see the board of their team. */
  readonly hasBoards: boolean;
  readonly shared: SharedTotal | undefined;
}

export async function getHostSettings(db: Db, runId: number): Promise<HostSettings> {
  const { rows } = await db.query<{ has_boards: boolean; shared: unknown }>(
    'select has_boards, shared from run where id = $1::bigint',
    [runId],
  );
  return { hasBoards: rows[0]?.has_boards ?? false, shared: readSharedTotal(rows[0]?.shared) };
}

export async function updateHostSettings(db: Db, runId: number, s: HostSettings): Promise<void> {
  await db.query('update run set has_boards = $2::boolean, shared = $3::jsonb where id = $1::bigint', [
    runId,
    s.hasBoards,
    s.shared ? JSON.stringify(s.shared) : null,
  ]);
}

/** How the people of a run stand on boards, by enrolment; those who go by their name are left out. */
export async function listBoardNames(db: Db, runId: number): Promise<Map<number, { board: BoardName; alias: string }>> {
  const { rows } = await db.query<{ id: number; board: BoardName; alias: string }>(
    `select e.id, p.board, p.alias from enrolment e join person p on p.id = e.person_id where e.run_id = $1::bigint and p.board <> 'name'`,
    [runId],
  );
  return new Map(rows.map((r) => [r.id, { board: r.board, alias: r.alias }]));
}

export async function updateBoardName(db: Db, personId: number, board: BoardName, alias: string): Promise<void> {
  await db.query('update person set board = $2::text, alias = $3::text where id = $1::bigint', [
    personId,
    board,
    alias,
  ]);
}

/**
 * Lays a week's letter for everybody in a run who is reached by messages; once for each person and week. Gives to how many it goes.
 */
export async function insertLetters(
  db: Db,
  l: { workspaceId: number; runId: number; week: number; subject: string; words: string; expiresAt: Date; now: Date },
): Promise<number> {
  const { rowCount } = await db.query(
    `insert into message (workspace_id, person_id, enrolment_id, run_id, day_id, kind, number, channel, address, next_try_at, stoppable_until, expires_at, created_at, extra)
     select $1::bigint, p.id, e.id, $2::bigint, 0, 'letter', $3::integer, p.channel, p.address, ${gracefully('$6')}, $5::timestamptz, $6::timestamptz, $4::jsonb
     from enrolment e join person p on p.id = e.person_id
     where e.run_id = $2::bigint and e.left_on is null and is_reached(p)
     on conflict (enrolment_id, day_id, kind, number, repetition) where enrolment_id is not null do update
       set state = 'waiting', reason = '', next_try_at = excluded.next_try_at, stoppable_until = excluded.stoppable_until,
         expires_at = excluded.expires_at, extra = excluded.extra
       where message.state = 'dropped' and message.reason = '${STOPPED_BY_COACH}'`,
    [l.workspaceId, l.runId, l.week, JSON.stringify({ subject: l.subject, words: l.words }), l.expiresAt, l.now],
  );
  return rowCount ?? 0;
}

/** Whom a week's letter would go to, and who has had it. */
export async function countLetters(
  db: Db,
  runId: number,
  week: number,
): Promise<{ reached: number; people: number; sent: number }> {
  const { rows } = await db.query<{ reached: number; people: number; sent: number }>(
    `select count(*)::integer as people, count(*) filter (where is_reached(p))::integer as reached,
       count(m.id)::integer as sent
     from enrolment e join person p on p.id = e.person_id
     left join message m on m.enrolment_id = e.id and m.day_id = 0 and m.kind = 'letter' and m.number = $2::integer and m.state <> 'dropped'
     where e.run_id = $1::bigint and e.left_on is null`,
    [runId, week],
  );
  return rows[0]!;
}
