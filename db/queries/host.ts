import { readSharedTotal } from '../../core/record/scores/shared-total.ts';
import type { SharedTotal } from '../../core/record/scores/shared-total.ts';
import type { BoardName } from '../../core/record/scores/boards.ts';
import type { Db } from '../pool.ts';
import sql from 'sql-template-tag';
import { layMessages, toPeople } from './messages/lay-messages.ts';

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
  return layMessages(db, {
    workspaceId: l.workspaceId,
    kind: 'letter',
    runId: l.runId,
    dayId: null,
    number: l.week,
    now: l.now,
    extra: { subject: l.subject, words: l.words },
    canBeStopped: true,
    again: 'stopped',
    to: sql`
      select ${toPeople({ versionId: null, expiresAt: l.expiresAt })}
      from enrolment e
      join person p on p.id = e.person_id
      where e.run_id = ${l.runId}::bigint and is_in_run(e) and is_reached(p)`,
  });
}

/** Whom a week's letter would go to, and who has had it. */
export async function countLetters(
  db: Db,
  runId: number,
  week: number,
): Promise<{ reached: number; people: number; sent: number }> {
  const { rows } = await db.query<{ reached: number; people: number; sent: number }>(sql`
    select
      count(*)::integer as people,
      count(*) filter (where is_reached(p))::integer as reached,
      count(m.id)::integer as sent
    from enrolment e
    join person p on p.id = e.person_id
    left join message m
      on m.enrolment_id = e.id
      and m.day_id is null
      and m.kind = 'letter'
      and m.number = ${week}::integer
      and m.state <> 'dropped'
    where e.run_id = ${runId}::bigint and is_in_run(e)`);
  return rows[0]!;
}
