import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, beforeEach, expect, test } from 'vitest';
import type { CoachRole } from '../../core/coach-role.ts';
import type { DayDate } from '../../core/calendar/day.ts';
import { emptyProgramme } from '../../core/progress/programme-document.ts';
import { insertParticipants } from '../../db/queries/person.ts';
import { insertProgramme } from '../../db/queries/plan.ts';
import { getProgramme, listDays, updateDayReady, updateDayText } from '../../db/queries/programme.ts';
import { updateRunArchived, updateRunHeld } from '../../db/queries/run.ts';
import { withWorkspace } from '../../db/workspace-scope.ts';
import { releaseRun } from '../../server/jobs/release-run.ts';
import { loadHome } from '../../server/shell/load-home.ts';
import type { ThrowawayDatabase } from '../throwaway-database.ts';
import { makeThrowawayDatabase, makeWorkspace } from '../throwaway-database.ts';

/** Sunday evening: Monday's session goes out at five on Monday. */
const SUNDAY = Date.parse('2026-05-10T17:40:00Z');

let db: ThrowawayDatabase;
let workspaceId: number;
let coachId: number;
beforeAll(async () => {
  db = await makeThrowawayDatabase();
}, 120_000);
afterAll(() => db.drop());
beforeEach(async () => {
  ({ workspaceId, coachId } = await makeWorkspace(db.owner, `h${randomUUID().slice(0, 8)}`));
});

const here = <T>(work: Parameters<typeof withWorkspace<T>>[2]) => withWorkspace(db.pool, workspaceId, work);
const make = (title: string, startsOn: string, weeks = 2) =>
  here(async (c) => {
    const now = new Date(SUNDAY);
    const id = await insertProgramme(c, {
      workspaceId,
      programme: emptyProgramme({ title, weeks, weekdays: [1, 2] }),
      startsOn: startsOn as DayDate,
      now,
    });
    return getProgramme(c, id, { now });
  });
const write = (programme: Awaited<ReturnType<typeof make>>, weekday: number, isReady: boolean) =>
  here(async (c) => {
    const day = (await listDays(c, programme)).find((d) => d.week === 1 && d.weekday === weekday)!;
    const text = `Title: Day ${weekday}\nMain: 3 rounds\n10 squat`;
    const revision = await updateDayText(c, { dayId: day.id, revision: day.revision, text, now: new Date(SUNDAY) });
    await updateDayReady(c, { dayId: day.id, revision, isReady });
  });
const join = ({ runId }: { runId: number }, name: string, timeZone = 'UTC') =>
  here((c) =>
    insertParticipants(c, {
      workspaceId,
      runId,
      people: [{ name, detail: '', timeZone, joinedOn: '2026-05-01' as DayDate, profile: {} }],
    }),
  );
const home = (nowMs: number, role: CoachRole = 'owner') =>
  here((c) =>
    loadHome(c, { coachId, workspaceId, role } as Parameters<typeof loadHome>[1], {
      nowMs,
      today: new Date(nowMs).toISOString().slice(0, 10) as DayDate,
      timeZone: 'UTC',
    }),
  );

test('what goes out next and first where, and what can’t yet, run by run', async () => {
  const mornings = await make('Mornings', '2026-05-11');
  const evenings = await make('Evenings', '2026-05-18');
  await write(mornings, 1, true);
  await join(mornings, 'Ana');
  await join(mornings, 'Hana', 'Asia/Tokyo');
  const [first, second, ...more] = await home(SUNDAY);
  expect(more).toEqual([]);
  expect([first!.key, first!.programme, second!.programme]).toEqual([
    `${mornings.id}-${mornings.runId}`,
    'Mornings',
    'Evenings',
  ]);
  const hour = mornings.releaseTime;
  // Tokyo is nine hours ahead: its Monday morning comes before Sunday ends in UTC.
  const tokyoMs = Date.parse(`2026-05-11T${hour}:00Z`) - 9 * 3_600_000;
  const waitMin = Math.round((tokyoMs - SUNDAY) / 60_000);
  expect(first!.next).toEqual({
    key: 'w1d1',
    title: 'Day 1',
    date: 'Monday 11 May',
    when: `in ${waitMin >= 60 ? `${Math.floor(waitMin / 60)} h ` : ''}${waitMin % 60} min, at ${hour} in Tokyo`,
  });
  expect(first!.unready.map((d) => [d.key, d.why, d.stage])).toEqual([['w1d2', 'it is still to write', 'write']]);
  expect([second!.next, second!.unready, second!.line.people]).toEqual([null, [], 0]);
  await write(mornings, 2, false);
  expect((await home(SUNDAY))[0]!.unready.map((d) => [d.key, d.title, d.why])).toEqual([
    ['w1d2', 'Day 2', 'it isn’t marked ready'],
  ]);
  await here((c) => updateRunHeld(c, mornings.runId, new Date(SUNDAY)));
  expect((await home(SUNDAY))[0]).toMatchObject({ isHeld: true, next: null });
  await here((c) => updateRunArchived(c, evenings.runId, new Date(SUNDAY)));
  expect((await home(SUNDAY)).map((r) => r.programme)).toEqual(['Mornings']);
});

test('today’s session: with how many it is, and who still sleeps; over a week after its end a run isn’t there any more', async () => {
  const run = await make('Mornings', '2026-05-11', 1);
  await write(run, 1, true);
  await join(run, 'Ana');
  await join(run, 'Gil', 'America/Los_Angeles');
  const morning = Date.parse('2026-05-11T08:00:00Z');
  await here((c) => releaseRun(c, workspaceId, run.runId, morning));
  const [one] = await home(morning);
  expect(one!.line.released).toBe(1);
  expect([one!.need, one!.came]).toEqual([{ people: 0, first: [] }, null]);
  expect((await home(Date.parse('2026-05-24T08:00:00Z'))).length).toBe(1);
  expect((await home(Date.parse('2026-05-25T08:00:00Z'))).length).toBe(0);
});

test('who only reads isn’t told how anybody is', async () => {
  const run = await make('Mornings', '2026-05-11');
  await join(run, 'Ana');
  const [one] = await home(SUNDAY, 'reader');
  expect([one!.need, one!.came]).toEqual([null, null]);
});
