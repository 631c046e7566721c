import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, beforeEach, describe, expect, test } from 'vitest';
import type { DayDate } from '../../core/calendar/day.ts';
import { emptyProgramme } from '../../core/progress/programme-document.ts';
import { insertProgramme } from '../../db/queries/plan.ts';
import { insertParticipants, updateProfile, updatePlace } from '../../db/queries/person.ts';
import { insertAbsences } from '../../db/queries/absence.ts';
import {
  getProgramme,
  getProgrammeOfRun,
  listDays,
  updateDayReady,
  updateDayText,
} from '../../db/queries/programme.ts';
import { beat, hasPulse, listOutages, noteMail } from '../../db/queries/pulse.ts';
import { updateReleasedVersion, upsertSeen } from '../../db/queries/messages/release.ts';
import { insertRun, updateDayWithdrawn, updateRunHeld } from '../../db/queries/run.ts';
import type { RunSettings } from '../../db/queries/run.ts';
import { usualRun } from '../../db/queries/plan.ts';
import { withWorkspace } from '../../db/workspace-scope.ts';
import { insertShift, upsertLateChoice } from '../../db/queries/messages/stop.ts';
import { loadCalendars, releaseRun, sendDay } from '../../server/jobs/release-run.ts';
import { listLateDays } from '../../server/send/late-days.ts';
import { loadRunFollow } from '../../server/follow-up/run-follow.ts';
import type { ThrowawayDatabase } from '../throwaway-database.ts';
import { makeThrowawayDatabase, makeWorkspace } from '../throwaway-database.ts';

const MONDAY = '2026-05-11' as DayDate;
const at = (iso: string) => Date.parse(iso);

let db: ThrowawayDatabase;
let workspaceId: number;
let coachId: number;
let programmeId: number;
let runId: number;
beforeAll(async () => {
  db = await makeThrowawayDatabase();
}, 120_000);
afterAll(async () => {
  await db.drop();
});
beforeEach(async () => {
  ({ workspaceId, coachId } = await makeWorkspace(db.owner, `w${randomUUID().slice(0, 8)}`));
  await here(async (c) => {
    programmeId = await insertProgramme(c, {
      workspaceId,
      programme: emptyProgramme({ title: 'Mornings', weeks: 2, weekdays: [1, 3] }),
      startsOn: MONDAY,
      now: new Date(at('2026-05-01T00:00:00Z')),
    });
    ({ runId } = await getProgramme(c, programmeId, { now: new Date(at('2026-05-13T00:00:00Z')) }));
  });
});

const here = <T>(work: Parameters<typeof withWorkspace<T>>[2]) => withWorkspace(db.pool, workspaceId, work);
const seen = (c: Parameters<Parameters<typeof withWorkspace>[2]>[0]) =>
  getProgramme(c, programmeId, { now: new Date(at('2026-05-13T00:00:00Z')), ...(runId && { runId }) });
const write = (week: number, weekday: number, text = 'Title: Legs\nMain: 3 rounds\n10 squat', isReady = true) =>
  here(async (c) => {
    const day = (await listDays(c, { id: programmeId, runId })).find((d) => d.week === week && d.weekday === weekday)!;
    const revision = await updateDayText(c, { dayId: day.id, revision: day.revision, text, now: new Date() });
    await updateDayReady(c, { dayId: day.id, revision, isReady });
    return day.id;
  });
const join = (
  people: readonly {
    name: string;
    zone?: string;
    address?: string;
    joinedOn?: string;
    startsOn?: string;
    weekdays?: number[];
  }[],
  run = runId,
) =>
  here((c) =>
    insertParticipants(c, {
      workspaceId,
      runId: run,
      people: people.map((p) => ({
        name: p.name,
        detail: '',
        timeZone: p.zone ?? 'UTC',
        joinedOn: (p.joinedOn ?? '2026-05-01') as DayDate,
        startsOn: (p.startsOn ?? null) as DayDate | null,
        weekdays: p.weekdays ?? null,
        profile: { address: p.address ?? `${p.name.toLowerCase()}@example.org` },
      })),
    }),
  );
const tick = (iso: string, run = runId) => here((c) => releaseRun(c, workspaceId, run, at(iso)));
const released = async () =>
  (
    await db.owner.query<{ name: string; week: number; weekday: number; number: number }>(
      `select p.name, d.week, d.weekday, v.number from release x join enrolment e on e.id = x.enrolment_id join person p on p.id = e.person_id
       join day d on d.id = x.day_id join version v on v.id = x.version_id where x.workspace_id = $1 order by x.id`,
      [workspaceId],
    )
  ).rows.map((r) => `${r.name} w${r.week}d${r.weekday} v${r.number}`);
const messages = async () =>
  (
    await db.owner.query<{ kind: string; name: string | null; state: string }>(
      `select m.kind, p.name, m.state from message m left join person p on p.id = m.person_id where m.workspace_id = $1 order by m.id`,
      [workspaceId],
    )
  ).rows.map((r) => `${r.kind} ${r.name ?? 'coach'} ${r.state}`);

describe('a day that is ready', () => {
  test('goes out on each person’s morning, once, however often it is looked', async () => {
    await write(1, 1);
    await join([
      { name: 'Ana', zone: 'Pacific/Auckland' },
      { name: 'Luis', zone: 'Europe/Lisbon' },
    ]);
    // Five in Auckland is 17:00 of the day before in UTC.
    expect(await tick('2026-05-10T16:59:59Z')).toMatchObject({ released: 0 });
    expect(await tick('2026-05-10T17:00:00Z')).toMatchObject({ released: 1 });
    expect(await tick('2026-05-10T17:01:00Z')).toMatchObject({ released: 0 });
    expect(await tick('2026-05-11T04:00:00Z')).toMatchObject({ released: 1 });
    expect(await tick('2026-05-11T04:00:00Z')).toMatchObject({ released: 0 });
    expect(await released()).toEqual(['Ana w1d1 v1', 'Luis w1d1 v1']);
    expect((await messages()).filter((m) => m.startsWith('session'))).toEqual([
      'session Ana waiting',
      'session Luis waiting',
    ]);
  });

  test('by several workers at once: still once', async () => {
    await write(1, 1);
    await join(Array.from({ length: 30 }, (_, i) => ({ name: `P${i}` })));
    const outcomes = await Promise.all(Array.from({ length: 4 }, () => tick('2026-05-11T05:00:00Z')));
    expect(outcomes.reduce((sum, o) => sum + o.released, 0)).toBe(30);
    expect(await released()).toHaveLength(30);
    expect((await messages()).filter((m) => m.startsWith('session'))).toHaveLength(30);
  });

  test('by a run that is sent by hand, or is held, or put away, nothing goes by itself', async () => {
    await write(1, 1);
    await join([{ name: 'Ana' }]);
    await here((c) => updateRunHeld(c, runId, new Date(at('2026-05-11T00:00:00Z'))));
    expect(await tick('2026-05-11T05:00:00Z')).toEqual({ released: 0, flags: 0 });
    await here((c) => updateRunHeld(c, runId, null));
    await db.owner.query('update run set is_by_hand = true where id = $1', [runId]);
    expect(await tick('2026-05-11T05:00:00Z')).toMatchObject({ released: 0 });
    await db.owner.query('update run set is_by_hand = false, archived_at = now() where id = $1', [runId]);
    expect(await tick('2026-05-11T05:00:00Z')).toEqual({ released: 0, flags: 0 });
    await db.owner.query('update run set archived_at = null where id = $1', [runId]);
    expect(await tick('2026-05-11T05:00:00Z')).toMatchObject({ released: 1 });
  });

  test('that can’t be read does not go, though it is marked ready', async () => {
    await write(1, 1, 'Main: three and a half times\n10 squat', true);
    await join([{ name: 'Ana' }]);
    expect(await tick('2026-05-11T05:00:00Z')).toMatchObject({ released: 0 });
    await write(1, 1);
    expect(await tick('2026-05-11T09:00:00Z')).toMatchObject({ released: 1 });
  });
});

describe('after workers were away', () => {
  const away = async (fromIso: string, toIso: string) => {
    await db.owner.query(`insert into outage (kind, from_at, to_at) values ('work', $1, $2)`, [fromIso, toIso]);
  };
  const statesOf = (iso: string) =>
    here(async (c) => {
      const follow = await loadRunFollow(
        c,
        await getProgramme(c, programmeId, { now: new Date(at(iso)), runId }),
        at(iso),
      );
      return Object.fromEntries(follow.people.map((p) => [p.name, p.states.join(' ')]));
    });
  const late = (iso: string) =>
    here(async (c) => {
      const programme = await getProgramme(c, programmeId, { now: new Date(at(iso)), runId });
      const found = await listLateDays(c, programme, await loadCalendars(c, programme), at(iso));
      return found.map((l) => `w${l.week}d${l.weekday} ${l.zones.map((z) => `${z.timeZone} ${z.people}`).join(', ')}`);
    });
  beforeEach(async () => {
    await db.owner.query('delete from outage');
    await write(1, 1);
    await write(1, 3);
    await join([
      { name: 'Ana', zone: 'Pacific/Auckland' },
      { name: 'Luis', zone: 'America/New_York' },
    ]);
  });

  test('for ten minutes: it comes those minutes later, and nothing is asked', async () => {
    await away('2026-05-10T16:55:00Z', '2026-05-10T17:05:00Z');
    await tick('2026-05-10T17:05:00Z');
    expect(await released()).toEqual(['Ana w1d1 v1']);
    expect(await late('2026-05-12T12:00:00Z')).toEqual([]);
    expect((await statesOf('2026-05-12T12:00:00Z')).Ana).toBe('missed unsent unsent unsent');
  });

  test('for a night: who still has the day gets it; whose day is over has missed nothing, and is asked about', async () => {
    // Monday in Auckland is over at noon of UTC, when Monday in New York has begun.
    await away('2026-05-10T16:00:00Z', '2026-05-11T12:30:00Z');
    await tick('2026-05-11T12:30:00Z');
    expect(await released()).toEqual(['Luis w1d1 v1']);
    await tick('2026-05-11T13:00:00Z');
    expect(await released()).toEqual(['Luis w1d1 v1']);
    expect(await late('2026-05-11T13:00:00Z')).toEqual(['w1d1 Pacific/Auckland 1']);
    const states = await statesOf('2026-05-12T12:00:00Z');
    expect(states.Ana).toBe('not-due unsent unsent unsent');
    expect(states.Luis).toBe('missed unsent unsent unsent');
    // Sent all the same: a decision, for that zone alone.
    const dayId = (await here((c) => listDays(c, { id: programmeId, runId })))[0]!.id;
    await here((c) =>
      upsertLateChoice(c, {
        workspaceId,
        coachId,
        runId,
        dayId,
        timeZone: 'Pacific/Auckland',
        choice: 'send',
        now: new Date(at('2026-05-11T13:00:00Z')),
      }),
    );
    expect(await late('2026-05-11T13:00:00Z')).toEqual([]);
    await tick('2026-05-11T13:01:00Z');
    expect(await released()).toEqual(['Luis w1d1 v1', 'Ana w1d1 v1']);
    expect((await statesOf('2026-05-12T12:00:00Z')).Ana).toBe('not-due unsent unsent unsent');
  });

  test('for six days: nothing comes late by itself, nobody has missed anything, and the plan can be moved on', async () => {
    await away('2026-05-10T16:00:00Z', '2026-05-16T16:00:00Z');
    await tick('2026-05-16T16:00:00Z');
    expect(await released()).toEqual([]);
    expect(await late('2026-05-16T16:00:00Z')).toEqual([
      'w1d1 America/New_York 1, Pacific/Auckland 1',
      'w1d3 America/New_York 1, Pacific/Auckland 1',
    ]);
    expect(await statesOf('2026-05-16T16:00:00Z')).toEqual({
      Ana: 'unsent unsent unsent unsent',
      Luis: 'unsent unsent unsent unsent',
    });
    await here((c) =>
      insertShift(c, {
        workspaceId,
        coachId,
        runId,
        week: 1,
        weekday: 1,
        weeks: 1,
        timeZone: null,
        now: new Date(at('2026-05-16T16:00:00Z')),
      }),
    );
    expect(await late('2026-05-16T16:00:00Z')).toEqual([]);
    await tick('2026-05-17T17:00:00Z');
    expect(await released()).toEqual(['Ana w1d1 v1']);
  });

  test('a day that is marked ready after it was over for some goes to those who still have it', async () => {
    await here(async (c) => {
      const [day] = await listDays(c, { id: programmeId, runId });
      await updateDayReady(c, { dayId: day!.id, revision: day!.revision, isReady: false });
    });
    await tick('2026-05-11T12:00:00Z');
    expect(await released()).toEqual([]);
    await write(1, 1);
    await tick('2026-05-11T13:00:00Z');
    expect(await released()).toEqual(['Luis w1d1 v1']);
    expect(await late('2026-05-11T13:00:00Z')).toEqual(['w1d1 Pacific/Auckland 1']);
  });
});

test('who joins late, pauses, is excused or has left gets what is theirs', async () => {
  await write(1, 1);
  await write(1, 3);
  const ids = await join([
    { name: 'Late', joinedOn: '2026-05-12' },
    { name: 'Begins', joinedOn: '2026-05-12', startsOn: '2026-05-13' },
    { name: 'Away' },
    { name: 'Left' },
    { name: 'Tuesdays', startsOn: '2026-05-11', weekdays: [2, 4] },
  ]);
  await here(async (c) => {
    await insertAbsences(c, {
      workspaceId,
      enrolmentIds: [ids.get('Away')!],
      absence: { kind: 'pause', from: '2026-05-13' as DayDate, to: null },
      saidBy: 'person',
      note: '',
      now: new Date(),
    });
    await updatePlace(c, ids.get('Left')!, { leftOn: '2026-05-10' as DayDate });
  });
  await tick('2026-05-11T05:00:00Z');
  expect(await released()).toEqual(['Away w1d1 v1']);
  await tick('2026-05-12T05:00:00Z');
  expect((await released()).slice(1)).toEqual(['Tuesdays w1d1 v1']);
  await tick('2026-05-13T05:00:00Z');
  expect((await released()).slice(2).sort()).toEqual(['Begins w1d1 v1', 'Late w1d3 v1']);
  await tick('2026-05-14T05:00:00Z');
  expect((await released()).slice(4)).toEqual(['Tuesdays w1d3 v1']);
});

test('two runs of one programme have people, dates and versions of their own', async () => {
  await write(1, 1);
  const autumn = await here((c) =>
    insertRun(c, {
      workspaceId,
      programmeId,
      settings: {
        ...usualRun('2026-09-02' as DayDate),
        title: 'Autumn',
        releaseZone: 'Europe/Lisbon',
      } satisfies RunSettings,
    }),
  );
  await join([{ name: 'Spring' }]);
  await join(
    [
      { name: 'Ana', zone: 'Pacific/Auckland' },
      { name: 'Luis', zone: 'America/New_York' },
    ],
    autumn,
  );
  await tick('2026-05-11T05:00:00Z');
  await tick('2026-05-11T05:00:00Z', autumn);
  expect(await released()).toEqual(['Spring w1d1 v1']);
  await write(1, 1, 'Title: Other legs\nMain: 3 rounds\n12 squat');
  // One instant for all: five in Lisbon.
  expect(await tick('2026-09-02T03:59:00Z', autumn)).toMatchObject({ released: 0 });
  expect(await tick('2026-09-02T04:00:00Z', autumn)).toMatchObject({ released: 2 });
  const { rows } = await db.owner.query<{ text: string }>(
    'select text from version where workspace_id = $1 order by id',
    [workspaceId],
  );
  expect(rows.map((r) => r.text.split('\n')[0])).toEqual(['Title: Legs', 'Title: Other legs']);
});

test('an amendment goes to who hasn’t begun; who has keeps theirs; a withdrawal takes it from who hasn’t done it', async () => {
  const dayId = await write(1, 1);
  const ids = await join([{ name: 'Ana' }, { name: 'Luis' }]);
  await tick('2026-05-11T05:00:00Z');
  const versionId = (
    await db.owner.query<{ id: number }>('select id from version where workspace_id = $1', [workspaceId])
  ).rows[0]!.id;
  await db.owner.query(`update message set state = 'accepted' where workspace_id = $1`, [workspaceId]);
  await here((c) =>
    upsertSeen(c, {
      workspaceId,
      enrolmentId: ids.get('Ana')!,
      dayId,
      versionId: Number(versionId),
      what: 'begun',
      now: new Date(),
    }),
  );
  await write(1, 1, 'Title: Legs\nMain: 3 rounds\n8 squat');
  const now = new Date(at('2026-05-11T06:00:00Z'));
  await here(async (c) => {
    const programme = await seen(c);
    const day = (await listDays(c, programme)).find((d) => d.id === dayId)!;
    const version = (await sendDay(c, {
      workspaceId,
      programme,
      day,
      changeNote: '8, not 10',
      coachId,
      nowMs: now.getTime(),
    }))!;
    expect(version.number).toBe(2);
    expect(
      await updateReleasedVersion(c, { workspaceId, runId, dayId, version, note: '8, not 10', expiresAt: now, now }),
    ).toBe(1);
  });
  expect((await released()).sort()).toEqual(['Ana w1d1 v1', 'Luis w1d1 v2']);
  expect((await messages()).filter((m) => m.startsWith('change'))).toEqual(['change Luis waiting']);
  await here((c) => updateDayWithdrawn(c, { workspaceId, runId, dayId, at: now, note: 'wrong day' }));
  expect(await tick('2026-05-11T07:00:00Z')).toMatchObject({ released: 0 });
});

test('a day that isn’t ready raises a flag two days, one day and three hours ahead, each once', async () => {
  await join([
    { name: 'Ana', zone: 'Pacific/Auckland' },
    { name: 'Luis', zone: 'Europe/Lisbon' },
  ]);
  // First release: 10 May 17:00 UTC.
  expect(await tick('2026-05-08T16:59:00Z')).toMatchObject({ flags: 0 });
  expect(await tick('2026-05-08T17:00:00Z')).toMatchObject({ flags: 1 });
  expect(await tick('2026-05-08T18:00:00Z')).toMatchObject({ flags: 0 });
  expect(await tick('2026-05-09T17:00:00Z')).toMatchObject({ flags: 1 });
  expect(await tick('2026-05-10T14:00:00Z')).toMatchObject({ flags: 1 });
  expect(await tick('2026-05-10T16:00:00Z')).toMatchObject({ flags: 0 });
  const { rows } = await db.owner.query<{ number: number; extra: { first: string; why: string } }>(
    `select number, extra from message where workspace_id = $1 and kind = 'flag' order by id`,
    [workspaceId],
  );
  expect(rows.map((r) => [r.number, r.extra.first, r.extra.why])).toEqual([
    [48, 'Auckland', 'it is still to write'],
    [24, 'Auckland', 'it is still to write'],
    [3, 'Auckland', 'it is still to write'],
  ]);
  await write(1, 3);
  expect(await tick('2026-05-12T18:00:00Z')).toMatchObject({ released: 1, flags: 0 });
});

test('rest days and reminders go only to who asked for them', async () => {
  await write(1, 1);
  const ids = await join([{ name: 'Ana' }, { name: 'Luis' }]);
  await here((c) => updateProfile(c, ids.get('Luis')!, { wantsRestDays: true, reminderAt: '19:30' }));
  await tick('2026-05-11T05:00:00Z');
  await tick('2026-05-11T19:29:00Z');
  expect((await messages()).filter((m) => !m.startsWith('session') && !m.startsWith('flag'))).toEqual([]);
  await tick('2026-05-11T19:30:00Z');
  await tick('2026-05-11T19:40:00Z');
  await tick('2026-05-12T05:00:00Z');
  await tick('2026-05-12T05:01:00Z');
  expect((await messages()).filter((m) => !m.startsWith('session') && !m.startsWith('flag'))).toEqual([
    'reminder Luis waiting',
    'rest Luis waiting',
  ]);
});

describe('signs of life', () => {
  const SILENCE = `update pulse set seen_at = now() - interval '2 minutes 1 second'`;

  test('whether a worker is at work is known for two minutes', async () => {
    expect(await hasPulse(db.pool)).toBe(false);
    await beat(db.pool, 'work', new Date(at('2026-05-12T06:00:00Z')));
    // A clock that jumps while somebody works is no outage.
    expect(await beat(db.pool, 'work', new Date(at('2026-05-13T06:00:00Z')))).toBe(false);
    expect(await hasPulse(db.pool)).toBe(true);
    await db.owner.query(SILENCE);
    expect(await hasPulse(db.pool)).toBe(false);
  });

  test('a silence is a gap while it lasts, and from when to when once it is over', async () => {
    const since = new Date(at('2026-05-01T00:00:00Z'));
    const from = at('2026-05-13T06:00:00Z');
    expect(await listOutages(db.pool, since)).toEqual([{ kind: 'work', fromMs: from, toMs: null }]);
    const rules = await here(async (c) => (await getProgrammeOfRun(c, runId, since)).run.rules);
    expect(rules.gaps).toEqual([{ kind: 'work', fromMs: from, toMs: null }]);
    expect(await beat(db.pool, 'work', new Date(at('2026-05-14T07:30:00Z')))).toBe(true);
    expect(await listOutages(db.pool, since)).toEqual([
      { kind: 'work', fromMs: from, toMs: at('2026-05-14T07:30:00Z') },
    ]);
  });

  test('mail that is refused for a while is told, and makes no gap: pages could be opened', async () => {
    const since = new Date(at('2026-05-01T00:00:00Z'));
    const [a, b] = [at('2026-05-14T08:00:00Z'), at('2026-05-14T08:20:00Z')];
    await noteMail(db.pool, true, new Date(a - 60_000));
    await noteMail(db.pool, false, new Date(a));
    await noteMail(db.pool, false, new Date(a + 60_000));
    expect((await listOutages(db.pool, since))[0]).toEqual({ kind: 'mail', fromMs: a, toMs: null });
    await noteMail(db.pool, true, new Date(b));
    await noteMail(db.pool, true, new Date(b + 60_000));
    expect((await listOutages(db.pool, since))[0]).toEqual({ kind: 'mail', fromMs: a, toMs: b });
    const rules = await here(async (c) => (await getProgrammeOfRun(c, runId, since)).run.rules);
    expect(rules.gaps!.map((g) => g.kind)).toEqual(['work']);
  });
});
