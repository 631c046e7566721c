import type { DayDate } from '../../core/calendar/day.ts';
import { compareNames } from '../../core/compare-names.ts';
import type { CareState } from '../../core/care.ts';
import type { FitPerson, Level } from '../../core/movement/fit-movement.ts';
import type { Pattern } from '../../core/movement/movement.ts';
import { PATTERNS } from '../../core/movement/movement.ts';
import { isSpare } from '../../core/movement/spare.ts';
import { NotFoundError } from '../errors.ts';
import type { Db } from '../pool.ts';

/** What is known of a person beside their name. */
export interface PersonProfile extends FitPerson {
  readonly channel: string;
  readonly care: CareState;
  /** What they chose to share of it with the coaches. */
  readonly careShared: string;
  /** A part of what is stored can't be used and was passed by. */
  readonly isPartly?: true;
}

interface ProfileRow {
  kit: string[] | null;
  levels: Partial<Record<Pattern, Level>>;
  spares: string[];
  swaps: { from: string; to: string }[];
  channel: string;
  care: CareState;
  care_shared: string;
}

const PROFILE_COLUMNS = 'p.kit, p.levels, p.spares, p.swaps, p.channel, p.care, p.care_shared';

/** What is stored of a person, as far as it can be used; `isWhole` is false where a part of it was passed by. */
function toProfile(r: ProfileRow): PersonProfile {
  const levels = readLevels(r.levels);
  const swaps = readSwaps(r.swaps);
  const spares = r.spares.filter(isSpare);
  return {
    ...(r.kit && { kit: r.kit }),
    levels: levels ?? {},
    spares,
    swaps: swaps ?? [],
    channel: r.channel,
    care: r.care,
    careShared: r.care_shared,
    ...((levels === undefined || swaps === undefined || spares.length < r.spares.length) && { isPartly: true }),
  };
}

/** Levels as they were stored; undefined where they are none. */
function readLevels(value: unknown): PersonProfile['levels'] | undefined {
  if (typeof value !== 'object' || value === null || Array.isArray(value)) return undefined;
  const isOne = ([pattern, level]: [string, unknown]) =>
    PATTERNS.some((p) => p === pattern) && [1, 2, 3, 4, 5].includes(level as number);
  return Object.entries(value).every(isOne) ? value : undefined;
}

function readSwaps(value: unknown): PersonProfile['swaps'] | undefined {
  const isOne = (swap: unknown) => {
    const { from, to } = (swap ?? {}) as { from?: unknown; to?: unknown };
    return typeof from === 'string' && typeof to === 'string';
  };
  return Array.isArray(value) && value.every(isOne) ? (value as PersonProfile['swaps']) : undefined;
}

/** Only what a session is fitted by. */
export const toFitPerson = ({ kit, levels, spares, swaps }: PersonProfile): FitPerson => ({
  ...(kit && { kit }),
  levels,
  spares,
  swaps,
});

/** A person in a run. */
export interface Participant {
  readonly enrolmentId: number;
  readonly name: string;
  /** Instrument, branch, team: whatever tells two people apart. */
  readonly detail: string;
  readonly timeZone: string;
  readonly joinedOn: DayDate;
  readonly hasLink: boolean;
  readonly profile: PersonProfile;
}

interface ParticipantRow extends ProfileRow {
  enrolment_id: number;
  name: string;
  detail: string;
  time_zone: string;
  joined_on: string;
  has_link: boolean;
}

const toParticipant = (r: ParticipantRow): Participant => ({
  enrolmentId: r.enrolment_id,
  name: r.name,
  detail: r.detail,
  timeZone: r.time_zone,
  joinedOn: r.joined_on as DayDate,
  hasLink: r.has_link,
  profile: toProfile(r),
});

/** A person in a run, as far as lists of people need them. */
export interface RosterRow {
  readonly enrolmentId: number;
  readonly name: string;
  readonly detail: string;
  readonly timeZone: string;
  readonly joinedOn: DayDate;
}

/** Who is in a run, by name, without what is known of them. */
export async function listRoster(db: Db, runId: number): Promise<RosterRow[]> {
  const { rows } = await db.query<Omit<ParticipantRow, keyof ProfileRow | 'has_link'>>({
    name: 'roster',
    text: `select e.id as enrolment_id, p.name, p.detail, p.time_zone, e.joined_on
     from enrolment e join person p on p.id = e.person_id
     where e.run_id = $1::bigint
     order by e.id`,
    values: [runId],
  });
  return rows
    .map((r) => ({
      enrolmentId: r.enrolment_id,
      name: r.name,
      detail: r.detail,
      timeZone: r.time_zone,
      joinedOn: r.joined_on as DayDate,
    }))
    .sort(compareNames);
}

export async function listParticipants(db: Db, runId: number): Promise<Participant[]> {
  const { rows } = await db.query<ParticipantRow>(
    `select e.id as enrolment_id, p.name, p.detail, p.time_zone, e.joined_on, ${PROFILE_COLUMNS},
       exists (select 1 from personal_link l where l.enrolment_id = e.id and l.revoked_at is null) as has_link
     from enrolment e join person p on p.id = e.person_id
     where e.run_id = $1::bigint
     order by e.id`,
    [runId],
  );
  return rows.map(toParticipant).sort(compareNames);
}

/** Adds people to a run, of different names; gives the enrolment of each, by name. */
export async function insertParticipants(
  db: Db,
  p: {
    workspaceId: number;
    runId: number;
    people: readonly { name: string; detail: string; timeZone: string; joinedOn: DayDate }[];
  },
): Promise<Map<string, number>> {
  const { rows } = await db.query<{ id: number; name: string }>(
    `with said as (select * from jsonb_to_recordset($3::jsonb) as x(name text, detail text, "timeZone" text, "joinedOn" date)),
       new_person as (
         insert into person (workspace_id, name, detail, time_zone) select $1::bigint, name, detail, "timeZone" from said returning id, name
       ),
       new_enrolment as (
         insert into enrolment (workspace_id, run_id, person_id, joined_on)
         select $1::bigint, $2::bigint, n.id, s."joinedOn" from new_person n join said s on s.name = n.name returning id, person_id
       )
     select e.id, n.name from new_enrolment e join new_person n on n.id = e.person_id`,
    [p.workspaceId, p.runId, JSON.stringify(p.people)],
  );
  return new Map(rows.map((r) => [r.name, r.id]));
}

/** Adds a person to a run; gives the enrolment. */
export async function insertParticipant(
  db: Db,
  p: { workspaceId: number; runId: number; name: string; detail: string; timeZone: string; joinedOn: DayDate },
): Promise<number> {
  const { rows } = await db.query<{ id: number }>(
    `with new_person as (
       insert into person (workspace_id, name, detail, time_zone) values ($1::bigint, $3::text, $4::text, $5::text) returning id
     )
     insert into enrolment (workspace_id, run_id, person_id, joined_on)
     select $1::bigint, $2::bigint, id, $6::date from new_person returning id`,
    [p.workspaceId, p.runId, p.name, p.detail, p.timeZone, p.joinedOn],
  );
  return rows[0]!.id;
}

/** What a person, or their coach, says of them; `set` names what changes. */
export type ProfileChange = Partial<Omit<PersonProfile, 'kit'>> & {
  readonly kit?: readonly string[] | null;
  readonly name?: string;
  readonly detail?: string;
  readonly timeZone?: string;
};

/** Changes what is known of the person of an enrolment; what `change` doesn't name stays. Throws NotFoundError where there is nobody. */
export async function updateProfile(db: Db, enrolmentId: number, change: ProfileChange): Promise<void> {
  const { rowCount } = await db.query(
    `update person p set
       name = coalesce($2::jsonb ->> 'name', name), detail = coalesce($2::jsonb ->> 'detail', detail), time_zone = coalesce($2::jsonb ->> 'timeZone', time_zone),
       kit = case when $2::jsonb ? 'kit' then (select array_agg(x) from jsonb_array_elements_text(case when jsonb_typeof($2::jsonb -> 'kit') = 'array' then $2::jsonb -> 'kit' end) as x)
                  else kit end,
       levels = coalesce($2::jsonb -> 'levels', levels),
       spares = case when $2::jsonb ? 'spares' then array(select jsonb_array_elements_text($2::jsonb -> 'spares')) else spares end,
       swaps = coalesce($2::jsonb -> 'swaps', swaps), channel = coalesce($2::jsonb ->> 'channel', channel),
       care = coalesce($2::jsonb ->> 'care', care), care_shared = coalesce($2::jsonb ->> 'careShared', care_shared)
     from enrolment e where e.id = $1::bigint and p.id = e.person_id`,
    [enrolmentId, JSON.stringify(change)],
  );
  if (rowCount !== 1) throw new NotFoundError('person');
  if (change.kit?.length === 0)
    await db.query(`update person p set kit = '{}' from enrolment e where e.id = $1::bigint and p.id = e.person_id`, [
      enrolmentId,
    ]);
}

/** Makes a new link the only one that works; several at once come one after the other. */
export async function insertPersonalLink(
  db: Db,
  l: { workspaceId: number; enrolmentId: number; tokenHash: Buffer; now: Date },
): Promise<void> {
  await db.query('select id from enrolment where id = $1::bigint for update', [l.enrolmentId]);
  await updateLinksRevoked(db, l.enrolmentId, l.now);
  await db.query(
    `insert into personal_link (token_hash, workspace_id, enrolment_id, created_at)
     values ($1::bytea, $2::bigint, $3::bigint, $4::timestamptz)`,
    [l.tokenHash, l.workspaceId, l.enrolmentId, l.now],
  );
}

/**
 * Takes people out of a run who have never logged anything, with their links; gives who that were. Who is in no other run is gone
 * for good.
 */
export async function deleteParticipants(db: Db, enrolmentIds: readonly number[]): Promise<number[]> {
  const { rows } = await db.query<{ id: number }>(
    `with gone as (
       delete from enrolment e where e.id = any($1::bigint[]) and not exists (select from record r where r.enrolment_id = e.id)
       returning e.id, e.person_id
     ), forgotten as (
       delete from person p using gone where p.id = gone.person_id
         and not exists (select from enrolment o where o.person_id = p.id and o.id <> gone.id)
     )
     select id from gone`,
    [enrolmentIds],
  );
  return rows.map((r) => r.id);
}

/** Makes a link for each of these, who have none that works: a second one at the same moment would be refused by the database. */
export async function insertPersonalLinks(
  db: Db,
  l: { workspaceId: number; links: readonly { enrolmentId: number; tokenHash: Buffer }[]; now: Date },
): Promise<void> {
  await db.query(
    `insert into personal_link (token_hash, workspace_id, enrolment_id, created_at)
     select decode(x.hash, 'hex'), $1::bigint, x."enrolmentId", $3::timestamptz
     from jsonb_to_recordset($2::jsonb) as x(hash text, "enrolmentId" bigint)`,
    [
      l.workspaceId,
      JSON.stringify(l.links.map((x) => ({ enrolmentId: x.enrolmentId, hash: x.tokenHash.toString('hex') }))),
      l.now,
    ],
  );
}

export async function updateLinksRevoked(db: Db, enrolmentId: number, now: Date): Promise<void> {
  await db.query(
    'update personal_link set revoked_at = $2::timestamptz where enrolment_id = $1::bigint and revoked_at is null',
    [enrolmentId, now],
  );
}

/**
 * Looks across workspaces, by the hash of a link's token; revoked links are not found. The transaction is in the link's workspace
 * from there on.
 */
export async function findPersonalLink(
  db: Db,
  tokenHash: Buffer,
): Promise<{ workspaceId: number; enrolmentId: number } | undefined> {
  const { rows } = await db.query<{ workspace_id: number; enrolment_id: number }>({
    name: 'enter-by-link',
    text: 'select workspace_id, enrolment_id from enter_by_link($1::bytea)',
    values: [tokenHash],
  });
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
  readonly profile: PersonProfile;
}

export async function getEnrolment(db: Db, enrolmentId: number): Promise<Enrolment> {
  const { rows } = await db.query<
    ProfileRow & {
      id: number;
      run_id: number;
      programme_id: number;
      title: string;
      weeks: number;
      starts_on: string;
      release_time: string;
      name: string;
      time_zone: string;
      joined_on: string;
    }
  >({
    name: 'enrolment',
    text: `select e.id, r.id as run_id, g.id as programme_id, g.title, g.weeks, r.starts_on, r.release_time, p.name, p.time_zone, e.joined_on, ${PROFILE_COLUMNS}
     from enrolment e
     join run r on r.id = e.run_id
     join programme g on g.id = r.programme_id
     join person p on p.id = e.person_id
     where e.id = $1::bigint`,
    values: [enrolmentId],
  });
  const row = rows[0];
  if (!row) throw new NotFoundError('enrolment');
  return {
    enrolmentId: row.id,
    runId: row.run_id,
    programmeId: row.programme_id,
    programmeTitle: row.title,
    weeks: row.weeks,
    startsOn: row.starts_on as DayDate,
    releaseTime: row.release_time.slice(0, 5),
    name: row.name,
    timeZone: row.time_zone,
    joinedOn: row.joined_on as DayDate,
    profile: toProfile(row),
  };
}
