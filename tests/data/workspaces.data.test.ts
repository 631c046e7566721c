import { runStandings } from '../../server/follow-up/run-standings.ts';
import type pg from 'pg';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import type { DayDate } from '../../core/calendar/day.ts';
import { NewerDataError, NotFoundError, StaleError } from '../../db/errors.ts';
import { migrate } from '../../db/migrate.ts';
import { getEnrolment, insertParticipant, listParticipants, updateProfile } from '../../db/queries/person.ts';
import { findPersonalLink, closeDoors, insertPersonalLink } from '../../db/queries/doors/link.ts';
import { insertAbsences } from '../../db/queries/absence.ts';
import {
  deleteEmptyDay,
  getProgramme,
  insertVersion,
  listDays,
  listProgrammes,
  listVersions,
  updateDayReady,
  updateDayText,
} from '../../db/queries/programme.ts';
import { findRecord, insertRecord, listSentDays } from '../../db/queries/record.ts';
import { baseLibrary } from '../../core/movement/library.ts';
import {
  deleteLadder,
  deleteScale,
  upsertScale,
  deleteOverride,
  getStoredBook,
  upsertLadder,
  upsertOverride,
} from '../../db/queries/movement.ts';
import { deleteRoutine, listRoutines, upsertRoutine } from '../../db/queries/routine.ts';
import { emptyProgramme } from '../../core/progress/programme-document.ts';
import { toProgrammeJson } from '../../core/exchange/writing/write-programme.ts';
import { getPlan, insertPlanChange, insertProgramme, slicePlan } from '../../db/queries/plan.ts';
import { upsertTemplate } from '../../db/queries/template.ts';
import { upsertSeen } from '../../db/queries/messages/release.ts';
import { updateDayWithdrawn } from '../../db/queries/run.ts';
import { withWorkspace } from '../../db/workspace-scope.ts';
import type { ThrowawayDatabase } from '../throwaway-database.ts';
import { makeThrowawayDatabase, makeWorkspace } from '../throwaway-database.ts';
import type { Movement } from '../../core/movement/movement.ts';

const NOW = new Date('2026-05-13T09:00:00Z');
const MONDAY = '2026-05-11' as DayDate;
const TABLES = [
  'workspace',
  'coach',
  'coach_session',
  'programme',
  'day',
  'run',
  'person',
  'enrolment',
  'personal_link',
  'version',
  'record',
  'routine',
  'movement_override',
  'ladder_override',
  'scale_override',
  'programme_change',
  'template',
  'run_day',
  'absence',
  'release',
  'message',
  'day_flag',
  'live_reply',
  'coach_door',
  'calendar_entry',
];

let db: ThrowawayDatabase;
let mine: { workspaceId: number; coachId: number };
let other: { workspaceId: number; coachId: number };
let programmeId: number;
let runId: number;
let versionId: number;
let enrolmentId: number;
let personId: number;
const RECORD = {
  outcome: 'done' as const,
  shareRatio: 1,
  effort: 6,
  remark: 'fine',
  scores: [],
  madeAtMs: NOW.getTime(),
  loggedAtMs: NOW.getTime(),
};
const CLIENT_ID = '00000000-0000-4000-8000-000000000001';

beforeAll(async () => {
  db = await makeThrowawayDatabase();
  mine = await makeWorkspace(db.owner, 'mine');
  other = await makeWorkspace(db.owner, 'other');
  await withWorkspace(db.pool, mine.workspaceId, async (c) => {
    programmeId = await insertProgramme(c, {
      workspaceId: mine.workspaceId,
      programme: emptyProgramme({ title: 'Mine', weeks: 1, weekdays: [1, 3] }),
      startsOn: MONDAY,
      now: NOW,
    });
    runId = (await getProgramme(c, programmeId, { now: NOW })).runId;
    const [day] = await listDays(c, { id: programmeId, runId });
    const revision = await updateDayText(c, {
      dayId: day!.id,
      revision: day!.revision,
      text: 'Main: flow\n5 squat',
      now: NOW,
    });
    await updateDayReady(c, { dayId: day!.id, revision, isReady: true });
    versionId = (await insertVersion(c, {
      workspaceId: mine.workspaceId,
      runId,
      dayId: day!.id,
      number: 1,
      text: 'Main: flow\n5 squat',
      document: { blocks: [] },
      changeNote: '',
      coachId: mine.coachId,
      now: NOW,
    }))!;
    enrolmentId = await insertParticipant(c, {
      workspaceId: mine.workspaceId,
      runId,
      name: 'Ada Fennick',
      detail: 'viola',
      timeZone: 'Europe/Vienna',
      joinedOn: MONDAY,
    });
    ({ personId } = await getEnrolment(c, enrolmentId));
    await insertPersonalLink(c, {
      workspaceId: mine.workspaceId,
      personId,
      tokenHash: Buffer.from('one'),
      now: NOW,
    });
    await insertRecord(c, {
      workspaceId: mine.workspaceId,
      enrolmentId,
      versionId,
      clientId: CLIENT_ID,
      record: RECORD,
    });
    const { programme } = await getPlan(c, { id: programmeId, runId });
    await insertPlanChange(c, {
      workspaceId: mine.workspaceId,
      programmeId,
      words: 'a try',
      before: slicePlan(programme, []),
      after: slicePlan(programme, []),
      coachId: mine.coachId,
      now: NOW,
    });
    await upsertTemplate(c, {
      workspaceId: mine.workspaceId,
      title: 'Kept',
      document: toProgrammeJson(programme),
      now: NOW,
    });
    await upsertRoutine(c, { workspaceId: mine.workspaceId, name: 'Kept', text: 'Main: flow\n5 squat', now: NOW });
    await upsertOverride(c, {
      workspaceId: mine.workspaceId,
      override: { movementId: 'plank', fields: { watchFor: 'x' } },
      now: NOW,
    });
    await upsertLadder(c, { workspaceId: mine.workspaceId, ladder: { id: 'kept', name: 'Kept', steps: [] }, now: NOW });
    await upsertScale(c, {
      workspaceId: mine.workspaceId,
      scale: { id: 'kept', name: 'Kept', steps: ['light', 'heavy'] },
      now: NOW,
    });
    await insertAbsences(c, {
      workspaceId: mine.workspaceId,
      enrolmentIds: [enrolmentId],
      absence: { kind: 'pause', from: '2026-06-01' as DayDate, to: null },
      saidBy: 'coach',
      note: '',
      now: NOW,
    });
    const { dayId } = (await listSentDays(c, runId))[0]!;
    await upsertSeen(c, { workspaceId: mine.workspaceId, enrolmentId, dayId, versionId, what: 'opened', now: NOW });
    await updateDayWithdrawn(c, { workspaceId: mine.workspaceId, runId, dayId, at: null, note: '' });
    await c.query(
      `insert into live_reply (workspace_id, run_day_id, enrolment_id, answer, answered_at) select $1, id, $2, 'yes', $3 from run_day`,
      [mine.workspaceId, enrolmentId, NOW],
    );
    await c.query(
      `insert into message (workspace_id, person_id, kind, channel, address, next_try_at, expires_at, created_at) values ($1, $2, 'test', 'email', 'a@example.org', $3, $3, $3)`,
      [mine.workspaceId, personId, NOW],
    );
    await c.query('insert into day_flag values ($1, $2, $3, 24, $4)', [mine.workspaceId, runId, dayId, NOW]);
    await c.query(
      `insert into calendar_entry (workspace_id, uid, run_id, event, sequence, changed_at) values ($1, 'x', $2, '{}', 0, $3)`,
      [mine.workspaceId, runId, NOW],
    );
    await c.query(
      `insert into coach_door (token_hash, workspace_id, kind, email, salt, expires_at) values ('x', $1, 'invite', 'a@example.org', gen_random_uuid(), $2)`,
      [mine.workspaceId, NOW],
    );
  });
}, 120_000);

afterAll(async () => {
  await db?.drop();
});

describe('workspaces are apart even where a query forgets its where', () => {
  test.each(TABLES)(
    '%s: another workspace sees nothing of it, and outside any workspace nothing is seen',
    async (table) => {
      const {
        rows: [all],
      } = await db.owner.query<{ count: number }>(`select count(*) from ${table}`);
      const { rows: outside } = await db.pool.query(`select * from ${table}`);
      expect(outside).toEqual([]);
      await withWorkspace(db.pool, other.workspaceId, async (c) => {
        const { rows } = await c.query<{ workspace_id?: number; id?: number }>(`select * from ${table}`);
        expect(rows.every((r) => (table === 'workspace' ? r.id : r.workspace_id) === other.workspaceId)).toBe(true);
        if (!['workspace', 'coach', 'coach_session'].includes(table))
          expect([rows.length, all!.count > 0]).toEqual([0, true]);
      });
    },
  );

  test('another workspace can neither change, delete nor add to what isn’t its own', async () => {
    await withWorkspace(db.pool, other.workspaceId, async (c) => {
      expect((await c.query('update programme set title = $1', ['taken'])).rowCount).toBe(0);
      expect((await c.query('delete from day')).rowCount).toBe(0);
      await expect(getProgramme(c, programmeId, { now: NOW })).rejects.toThrow(NotFoundError);
      expect(await listProgrammes(c, NOW)).toEqual([]);
    });
    await expect(
      withWorkspace(db.pool, other.workspaceId, (c) =>
        c.query('insert into person (workspace_id, name, time_zone) values ($1, $2, $3)', [
          mine.workspaceId,
          'x',
          'UTC',
        ]),
      ),
    ).rejects.toThrow(/row-level security/);
    await expect(
      withWorkspace(db.pool, other.workspaceId, (c) =>
        insertRecord(c, {
          workspaceId: other.workspaceId,
          enrolmentId,
          versionId,
          clientId: '00000000-0000-4000-8000-000000000009',
          record: RECORD,
        }),
      ),
    ).rejects.toThrow(/foreign key/);
  });

  test('a connection carries no workspace over to its next user', async () => {
    await withWorkspace(db.pool, mine.workspaceId, (c) => c.query('select 1'));
    for (let i = 0; i < 8; i++) expect((await db.pool.query('select * from programme')).rows).toEqual([]);
  });

  test('the application’s role owns nothing and can’t lift the rules', async () => {
    const { rows } = await db.owner.query(`select 1 from pg_class where relowner = 'ysodos_app'::regrole`);
    expect(rows).toEqual([]);
    await expect(db.pool.query('alter table programme disable row level security')).rejects.toThrow(/must be owner/);
    await expect(db.pool.query('drop table record')).rejects.toThrow(/must be owner/);
    await expect(db.pool.query('create table mine (x int)')).rejects.toThrow(/permission denied/);
  });
});

describe('a sent version and a record never change', () => {
  test('neither by the application nor by the owner', async () => {
    await expect(
      withWorkspace(db.pool, mine.workspaceId, (c) => c.query('update version set text = $1', ['other'])),
    ).rejects.toThrow(/permission denied/);
    await expect(withWorkspace(db.pool, mine.workspaceId, (c) => c.query('delete from record'))).rejects.toThrow(
      /permission denied/,
    );
    await expect(db.owner.query('update version set text = $1', ['other'])).rejects.toThrow(/never changed/);
    await expect(db.owner.query('update record set effort = 1')).rejects.toThrow(/never changed/);
  });

  test('two sends of the same version: the second is told, nothing is sent twice', async () => {
    await withWorkspace(db.pool, mine.workspaceId, async (c) => {
      const [day] = await listDays(c, { id: programmeId, runId });
      expect(day).toMatchObject({ isReady: true, sent: { number: 1 } });
      expect(await listVersions(c, runId, day!.id)).toHaveLength(1);
    });
    const again = await withWorkspace(db.pool, mine.workspaceId, async (c) => {
      const [day] = await listDays(c, { id: programmeId, runId });
      return insertVersion(c, {
        workspaceId: mine.workspaceId,
        runId,
        dayId: day!.id,
        number: 1,
        text: 'x',
        document: {},
        changeNote: '',
        coachId: mine.coachId,
        now: NOW,
      });
    });
    expect(again).toBeUndefined();
    const { rows } = await db.owner.query('select * from version');
    expect(rows).toHaveLength(1);
  });
});

/** What stands of the one person and day: asked alone, and as the list of all has it. */
async function standing(c: pg.PoolClient) {
  const [day] = await listSentDays(c, runId);
  const record = (await findRecord(c, enrolmentId, day!.dayId))!;
  const { outcome, shareRatio } = record;
  // What is remembered is what stands, however often it is asked.
  for (let times = 0; times < 2; times++)
    expect(
      (await runStandings(c, { runId, makeUpDays: null })).standings.by([day!.dayId])(enrolmentId)[0],
    ).toMatchObject({
      outcome,
      shareRatio,
    });
  return [record];
}

test('a record that comes again is stored once; the same id with other content is a correction, once too', async () => {
  const log = (clientId: string, record: object) => ({
    workspaceId: mine.workspaceId,
    enrolmentId,
    versionId,
    clientId,
    record: { ...RECORD, ...record },
  });
  const stored = async () => (await db.owner.query('select * from record')).rows.length;
  await withWorkspace(db.pool, mine.workspaceId, async (c) => {
    const before = await stored();
    await insertRecord(c, log(CLIENT_ID, {}));
    await insertRecord(c, log(CLIENT_ID, { loggedAtMs: NOW.getTime() + 5000 }));
    expect(await standing(c)).toMatchObject([{ effort: 6, remark: 'fine', versionNumber: 1 }]);
    const later = { effort: 9, madeAtMs: NOW.getTime() + 1000 };
    for (let i = 0; i < 3; i++) await insertRecord(c, log(CLIENT_ID, later));
    expect(await standing(c)).toMatchObject([{ effort: 9 }]);
    expect(before).toBe(1);
  });
  expect(await stored()).toBe(2);
});

test('of a late arrival and a newer correction the newer by the device stands, whichever came first', async () => {
  await withWorkspace(db.pool, mine.workspaceId, async (c) => {
    const log = (n: number, outcome: 'done' | 'part', madeAtMs: number, loggedAtMs: number) =>
      insertRecord(c, {
        workspaceId: mine.workspaceId,
        enrolmentId,
        versionId,
        clientId: `00000000-0000-4000-8000-00000000000${n}`,
        record: { ...RECORD, outcome, shareRatio: outcome === 'done' ? 1 : 0.5, madeAtMs, loggedAtMs },
      });
    const now = NOW.getTime();
    await log(7, 'part', now + 60_000, now + 60_000);
    await log(8, 'done', now + 30_000, now + 90_000); // made before, came after
    expect(await standing(c)).toMatchObject([{ outcome: 'part', shareRatio: 0.5 }]);
  });
});

test('a text that someone else changed in between is not overwritten', async () => {
  await withWorkspace(db.pool, mine.workspaceId, async (c) => {
    const day = (await listDays(c, { id: programmeId, runId }))[1]!;
    const next = await updateDayText(c, { dayId: day.id, revision: day.revision, text: 'one', now: NOW });
    await expect(
      updateDayText(c, { dayId: day.id, revision: day.revision, text: 'two', now: NOW }),
    ).rejects.toMatchObject({ name: 'StaleError', revision: next });
    await expect(updateDayReady(c, { dayId: day.id, revision: day.revision, isReady: true })).rejects.toThrow(
      StaleError,
    );
    expect((await listDays(c, { id: programmeId, runId }))[1]).toMatchObject({ text: 'one', isReady: false });
    expect(await deleteEmptyDay(c, day.id)).toBe(false);
    await updateDayText(c, { dayId: day.id, revision: next, text: '', now: NOW });
    expect(await deleteEmptyDay(c, day.id)).toBe(true);
  });
});

test('a link is found by its hash until it is revoked or replaced', async () => {
  expect(await findPersonalLink(db.pool, Buffer.from('one'))).toEqual({ workspaceId: mine.workspaceId, personId });
  expect(await findPersonalLink(db.pool, Buffer.from('two'))).toBeUndefined();
  await withWorkspace(db.pool, mine.workspaceId, async (c) => {
    await insertPersonalLink(c, {
      workspaceId: mine.workspaceId,
      personId,
      tokenHash: Buffer.from('two'),
      now: NOW,
    });
    expect((await getEnrolment(c, enrolmentId)).run.rules.startsOn).toBe('2026-05-11');
  });
  expect(await findPersonalLink(db.pool, Buffer.from('one'))).toBeUndefined();
  expect(await findPersonalLink(db.pool, Buffer.from('two'))).toBeDefined();
  await withWorkspace(db.pool, mine.workspaceId, async (c) => {
    await closeDoors(c, personId, NOW);
    expect(await listParticipants(c, runId)).toMatchObject([
      { name: 'Ada Fennick', hasLink: false, isClosed: true, joinedOn: '2026-05-11' },
    ]);
    expect(await listSentDays(c, runId)).toMatchObject([{ week: 1, weekday: 1, number: 1 }]);
  });
  expect(await findPersonalLink(db.pool, Buffer.from('two'))).toBeUndefined();
});

test('routines: one a name in any case, each workspace its own', async () => {
  const put = (workspaceId: number, name: string, text: string) =>
    withWorkspace(db.pool, workspaceId, (c) => upsertRoutine(c, { workspaceId, name, text, now: NOW }));
  await put(mine.workspaceId, 'Slow start', 'Warm-up: flow\n5 march');
  await put(mine.workspaceId, 'SLOW START', 'Warm-up: flow\n6 march');
  await put(other.workspaceId, 'Slow start', 'Warm-up: flow\n7 march');
  const own = (await withWorkspace(db.pool, mine.workspaceId, listRoutines)).find((r) => r.name !== 'Kept');
  expect(own).toMatchObject({ name: 'SLOW START', text: 'Warm-up: flow\n6 march' });
  expect(await withWorkspace(db.pool, other.workspaceId, (c) => deleteRoutine(c, own!.id))).toBe(false);
  expect(await withWorkspace(db.pool, mine.workspaceId, (c) => deleteRoutine(c, own!.id))).toBe(true);
  expect((await withWorkspace(db.pool, mine.workspaceId, listRoutines)).map((r) => r.name)).toEqual(['Kept']);
  expect(await withWorkspace(db.pool, other.workspaceId, listRoutines)).toHaveLength(1);
});

describe('a workspace’s own movements over those that ship', () => {
  test('the base is loaded, can’t be changed by the application, and is the same for all', async () => {
    const { rows } = await withWorkspace(db.pool, mine.workspaceId, (c) =>
      c.query<{ movement: Movement }>('select movement from base_movement'),
    );
    const base = rows.map((r) => r.movement);
    expect(base).toHaveLength(baseLibrary.movements.length);
    expect(base.find((m) => m.id === 'squat')).toEqual(baseLibrary.find('squat'));
    await expect(withWorkspace(db.pool, mine.workspaceId, (c) => c.query('delete from base_movement'))).rejects.toThrow(
      /permission denied/,
    );
  });
  test('an override is one workspace’s, and goes without a trace', async () => {
    const override = { movementId: 'squat', fields: { watchFor: 'ours' } };
    await withWorkspace(db.pool, mine.workspaceId, (c) =>
      upsertOverride(c, { workspaceId: mine.workspaceId, override, now: NOW }),
    );
    expect((await withWorkspace(db.pool, mine.workspaceId, getStoredBook)).layer.overrides).toContainEqual(override);
    expect((await withWorkspace(db.pool, other.workspaceId, getStoredBook)).layer.overrides).toEqual([]);
    expect(await withWorkspace(db.pool, other.workspaceId, (c) => deleteOverride(c, 'squat'))).toBe(false);
    expect(await withWorkspace(db.pool, mine.workspaceId, (c) => deleteOverride(c, 'squat'))).toBe(true);
    const ladder = {
      id: 'ours',
      name: 'Ours',
      steps: [
        { movementId: 'chair-squat', change: '' },
        { movementId: 'squat', change: 'no chair' },
      ],
    };
    await withWorkspace(db.pool, mine.workspaceId, (c) =>
      upsertLadder(c, { workspaceId: mine.workspaceId, ladder, now: NOW }),
    );
    expect((await withWorkspace(db.pool, mine.workspaceId, getStoredBook)).layer.ladders).toContainEqual(ladder);
    expect((await withWorkspace(db.pool, other.workspaceId, getStoredBook)).layer.ladders).toEqual([]);
    expect(await withWorkspace(db.pool, mine.workspaceId, (c) => deleteLadder(c, 'ours'))).toBe(true);
    const scale = { id: 'our-bands', name: 'Our bands', steps: ['green band', 'blue band'] };
    await withWorkspace(db.pool, mine.workspaceId, (c) =>
      upsertScale(c, { workspaceId: mine.workspaceId, scale, now: NOW }),
    );
    expect((await withWorkspace(db.pool, mine.workspaceId, getStoredBook)).layer.scales).toContainEqual(scale);
    expect((await withWorkspace(db.pool, other.workspaceId, getStoredBook)).layer.scales).toEqual([]);
    expect(await withWorkspace(db.pool, other.workspaceId, (c) => deleteScale(c, 'our-bands'))).toBe(false);
    expect(await withWorkspace(db.pool, mine.workspaceId, (c) => deleteScale(c, 'our-bands'))).toBe(true);
  });
});

test('a profile keeps what isn’t named; kit is nothing said, none, or a list', async () => {
  await withWorkspace(db.pool, mine.workspaceId, async (c) => {
    const profile = async () => (await getEnrolment(c, enrolmentId)).profile;
    expect(await profile()).toMatchObject({ spares: [], levels: {}, swaps: [], care: 'not-asked' });
    expect(await profile()).not.toHaveProperty('kit');
    await updateProfile(c, enrolmentId, { kit: ['chair', 'band'], spares: ['knees'], care: 'wait' });
    await updateProfile(c, enrolmentId, { levels: { push: 3 }, swaps: [{ from: 'push-up', to: 'wall-push-up' }] });
    expect(await profile()).toMatchObject({
      kit: ['chair', 'band'],
      spares: ['knees'],
      care: 'wait',
      levels: { push: 3 },
      swaps: [{ from: 'push-up', to: 'wall-push-up' }],
    });
    await updateProfile(c, enrolmentId, { kit: [] });
    expect((await profile()).kit).toEqual([]);
    await updateProfile(c, enrolmentId, { kit: null, spares: [] });
    expect(await profile()).not.toHaveProperty('kit');
    await expect(updateProfile(c, 999_999, { name: 'x' })).rejects.toThrow(NotFoundError);
  });
  await withWorkspace(db.pool, other.workspaceId, async (c) => {
    await expect(updateProfile(c, enrolmentId, { name: 'taken' })).rejects.toThrow(NotFoundError);
  });
});

test('numbers and dates come as numbers and dates, whatever zone the process is in', async () => {
  const {
    rows: [row],
  } = await db.pool.query<Record<string, unknown>>(
    `select 9007199254740991::int8 as big, 1.5::numeric as n, date '2026-03-29' as d, time '05:00' as t`,
  );
  expect(row).toEqual({ big: 9007199254740991, n: 1.5, d: '2026-03-29', t: '05:00:00' });
  await expect(db.pool.query('select 9007199254740993::int8 as big')).rejects.toThrow(RangeError);
});

test('migrating again changes nothing; data from a newer version are refused', async () => {
  expect(await migrate(db.ownerUrl)).toEqual([]);
  await db.owner.query(`insert into schema_migration (number, name, sha256) values (999999, '999999_later.sql', 'x')`);
  await expect(migrate(db.ownerUrl)).rejects.toThrow(NewerDataError);
  await db.owner.query('delete from schema_migration where number = 999999');
});
