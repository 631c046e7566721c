import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import ICAL from 'ical.js';
import { afterAll, beforeAll, expect, test } from 'vitest';
import type { DayDate } from '../../core/calendar/day.ts';
import { emptyProgramme } from '../../core/progress/programme-document.ts';
import { getPlan, insertProgramme } from '../../db/queries/plan.ts';
import { getProgramme, insertVersion, listDays, updateDayText } from '../../db/queries/programme.ts';
import { insertParticipant, updateProfile } from '../../db/queries/person.ts';
import { updateDayWithdrawn } from '../../db/queries/run.ts';
import { insertPersonalLink } from '../../db/queries/doors/link.ts';
import type { Db } from '../../db/pool.ts';
import { withWorkspace } from '../../db/workspace-scope.ts';
import { hashToken, makeToken } from '../../server/doors/token.ts';
import { callRoute } from '../call-route.ts';
import type { ThrowawayDatabase } from '../throwaway-database.ts';
import { makeThrowawayDatabase, makeWorkspace } from '../throwaway-database.ts';
import { writeClock } from '../../bin/parts/move-clock.ts';

const clockFile = join(mkdtempSync(join(tmpdir(), 'clock-')), 'now');
const NOW = new Date('2026-05-10T12:00:00Z');
const moveClock = (at: string) => writeClock(clockFile, at);
moveClock(NOW.toISOString());
process.env.YSODOS_CLOCK_FILE = clockFile;

let db: ThrowawayDatabase;
let workspaceId: number;
let coachId: number;
let programmeId: number;
let runId: number;
let ana: number;
let token: string;
const within = <T>(work: (c: Db) => Promise<T>) => withWorkspace(db.pool, workspaceId, work);
const inRun = (c: Db) => getProgramme(c, programmeId, { now: NOW });

beforeAll(async () => {
  db = await makeThrowawayDatabase();
  process.env.DATABASE_URL = db.appUrl;
  process.env.PUBLIC_URL = 'http://127.0.0.1:4310';
  ({ workspaceId, coachId } = await makeWorkspace(db.owner, 'calendars'));
  await within(async (c) => {
    programmeId = await insertProgramme(c, {
      workspaceId,
      programme: emptyProgramme({ title: 'Mornings, early; all', weeks: 2, weekdays: [1, 3] }),
      startsOn: '2026-05-11' as DayDate,
      now: NOW,
    });
    const programme = await inRun(c);
    ({ runId } = programme);
    for (const [i, day] of (await listDays(c, programme)).entries())
      await updateDayText(c, {
        dayId: day.id,
        revision: 1,
        text: `Title: Legs ${i + 1}\nMain: 3 rounds\n10 squat`,
        now: NOW,
      });
    ana = await insertParticipant(c, {
      workspaceId,
      runId,
      name: 'Ana',
      detail: '',
      timeZone: 'America/Los_Angeles',
      joinedOn: '2026-05-11' as DayDate,
    });
    token = makeToken();
    const { rows } = await c.query<{ person_id: number }>('select person_id from enrolment where id = $1', [ana]);
    const personId = rows[0]!.person_id;
    await insertPersonalLink(c, { workspaceId, personId, kind: 'calendar', tokenHash: hashToken(token), now: NOW });
    await c.query('update run set feed_hash = $2 where id = $1', [runId, hashToken('r'.repeat(token.length))]);
  });
}, 120_000);
afterAll(async () => {
  const { closeDatabase } = await import('../../server/database.ts');
  await closeDatabase();
  await db?.drop();
});

const eventsOf = (file: string) =>
  new ICAL.Component(ICAL.parse(file) as never).getAllSubcomponents('vevent').map((e) => {
    const start = e.getFirstPropertyValue('dtstart') as ICAL.Time;
    const alarm = e.getFirstSubcomponent('valarm');
    const end = e.getFirstPropertyValue('dtend') as ICAL.Time;
    return {
      minutes: end.subtractDate(start).toSeconds() / 60,
      uid: String(e.getFirstPropertyValue('uid')),
      title: String(e.getFirstPropertyValue('summary')),
      start: start.zone.tzid === 'floating' ? start.toString() : start.toJSDate().toISOString(),
      status: String(e.getFirstPropertyValue('status')),
      transp: String(e.getFirstPropertyValue('transp')),
      sequence: Number(e.getFirstPropertyValue('sequence')),
      stamp: (e.getFirstPropertyValue('dtstamp') as ICAL.Time).toJSDate().toISOString(),
      changed: (e.getFirstPropertyValue('last-modified') as ICAL.Time).toJSDate().toISOString(),
      alarm: alarm === null ? null : String(alarm.getFirstPropertyValue('trigger')),
    };
  });
async function fileOf(of: 'ana' | 'run'): Promise<string> {
  const { loader } = (await import(
    of === 'ana' ? '../../app/participant/paper/calendar.ts' : '../../app/send/run-calendar.ts'
  )) as { loader: (args: unknown) => Promise<Response> };
  const params = { token: of === 'ana' ? token : 'r'.repeat(token.length) };
  const response = await loader({ request: new Request('http://127.0.0.1:4310/x'), params, context: {} });
  return response.text();
}
const feedOf = async (of: 'ana' | 'run') => eventsOf(await fileOf(of));
const dayAt = async (week: number, weekday: number) =>
  (await within(async (c) => listDays(c, await inRun(c)))).find((d) => d.week === week && d.weekday === weekday)!;
async function change(edit: object) {
  const { changePlan } = await import('../../server/plan/plan-changes.ts');
  const { EMPTY_BOOK } = await import('../../server/write/workspace-book.ts');
  const answer = await within(async (c) => {
    const { revision } = await getPlan(c, { id: programmeId, runId });
    const at = { workspaceId, coachId, programmeId, runId, now: NOW };
    return changePlan(c as never, EMPTY_BOOK, at, { revision, words: 'a change', edits: [edit as never] });
  });
  expect(answer.status).toBe('changed');
}

test('the coach’s days float where everybody has their own hour, and are one instant where the run has a zone', async () => {
  const [first, second] = await feedOf('run');
  expect(first).toMatchObject({ start: '2026-05-11T05:00:00', title: 'Legs 1', transp: 'TRANSPARENT', alarm: null });
  expect(second).toMatchObject({ start: '2026-05-13T05:00:00' });
  await within((c) => c.query(`update run set release_zone = 'Pacific/Auckland' where id = $1`, [runId]));
  expect((await feedOf('run'))[0]).toMatchObject({ start: '2026-05-10T17:00:00.000Z', sequence: 1 });
  await within((c) => c.query('update run set release_zone = null where id = $1', [runId]));
  expect((await feedOf('run'))[0]).toMatchObject({ start: '2026-05-11T05:00:00', sequence: 2 });
});

test('someone’s days take nobody’s time and ring for nobody, unless an hour was chosen: never before they open', async () => {
  expect((await feedOf('ana'))[0]).toMatchObject({
    start: '2026-05-11T12:00:00.000Z',
    transp: 'TRANSPARENT',
    alarm: null,
    title: 'Session to come',
    // Its length isn't known yet.
    minutes: 30,
    sequence: 0,
  });
  moveClock('2026-05-10T13:00:00Z');
  await within((c) => updateProfile(c, ana, { calendar: { at: '07:00', alarmMin: 10 } }));
  expect((await feedOf('ana'))[0]).toMatchObject({
    start: '2026-05-11T14:00:00.000Z',
    transp: 'OPAQUE',
    alarm: '-PT10M',
    sequence: 1,
    stamp: '2026-05-10T13:00:00.000Z',
    changed: '2026-05-10T13:00:00.000Z',
  });
  await within((c) => updateProfile(c, ana, { calendar: { at: '04:00', alarmMin: null } }));
  expect((await feedOf('ana'))[0]).toMatchObject({ start: '2026-05-11T12:00:00.000Z', alarm: null });
  // One hour on their own clock, on both sides of the night when it changes.
  await within((c) => c.query(`update run set starts_on = '2026-10-26' where id = $1`, [runId]));
  await within((c) => updateProfile(c, ana, { calendar: { at: '07:00', alarmMin: null } }));
  expect((await feedOf('ana')).map((e) => e.start)).toEqual([
    '2026-10-26T14:00:00.000Z',
    '2026-10-28T14:00:00.000Z',
    '2026-11-02T15:00:00.000Z',
    '2026-11-04T15:00:00.000Z',
  ]);
  await within((c) => c.query(`update run set starts_on = '2026-05-11' where id = $1`, [runId]));
});

test('nothing changes while nothing changes, also when the address of the house does', async () => {
  const before = await fileOf('ana');
  moveClock('2026-05-10T18:00:00Z');
  const seen = eventsOf(before);
  expect(eventsOf(await fileOf('ana')).map((e) => [e.uid, e.sequence > 0])).toEqual(seen.map((e) => [e.uid, true]));
  const again = await fileOf('ana');
  expect(await fileOf('ana')).toBe(again);
  expect(seen.every((e) => !e.uid.includes('127.0.0.1') && !e.uid.includes('w1d1'))).toBe(true);
  expect(again).toContain(String.raw`X-WR-CALNAME:Mornings\, early\; all`);
});

test('many readers at once get the same, and what changed is kept once', async () => {
  await within((c) => updateProfile(c, ana, { calendar: { at: '07:05', alarmMin: null } }));
  const files = await Promise.all(Array.from({ length: 6 }, () => fileOf('ana')));
  expect(new Set(files).size).toBe(1);
  await within((c) => updateProfile(c, ana, { calendar: { at: '07:00', alarmMin: null } }));
});

test('a moved day stays one event; what vanishes is called off for 60 days', async () => {
  for (const of of ['ana', 'run'] as const) await feedOf(of);
  const before = (await feedOf('ana')).at(-1)!;
  moveClock('2026-05-10T19:00:00Z');
  await change({ kind: 'move-day', from: { week: 2, weekday: 3 }, to: { week: 2, weekday: 5 } });
  const moved = await feedOf('ana');
  expect(moved).toHaveLength(4);
  expect(moved.find((e) => e.uid === before.uid)).toMatchObject({
    start: '2026-05-22T14:00:00.000Z',
    status: 'CONFIRMED',
    sequence: before.sequence + 1,
    changed: '2026-05-10T19:00:00.000Z',
  });
  expect(await feedOf('run')).toHaveLength(4);
  await change({ kind: 'remove-day', place: { week: 2, weekday: 5 } });
  moveClock('2026-05-11T19:00:00Z');
  const called = (await feedOf('ana')).find((e) => e.uid === before.uid)!;
  expect(called).toMatchObject({ status: 'CANCELLED', sequence: before.sequence + 2, transp: 'TRANSPARENT' });
  moveClock('2026-07-10T18:00:00Z');
  expect((await feedOf('ana')).find((e) => e.uid === before.uid)).toEqual(called);
  moveClock('2026-07-10T20:00:00Z');
  expect((await feedOf('ana')).some((e) => e.uid === before.uid)).toBe(false);
  expect((await feedOf('run')).filter((e) => e.status === 'CANCELLED')).toHaveLength(1);
  moveClock('2026-05-11T20:00:00Z');
});

test('a withdrawn day keeps its title', async () => {
  const day = await dayAt(1, 1);
  await within(async (c) => {
    await insertVersion(c, {
      workspaceId,
      runId,
      dayId: day.id,
      number: 1,
      text: day.text,
      document: { title: 'Legs 1', blocks: [] },
      changeNote: '',
      coachId,
      now: new Date('2026-05-11T20:00:00Z'),
    });
  });
  // Nothing in it takes any time: an event that can still be seen.
  expect((await feedOf('ana'))[0]).toMatchObject({ title: 'Legs 1', status: 'CONFIRMED', minutes: 5 });
  const at = new Date('2026-05-11T20:30:00Z');
  await within((c) => updateDayWithdrawn(c, { workspaceId, runId, dayId: day.id, at, note: 'a mistake' }));
  expect((await feedOf('ana'))[0]).toMatchObject({ title: 'Legs 1', status: 'CANCELLED' });
});

test('a live session is an appointment that rings, but not for who said no', async () => {
  const day = await dayAt(1, 3);
  await within(async (c) => {
    await c.query(
      `insert into run_day (workspace_id, run_id, day_id, live_at, live_minutes, live_place) values ($1, $2, $3, '2026-05-13T17:00:00Z', 45, 'Hall 2')`,
      [workspaceId, runId, day.id],
    );
  });
  const live = async () => (await feedOf('ana')).find((e) => e.start === '2026-05-13T17:00:00.000Z');
  expect(await live()).toMatchObject({ transp: 'OPAQUE', alarm: '-PT1H', minutes: 45 });
  expect((await feedOf('run')).find((e) => e.start === '2026-05-13T17:00:00.000Z')).toMatchObject({
    transp: 'OPAQUE',
    alarm: '-PT1H',
  });
  await within((c) =>
    c.query(
      `insert into live_reply (workspace_id, run_day_id, enrolment_id, answer, answered_at) select $1, id, $2, 'no', now() from run_day where day_id = $3`,
      [workspaceId, ana, day.id],
    ),
  );
  expect(await live()).toMatchObject({ transp: 'TRANSPARENT', alarm: null });
});

test('a person chooses their hour on their own page', async () => {
  const personal = makeToken();
  await within(async (c) => {
    const { rows } = await c.query<{ person_id: number }>('select person_id from enrolment where id = $1', [ana]);
    await insertPersonalLink(c, {
      workspaceId,
      personId: rows[0]!.person_id,
      tokenHash: hashToken(personal),
      now: NOW,
    });
  });
  const { loader, action } = await import('../../app/participant/me/me.tsx');
  const at = { params: { token: personal } };
  const form = { part: 'calendar-hour', calendarAt: '06:15', alarm: '30' };
  expect((await callRoute(action, `/p/${personal}/me`, { ...at, form })).status).toBe(302);
  expect((await callRoute(loader, `/p/${personal}/me`, at)).data).toMatchObject({
    calendar: { at: '06:15', alarmMin: 30 },
  });
});
