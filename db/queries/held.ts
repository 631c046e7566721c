import type { Db } from '../pool.ts';

/** An earlier session whose numbers someone keeps: the version, and its week. */
export interface HeldVersion {
  readonly versionId: number;
  readonly week: number;
}

/**
 * What was sent last, up to the held week, of the session that a day has: of its track, or of the same title where it is in none; on the
 * same day of the week before others. Undefined where the day isn't behind that week, or nothing like it was sent and stands.
 */
export async function findHeldVersion(
  db: Db,
  at: { readonly runId: number; readonly heldWeek: number } & (
    { readonly dayId: number } | { readonly versionId: number }
  ),
): Promise<HeldVersion | undefined> {
  const { rows } = await db.query<{ version_id: number; week: number }>({
    name: 'held-version',
    text: `select h.id as version_id, d.week
       from day n
       left join sent_day s on s.day_id = n.id and s.run_id = $1::bigint
       join day d on d.programme_id = n.programme_id and d.week <= $2::integer
       join sent_day h on h.day_id = d.id and h.run_id = $1::bigint
      where n.id = coalesce($3::bigint, (select day_id from version where id = $4::bigint)) and n.week > $2::integer
        and case when n.track_id is null then d.track_id is null and lower(h.title) = lower(s.title) else d.track_id = n.track_id end
        and not exists (select from run_day y where y.run_id = $1::bigint and y.day_id = d.id and y.withdrawn_at is not null)
      order by d.week desc, d.weekday = n.weekday desc, d.weekday desc limit 1`,
    values: [at.runId, at.heldWeek, 'dayId' in at ? at.dayId : null, 'versionId' in at ? at.versionId : null],
  });
  return rows[0] && { versionId: rows[0].version_id, week: rows[0].week };
}
