import type { ChannelId } from '../../../core/channels/channels.ts';
import type { MessageKind } from '../../../core/channels/message.ts';
import type { Db } from '../../pool.ts';

/** A message that somebody has taken to send. */
export interface ClaimedMessage {
  readonly id: number;
  readonly kind: MessageKind;
  readonly channel: ChannelId;
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
  channel: ChannelId;
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

/** Why a message wasn't sent that its coach has stopped: a letter of that week can be sent again. */
export const STOPPED_BY_COACH = 'stopped by the coach';

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

/** The first message of the same day that went to the same person, for each of some messages that has one before it. */
export async function listFirstMessages(db: Db, ids: readonly number[]): Promise<Map<number, number>> {
  if (ids.length === 0) return new Map();
  const { rows } = await db.query<{ id: number; first: number }>(
    `select m.id, min(f.id) as first from message m
       join message f on f.person_id = m.person_id and f.run_id = m.run_id and f.day_id = m.day_id
        and f.kind = 'session' and f.state in ('accepted', 'bounced') and f.id < m.id
      where m.id = any($1::bigint[]) group by m.id`,
    [ids],
  );
  return new Map(rows.map((r) => [r.id, r.first]));
}
