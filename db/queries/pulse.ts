import type { Db } from '../pool.ts';

/** A worker that hasn't been seen for so long isn't there. */
const SILENT = '2 minutes';

/** Says that a worker or a web process is at work; true where none of its kind was for a while, which is then kept as an outage. */
export async function beat(db: Db, kind: 'work' | 'serve', now: Date): Promise<boolean> {
  const { rows } = await db.query<{ silent: boolean }>({
    name: 'beat',
    text: 'select beat($1::text, $2::timestamptz) as silent',
    values: [kind, now],
  });
  return rows[0]!.silent;
}

/** Says whether the mail server takes messages. */
export async function noteMail(db: Db, isTaken: boolean, now: Date): Promise<void> {
  await db.query('select note_mail($1::boolean, $2::timestamptz)', [isTaken, now]);
}

/** Whether a worker was at work lately, by the database's clock: it is about processes, not about anybody's days. */
export async function hasPulse(db: Db): Promise<boolean> {
  const { rows } = await db.query<{ is: boolean }>({
    name: 'pulse',
    text: `select exists (select from pulse where kind = 'work' and seen_at > now() - interval '${SILENT}') as is`,
  });
  return rows[0]!.is;
}

/** Something that was away, or still is. */
export interface Outage {
  readonly kind: 'work' | 'serve' | 'mail';
  readonly fromMs: number;
  /** Null while it lasts. */
  readonly toMs: number | null;
}

/** What was away since an instant, and what is: the newest first. */
export async function listOutages(db: Db, since: Date): Promise<Outage[]> {
  const { rows } = await db.query<{ kind: Outage['kind']; from_at: Date; to_at: Date | null }>(
    `select kind, from_at, to_at from outage where to_at >= $1::timestamptz
     union all select kind, app_at, null from pulse where kind <> 'mail' and seen_at < now() - interval '${SILENT}'
     union all select kind, failing_since, null from pulse where failing_since is not null
     order by from_at desc`,
    [since],
  );
  return rows.map((r) => ({ kind: r.kind, fromMs: r.from_at.getTime(), toMs: r.to_at?.getTime() ?? null }));
}
