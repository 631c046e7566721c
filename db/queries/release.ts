import type { Db } from '../pool.ts';

/** Notes that a day was opened, or begun with a version, which is theirs from then on. */
export async function upsertSeen(
  db: Db,
  s: {
    workspaceId: number;
    enrolmentId: number;
    dayId: number;
    versionId: number;
    what: 'opened' | 'begun';
    now: Date;
  },
): Promise<void> {
  await db.query(
    `insert into release (workspace_id, enrolment_id, day_id, version_id, released_at, opened_at, begun_at)
     values ($1::bigint, $2::bigint, $3::bigint, $4::bigint, $5::timestamptz, $5::timestamptz, case when $6::boolean then $5::timestamptz end)
     on conflict on constraint release_once do update set
       opened_at = coalesce(release.opened_at, excluded.opened_at),
       version_id = case when release.begun_at is null then excluded.version_id else release.version_id end,
       begun_at = coalesce(release.begun_at, excluded.begun_at)`,
    [s.workspaceId, s.enrolmentId, s.dayId, s.versionId, s.now, s.what === 'begun'],
  );
}
