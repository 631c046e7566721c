import type { Db } from '../pool.ts';

export interface HourUse {
  readonly subject: string;
  readonly writes: number;
  readonly bytes: number;
}

/** Adds one write of so many bytes to what each subject has stored in the hour of `now`, and gives the sums. Older hours go. */
export async function addHourUse(
  db: Db,
  use: { workspaceId: number; subjects: readonly string[]; bytes: number; now: Date },
): Promise<HourUse[]> {
  const { rows } = await db.query<HourUse>(
    `insert into hour_use (workspace_id, subject, hour_at, writes, bytes)
     select $1::bigint, subject, date_trunc('hour', $4::timestamptz), 1, $3::bigint
     from unnest($2::text[]) as subject order by subject
     on conflict (workspace_id, subject, hour_at)
       do update set writes = hour_use.writes + 1, bytes = hour_use.bytes + excluded.bytes
     returning subject, writes, bytes`,
    [use.workspaceId, [...use.subjects], use.bytes, use.now],
  );
  if (rows.some((row) => row.writes === 1))
    await db.query(`delete from hour_use where hour_at < $1::timestamptz - interval '2 hours'`, [use.now]);
  return rows;
}
