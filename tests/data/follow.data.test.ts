import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import type { DayDate } from '../../core/calendar/day.ts';
import { emptyProgramme } from '../../core/progress/programme-document.ts';
import { insertProgramme } from '../../db/queries/plan.ts';
import { getProgramme, listDays, updateDayReady, updateDayText } from '../../db/queries/programme.ts';
import { withWorkspace } from '../../db/workspace-scope.ts';
import { callRoute } from '../call-route.ts';
import type { ThrowawayDatabase } from '../throwaway-database.ts';
import { makeThrowawayDatabase, makeWorkspace } from '../throwaway-database.ts';

process.env.YSODOS_NOW = '2026-05-13T09:00:00Z';
const NOW = new Date('2026-05-13T09:00:00Z');
const PASSWORD = 'quiet feet';
const TEXT = 'Title: Engine\nMain (Engine): amrap 4:00\n10 squat\n8 push-up, @ 5 kg';

let db: ThrowawayDatabase;
let workspaceId: number;
let programmeId: number;
let cookie: string;
let token: string;

const post = async (route: string, path: string, params: Record<string, string>, form: Record<string, string>) => {
  const { action } = (await import(/* @vite-ignore */ `../../app/${route}`)) as { action: never };
  return callRoute(action, path, { params: { programmeId: String(programmeId), ...params }, cookie, form });
};
const send = (day: string, revision: string) =>
  post('send/send.tsx', `/programmes/${programmeId}/send/${day}`, { day }, { revision });

beforeAll(async () => {
  db = await makeThrowawayDatabase();
  process.env.DATABASE_URL = db.appUrl;
  process.env.PUBLIC_URL = 'http://127.0.0.1:4310';
  const { hashPassword } = await import('../../server/doors/hash-password.ts');
  ({ workspaceId } = await makeWorkspace(db.owner, 'follow'));
  await db.owner.query('update coach set password_hash = $1', [await hashPassword(PASSWORD)]);
  programmeId = await withWorkspace(db.pool, workspaceId, async (c) => {
    const id = await insertProgramme(c, {
      workspaceId,
      programme: emptyProgramme({ title: 'Mornings', weeks: 1, weekdays: [1, 3, 5] }),
      startsOn: '2026-05-11' as DayDate,
      run: { title: 'Spring' },
      now: NOW,
    });
    for (const day of await listDays(c, await getProgramme(c, id, { now: NOW }))) {
      const revision = await updateDayText(c, { dayId: day.id, revision: 1, text: TEXT, now: NOW });
      await updateDayReady(c, { dayId: day.id, revision, isReady: true });
    }
    return id;
  });
  const { action } = await import('../../app/account/sign-in.tsx');
  const answer = await callRoute(action, '/sign-in', {
    form: { email: 'coach@follow.example.org', password: PASSWORD },
  });
  cookie = answer.setCookie!.split(';')[0]!;
  for (const day of ['w1d1', 'w1d3', 'w1d5']) expect((await send(day, '2')).status).toBe(302);
  await post(
    'people/new-people.ts',
    `/programmes/${programmeId}/new-people`,
    {},
    {
      text: 'Ada, ada@example.org',
      timeZone: 'UTC',
      joinedOn: '2026-05-11',
      leaving: 'send',
    },
  );
  const made = await post('people/people.tsx', '/x', {}, { intent: 'links' });
  token = /\/p\/([\w-]+)/.exec(JSON.stringify(made.data))![1]!;
}, 120_000);
afterAll(async () => {
  const { closeDatabase } = await import('../../server/database.ts');
  await closeDatabase();
  await db?.drop();
});

const id = (n: number) => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
const log = (day: string, form: Record<string, string>) =>
  post('participant/log/log.tsx', `/p/${token}/${day}/log`, { token, day }, { outcome: 'done', ...form });
const read = async (route: string, path: string, params: Record<string, string> = {}, headers = {}) => {
  const { loader } = (await import(/* @vite-ignore */ `../../app/${route}`)) as { loader: never };
  return callRoute(loader, `/p/${token}${path}`, { params: { token, ...params }, headers });
};
/** The body of a route that answers with a file. */
const body = async (route: string, path: string): Promise<string> => {
  const { loader } = (await import(/* @vite-ignore */ `../../app/${route}`)) as {
    loader: (args: unknown) => Promise<Response>;
  };
  return (await loader({ params: { token }, request: new Request(`http://127.0.0.1:4310/p/${token}${path}`) })).text();
};
const records = async () =>
  (
    await db.owner.query<{
      version: number;
      weekday: number;
      scores: { rounds: number; key: string }[];
      details: Record<string, unknown>;
    }>(
      `select v.number as version, d.weekday, r.scores, r.details from record r join version v on v.id = r.version_id
       join day d on d.id = v.day_id order by r.id`,
    )
  ).rows;

describe('what a phone tells', () => {
  test('reason, body, weights, shapes and seconds are kept beside the numbers; a number has a key', async () => {
    const form = {
      'client-id': id(1),
      outcome: 'part',
      share: '75',
      reason: 'too-long',
      body: 'tired',
      'score-0-rounds': '5',
      'load-0-1': '7.5',
      seen: JSON.stringify({
        chosen: [{ block: 0, item: 1, from: 'push-up', to: 'knee push-up' }],
        ranSec: { 0: 240 },
      }),
    };
    expect((await log('w1d1', form)).status).toBe(302);
    const [record] = await records();
    expect(record).toMatchObject({
      weekday: 1,
      scores: [{ rounds: 5, kind: 'rounds+reps' }],
      details: {
        reason: 'too-long',
        body: 'tired',
        loads: [{ block: 0, item: 1, movement: 'push-up', kg: 7.5 }],
        chosen: [{ block: 0, item: 1, from: 'push-up', to: 'knee push-up' }],
        ranSec: { 0: 240 },
      },
    });
    // The same again is a retry; in the written shape it is another number.
    expect((await log('w1d1', form)).status).toBe(302);
    expect(await records()).toHaveLength(1);
    const { seen: _seen, ...asWritten } = form;
    await log('w1d1', { ...asWritten, 'client-id': id(2) });
    const keys = (await records()).map((r) => r.scores[0]!.key);
    expect(keys[0]).not.toBe(keys[1]);
  });

  test('what nobody does is asked about, and taken when it is said to be right', async () => {
    const form = { 'client-id': id(3), 'score-0-rounds': '400' };
    const asked = await log('w1d3', form);
    expect([asked.status, (asked.data as { errors: Record<string, string> }).errors]).toEqual([
      400,
      { 'score-0-rounds': expect.stringContaining('Is it right?') as string, sure: 'Is that right?' },
    ]);
    expect((await log('w1d3', { ...form, 'load-0-1': 'heavy' })).status).toBe(400);
    expect((await log('w1d3', { ...form, sure: 'yes' })).status).toBe(302);
  });

  test('a day whose hour hasn’t come is for later; one of no programme isn’t there', async () => {
    expect((await log('w1d5', { 'client-id': id(4) })).status).toBe(425);
    expect((await log('w1d2', { 'client-id': id(4) })).status).toBe(404);
  });

  test('a corrected or withdrawn day keeps what was done on the version that it was done on', async () => {
    const { rows } = await db.owner.query<{ id: number }>(
      'select v.id::integer from version v join day d on d.id = v.day_id where d.weekday = 3',
    );
    await withWorkspace(db.pool, workspaceId, async (c) => {
      const days = await listDays(c, await getProgramme(c, programmeId, { now: NOW }));
      const day = days.find((d) => d.weekday === 3)!;
      const revision = await updateDayText(c, {
        dayId: day.id,
        revision: day.revision,
        text: `${TEXT}\n5 burpee`,
        now: NOW,
      });
      await updateDayReady(c, { dayId: day.id, revision, isReady: true });
    });
    expect((await send('w1d3', '3')).status).toBe(302);
    await log('w1d3', { 'client-id': id(5), 'version-id': String(rows[0]!.id), 'score-0-rounds': '6' });
    expect((await records()).at(-1)).toMatchObject({ version: 1, scores: [{ rounds: 6 }] });
    await post('send/send.tsx', `/programmes/${programmeId}/send/w1d1`, { day: 'w1d1' }, { intent: 'withdraw' });
    expect((await log('w1d1', { 'client-id': id(6), 'version-id': '999' })).status).toBe(302);
  });

  test('a phone’s clock that is hours off is noted, and moves nothing', async () => {
    const ahead = NOW.getTime() + 3 * 3_600_000;
    await log('w1d3', { 'client-id': id(7), 'made-at': String(ahead - 60_000), 'sent-at': String(ahead) });
    expect((await records()).at(-1)!.details).toEqual({ clockOffSec: 10_800 });
    const { rows } = await db.owner.query<{ ago: number }>(
      `select extract(epoch from logged_at - made_at)::integer as ago from record where client_id = $1`,
      [id(7)],
    );
    expect(rows[0]!.ago).toBe(60);
  });

  test('a correction of the remark keeps what the clock saw', async () => {
    const fewer = { '0': [{ set: 1, turn: 2, item: 0, by: 1 }] };
    const seen = JSON.stringify({ chosen: [], fewer, ranSec: { '0': 300 } });
    await log('w1d3', { 'client-id': id(20), seen });
    const page = (await read('participant/log/log.tsx', '/w1d3/log', { day: 'w1d3' })).data as {
      after: number;
      values: { seen: string };
    };
    await log('w1d3', {
      'client-id': id(21),
      after: String(page.after),
      seen: page.values.seen,
      remark: 'a word more',
    });
    expect((await records()).at(-1)).toMatchObject({ details: { fewer, ranSec: { '0': 300 } } });
  });

  test('what answers a record stands over it, though the server’s clock, or the phone’s, was set back meanwhile', async () => {
    const standing = async () => {
      const page = (await read('participant/log/log.tsx', '/w1d3/log', { day: 'w1d3' })).data as {
        after: number;
        values: { remark: string };
      };
      return { after: String(page.after), remark: page.values.remark };
    };
    const before = await standing();
    const longAgo = String(NOW.getTime() - 5 * 3_600_000);
    // A phone that didn't know of what stands, and says it later: what was made later stays.
    await log('w1d3', {
      'client-id': id(8),
      remark: 'from the drawer',
      'made-at': longAgo,
      'sent-at': String(NOW.getTime()),
    });
    expect(await standing()).toEqual(before);
    await log('w1d3', {
      'client-id': id(9),
      remark: 'said anew',
      after: before.after,
      'made-at': longAgo,
      'sent-at': String(NOW.getTime()),
    });
    const anew = await standing();
    expect(anew.remark).toBe('said anew');
    await log('w1d3', {
      'client-id': '00000000-0000-4000-8000-0000000000a1',
      remark: 'and again',
      after: anew.after,
      'made-at': longAgo,
    });
    expect((await standing()).remark).toBe('and again');
    // A number that is none, or of nobody's record, gives no right of way.
    await log('w1d3', {
      'client-id': '00000000-0000-4000-8000-0000000000a2',
      remark: 'no',
      after: '0',
      'made-at': longAgo,
      'sent-at': String(NOW.getTime()),
    });
    expect((await standing()).remark).toBe('and again');
  });

  test('what hurts is told once, with or without a record', async () => {
    const hurt = (n: number) =>
      post(
        'participant/clock/hurt.ts',
        `/p/${token}/w1d3/hurt`,
        { token, day: 'w1d3' },
        {
          'client-id': id(n),
          movement: 'squat',
          area: 'knee',
          did: 'stand-in',
          to: 'wall sit',
        },
      );
    for (const n of [8, 8, 9]) expect((await hurt(n)).status).toBe(200);
    const { loader } = await import('../../app/follow-up/follow-up.tsx');
    const page = await callRoute(loader, `/programmes/${programmeId}/follow-up`, {
      params: { programmeId: String(programmeId) },
      cookie,
    });
    expect((page.data as { lately: { pains: { name: string; words: string }[] } }).lately.pains).toMatchObject([
      { name: 'Ada', words: 'knee, at squat: went on with wall sit' },
      { name: 'Ada' },
    ]);
  });
});

describe('what a phone keeps', () => {
  test('days to come are given to the keeper only, and nobody has opened them by that', async () => {
    expect((await read('participant/clock/clock.tsx', '/w1d5/clock', { day: 'w1d5' })).status).toBe(404);
    const kept = await read('participant/clock/clock.tsx', '/w1d5/clock', { day: 'w1d5' }, { 'keep-page': '1' });
    expect(kept.data).toMatchObject({ title: 'Engine' });
    const { rows } = await db.owner.query('select from release x join day d on d.id = x.day_id where d.weekday = 5');
    expect(rows).toEqual([]);
    const today = await read('participant/today/today.tsx', '?on=w1d5', {}, { 'keep-page': '1' });
    expect(today.data).toMatchObject({ todayWords: 'Friday 15 May', session: { key: 'w1d5' } });
    // Without being the keeper the address means nothing.
    expect((await read('participant/today/today.tsx', '?on=w1d5')).data).toMatchObject({
      todayWords: 'Wednesday 13 May',
    });
  });

  test('the list names each page with a mark that changes with what it shows', async () => {
    const list = async () =>
      (JSON.parse(await body('participant/kept/keep.ts', '/keep.json')) as { pages: { path: string; tag: string }[] })
        .pages;
    const before = await list();
    expect(before.map((p) => p.path.replace(`/p/${token}`, ''))).toEqual(
      expect.arrayContaining(['', '/weeks', '/me', '/me/days', '?on=w1d3', '?on=w1d5', '/w1d5/clock', '/w1d5/log']),
    );
    expect(await list()).toEqual(before);
    await log('w1d3', { 'client-id': id(0), effort: '5' });
    const after = await list();
    const tagOf = (pages: typeof before, end: string) => pages.find((p) => p.path.endsWith(end))!.tag;
    expect(tagOf(after, '/w1d3/log')).not.toBe(tagOf(before, '/w1d3/log'));
  });

  test('it can be put on the first screen', async () => {
    expect(JSON.parse(await body('participant/kept/manifest.ts', '/app.webmanifest'))).toMatchObject({
      display: 'standalone',
      start_url: `/p/${token}`,
      scope: `/p/${token}`,
    });
  });
});

describe('what is theirs', () => {
  test('their numbers over time, shapes told apart', async () => {
    await log('w1d3', { 'client-id': '00000000-0000-4000-8000-0000000000aa', 'score-0-rounds': '6' });
    const { numbers } = (await read('participant/me/weeks.tsx', '/weeks')).data as {
      numbers: { label: string; shape: string; points: unknown[] }[];
    };
    expect(numbers.map((n) => n.label)).toContain('Engine: Engine');
  });

  test('a copy of everything, whole and as lines', async () => {
    const copy = await body('participant/me/copy.ts', '/copy.json');
    expect(JSON.parse(copy)).toMatchObject({
      person: { name: 'Ada', address: 'ada@example.org' },
      runs: [{ programme: 'Mornings', pains: [{ area: 'knee' }, {}] }],
    });
    expect(copy).not.toMatch(/token_hash|stop_key|workspace_id/);
    const csv = await body('participant/me/copy.ts', '/copy.csv');
    expect(csv.split('\r\n')[0]).toBe(
      'programme,week,day,session,outcome,share,effort,reason,body,scores,remark,made,arrived',
    );
    expect(csv).toContain('Mornings,1,1,Engine,part,0.75,,too-long,tired,5 rounds');
  });

  test('leaving, coming back, and being deleted with all that hangs on it', async () => {
    const weeks = (form: Record<string, string>) =>
      post('participant/me/weeks.tsx', `/p/${token}/weeks`, { token }, form);
    await weeks({ part: 'leave' });
    expect((await read('participant/me/weeks.tsx', '/weeks')).data).toMatchObject({ hasLeft: true });
    await weeks({ part: 'return' });
    expect((await read('participant/me/weeks.tsx', '/weeks')).data).toMatchObject({ hasLeft: false });
    expect((await weeks({ part: 'delete' })).status).toBe(400);
    expect((await weeks({ part: 'delete', sure: 'yes' })).data).toMatchObject({ gone: true });
    for (const table of ['person', 'enrolment', 'record', 'pain', 'release', 'personal_link', 'message'])
      expect((await db.owner.query(`select from ${table}`)).rows, table).toEqual([]);
    expect((await read('participant/me/weeks.tsx', '/weeks')).status).toBe(404);
  });
});
