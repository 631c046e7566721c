import sql from 'sql-template-tag';
import type { CalendarEntry, FollowedEntries, PlannedEvent } from '../../core/exchange/calendar-entries.ts';
import type { Db } from '../pool.ts';

/** Whose calendar: that of a person in a run, or a run's own. */
export type CalendarOwner = { readonly enrolmentId: number } | { readonly runId: number };

const idsOf = (owner: CalendarOwner): { readonly enrolmentId: number | null; readonly runId: number | null } =>
  'runId' in owner ? { enrolmentId: null, runId: owner.runId } : { enrolmentId: owner.enrolmentId, runId: null };

/** What a calendar was last given; nobody else changes it until the transaction ends. */
export async function lockCalendarEntries(db: Db, owner: CalendarOwner): Promise<CalendarEntry[]> {
  const { enrolmentId, runId } = idsOf(owner);
  // Two readers at once: the second sees what the first has kept, and changes nothing.
  await db.query(sql`
    select pg_advisory_xact_lock(hashtextextended(${`calendar ${enrolmentId ?? 0} ${runId ?? 0}`}::text, 0))`);
  const { rows } = await db.query<{
    event: PlannedEvent;
    sequence: number;
    changed_at: Date;
    gone_at: Date | null;
  }>(sql`
    select event, sequence, changed_at, gone_at
    from calendar_entry
    where enrolment_id = ${enrolmentId}::bigint or run_id = ${runId}::bigint
    order by changed_at, uid`);
  return rows.map((r) => ({
    event: r.event,
    sequence: r.sequence,
    changedMs: r.changed_at.getTime(),
    goneMs: r.gone_at?.getTime() ?? null,
  }));
}

/** Keeps what has changed of a calendar, and forgets what is long over. */
export async function updateCalendarEntries(
  db: Db,
  owner: CalendarOwner & { readonly workspaceId: number },
  { changed, forgotten }: Pick<FollowedEntries, 'changed' | 'forgotten'>,
): Promise<void> {
  const { enrolmentId, runId } = idsOf(owner);
  if (forgotten.length > 0)
    await db.query(sql`
      delete from calendar_entry
      where uid = any(${forgotten}::text[])`);
  if (changed.length === 0) return;
  const rows = changed.map((c) => ({
    uid: c.event.uid,
    event: JSON.stringify(c.event),
    sequence: c.sequence,
    changedAt: new Date(c.changedMs),
    goneAt: c.goneMs === null ? null : new Date(c.goneMs),
  }));
  await db.query(sql`
    insert into calendar_entry (workspace_id, uid, enrolment_id, run_id, event, sequence, changed_at, gone_at)
    select ${owner.workspaceId}::bigint, x.uid, ${enrolmentId}::bigint, ${runId}::bigint, x.event::json, x.sequence, x."changedAt", x."goneAt"
    from jsonb_to_recordset(${JSON.stringify(rows)}::jsonb)
      as x(uid text, event text, sequence integer, "changedAt" timestamptz, "goneAt" timestamptz)
    on conflict (workspace_id, uid) do update
    set event = excluded.event, sequence = excluded.sequence, changed_at = excluded.changed_at, gone_at = excluded.gone_at`);
}
