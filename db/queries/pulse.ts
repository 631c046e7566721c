import type { Db } from '../pool.ts';

/** A worker that hasn't been seen for so long isn't there. */
const SILENT = '2 minutes';

/** Says that a worker is at work, by the database's clock: it is about processes, not about anybody's days. */
export async function upsertPulse(db: Db): Promise<void> {
  await db.query(
    'insert into worker_pulse (seen_at) values (now()) on conflict (one) do update set seen_at = excluded.seen_at',
  );
}

/** Whether a worker was at work lately. */
export async function hasPulse(db: Db): Promise<boolean> {
  const { rows } = await db.query<{ is: boolean }>({
    name: 'pulse',
    text: `select exists (select from worker_pulse where seen_at > now() - interval '${SILENT}') as is`,
  });
  return rows[0]!.is;
}
