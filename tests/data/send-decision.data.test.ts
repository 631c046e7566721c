import { afterAll, beforeAll, beforeEach, describe, expect, test } from 'vitest';
import type { DayDate } from '../../core/calendar/day.ts';
import { emptyProgramme } from '../../core/progress/programme-document.ts';
import { insertParticipants } from '../../db/queries/person.ts';
import { getPlan, insertProgramme, updatePlan } from '../../db/queries/plan.ts';
import { getProgramme, listDays, updateDayReady, updateDayText } from '../../db/queries/programme.ts';
import { withWorkspace } from '../../db/workspace-scope.ts';
import { releaseRun } from '../../server/jobs/release-run.ts';
import { callRoute } from '../call-route.ts';
import type { ThrowawayDatabase } from '../throwaway-database.ts';
import { makeThrowawayDatabase, makeWorkspace } from '../throwaway-database.ts';

const PASSWORD = 'a long enough password';
const TEXT = 'Title: Quiet legs\nMain: 3 rounds\n10 squat';
/** A Wednesday morning; the programme began on Monday. */
const NOW = '2026-05-13T09:00:00Z';

let db: ThrowawayDatabase;
let workspaceId: number;
let programmeId: number;
let runId: number;
let cookie: string;
let made = 0;

beforeAll(async () => {
  db = await makeThrowawayDatabase();
  process.env.DATABASE_URL = db.appUrl;
  process.env.PUBLIC_URL = 'http://127.0.0.1:4310';
  process.env.YSODOS_NOW = NOW;
}, 120_000);
afterAll(async () => {
  delete process.env.YSODOS_NOW;
  const { closeDatabase } = await import('../../server/database.ts');
  await closeDatabase();
  await db?.drop();
});

const here = <T>(work: Parameters<typeof withWorkspace<T>>[2]) => withWorkspace(db.pool, workspaceId, work);
const daysOf = () => here((c) => listDays(c, { id: programmeId, runId }));

beforeEach(async () => {
  const { hashPassword } = await import('../../server/doors/hash-password.ts');
  const name = `decisions-${++made}`;
  ({ workspaceId } = await makeWorkspace(db.owner, name));
  await db.owner.query('update coach set password_hash = $1 where workspace_id = $2', [
    await hashPassword(PASSWORD),
    workspaceId,
  ]);
  await here(async (c) => {
    programmeId = await insertProgramme(c, {
      workspaceId,
      programme: emptyProgramme({ title: 'Mornings', weeks: 2, weekdays: [1, 3, 5] }),
      startsOn: '2026-05-11' as DayDate,
      now: new Date(NOW),
    });
    ({ runId } = await getProgramme(c, programmeId, { now: new Date(NOW) }));
    await insertParticipants(c, {
      workspaceId,
      runId,
      people: ['Ada', 'Bo', 'Cleo', 'Dee'].map((person, i) => ({
        name: person,
        detail: '',
        timeZone: i === 3 ? 'America/Los_Angeles' : 'Europe/Lisbon',
        joinedOn: '2026-05-11' as DayDate,
        profile: { address: ['ada@example.org', '+351 910 000 111', '', 'dee@example.org'][i]! },
      })),
    });
  });
  const { action } = await import('../../app/account/sign-in.tsx');
  const answer = await callRoute(action, '/sign-in', {
    form: { email: `coach@${name}.example.org`, password: PASSWORD },
  });
  cookie = answer.setCookie!.split(';')[0]!;
});

const post = async (module: string, params: Record<string, string>, form: Record<string, string>) => {
  const { action } = (await import(/* @vite-ignore */ `../../app/${module}`)) as {
    action: Parameters<typeof callRoute>[0];
  };
  const path = `/programmes/${programmeId}`;
  return callRoute(action, path, { params: { programmeId: String(programmeId), ...params }, cookie, form });
};
const write = async (place: string, isReady = false) => {
  const day = (await daysOf()).find((d) => `w${d.week}d${d.weekday}` === place)!;
  return here(async (c) => {
    const revision = await updateDayText(c, { dayId: day.id, revision: day.revision, text: TEXT, now: new Date(NOW) });
    if (isReady) await updateDayReady(c, { dayId: day.id, revision, isReady: true });
    return String(revision);
  });
};
const tick = (iso = NOW) => here(async (c) => (await releaseRun(c, workspaceId, runId, Date.parse(iso))).released);
const held = async () =>
  (
    await db.owner.query<{ name: string; kind: string }>(
      `select p.name, s.kind from release_stop s join enrolment e on e.id = s.enrolment_id join person p on p.id = e.person_id
       where s.workspace_id = $1 order by p.name`,
      [workspaceId],
    )
  ).rows.map((r) => `${r.name} ${r.kind}`);

describe('marking a day ready whose hour has come for some', () => {
  test('changes nothing until it is decided, and says how many it would reach, by what, of which day', async () => {
    const revision = await write('w1d3');
    const asked = await post('write/write.tsx', { day: 'w1d3' }, { intent: 'ready', revision });
    expect(asked.status).toBe(409);
    expect(asked.data).toEqual({
      leaving: {
        people: 3,
        told: { email: 1, text: 1 },
        byPage: 1,
        days: [{ title: 'Quiet legs', words: 'Wednesday 13 May', people: 3 }],
      },
    });
    expect((await daysOf())[1]!.isReady).toBe(false);
    expect(await tick()).toBe(0);
  });

  test('send: it waits five minutes in which it can be stopped, and the others get it at their hour', async () => {
    const revision = await write('w1d3');
    const answer = await post('write/write.tsx', { day: 'w1d3' }, { intent: 'ready', revision, leaving: 'send' });
    expect(answer.status).toBe(302);
    expect(await tick('2026-05-13T09:04:59Z')).toBe(0);
    expect(await tick('2026-05-13T09:05:00Z')).toBe(3);
    expect(await tick('2026-05-13T12:00:00Z')).toBe(1);
  });

  test('send, and stopped: held until it is sent or left out', async () => {
    const revision = await write('w1d3');
    await post('write/write.tsx', { day: 'w1d3' }, { intent: 'ready', revision, leaving: 'send' });
    const stopped = await post('send/send-choices.ts', {}, { intent: 'stop', day: 'w1d3' });
    expect(stopped.data).toEqual({ error: '', told: 'Stopped. It is held back from 3 people.' });
    expect((await post('send/send-choices.ts', {}, { intent: 'stop', day: 'w1d3' })).status).toBe(400);
    expect(await tick('2026-05-13T10:00:00Z')).toBe(0);
    expect((await post('send/send-choices.ts', {}, { intent: 'send-held', day: 'w1d3' })).status).toBe(200);
    expect(await tick('2026-05-13T10:00:00Z')).toBe(3);
  });

  test('hold, and left out: nobody gets it, and nobody has missed it', async () => {
    const revision = await write('w1d3');
    await post('write/write.tsx', { day: 'w1d3' }, { intent: 'ready', revision, leaving: 'hold' });
    expect(await held()).toEqual(['Ada held', 'Bo held', 'Cleo held']);
    expect((await post('send/send-choices.ts', {}, { intent: 'leave-held', day: 'w1d3' })).status).toBe(200);
    expect(await tick('2026-05-13T20:00:00Z')).toBe(1);
    const { loadRunFollow } = await import('../../server/follow-up/run-follow.ts');
    const later = Date.parse('2026-05-15T09:00:00Z');
    const { people } = await here(async (c) =>
      loadRunFollow(c, await getProgramme(c, programmeId, { now: new Date(later), runId }), later),
    );
    expect(people.map((p) => [p.name, p.states[1], p.adherence.due])).toEqual([
      ['Ada', 'not-due', 0],
      ['Bo', 'not-due', 0],
      ['Cleo', 'not-due', 0],
      ['Dee', 'missed', 1],
    ]);
    expect(people.filter((p) => p.items.length > 0).map((p) => p.name)).not.toContain('Ada');
  });

  test('a day to come asks nothing', async () => {
    const revision = await write('w1d5');
    expect((await post('write/write.tsx', { day: 'w1d5' }, { intent: 'ready', revision })).status).toBe(302);
  });
});

test('a day sent by hand after its date goes to those for whom it is over too, once that is said', async () => {
  await db.owner.query('update run set is_by_hand = true where id = $1', [runId]);
  const revision = await write('w1d1', true);
  const form = { intent: 'send', revision, changeNote: '' };
  expect((await post('send/send.tsx', { day: 'w1d1' }, form)).data).toMatchObject({ leaving: { people: 4 } });
  expect(await tick()).toBe(0);
  expect((await post('send/send.tsx', { day: 'w1d1' }, { ...form, leaving: 'send' })).status).toBe(302);
  expect(await tick('2026-05-13T09:05:00Z')).toBe(4);
});

describe('people who are added in the middle of a day', () => {
  const add = (form: Record<string, string>) =>
    post(
      'people/new-people.ts',
      {},
      { text: 'Zed, zed@example.org', timeZone: 'Europe/Lisbon', joinedOn: '2026-05-13', ...form },
    );

  test('aren’t in until it is said whether they get today’s', async () => {
    await write('w1d3', true);
    await tick();
    expect((await add({})).data).toMatchObject({ leaving: { people: 1, told: { email: 1 } } });
    const { rows } = await db.owner.query('select 1 from person where workspace_id = $1', [workspaceId]);
    expect(rows).toHaveLength(4);
    expect((await add({ leaving: 'next' })).data).toMatchObject({ added: 1 });
    expect(await held()).toEqual(['Zed left-out']);
    expect(await tick('2026-05-13T11:00:00Z')).toBe(0);
  });

  test('one alone gets it at once', async () => {
    await write('w1d3', true);
    await tick();
    expect((await add({ leaving: 'send' })).data).toMatchObject({ added: 1 });
    expect(await held()).toEqual([]);
    expect(await tick()).toBe(1);
  });
});

test('letting a held run go, and an earlier hour by which a day is due now, ask too', async () => {
  const settings = (releaseTime: string) => post('send/run.tsx', {}, { intent: 'settings', releaseTime });
  expect((await settings('23:00')).data).toMatchObject({ errors: {} });
  await write('w1d3', true);
  expect((await settings('05:00')).data).toMatchObject({ leaving: { people: 3 } });
  expect((await settings('04:00')).data).toMatchObject({ leaving: { people: 3 } });
  await post('send/run.tsx', {}, { intent: 'hold' });
  expect((await settings('05:00')).data).toMatchObject({ errors: {} });
  expect((await post('send/run.tsx', {}, { intent: 'let-go' })).data).toMatchObject({ leaving: { people: 3 } });
  expect((await post('send/send.tsx', { day: 'w1d3' }, { intent: 'let-go' })).data).toMatchObject({
    leaving: { people: 3 },
  });
  expect((await post('send/run.tsx', {}, { intent: 'let-go', leaving: 'hold' })).status).toBe(200);
  expect(await tick()).toBe(0);
});

describe('what makes days ready', () => {
  test('a session that is moved takes its mark along; the same words written anew are to read', async () => {
    await write('w2d1', true);
    await here(async (c) => {
      const stored = await getPlan(c, { id: programmeId, runId });
      const moved = stored.programme.days.map((d) =>
        d.week === 2 && d.weekday === 1
          ? { ...d, text: '' }
          : d.week === 2 && d.weekday !== 1
            ? { ...d, text: TEXT }
            : d,
      );
      await updatePlan(c, {
        workspaceId,
        programmeId,
        stored,
        next: { ...stored.programme, days: moved },
        now: new Date(NOW),
      });
    });
    const days = (await daysOf()).filter((d) => d.week === 2);
    expect(days.map((d) => [d.text !== '', d.isReady, d.isRead])).toEqual([
      [false, false, false],
      [true, true, true],
      [true, false, false],
    ]);
    expect((await post('plan/ready.ts', {}, { days: 'w2d3 w2d5 w9d9 nonsense' })).data).toEqual({
      told: '1 day is ready.',
    });
    expect((await daysOf()).filter((d) => d.isReady)).toHaveLength(2);
  });

  test('what can’t be read yet isn’t marked with the others', async () => {
    await write('w2d1');
    const day = (await daysOf()).find((d) => d.week === 2 && d.weekday === 3)!;
    await here((c) =>
      updateDayText(c, { dayId: day.id, revision: day.revision, text: 'Main: every now and then', now: new Date(NOW) }),
    );
    expect((await post('plan/ready.ts', {}, { days: 'w2d1 w2d3' })).data).toEqual({
      told: '1 day is ready. 1 day isn’t: something in it can’t be read yet.',
    });
  });

  test('days whose hour has come are told before they go, with all the others', async () => {
    await write('w1d3');
    await write('w2d1');
    expect((await post('plan/ready.ts', {}, { days: 'w1d3 w2d1' })).data).toMatchObject({ leaving: { people: 3 } });
    expect((await post('plan/ready.ts', {}, { days: 'w1d3 w2d1', leaving: 'hold' })).data).toEqual({
      told: '2 days are ready.',
    });
  });
});

test('the message that goes out can be had first, as anyone or as one of them, before anything is sent', async () => {
  await write('w1d5');
  const answer = await post('send/send.tsx', { day: 'w1d5' }, { intent: 'test', as: '' });
  expect(answer.data).toMatchObject({ error: '', told: 'It is on its way to your own address.' });
  const { claimMessages } = await import('../../db/queries/messages/message.ts');
  const { composeMessages } = await import('../../server/messages/compose.ts');
  const [composed] = await here(async (c) => {
    const claimed = await claimMessages(c, { now: new Date(NOW), leaseUntil: new Date(NOW), limit: 5 });
    const scope = {
      workspaceId,
      origin: 'https://x.example.org',
      secret: 'a secret that is long enough to be one',
      nowMs: Date.parse(NOW),
    };
    return [...(await composeMessages(c, claimed, scope)).values()];
  });
  expect(composed).toMatchObject({ written: { subject: expect.stringContaining('Quiet legs') } });
});

test('a page that is opened before a worker has come opens its day by the same rule', async () => {
  await write('w1d3', true);
  const { makeToken, hashToken } = await import('../../server/doors/token.ts');
  const token = makeToken();
  await db.owner.query(
    `insert into personal_link (token_hash, workspace_id, person_id, created_at)
     select $1, workspace_id, id, now() from person where workspace_id = $2 and name = 'Ada'`,
    [hashToken(token), workspaceId],
  );
  const { loader } = await import('../../app/participant/today/today.tsx');
  const page = await callRoute(loader, `/p/${token}`, { params: { token } });
  expect(page.data).toMatchObject({ why: null, session: { key: 'w1d3' } });
  // The worker finds it sent, and tells the others.
  expect(await tick()).toBe(3);
});
