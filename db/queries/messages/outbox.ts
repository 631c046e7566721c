import type { ChannelId } from '../../../core/channels/channels.ts';
import type { Db } from '../../pool.ts';
import type { MessageKind, MessageState } from '../../../core/channels/message.ts';

/** A message as the outbox shows it. */
export interface OutboxRow {
  readonly id: number;
  readonly to: string;
  readonly enrolmentId: number | null;
  readonly address: string;
  readonly channel: ChannelId;
  readonly kind: MessageKind;
  readonly number: number;
  readonly repetition: number;
  readonly state: MessageState;
  readonly reason: string;
  readonly attempts: number;
  readonly createdAtMs: number;
  readonly acceptedAtMs: number | null;
  readonly nextTryAtMs: number;
  readonly week: number | null;
  readonly weekday: number | null;
}

export interface OutboxFilter {
  readonly state?: MessageState | undefined;
  readonly kind?: MessageKind | undefined;
  readonly dayId?: number | undefined;
  readonly words?: string | undefined;
  /** Only older than this. */
  readonly beforeId?: number | undefined;
  readonly limit: number;
}

/** What was sent, or is to be, in a run: the newest first. */
export async function listOutbox(db: Db, runId: number, f: OutboxFilter): Promise<OutboxRow[]> {
  const { rows } = await db.query<{
    id: number;
    to_name: string;
    enrolment_id: number | null;
    address: string;
    channel: ChannelId;
    kind: MessageKind;
    number: number;
    repetition: number;
    state: MessageState;
    reason: string;
    attempts: number;
    created_at: Date;
    accepted_at: Date | null;
    next_try_at: Date;
    week: number | null;
    weekday: number | null;
  }>(
    `select m.id, coalesce(p.name, c.name, m.address) as to_name, m.enrolment_id, m.address, m.channel, m.kind, m.number, m.repetition, m.state, m.reason,
       m.attempts, m.created_at, m.accepted_at, m.next_try_at, d.week, d.weekday
     from message m
     left join person p on p.id = m.person_id
     left join coach c on c.id = m.coach_id
     left join day d on d.id = m.day_id
     where m.run_id = $1::bigint
       and ($2::text is null or m.state = $2::text) and ($3::text is null or m.kind = $3::text) and ($4::bigint is null or m.day_id = $4::bigint)
       and ($5::text is null or p.name ilike '%' || $5::text || '%' or m.address ilike '%' || $5::text || '%')
       and ($6::bigint is null or m.id < $6::bigint)
     order by m.id desc limit $7::integer`,
    [
      runId,
      f.state ?? null,
      f.kind ?? null,
      f.dayId ?? null,
      f.words ? f.words.replace(/[\\%_]/g, '\\$&') : null,
      f.beforeId ?? null,
      f.limit,
    ],
  );
  return rows.map((r) => ({
    id: r.id,
    to: r.to_name,
    enrolmentId: r.enrolment_id,
    address: r.address,
    channel: r.channel,
    kind: r.kind,
    number: r.number,
    repetition: r.repetition,
    state: r.state,
    reason: r.reason,
    attempts: r.attempts,
    createdAtMs: r.created_at.getTime(),
    acceptedAtMs: r.accepted_at?.getTime() ?? null,
    nextTryAtMs: r.next_try_at.getTime(),
    week: r.week,
    weekday: r.weekday,
  }));
}

/** How many messages of a run stand in each state. */
export async function countOutbox(db: Db, runId: number): Promise<Partial<Record<MessageState, number>>> {
  const { rows } = await db.query<{ state: MessageState; count: number }>(
    'select state, count(*) as count from message where run_id = $1::bigint group by state',
    [runId],
  );
  return Object.fromEntries(rows.map((r) => [r.state, r.count]));
}

/** How far a day has come with a run's people: counts of people. */
export interface DayProgress {
  readonly released: number;
  readonly delivered: number;
  readonly opened: number;
  readonly begun: number;
  readonly logged: number;
  readonly bounced: number;
  /** Messages that are still to leave. */
  readonly waiting: number;
}

export async function getDayProgress(db: Db, runId: number, dayId: number): Promise<DayProgress> {
  const { rows } = await db.query<DayProgress>({
    name: 'day-progress',
    text: `select r.released, r.opened, r.begun,
       (select count(distinct c.enrolment_id) from record c join version v on v.id = c.version_id where v.run_id = $1::bigint and v.day_id = $2::bigint) as logged,
       m.delivered, m.bounced, m.waiting
     from (
       select count(*) as released, count(x.opened_at) as opened, count(x.begun_at) as begun
       from release x join enrolment e on e.id = x.enrolment_id where e.run_id = $1::bigint and x.day_id = $2::bigint
     ) r, (
       select count(distinct enrolment_id) filter (where state = 'accepted') as delivered,
         count(distinct enrolment_id) filter (where state in ('bounced', 'refused', 'gave-up')) as bounced,
         count(*) filter (where state in ('waiting', 'sending')) as waiting
       from message where run_id = $1::bigint and day_id = $2::bigint and kind in ('session', 'change')
     ) m`,
    values: [runId, dayId],
  });
  return rows[0]!;
}

/** How far a day has come with one person. */
export interface DayPerson {
  readonly enrolmentId: number;
  readonly name: string;
  readonly releasedAtMs: number | null;
  /** Of their newest message about it; null: none was laid. */
  readonly message: MessageState | null;
  readonly reason: string;
  readonly opened: boolean;
  readonly begun: boolean;
  readonly logged: boolean;
}

/** How far a day has come with each of a run's people, those whom it didn't reach first; at most `limit`. */
export async function listDayPeople(db: Db, at: { runId: number; dayId: number; limit: number }): Promise<DayPerson[]> {
  const { rows } = await db.query<{
    enrolment_id: number;
    name: string;
    released_at: Date | null;
    state: MessageState | null;
    reason: string | null;
    opened: boolean;
    begun: boolean;
    logged: boolean;
  }>(
    `select e.id as enrolment_id, p.name, x.released_at, m.state, m.reason, x.opened_at is not null as opened, x.begun_at is not null as begun, c.enrolment_id is not null as logged
     from enrolment e
     join person p on p.id = e.person_id
     left join release x on x.enrolment_id = e.id and x.day_id = $2::bigint
     left join (
       select distinct on (enrolment_id) enrolment_id, state, reason from message
       where run_id = $1::bigint and day_id = $2::bigint and kind in ('session', 'change') order by enrolment_id, id desc
     ) m on m.enrolment_id = e.id
     left join (
       select distinct r.enrolment_id from record r join version v on v.id = r.version_id where v.run_id = $1::bigint and v.day_id = $2::bigint
     ) c on c.enrolment_id = e.id
     where e.run_id = $1::bigint and is_in_run(e)
     order by coalesce(m.state in ('bounced', 'refused', 'gave-up'), false) desc, c.enrolment_id is not null, x.opened_at is not null, p.name, e.id
     limit $3::integer`,
    [at.runId, at.dayId, at.limit],
  );
  return rows.map((r) => ({
    enrolmentId: r.enrolment_id,
    name: r.name,
    releasedAtMs: r.released_at?.getTime() ?? null,
    message: r.state,
    reason: r.reason ?? '',
    opened: r.opened,
    begun: r.begun,
    logged: r.logged,
  }));
}
