import type { ChannelId } from '../../../core/channels/channels.ts';
import type { Sql } from 'sql-template-tag';
import sql from 'sql-template-tag';
import type { Db } from '../../pool.ts';
import type { MessageKind } from '../../../core/channels/message.ts';
import { STOPPED_BY_COACH } from './message.ts';

/** So long what a press has caused for several people can be stopped. */
export const GRACE_MS = 5 * 60_000;

/** Messages of one kind about one thing, to whoever a statement names. */
export interface MessageSet {
  readonly workspaceId: number;
  readonly kind: MessageKind;
  readonly runId: number | null;
  /** Null: about no day. */
  readonly dayId: number | null;
  /** What sets apart messages of a kind that one person gets about a day: a version, a week, a date. */
  readonly number: number;
  /**
   * A row for each that is to be laid: `person_id`, `enrolment_id`, `coach_id`, `channel`, `address`, `version_id`, `expires_at`.
   * `toPeople` says the columns for people of a run.
   */
  readonly to: Sql;
  readonly now: Date;
  readonly extra?: object;
  /** A press has caused them: where they go to more than one, they can be stopped for five minutes. */
  readonly canBeStopped?: boolean;
  /** Where someone has such a message already: no other is laid, one that its coach `stopped` goes after all, or it is sent `once-more`. */
  readonly again: 'no' | 'stopped' | 'once-more';
}

/** The columns of whom a message goes to, of a person `p` with their place in a run `e`. */
export const toPeople = (m: { readonly versionId: Sql | number | null; readonly expiresAt: Sql | Date }): Sql => sql`
  p.id as person_id,
  e.id as enrolment_id,
  null::bigint as coach_id,
  p.channel,
  p.address,
  ${m.versionId}::bigint as version_id,
  ${m.expiresAt}::timestamptz as expires_at`;

const nextRepetition = (m: MessageSet): Sql => sql`(
  select coalesce(max(o.repetition) + 1, 0)
  from message o
  where o.enrolment_id = t.enrolment_id
    and o.day_id is not distinct from ${m.dayId}::bigint
    and o.kind = ${m.kind}::text
    and o.number = ${m.number}::integer
)`;

const GOES_AFTER_ALL = sql`
  (enrolment_id, day_id, kind, number, repetition) where enrolment_id is not null do update
  set
    state = 'waiting',
    reason = '',
    next_try_at = excluded.next_try_at,
    stoppable_until = excluded.stoppable_until,
    expires_at = excluded.expires_at,
    extra = excluded.extra
  where message.state = 'dropped' and message.reason = ${STOPPED_BY_COACH}::text`;

/**
 * Lays messages: every message that is ever sent begins here. Carried out twice it lays nothing the second time, but what is asked for
 * once more. Gives how many were laid.
 */
export async function layMessages(db: Db, m: MessageSet): Promise<number> {
  const stoppableUntil = new Date(m.now.getTime() + GRACE_MS);
  const { rowCount } = await db.query(sql`
    insert into message (
      workspace_id, person_id, enrolment_id, coach_id, run_id, day_id, version_id, kind, number, repetition,
      channel, address, next_try_at, stoppable_until, expires_at, created_at, extra
    )
    select
      ${m.workspaceId}::bigint, t.person_id, t.enrolment_id, t.coach_id,
      ${m.runId}::bigint, ${m.dayId}::bigint, t.version_id,
      ${m.kind}::text, ${m.number}::integer, ${m.again === 'once-more' ? nextRepetition(m) : 0}::integer,
      t.channel, t.address,
      case when t.waits then ${stoppableUntil}::timestamptz else ${m.now}::timestamptz end,
      case when t.waits then ${stoppableUntil}::timestamptz end,
      t.expires_at, ${m.now}::timestamptz, ${JSON.stringify(m.extra ?? {})}::jsonb
    from (
      select t.*, ${m.canBeStopped === true}::boolean and count(*) over () > 1 as waits
      from (${m.to}) t
    ) t
    on conflict ${m.again === 'stopped' ? GOES_AFTER_ALL : sql`do nothing`}`);
  return rowCount ?? 0;
}

/** Two that are laid at the same moment want the same number; the second takes the next one. */
const TRIES = 5;

/** Lays a message for one coach or one person, to go at once. */
export async function insertMessage(
  db: Db,
  m: {
    workspaceId: number;
    kind: MessageKind;
    channel: ChannelId;
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
  const set: MessageSet = {
    workspaceId: m.workspaceId,
    kind: m.kind,
    runId: m.runId ?? null,
    dayId: m.dayId ?? null,
    number: 0,
    now: m.now,
    again: 'once-more',
    ...(m.extra && { extra: m.extra }),
    to: sql`
      select
        ${m.personId ?? null}::bigint as person_id,
        ${m.enrolmentId ?? null}::bigint as enrolment_id,
        ${m.coachId ?? null}::bigint as coach_id,
        ${m.channel}::text as channel,
        ${m.address}::text as address,
        ${m.versionId ?? null}::bigint as version_id,
        ${m.expiresAt}::timestamptz as expires_at`,
  };
  for (let tries = 0; tries < TRIES; tries++) if ((await layMessages(db, set)) === 1) return;
  throw new Error(`a message of the kind ${m.kind} could not be laid`);
}

/**
 * Sends a message once more, as a new one to the address that the person has now. False where it is none of this run, or is still on
 * its way.
 */
export async function insertRepetition(
  db: Db,
  m: { runId: number; messageId: number; expiresAt: Date; now: Date },
): Promise<boolean> {
  const { rows } = await db.query<{
    workspace_id: number;
    enrolment_id: number;
    day_id: number | null;
    version_id: number | null;
    kind: MessageKind;
    number: number;
    extra: object;
  }>(sql`
    select workspace_id, enrolment_id, day_id, version_id, kind, number, extra
    from message
    where id = ${m.messageId}::bigint
      and run_id = ${m.runId}::bigint
      and enrolment_id is not null
      and state not in ('waiting', 'sending')`);
  const sent = rows[0];
  if (!sent) return false;
  const laid = await layMessages(db, {
    workspaceId: sent.workspace_id,
    kind: sent.kind,
    runId: m.runId,
    dayId: sent.day_id,
    number: sent.number,
    now: m.now,
    again: 'once-more',
    extra: sent.extra,
    to: sql`
      select ${toPeople({ versionId: sent.version_id, expiresAt: m.expiresAt })}
      from enrolment e
      join person p on p.id = e.person_id
      where e.id = ${sent.enrolment_id}::bigint and may_be_written_to(p)`,
  });
  return laid === 1;
}
