import { randomUUID } from 'node:crypto';
import pg from 'pg';
import { baseLibrary } from '../core/movement/library.ts';
import { ANYONE } from '../core/movement/fit-movement.ts';
import { fitSession } from '../core/fit/fit-session.ts';
import type { DayDate } from '../core/calendar/day.ts';
import { addDays, dateOfDay, mondayOf, placeOfDate } from '../core/calendar/day.ts';
import { localDate, instantAt } from '../core/calendar/release.ts';
import type { ProgrammeDocument } from '../core/progress/programme-document.ts';
import { createPool } from '../db/pool.ts';
import type { ProfileChange } from '../db/queries/person.ts';
import { insertAbsences } from '../db/queries/absence.ts';
import { getEnrolment, insertParticipant, updateAddressState, updatePlace } from '../db/queries/person.ts';
import type { SharedTotal } from '../core/record/scores/shared-total.ts';
import { updateHostSettings } from '../db/queries/host.ts';
import { insertPain } from '../db/queries/pain.ts';
import { insertPersonalLink } from '../db/queries/doors/link.ts';
import { getProgramme, insertVersion, listDays, updateDayRead, updateDayReady } from '../db/queries/programme.ts';
import { insertProgramme } from '../db/queries/plan.ts';
import type { NewRecord } from '../db/queries/record.ts';
import { insertNewRecords } from '../db/queries/record.ts';
import { withWorkspace } from '../db/workspace-scope.ts';
import { insertWorkspace } from '../db/queries/doors/workspace.ts';
import { upsertRoutine } from '../db/queries/routine.ts';
import { EMPTY_BOOK } from '../server/write/workspace-book.ts';
import { planText } from '../server/write/session-view.ts';
import { hashPassword } from '../server/doors/hash-password.ts';
import { hashToken, makeToken } from '../server/doors/token.ts';
import { believableRecord } from './believable-record.ts';
import { LIBRARY_ROUTINES, libraryPeople } from './libraries.ts';
import type { Temper } from './orchestra.ts';
import { ORCHESTRA_PEOPLE, ORCHESTRA_ROUTINES } from './orchestra.ts';
import { libraryProgramme, orchestraProgramme } from './programmes.ts';
import { seededRandom } from './random.ts';

export interface SeededWorkspace {
  readonly title: string;
  readonly coachEmail: string;
  readonly programmeId: number;
  /** The path of the first person's link. */
  readonly linkPath: string;
  readonly linkName: string;
}

/** A coach whose workspace has nothing in it yet: to try the first hour with. */
const NEWCOMER = { workspace: 'A first programme', email: 'new@example.org', name: 'Ines Marlow' };

export interface SeededDemo {
  readonly workspaces: readonly SeededWorkspace[];
  readonly newcomerEmail: string;
}

/** What the seeded people say of themselves. */
type Profile = Omit<ProfileChange, 'kit'> & { readonly kit?: readonly string[] };

interface Scenario {
  readonly workspace: string;
  readonly coach: { readonly name: string; readonly email: string };
  readonly programme: (startsOn: DayDate) => ProgrammeDocument;
  /** The week of the programme that it is now. */
  readonly weekNow: number;
  readonly people: readonly (readonly [name: string, detail: string, zone: string, temper: Temper])[];
  readonly profile: (name: string, temper: Temper, random: () => number) => Profile;
  readonly linkFor: string;
  readonly seed: number;
  readonly troubles: Troubles;
  /** What all count together; undefined where it is no challenge. */
  readonly shared: SharedTotal | undefined;
  /** Days from today on that are sent already. */
  readonly sentAhead: number;
  readonly routines: readonly { readonly name: string; readonly text: string }[];
}

/** Hotel rooms and a suitcase; some with wrists or shoulders that have played all day. */
const orchestraProfile: Scenario['profile'] = (name, temper, random) => ({
  kit: ['band', 'towel', 'chair', 'bottle'].slice(0, random() < 0.8 ? 4 : 2),
  address: `${name.split(' ')[0]!.toLowerCase()}@orchestra.example.org`,
  spares: [
    'quiet',
    ...(temper === 'sore-wrist' ? ['wrists' as const] : random() < 0.25 ? ['shoulders' as const] : []),
    ...(name === 'Freya Nakagawa' ? ['knees' as const] : random() < 0.1 ? ['knees' as const] : []),
  ],
  levels: random() < 0.3 ? { push: 3, lunge: 3 } : {},
  care: random() < 0.9 ? 'clear' : 'not-asked',
});

const libraryProfile: Scenario['profile'] = (name, _temper, random) => ({
  ...(random() < 0.4 ? {} : { kit: random() < 0.6 ? ['chair', 'step'] : ['chair'] }),
  address: `${name.replace(' ', '.').toLowerCase()}@libraries.example.org`,
  spares: (['knees', 'wrists', 'no-floor', 'shoulders', 'seated-only', 'back'] as const).filter(() => random() < 0.07),
  levels: random() < 0.25 ? { push: 2, squat: 2, lunge: 2 } : {},
  care: (['clear', 'clear', 'clear', 'not-asked', 'seen', 'wait'] as const)[Math.floor(random() * 6)]!,
});

const scenarios = (people: ReturnType<typeof libraryPeople>): readonly Scenario[] => [
  {
    workspace: 'The touring orchestra',
    coach: { name: 'Mirja Solheim', email: 'mirja@orchestra.example.org' },
    programme: orchestraProgramme,
    weekNow: 5,
    people: ORCHESTRA_PEOPLE,
    profile: orchestraProfile,
    linkFor: 'Freya Nakagawa',
    seed: 7,
    troubles: { hurts: 'Benedek Soto', bounced: 'Rasmus Okafor' },
    shared: undefined,
    sentAhead: 1,
    routines: ORCHESTRA_ROUTINES,
  },
  {
    workspace: 'The town’s library branches',
    coach: { name: 'Colm Averill', email: 'colm@libraries.example.org' },
    programme: libraryProgramme,
    weekNow: 3,
    people,
    profile: libraryProfile,
    linkFor: people[4]![0],
    seed: 28,
    troubles: { ...(people[11] && { bounced: people[11][0] }) },
    shared: { words: 'stairs climbed by all branches', movements: ['step-up', 'stair-tap', 'low-step-up'] },
    sentAhead: 2,
    routines: LIBRARY_ROUTINES,
  },
];

/** Fills an empty database with the demo, placed around `nowMs`; `readers` are 140 unless it is to be measured with more. Coaches are made with the owner's rights, all else with the application's. */
export async function seedDemo(
  urls: { ownerUrl: string; appUrl: string },
  nowMs: number,
  password: string,
  readers?: number,
): Promise<SeededDemo> {
  const owner = new pg.Client({ connectionString: urls.ownerUrl });
  await owner.connect();
  const pool = createPool(urls.appUrl, 2);
  try {
    const passwordHash = await hashPassword(password);
    const seeded: SeededWorkspace[] = [];
    for (const scenario of scenarios(libraryPeople(readers))) {
      const {
        rows: [workspace],
      } = await owner.query<{ id: number }>('insert into workspace (name) values ($1) returning id', [
        scenario.workspace,
      ]);
      const {
        rows: [coach],
      } = await owner.query<{ id: number }>(
        `insert into coach (workspace_id, email, name, password_hash, role) values ($1, $2, $3, $4, 'owner') returning id`,
        [workspace!.id, scenario.coach.email, scenario.coach.name, passwordHash],
      );
      seeded.push(
        await withWorkspace(pool, workspace!.id, (db) =>
          seedScenario(db, scenario, { workspaceId: workspace!.id, coachId: coach!.id, nowMs }),
        ),
      );
    }
    await insertWorkspace(owner, { ...NEWCOMER, passwordHash });
    // Without statistics the planner takes hundreds of people for one, and joins them row by row; a live database gathers them by itself.
    await owner.query('analyze');
    return { workspaces: seeded, newcomerEmail: NEWCOMER.email };
  } finally {
    await pool.end();
    await owner.end();
  }
}

/** A day that has gone out to someone. */
interface Gone {
  readonly enrolmentId: number;
  readonly personId: number;
  readonly dayId: number;
  readonly versionId: number;
  readonly releaseMs: number;
  readonly address: string;
}

/** What went out before the demo began: released, delivered, and opened and begun by those who logged it. */
async function insertGone(
  db: pg.PoolClient,
  { workspaceId, runId, out }: { workspaceId: number; runId: number; out: readonly Gone[] },
): Promise<void> {
  await db.query(
    `with gone as (
       select * from jsonb_to_recordset($3::jsonb)
         as x("enrolmentId" bigint, "personId" bigint, "dayId" bigint, "versionId" bigint, "releaseMs" bigint, address text)
     ), released as (
       insert into release (workspace_id, enrolment_id, day_id, version_id, released_at, opened_at, begun_at, is_told)
       select $1::bigint, g."enrolmentId", g."dayId", g."versionId", to_timestamp(g."releaseMs" / 1000.0), c.at, c.at, true
       from gone g
       left join lateral (select min(c.logged_at) as at from record c where c.enrolment_id = g."enrolmentId" and c.version_id = g."versionId") c on true
     )
     insert into message (workspace_id, person_id, enrolment_id, run_id, day_id, version_id, kind, number, channel, address, state, attempts, next_try_at, expires_at,
       accepted_at, created_at)
     select $1::bigint, "personId", "enrolmentId", $2::bigint, "dayId", "versionId", 'session', 1, 'email', address, 'accepted', 1,
       to_timestamp("releaseMs" / 1000.0), to_timestamp("releaseMs" / 1000.0 + 172800), to_timestamp("releaseMs" / 1000.0 + 20), to_timestamp("releaseMs" / 1000.0)
     from gone`,
    [workspaceId, runId, JSON.stringify(out)],
  );
}

/** What came in between: something that hurt, an address that takes no messages any more. */
interface Troubles {
  /** Whose wrist it is, by name. */
  readonly hurts?: string;
  readonly bounced?: string;
}

async function insertTroubles(
  db: pg.PoolClient,
  {
    workspaceId,
    records,
    nowMs,
    troubles,
  }: { workspaceId: number; records: readonly NewRecord[]; nowMs: number; troubles: Troubles },
): Promise<void> {
  const { rows } = await db.query<{ id: number; person_id: number; name: string }>(
    'select e.id, e.person_id, p.name from enrolment e join person p on p.id = e.person_id where e.workspace_id = $1::bigint',
    [workspaceId],
  );
  const hurt = rows.find((r) => r.name === troubles.hurts);
  const last = records.findLast((r) => r.enrolmentId === hurt?.id && r.record.madeAtMs < nowMs);
  if (last)
    await insertPain(db, {
      workspaceId,
      enrolmentId: last.enrolmentId,
      versionId: last.versionId,
      clientId: randomUUID(),
      movement: 'push-up',
      area: 'wrist',
      did: 'stand-in',
      to: 'wall push-up',
      toldAtMs: last.record.madeAtMs - 600_000,
    });
  const bounced = rows.find((r) => r.name === troubles.bounced);
  if (bounced) await updateAddressState(db, bounced.person_id, 'bounced', 'mailbox is full');
}

async function seedScenario(
  db: pg.PoolClient,
  s: Scenario,
  at: { workspaceId: number; coachId: number; nowMs: number },
): Promise<SeededWorkspace> {
  const { workspaceId, coachId, nowMs } = at;
  const random = seededRandom(s.seed);
  const today = localDate(nowMs, 'UTC');
  const startsOn = addDays(mondayOf(today), -7 * (s.weekNow - 1));
  const startMs = instantAt(addDays(startsOn, -10), '12:00', 'UTC');
  const programme = s.programme(startsOn);
  const programmeId = await insertProgramme(db, { workspaceId, programme, startsOn, now: new Date(startMs) });
  const { runId } = await getProgramme(db, programmeId, { now: new Date(nowMs) });
  await updateHostSettings(db, runId, { hasBoards: true, shared: s.shared });
  for (const routine of s.routines) await upsertRoutine(db, { workspaceId, ...routine, now: new Date(startMs) });
  const days = await listDays(db, { id: programmeId, runId });
  const sent = [];
  for (const day of days) {
    const date = dateOfDay(startsOn, day);
    if (day.text === '') continue;
    if (planText(day.text, EMPTY_BOOK).errors > 0)
      throw new Error(`the demo's text for week ${day.week}, day ${day.weekday} has an error`);
    const isSent = date <= addDays(today, s.sentAhead);
    if (isSent || date <= addDays(today, 4))
      await updateDayReady(db, { dayId: day.id, revision: day.revision, isReady: true });
    else if (date <= addDays(today, 9)) await updateDayRead(db, { dayId: day.id, revision: day.revision });
    if (!isSent) continue;
    const planned = planText(day.text, EMPTY_BOOK);
    const versionId = await insertVersion(db, {
      workspaceId,
      runId,
      dayId: day.id,
      number: 1,
      text: day.text,
      document: planned.document,
      changeNote: '',
      coachId,
      now: new Date(Math.min(nowMs, instantAt(addDays(date, -2), '15:00', 'UTC'))),
    });
    sent.push({ day, date, versionId: versionId!, planned });
  }
  let linkPath = '';
  const records: NewRecord[] = [];
  const out: Gone[] = [];
  for (const [name, detail, timeZone, temper] of s.people) {
    const joinedOn =
      temper === 'late' ? addDays(startsOn, 7 + Math.floor(random() * Math.min(10, (s.weekNow - 2) * 7))) : startsOn;
    const profile = s.profile(name, temper, random);
    const enrolmentId = await insertParticipant(db, { workspaceId, runId, name, detail, timeZone, joinedOn, profile });
    const { personId } = await getEnrolment(db, enrolmentId);
    const until = addDays(startsOn, 7 * (s.weekNow - 2) + 3);
    const leftOn = temper === 'leaver' ? until : null;
    if (leftOn) await updatePlace(db, enrolmentId, { leftOn });
    const pause = temper === 'paused' ? { from: addDays(until, -9), to: addDays(until, -1) } : undefined;
    if (pause)
      await insertAbsences(db, {
        workspaceId,
        enrolmentIds: [enrolmentId],
        absence: { kind: 'pause', ...pause },
        saidBy: 'coach',
        note: 'away with family',
        now: new Date(instantAt(pause.from, '09:00', 'UTC')),
      });
    const isGone = (date: DayDate) =>
      (leftOn !== null && date >= leftOn) || (pause !== undefined && date >= pause.from && date <= pause.to);
    for (const { day, date, versionId } of sent) {
      const releaseMs = instantAt(date, '05:00', timeZone);
      if (date >= joinedOn && releaseMs <= nowMs && !isGone(date))
        out.push({ enrolmentId, personId, dayId: day.id, versionId, releaseMs, address: profile.address ?? '' });
    }
    const token = makeToken();
    await insertPersonalLink(db, { workspaceId, personId, tokenHash: hashToken(token), now: new Date(startMs) });
    if (name === s.linkFor) linkPath = `/p/${token}`;
    for (const { day, date, versionId, planned } of sent) {
      const doneMs = doneAt(random, date, timeZone);
      if (
        date < joinedOn ||
        isGone(date) ||
        doneMs > nowMs ||
        (name === s.linkFor && date === localDate(nowMs, timeZone))
      )
        continue;
      const farRatio = (placeOfDate(startsOn, date)!.week - 1) / Math.max(1, s.weekNow - 1);
      const record = believableRecord(random, {
        temper,
        weekday: day.weekday,
        farRatio,
        plannedEffort: planned.document.effort ?? 5,
        plan: planned.plan,
        blocks: planned.blocks,
        atMs: doneMs,
      });
      if (record)
        records.push({
          workspaceId,
          enrolmentId,
          versionId,
          clientId: randomUUID(),
          record,
          fit: fitSession(planned.document, planned.blocks, { ...ANYONE, ...profile }, baseLibrary).changes,
        });
    }
  }
  await insertNewRecords(db, records);
  await insertGone(db, { workspaceId, runId, out: out.toSorted((a, b) => a.releaseMs - b.releaseMs) });
  await insertTroubles(db, { workspaceId, records, nowMs, troubles: s.troubles });
  return { title: programme.title, coachEmail: s.coach.email, programmeId, linkPath, linkName: s.linkFor };
}

/** Some time of that day on the person's own clock: mornings, lunch, evenings. */
function doneAt(random: () => number, date: DayDate, timeZone: string): number {
  const hour = [6, 7, 7, 8, 12, 17, 18, 19, 20][Math.floor(random() * 9)]!;
  return instantAt(
    date,
    `${String(hour).padStart(2, '0')}:${String(Math.floor(random() * 60)).padStart(2, '0')}`,
    timeZone,
  );
}
