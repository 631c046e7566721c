import type { DayDate } from '../../core/calendar/day.ts';
import { NotFoundError } from '../errors.ts';
import type { Db } from '../pool.ts';

/** A person in a run. */
export interface Participant {
  readonly enrolmentId: number;
  readonly name: string;
  /** Instrument, branch, team: whatever tells two people apart. */
  readonly detail: string;
  readonly timeZone: string;
  readonly joinedOn: DayDate;
  readonly hasLink: boolean;
}

interface ParticipantRow {
  enrolment_id: number; name: string; detail: string; time_zone: string; joined_on: string; has_link: boolean;
}

const toParticipant = (r: ParticipantRow): Participant => ({
  enrolmentId: r.enrolment_id, name: r.name, detail: r.detail, timeZone: r.time_zone, joinedOn: r.joined_on as DayDate, hasLink: r.has_link,
});

export async function listParticipants(db: Db, runId: number): Promise<Participant[]> {
  const { rows } = await db.query<ParticipantRow>(
    `select e.id as enrolment_id, p.name, p.detail, p.time_zone, e.joined_on,
       exists (select 1 from personal_link l where l.enrolment_id = e.id and l.revoked_at is null) as has_link
     from enrolment e join person p on p.id = e.person_id
     where e.run_id = $1::bigint
     order by p.name, e.id`, [runId]);
  return rows.map(toParticipant);
}

/** Adds a person to a run; gives the enrolment. */
export async function insertParticipant(
  db: Db, p: { workspaceId: number; runId: number; name: string; detail: string; timeZone: string; joinedOn: DayDate },
): Promise<number> {
  const { rows } = await db.query<{ id: number }>(
    `with new_person as (
       insert into person (workspace_id, name, detail, time_zone) values ($1::bigint, $3::text, $4::text, $5::text) returning id
     )
     insert into enrolment (workspace_id, run_id, person_id, joined_on)
     select $1::bigint, $2::bigint, id, $6::date from new_person returning id`,
    [p.workspaceId, p.runId, p.name, p.detail, p.timeZone, p.joinedOn]);
  return rows[0]!.id;
}

/** Makes a new link the only one that works. */
export async function insertPersonalLink(db: Db, l: { workspaceId: number; enrolmentId: number; tokenHash: Buffer; now: Date }): Promise<void> {
  await updateLinksRevoked(db, l.enrolmentId, l.now);
  await db.query(
    `insert into personal_link (token_hash, workspace_id, enrolment_id, created_at)
     values ($1::bytea, $2::bigint, $3::bigint, $4::timestamptz)`, [l.tokenHash, l.workspaceId, l.enrolmentId, l.now]);
}

export async function updateLinksRevoked(db: Db, enrolmentId: number, now: Date): Promise<void> {
  await db.query('update personal_link set revoked_at = $2::timestamptz where enrolment_id = $1::bigint and revoked_at is null', [enrolmentId, now]);
}

/** Looks across workspaces, by the hash of a link's token; revoked links are not found. */
export async function findPersonalLink(db: Db, tokenHash: Buffer): Promise<{ workspaceId: number; enrolmentId: number } | undefined> {
  const { rows } = await db.query<{ workspace_id: number; enrolment_id: number }>(
    'select workspace_id, enrolment_id from find_personal_link($1::bytea)', [tokenHash]);
  return rows[0] && { workspaceId: rows[0].workspace_id, enrolmentId: rows[0].enrolment_id };
}

/** The person behind a link, with their run. */
export interface Enrolment {
  readonly enrolmentId: number;
  readonly runId: number;
  readonly programmeId: number;
  readonly programmeTitle: string;
  readonly weeks: number;
  readonly startsOn: DayDate;
  readonly releaseTime: string;
  readonly name: string;
  readonly timeZone: string;
  readonly joinedOn: DayDate;
}

export async function getEnrolment(db: Db, enrolmentId: number): Promise<Enrolment> {
  const { rows } = await db.query<{
    id: number; run_id: number; programme_id: number; title: string; weeks: number; starts_on: string; release_time: string;
    name: string; time_zone: string; joined_on: string;
  }>(
    `select e.id, r.id as run_id, g.id as programme_id, g.title, g.weeks, r.starts_on, r.release_time, p.name, p.time_zone, e.joined_on
     from enrolment e
     join run r on r.id = e.run_id
     join programme g on g.id = r.programme_id
     join person p on p.id = e.person_id
     where e.id = $1::bigint`, [enrolmentId]);
  const row = rows[0];
  if (!row) throw new NotFoundError('enrolment');
  return {
    enrolmentId: row.id, runId: row.run_id, programmeId: row.programme_id, programmeTitle: row.title, weeks: row.weeks,
    startsOn: row.starts_on as DayDate, releaseTime: row.release_time.slice(0, 5), name: row.name, timeZone: row.time_zone, joinedOn: row.joined_on as DayDate,
  };
}
