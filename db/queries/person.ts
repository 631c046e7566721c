import type { Absence } from '../../core/calendar/absence.ts';
import type { OwnCalendar } from '../../core/calendar/own-calendar.ts';
import type { DayDate } from '../../core/calendar/day.ts';
import { addDays } from '../../core/calendar/day.ts';
import type { ChannelId, ToldBy } from '../../core/channels/channels.ts';
import { channelOfAddress } from '../../core/channels/channels.ts';
import type { PersonPace } from '../../core/pace/person-pace.ts';
import { readPersonPace } from '../../core/pace/person-pace.ts';
import { compareNames } from '../../core/compare-names.ts';
import type { CareState } from '../../core/screening.ts';
import type { FitPerson, Level } from '../../core/movement/fit-movement.ts';
import type { OwnDose } from '../../core/movement/own-dose.ts';
import { readOwnDoses } from '../../core/movement/own-dose.ts';
import type { Pattern } from '../../core/movement/movement.ts';
import { PATTERNS } from '../../core/movement/movement.ts';
import { isSpare } from '../../core/movement/spare.ts';
import { NotFoundError } from '../errors.ts';
import type { Db } from '../pool.ts';
import type { LinkKind } from './doors/link.ts';
import { findPersonalLink } from './doors/link.ts';
import type { Run, RunRow } from './run.ts';
import { RUN_COLUMNS, toRun } from './run.ts';

/** What is known of a person beside their name. */
export interface PersonProfile extends FitPerson {
  /** Where messages reach them: an e-mail address or a number. */
  readonly address: string;
  readonly contact: Contact;
  readonly calendar: OwnCalendar;
  readonly care: CareState;
  /** What they chose to share of it with the coaches. */
  readonly careShared: string;
  /** Counts and weights of their own, those still to come included. */
  readonly doses: readonly OwnDose[];
  /** A part of what is stored can't be used and was passed by. */
  readonly isPartly?: true;
}

/** By what someone gets messages. */
export type Channel = ChannelId | 'none';

/** How and when messages go to someone. */
export interface Contact {
  readonly channel: Channel;
  /** given: by the coach; asked: by themselves, not yet confirmed; stopped: they want no messages. */
  readonly addressState: 'given' | 'asked' | 'confirmed' | 'bounced' | 'stopped';
  readonly addressReason: string;
  /** Local hours without messages; null: none. */
  readonly quiet: { readonly from: string; readonly to: string } | null;
  readonly wantsRestDays: boolean;
  /** Local time of an evening's reminder of what is still due; null: none. */
  readonly reminderAt: string | null;
}

interface ProfileRow {
  kit: string[] | null;
  levels: Partial<Record<Pattern, Level>>;
  spares: string[];
  swaps: { from: string; to: string }[];
  address: string;
  channel: Channel;
  address_state: Contact['addressState'];
  address_reason: string;
  quiet_from: string | null;
  quiet_to: string | null;
  wants_rest_days: boolean;
  reminder_at: string | null;
  calendar_at: string | null;
  calendar_alarm: number | null;
  care: CareState;
  care_shared: string;
  doses: unknown;
}

const PROFILE_COLUMNS = `p.kit, p.levels, p.spares, p.swaps, p.address, p.channel, p.address_state, p.address_reason, p.quiet_from, p.quiet_to,
  p.wants_rest_days, p.reminder_at, p.calendar_at, p.calendar_alarm, p.care, p.care_shared, p.doses`;

/** What is stored of a person, as far as it can be used; `isWhole` is false where a part of it was passed by. */
function toProfile(r: ProfileRow): PersonProfile {
  const levels = readLevels(r.levels);
  const swaps = readSwaps(r.swaps);
  const spares = r.spares.filter(isSpare);
  const doses = readOwnDoses(r.doses);
  return {
    levels: levels ?? {},
    spares,
    swaps: swaps ?? [],
    address: r.address,
    contact: {
      channel: r.channel,
      addressState: r.address_state,
      addressReason: r.address_reason,
      quiet:
        r.quiet_from !== null && r.quiet_to !== null
          ? { from: r.quiet_from.slice(0, 5), to: r.quiet_to.slice(0, 5) }
          : null,
      wantsRestDays: r.wants_rest_days,
      reminderAt: r.reminder_at?.slice(0, 5) ?? null,
    },
    calendar: { at: r.calendar_at?.slice(0, 5) ?? null, alarmMin: r.calendar_alarm },
    care: r.care,
    careShared: r.care_shared,
    doses: doses ?? [],
    ...(r.kit && { kit: r.kit }),
    ...((levels === undefined || doses === undefined || swaps === undefined || spares.length < r.spares.length) && {
      isPartly: true,
    }),
  };
}

/** Levels as they were stored; undefined where they are none. */
function readLevels(value: unknown): PersonProfile['levels'] | undefined {
  if (typeof value !== 'object' || value === null || Array.isArray(value)) return undefined;
  const isOne = ([pattern, level]: [string, unknown]) =>
    PATTERNS.some((p) => p === pattern) && [1, 2, 3, 4, 5].includes(level as number);
  return Object.entries(value).every(isOne) ? value : undefined;
}

function lowestLevel(stored: unknown): Level | null {
  const levels = stored === null ? undefined : readLevels(stored);
  const own = levels ? Object.values(levels) : [];
  return own.length === 0 ? null : (Math.min(...own) as Level);
}

function readSwaps(value: unknown): PersonProfile['swaps'] | undefined {
  const isOne = (swap: unknown) => {
    const { from, to } = (swap ?? {}) as { from?: unknown; to?: unknown };
    return typeof from === 'string' && typeof to === 'string';
  };
  return Array.isArray(value) && value.every(isOne) ? (value as PersonProfile['swaps']) : undefined;
}

/** Only what a session is fitted by on a day. */
export function toFitPerson({ kit, levels, spares, swaps, doses }: PersonProfile, today: DayDate): FitPerson {
  const own = doses.filter((d) => d.since <= today);
  return { levels, spares, swaps, ...(kit && { kit }), ...(own.length > 0 && { doses: own }) };
}

/** A person's place in a run: what their days depend on. */
export interface PlaceInRun {
  readonly timeZone: string;
  readonly joinedOn: DayDate;
  /** Their own day 1, where they don't go by the run's. */
  readonly startsOn: DayDate | null;
  readonly weekdays: readonly number[] | null;
  readonly absences: readonly Absence[];
  /** The last day on which they took part, or on which their run ended. */
  readonly leftOn: DayDate | null;
}

interface PlaceRow {
  time_zone: string;
  joined_on: string;
  own_starts_on: string | null;
  weekdays: number[] | null;
  left_on: string | null;
  absences: { kind: Absence['kind']; from: string; to: string | null }[] | null;
}

/** From enrolment e and person p. Most have no absence: those are gathered only where there are any. */
const PLACE_COLUMNS = `p.time_zone, e.joined_on, e.starts_on as own_starts_on, e.weekdays,
  (select least(e.left_on, u.ended_on) from run u where u.id = e.run_id) as left_on,
  (select jsonb_agg(jsonb_build_object('kind', a.kind, 'from', a.from_on, 'to', a.to_on) order by a.from_on) from absence a where a.enrolment_id = e.id) as absences`;

const toPlace = (r: PlaceRow): PlaceInRun => ({
  timeZone: r.time_zone,
  joinedOn: r.joined_on as DayDate,
  startsOn: r.own_starts_on as DayDate | null,
  weekdays: r.weekdays,
  leftOn: r.left_on as DayDate | null,
  absences: [
    ...((r.absences ?? []) as Absence[]),
    // Who has left, or whose run has ended, owes nothing from then on.
    ...(r.left_on === null ? [] : [{ kind: 'pause' as const, from: addDays(r.left_on as DayDate, 1), to: null }]),
  ],
});

/** A person in a run. */
export interface Participant extends PlaceInRun {
  readonly enrolmentId: number;
  readonly personId: number;
  readonly name: string;
  /** Instrument, branch, team: whatever tells two people apart. */
  readonly detail: string;
  readonly hasLink: boolean;
  /** A coach has taken their links away, and handed out none since. */
  readonly isClosed: boolean;
  /** A lighter way back in, until that day. */
  readonly easedUntil: DayDate | null;
  /** How quick they are beside what is planned with; null where that isn't known. */
  readonly pace: PersonPace | null;
  readonly profile: PersonProfile;
}

interface ParticipantRow extends ProfileRow, PlaceRow {
  enrolment_id: number;
  person_id: number;
  name: string;
  detail: string;
  has_link: boolean;
  is_closed: boolean;
  eased_until: string | null;
  pace: unknown;
}

const toParticipant = (r: ParticipantRow): Participant => ({
  enrolmentId: r.enrolment_id,
  personId: r.person_id,
  name: r.name,
  detail: r.detail,
  hasLink: r.has_link,
  isClosed: r.is_closed,
  easedUntil: r.eased_until as DayDate | null,
  pace: readPersonPace(r.pace),
  profile: toProfile(r),
  ...toPlace(r),
});

/** A person in a run, as far as lists of people need them. */
export interface RosterRow extends PlaceInRun {
  readonly enrolmentId: number;
  readonly name: string;
  /** Instrument, branch, team: whatever parts people. */
  readonly detail: string;
  /** The lowest level that was set for them; null: none was. */
  readonly level: Level | null;
  /** Why their address takes no messages; null where it does, or there is none. */
  readonly bounced: string | null;
  /** The week whose numbers they keep; null: they go on with everybody. */
  readonly heldWeek: number | null;
}

/** Who is in a run, by name, with little of what is known of them. */
export async function listRoster(db: Db, runId: number): Promise<RosterRow[]> {
  const { rows } = await db.query<
    PlaceRow & {
      enrolment_id: number;
      name: string;
      detail: string;
      levels: unknown;
      bounced: string | null;
      held_week: number | null;
    }
  >({
    name: 'roster',
    text: `select e.id as enrolment_id, p.name, p.detail, e.held_week, ${PLACE_COLUMNS}, case when p.levels <> '{}'::jsonb then p.levels end as levels,
       case when p.address_state = 'bounced' then p.address_reason end as bounced
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
      level: lowestLevel(r.levels),
      bounced: r.bounced,
      heldWeek: r.held_week,
      ...toPlace(r),
    }))
    .sort(compareNames);
}

export async function listParticipants(db: Db, runId: number): Promise<Participant[]> {
  const { rows } = await db.query<ParticipantRow>(
    `select e.id as enrolment_id, p.id as person_id, p.name, p.detail, e.eased_until, e.pace, ${PLACE_COLUMNS}, ${PROFILE_COLUMNS},
       exists (select 1 from personal_link l where l.person_id = p.id and l.kind = 'personal' and l.revoked_at is null) as has_link,
       p.closed_at is not null as is_closed
     from enrolment e join person p on p.id = e.person_id
     where e.run_id = $1::bigint
     order by e.id`,
    [runId],
  );
  return rows.map(toParticipant).sort(compareNames);
}

/** Someone who is added to a run, with what is known of them already. */
export interface NewParticipant {
  readonly name: string;
  readonly detail: string;
  readonly timeZone: string;
  readonly joinedOn: DayDate;
  readonly startsOn?: DayDate | null;
  readonly weekdays?: readonly number[] | null;
  readonly profile?: Partial<FitPerson> & {
    readonly address?: string;
    readonly channel?: Channel;
    readonly care?: CareState;
  };
  /** `asked` where they gave their address themselves. */
  readonly addressState?: Contact['addressState'];
}

/** Adds people to a run, of different names, with their profiles, in one statement; gives the enrolment of each, by name. */
export async function insertParticipants(
  db: Db,
  p: { workspaceId: number; runId: number; people: readonly NewParticipant[] },
): Promise<Map<string, number>> {
  const said = p.people.map(({ profile = {}, ...person }) => ({
    ...person,
    address: profile.address ?? '',
    channel: profile.channel ?? usualChannel(profile.address ?? ''),
    levels: profile.levels ?? {},
    swaps: profile.swaps ?? [],
    spares: profile.spares ?? [],
    kit: profile.kit ?? null,
    care: profile.care ?? 'not-asked',
    addressState: person.addressState ?? 'given',
  }));
  const { rows } = await db.query<{ id: number; name: string }>(
    `with said as (
       select * from jsonb_to_recordset($3::jsonb) as x(name text, detail text, "timeZone" text, "joinedOn" date, "startsOn" date, weekdays smallint[],
         address text, channel text, levels jsonb, swaps jsonb, spares text[], kit text[], care text, "addressState" text)
     ), new_person as (
       insert into person (workspace_id, name, detail, time_zone, address, channel, levels, swaps, spares, kit, care, address_state)
       select $1::bigint, name, detail, "timeZone", address, channel, levels, swaps, spares, kit, care, "addressState" from said returning id, name
     ), new_enrolment as (
       insert into enrolment (workspace_id, run_id, person_id, joined_on, starts_on, weekdays)
       select $1::bigint, $2::bigint, n.id, s."joinedOn", s."startsOn", s.weekdays from new_person n join said s on s.name = n.name returning id, person_id
     )
     select e.id, n.name from new_enrolment e join new_person n on n.id = e.person_id`,
    [p.workspaceId, p.runId, JSON.stringify(said)],
  );
  return new Map(rows.map((r) => [r.name, r.id]));
}

/** By what someone is reached at an address, unless they say otherwise. */
export const usualChannel = (address: string): Channel => channelOfAddress(address)?.id ?? 'none';

/** Adds a person to a run; gives the enrolment. */
export async function insertParticipant(
  db: Db,
  { workspaceId, runId, ...person }: { workspaceId: number; runId: number } & NewParticipant,
): Promise<number> {
  const ids = await insertParticipants(db, { workspaceId, runId, people: [person] });
  return ids.get(person.name)!;
}

/** What a person, or their coach, says of them; `set` names what changes. */
export type ProfileChange = Partial<Omit<PersonProfile, 'kit' | 'contact'>> & {
  readonly channel?: Channel;
  readonly addressState?: Contact['addressState'];
  readonly quiet?: Contact['quiet'];
  readonly wantsRestDays?: boolean;
  readonly reminderAt?: string | null;
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
       levels = coalesce($2::jsonb -> 'levels', levels), doses = coalesce($2::jsonb -> 'doses', doses),
       spares = case when $2::jsonb ? 'spares' then array(select jsonb_array_elements_text($2::jsonb -> 'spares')) else spares end,
       swaps = coalesce($2::jsonb -> 'swaps', swaps), address = coalesce($2::jsonb ->> 'address', address),
       channel = coalesce($2::jsonb ->> 'channel', channel), address_state = coalesce($2::jsonb ->> 'addressState', address_state),
       address_reason = case when $2::jsonb ? 'addressState' then '' else address_reason end,
       quiet_from = case when $2::jsonb ? 'quiet' then ($2::jsonb -> 'quiet' ->> 'from')::time else quiet_from end,
       quiet_to = case when $2::jsonb ? 'quiet' then ($2::jsonb -> 'quiet' ->> 'to')::time else quiet_to end,
       wants_rest_days = coalesce(($2::jsonb ->> 'wantsRestDays')::boolean, wants_rest_days),
       reminder_at = case when $2::jsonb ? 'reminderAt' then ($2::jsonb ->> 'reminderAt')::time else reminder_at end,
       calendar_at = case when $2::jsonb ? 'calendar' then ($2::jsonb -> 'calendar' ->> 'at')::time else calendar_at end,
       calendar_alarm = case when $2::jsonb ? 'calendar' then ($2::jsonb -> 'calendar' ->> 'alarmMin')::smallint else calendar_alarm end,
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

/** The person behind a link, in one of their runs. */
export interface Enrolment extends PlaceInRun {
  readonly enrolmentId: number;
  readonly personId: number;
  readonly run: Run;
  readonly runId: number;
  readonly programmeId: number;
  readonly programmeTitle: string;
  readonly weeks: number;
  readonly name: string;
  readonly easedUntil: DayDate | null;
  /** The week whose numbers they keep; null: they go on with everybody. */
  readonly heldWeek: number | null;
  /** How quick they are beside what is planned with; null where that isn't known. */
  readonly pace: PersonPace | null;
  readonly profile: PersonProfile;
  readonly stopKey: string;
  readonly isClosed: boolean;
}

type EnrolmentRow = ProfileRow &
  PlaceRow &
  RunRow & {
    id: number;
    person_id: number;
    programme_id: number;
    programme_title: string;
    weeks: number;
    name: string;
    eased_until: string | null;
    held_week: number | null;
    pace: unknown;
    stop_key: string;
    is_closed: boolean;
  };

const SELECT_ENROLMENT = `select e.id, e.person_id, e.eased_until, e.held_week, e.pace, g.id as programme_id, g.title as programme_title, g.weeks, p.name, p.stop_key, p.closed_at is not null as is_closed,
    ${RUN_COLUMNS}, ${PLACE_COLUMNS}, ${PROFILE_COLUMNS}
  from enrolment e
  join run r on r.id = e.run_id
  join programme g on g.id = r.programme_id
  join person p on p.id = e.person_id`;

const toEnrolment = (row: EnrolmentRow): Enrolment => ({
  enrolmentId: row.id,
  personId: row.person_id,
  run: toRun(row),
  runId: row.run_id,
  programmeId: row.programme_id,
  programmeTitle: row.programme_title,
  weeks: row.weeks,
  name: row.name,
  easedUntil: row.eased_until as DayDate | null,
  heldWeek: row.held_week,
  pace: readPersonPace(row.pace),
  profile: toProfile(row),
  stopKey: row.stop_key,
  isClosed: row.is_closed,
  ...toPlace(row),
});

/** Who has come by a personal link. */
export interface LinkedPerson {
  readonly workspaceId: number;
  readonly personId: number;
  readonly enrolments: readonly Enrolment[];
}

/**
 * Enters the workspace that a link leads to, for the rest of the transaction, and finds its person there; undefined where it leads
 * nowhere. Both questions go out at once: until the first is answered there is no workspace, and so no row for the second.
 */
export async function enterByLink(
  db: Db,
  tokenHash: Buffer,
  today: DayDate,
  kinds?: readonly LinkKind[],
): Promise<LinkedPerson | undefined> {
  const [link, enrolments] = await Promise.all([
    findPersonalLink(db, tokenHash, kinds),
    listLinkedEnrolments(db, tokenHash, today),
  ]);
  return link && { ...link, enrolments };
}

/**
 * A person in their runs, none of them archived unless all are: the one that began last first, then what is still to begin. Empty
 * where they are in none.
 */
async function listLinkedEnrolments(db: Db, tokenHash: Buffer, today: DayDate): Promise<Enrolment[]> {
  const { rows } = await db.query<EnrolmentRow>({
    name: 'enrolments',
    text: `${SELECT_ENROLMENT}
     where e.person_id = (select l.person_id from personal_link l where l.token_hash = $1::bytea)
     order by r.archived_at is not null, coalesce(e.starts_on, r.starts_on) > $2::date, coalesce(e.starts_on, r.starts_on) desc, e.id desc`,
    values: [tokenHash, today],
  });
  const all = rows.map(toEnrolment);
  const live = all.filter((e) => e.run.archivedAtMs === null);
  return live.length > 0 ? live : all.slice(0, 1);
}

/** Throws NotFoundError where there is no such enrolment. */
export async function getEnrolment(db: Db, enrolmentId: number): Promise<Enrolment> {
  const { rows } = await db.query<EnrolmentRow>(`${SELECT_ENROLMENT} where e.id = $1::bigint`, [enrolmentId]);
  if (!rows[0]) throw new NotFoundError('enrolment');
  return toEnrolment(rows[0]);
}

/** People in a run, as messages to them are written. */
export async function listEnrolmentsById(db: Db, enrolmentIds: readonly number[]): Promise<Enrolment[]> {
  const { rows } = await db.query<EnrolmentRow>(`${SELECT_ENROLMENT} where e.id = any($1::bigint[])`, [enrolmentIds]);
  return rows.map(toEnrolment);
}

/** Changes when someone's days are; what isn't named stays. */
export async function updatePlace(
  db: Db,
  enrolmentId: number,
  change: {
    readonly startsOn?: DayDate | null;
    readonly weekdays?: readonly number[] | null;
    readonly leftOn?: DayDate | null;
    readonly easedUntil?: DayDate | null;
    readonly heldWeek?: number | null;
  },
): Promise<void> {
  await db.query(
    `update enrolment set
       starts_on = case when $2::jsonb ? 'startsOn' then ($2::jsonb ->> 'startsOn')::date else starts_on end,
       weekdays = case when $2::jsonb ? 'weekdays' then (select array_agg(x::smallint) from jsonb_array_elements_text(
         case when jsonb_typeof($2::jsonb -> 'weekdays') = 'array' then $2::jsonb -> 'weekdays' end) as x) else weekdays end,
       left_on = case when $2::jsonb ? 'leftOn' then ($2::jsonb ->> 'leftOn')::date else left_on end,
       eased_until = case when $2::jsonb ? 'easedUntil' then ($2::jsonb ->> 'easedUntil')::date else eased_until end,
       held_week = case when $2::jsonb ? 'heldWeek' then ($2::jsonb ->> 'heldWeek')::smallint else held_week end
     where id = $1::bigint`,
    [enrolmentId, JSON.stringify(change)],
  );
}

/** Looks across workspaces, by the key that ends a person's messages. */
export async function findStopKey(db: Db, key: string): Promise<{ workspaceId: number; personId: number } | undefined> {
  const { rows } = await db.query<{ workspace_id: number; person_id: number }>(
    'select * from find_stop_key($1::uuid)',
    [key],
  );
  return rows[0] && { workspaceId: rows[0].workspace_id, personId: rows[0].person_id };
}

/** How it stands with a person's address. */
export async function updateAddressState(
  db: Db,
  personId: number,
  state: Contact['addressState'],
  reason = '',
): Promise<void> {
  await db.query(
    'update person set address_state = $2::text, address_reason = left($3::text, 300) where id = $1::bigint',
    [personId, state, reason],
  );
}

/** When people may be written to, by person. */
export async function listContacts(
  db: Db,
  personIds: readonly number[],
): Promise<Map<number, { readonly timeZone: string; readonly quiet: Contact['quiet'] }>> {
  const { rows } = await db.query<{
    id: number;
    time_zone: string;
    quiet_from: string | null;
    quiet_to: string | null;
  }>('select id, time_zone, quiet_from, quiet_to from person where id = any($1::bigint[])', [personIds]);
  return new Map(
    rows.map((r) => [
      r.id,
      {
        timeZone: r.time_zone,
        quiet:
          r.quiet_from !== null && r.quiet_to !== null
            ? { from: r.quiet_from.slice(0, 5), to: r.quiet_to.slice(0, 5) }
            : null,
      },
    ]),
  );
}

/** How many people of a run are reached by what. Those who have left aren't counted. */
export interface ReachCounts {
  readonly people: number;
  readonly told: ToldBy;
  /** By no message, but by their link. */
  readonly linkOnly: number;
  /** By nothing: no message, no link. */
  readonly unreached: number;
  /** No link was handed out to them, whether or not messages bring one. */
  readonly unlinked: number;
}

export async function countReach(db: Db, runId: number): Promise<ReachCounts> {
  const { rows } = await db.query<{ by: ChannelId | 'none'; has_link: boolean; people: number }>({
    name: 'reach',
    // Joined, not asked row by row: twenty thousand people are counted on every Send page.
    text: `select by, has_link, count(*) as people
     from (
       select reached_by(p) as by, l.person_id is not null or p.closed_at is not null as has_link
       from enrolment e
       join person p on p.id = e.person_id
       left join personal_link l on l.person_id = p.id and l.kind = 'personal' and l.revoked_at is null
       where e.run_id = $1::bigint and is_in_run(e)
     ) x
     group by by, has_link`,
    values: [runId],
  });
  const sumOf = (isCounted: (row: (typeof rows)[number]) => boolean) =>
    rows.filter(isCounted).reduce((sum, row) => sum + row.people, 0);
  const told: Partial<Record<ChannelId, number>> = {};
  for (const { by, people } of rows) if (by !== 'none') told[by] = (told[by] ?? 0) + people;
  return {
    people: sumOf(() => true),
    told,
    linkOnly: sumOf((r) => r.by === 'none' && r.has_link),
    unreached: sumOf((r) => r.by === 'none' && !r.has_link),
    unlinked: sumOf((r) => !r.has_link),
  };
}

/** People of a run by a part of their name, at most twenty. */
export async function findPeople(
  db: Db,
  runId: number,
  words: string,
): Promise<{ readonly enrolmentId: number; readonly name: string; readonly detail: string }[]> {
  const { rows } = await db.query<{ enrolment_id: number; name: string; detail: string }>(
    `select e.id as enrolment_id, p.name, p.detail from enrolment e join person p on p.id = e.person_id
     where e.run_id = $1::bigint and is_in_run(e) and p.name ilike '%' || $2::text || '%' order by p.name, e.id limit 20`,
    [runId, words.replace(/[\\%_]/g, '\\$&')],
  );
  return rows.map((r) => ({ enrolmentId: r.enrolment_id, name: r.name, detail: r.detail }));
}
