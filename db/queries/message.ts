import type { Db } from '../pool.ts';

export type MessageKind =
  | 'session'
  | 'change'
  | 'withdrawn'
  | 'rest'
  | 'reminder'
  | 'live'
  | 'confirm'
  | 'flag'
  | 'reset'
  | 'invite'
  | 'address'
  | 'told'
  | 'test'
  | 'note'
  | 'letter';

export type MessageState = 'waiting' | 'sending' | 'accepted' | 'bounced' | 'refused' | 'gave-up' | 'dropped';
export const MESSAGE_STATES: readonly MessageState[] = [
  'waiting',
  'sending',
  'accepted',
  'bounced',
  'refused',
  'gave-up',
  'dropped',
];

/** A message that somebody has taken to send. */
export interface ClaimedMessage {
  readonly id: number;
  readonly kind: MessageKind;
  readonly channel: 'email' | 'text';
  readonly address: string;
  readonly attempts: number;
  readonly expiresAtMs: number;
  readonly createdAtMs: number;
  readonly number: number;
  readonly personId: number | null;
  readonly enrolmentId: number | null;
  readonly coachId: number | null;
  readonly runId: number | null;
  readonly dayId: number | null;
  readonly versionId: number | null;
  readonly extra: Readonly<Record<string, unknown>>;
}

interface ClaimedRow {
  id: number;
  kind: MessageKind;
  channel: 'email' | 'text';
  address: string;
  attempts: number;
  expires_at: Date;
  created_at: Date;
  number: number;
  person_id: number | null;
  enrolment_id: number | null;
  coach_id: number | null;
  run_id: number | null;
  day_id: number | null;
  version_id: number | null;
  extra: Record<string, unknown>;
}

/**
 * Takes messages that are due, oldest first, so that nobody else has them until the lease ends: a worker that dies with them gives
 * them back by that. What a held run would send stays. `limit` of them at most.
 */
export async function claimMessages(
  db: Db,
  c: { now: Date; leaseUntil: Date; owner?: string; limit: number },
): Promise<ClaimedMessage[]> {
  const { rows } = await db.query<ClaimedRow>(
    `update message m set state = 'sending', lease_until = $2::timestamptz, lease_owner = $4::uuid, attempts = attempts + 1
     where m.id in (
       select q.id from message q left join run r on r.id = q.run_id
       where q.state in ('waiting', 'sending') and q.next_try_at <= $1::timestamptz and (q.lease_until is null or q.lease_until <= $1::timestamptz)
         and (r.held_at is null or q.coach_id is not null or q.kind = 'confirm')
       order by q.created_at, q.id limit $3::integer
       for update of q skip locked)
     returning m.id, m.kind, m.channel, m.address, m.attempts, m.expires_at, m.created_at, m.number, m.person_id, m.enrolment_id, m.coach_id,
       m.run_id, m.day_id, m.version_id, m.extra`,
    [c.now, c.leaseUntil, c.limit, c.owner ?? null],
  );
  return rows
    .map((r) => ({
      id: r.id,
      kind: r.kind,
      channel: r.channel,
      address: r.address,
      attempts: r.attempts,
      expiresAtMs: r.expires_at.getTime(),
      createdAtMs: r.created_at.getTime(),
      number: r.number,
      personId: r.person_id,
      enrolmentId: r.enrolment_id,
      coachId: r.coach_id,
      runId: r.run_id,
      dayId: r.day_id,
      versionId: r.version_id,
      extra: r.extra,
    }))
    .sort((a, b) => a.id - b.id);
}

/** What became of a try. */
export type MessageEnd =
  | { readonly state: 'accepted'; readonly at: Date }
  | { readonly state: 'waiting'; readonly reason: string; readonly nextTryAt: Date; readonly isTry: boolean }
  | { readonly state: 'bounced' | 'refused' | 'gave-up' | 'dropped'; readonly reason: string };

/** Keeps messages for who has them, longer; gives those that are still theirs. */
export async function renewLeases(
  db: Db,
  l: { ids: readonly number[]; owner: string; leaseUntil: Date },
): Promise<number[]> {
  const { rows } = await db.query<{ id: number }>(
    `update message set lease_until = $3::timestamptz where id = any($1::bigint[]) and lease_owner = $2::uuid and state = 'sending' returning id`,
    [l.ids, l.owner, l.leaseUntil],
  );
  return rows.map((r) => r.id);
}

/**
 * Records what became of messages, by who has them; without an owner by whoever knows. One that was accepted stays so, whatever is said
 * later, but for a bounce.
 */
export async function updateMessages(
  db: Db,
  ids: readonly number[],
  end: MessageEnd,
  owner: string | null = null,
): Promise<number> {
  const { rowCount } = await db.query(
    `update message set state = $2::text, reason = left($3::text, 300), lease_until = null, lease_owner = null,
       next_try_at = coalesce($4::timestamptz, next_try_at), accepted_at = coalesce($5::timestamptz, accepted_at),
       attempts = attempts - case when $6::boolean then 1 else 0 end
     where id = any($1::bigint[]) and (state <> 'accepted' or $2::text = 'bounced') and ($7::uuid is null or lease_owner = $7::uuid)`,
    [
      ids,
      end.state,
      'reason' in end ? end.reason : '',
      end.state === 'waiting' ? end.nextTryAt : null,
      end.state === 'accepted' ? end.at : null,
      end.state === 'waiting' && !end.isTry,
      owner,
    ],
  );
  return rowCount ?? 0;
}

/** Looks across workspaces: those with messages that are due. */
export async function listWaitingWorkspaces(db: Db, now: Date): Promise<number[]> {
  const { rows } = await db.query<{ workspace_id: number }>('select * from list_waiting_workspaces($1::timestamptz)', [
    now,
  ]);
  return rows.map((r) => r.workspace_id);
}

/** Looks across workspaces: where a message is of. */
export async function findMessageWorkspace(db: Db, messageId: number): Promise<number | undefined> {
  const { rows } = await db.query<{ workspace_id: number | null }>(
    'select find_message_workspace($1::bigint) as workspace_id',
    [messageId],
  );
  return rows[0]?.workspace_id ?? undefined;
}

/** Whose a message was. */
export async function getMessagePerson(db: Db, messageId: number): Promise<number | null> {
  const { rows } = await db.query<{ person_id: number | null }>('select person_id from message where id = $1::bigint', [
    messageId,
  ]);
  return rows[0]?.person_id ?? null;
}

/** Lays a message for one coach or one person, to go at once. */
export async function insertMessage(
  db: Db,
  m: {
    workspaceId: number;
    kind: MessageKind;
    channel: 'email' | 'text';
    address: string;
    coachId?: number | null;
    personId?: number | null;
    enrolmentId?: number | null;
    runId?: number | null;
    dayId?: number | null;
    versionId?: number | null;
    expiresAt: Date;
    now: Date;
    extra?: object;
  },
): Promise<void> {
  await db.query(
    `insert into message (workspace_id, kind, channel, address, coach_id, person_id, enrolment_id, run_id, day_id, version_id, repetition, next_try_at, expires_at, created_at, extra)
     select $1::bigint, $2::text, $3::text, $4::text, $5::bigint, $6::bigint, $7::bigint, $8::bigint, $9::bigint, $10::bigint,
       (select coalesce(max(o.repetition) + 1, 0) from message o where o.enrolment_id = $7::bigint and o.day_id = $9::bigint and o.kind = $2::text and o.number = 0),
       $11::timestamptz, $12::timestamptz, $11::timestamptz, $13::jsonb`,
    [
      m.workspaceId,
      m.kind,
      m.channel,
      m.address,
      m.coachId ?? null,
      m.personId ?? null,
      m.enrolmentId ?? null,
      m.runId ?? null,
      m.dayId ?? null,
      m.versionId ?? null,
      m.now,
      m.expiresAt,
      JSON.stringify(m.extra ?? {}),
    ],
  );
}

/** So long a message to several people that a press has caused can be stopped. */
const GRACE = '5 minutes';

/** Why a message wasn't sent that its coach has stopped: a letter of that week can be sent again. */
export const STOPPED_BY_COACH = 'stopped by the coach';

/** Where a statement lays messages: when each is tried first, and until when it can be stopped, $N being now. One alone goes at once. */
export const gracefully = (now: string): string =>
  `${now}::timestamptz + case when count(*) over () > 1 then interval '${GRACE}' else interval '0' end, case when count(*) over () > 1 then ${now}::timestamptz + interval '${GRACE}' end`;

/** The messages of a run that can still be stopped; null where there are none. */
export async function findStoppable(
  db: Db,
  runId: number,
  now: Date,
): Promise<{ readonly messages: number; readonly untilMs: number } | null> {
  const { rows } = await db.query<{ messages: number; until: Date | null }>({
    name: 'stoppable',
    text: `select count(*) as messages, max(stoppable_until) as until from message
     where run_id = $1::bigint and state = 'waiting' and stoppable_until > $2::timestamptz`,
    values: [runId, now],
  });
  const { messages, until } = rows[0]!;
  return until === null ? null : { messages, untilMs: until.getTime() };
}

/** Stops what can still be stopped of a run's messages; gives how many those were. */
export async function updateMessagesStopped(db: Db, at: { runId: number; now: Date }): Promise<number> {
  const { rowCount } = await db.query(
    `update message set state = 'dropped', reason = '${STOPPED_BY_COACH}', stoppable_until = null
     where run_id = $1::bigint and state = 'waiting' and stoppable_until > $2::timestamptz`,
    [at.runId, at.now],
  );
  return rowCount ?? 0;
}

/**
 * Sends a message once more, as a new one to the address that the person has now. False where it is none of this run, or is still on
 * its way.
 */
export async function insertRepetition(
  db: Db,
  m: { runId: number; messageId: number; expiresAt: Date; now: Date },
): Promise<boolean> {
  const { rowCount } = await db.query(
    `insert into message (workspace_id, person_id, enrolment_id, run_id, day_id, version_id, kind, number, repetition, channel, address, next_try_at, expires_at, created_at, extra)
     select m.workspace_id, m.person_id, m.enrolment_id, m.run_id, m.day_id, m.version_id, m.kind, m.number,
       (select max(o.repetition) + 1 from message o where o.enrolment_id = m.enrolment_id and o.day_id = m.day_id and o.kind = m.kind and o.number = m.number),
       p.channel, p.address, $3::timestamptz, $4::timestamptz, $3::timestamptz, m.extra
     from message m join person p on p.id = m.person_id
     where m.id = $2::bigint and m.run_id = $1::bigint and m.enrolment_id is not null and m.state not in ('waiting', 'sending')
       and p.channel <> 'none' and p.address_state <> 'stopped'
     on conflict do nothing`,
    [m.runId, m.messageId, m.now, m.expiresAt],
  );
  return rowCount === 1;
}

/** A message as the outbox shows it. */
export interface OutboxRow {
  readonly id: number;
  readonly to: string;
  readonly enrolmentId: number | null;
  readonly address: string;
  readonly channel: 'email' | 'text';
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
    channel: 'email' | 'text';
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
     where e.run_id = $1::bigint and e.left_on is null
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
