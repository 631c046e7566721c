import { createHash, randomBytes } from 'node:crypto';
import type pg from 'pg';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import type { RunningDemo } from '../../bin/parts/running-demo.ts';
import { startDemo } from '../../bin/parts/running-demo.ts';
import { coachCookie, faultsOf, openAsAdmin, post } from './hostile-demo.ts';
import type { Access } from './matrix.ts';
import { MATRIX, tableOf } from './matrix.ts';

/**
 * Every route of the table, as nobody, a participant, another, one whose link was revoked, a reader, the owner, a second coach and a
 * coach elsewhere; on their own and on foreign ids; by GET, and by POST with and without our origin.
 */
const DATA = '.local/matrix-test';
const CANARY = 'zzcanary';
let demo: RunningDemo;
let db: pg.Client;
const cookies: Record<string, string> = {};
const tokens: Record<string, string> = {};
/** What stands only in the other workspace: titles, names and addresses. */
let foreign: string[];
let foreignEnrolment: string;
let ownEnrolment: string;

const tokenOf = (path: string): string => path.slice('/p/'.length);

async function addCoach(role: 'coach' | 'reader'): Promise<string> {
  const email = `${role}@orchestra.example.org`;
  await db.query(
    `insert into coach (workspace_id, email, name, password_hash, role)
     select workspace_id, $2, $3, password_hash, $3 from coach where email = $1`,
    [demo.workspaces[0]!.coachEmail, email, role],
  );
  const answer = await post(demo, '/sign-in', { email, password: demo.password });
  return answer.headers.getSetCookie()[0]!.split(';')[0]!;
}

async function addLink(personId: string, isRevoked: boolean): Promise<string> {
  const token = randomBytes(20).toString('base64url');
  await db.query(
    `insert into personal_link (token_hash, workspace_id, person_id, kind, created_at, revoked_at)
     select $1, workspace_id, id, 'personal', now(), case when $3 then now() end from person where id = $2`,
    [createHash('sha256').update(token).digest(), personId, isRevoked],
  );
  return token;
}

/** Words of health in every field that holds some, of somebody in the first programme. */
async function plantCanaries(enrolmentId: string): Promise<void> {
  await db.query(
    `insert into record (workspace_id, enrolment_id, version_id, client_id, outcome, share_ratio, remark, logged_at, made_at, details)
     select e.workspace_id, e.id, v.id, gen_random_uuid(), 'part', 0.5, $2, '2026-05-13T08:30:00Z', '2026-05-13T08:30:00Z', '{"body": "hurts"}'
     from enrolment e join version v on v.run_id = e.run_id join day d on d.id = v.day_id
     where e.id = $1 order by d.week desc, d.weekday desc limit 1`,
    [enrolmentId, `${CANARY} remark`],
  );
  await db.query(
    `insert into coach_act (workspace_id, enrolment_id, kind, words, made_at) select workspace_id, id, 'note', $2, now() from enrolment where id = $1`,
    [enrolmentId, `${CANARY} note`],
  );
  await db.query(
    `insert into absence (workspace_id, enrolment_id, kind, from_on, to_on, said_by, note, made_at)
     select workspace_id, id, 'excused', '2026-05-11', '2026-05-11', 'person', $2, now() from enrolment where id = $1`,
    [enrolmentId, `${CANARY} absence`],
  );
  await db.query(
    `insert into pain (workspace_id, enrolment_id, version_id, client_id, movement, area, did, told_at)
     select workspace_id, enrolment_id, version_id, gen_random_uuid(), $2, 'knee', 'ended', '2026-05-13T08:30:00Z'
     from record where enrolment_id = $1 order by id desc limit 1`,
    [enrolmentId, `${CANARY} movement`],
  );
}

beforeAll(async () => {
  demo = await startDemo(DATA);
  db = await openAsAdmin(DATA);
  const people = await db.query<{ id: string; enrolment: string }>(
    `select p.id, e.id as enrolment from person p join enrolment e on e.person_id = p.id join run r on r.id = e.run_id
     where r.programme_id = $1 order by p.id`,
    [demo.workspaces[0]!.programmeId],
  );
  const [first, second, third] = people.rows;
  ownEnrolment = first!.enrolment;
  tokens.own = tokenOf(demo.workspaces[0]!.linkPath);
  // The one that the demo hands out stays; others get theirs here.
  tokens.other = tokenOf(demo.workspaces[1]!.linkPath);
  tokens.revoked = await addLink(third!.id, true);
  void second;
  foreignEnrolment = (
    await db.query<{ id: string }>(
      `select e.id from enrolment e join run r on r.id = e.run_id where r.programme_id = $1 limit 1`,
      [demo.workspaces[1]!.programmeId],
    )
  ).rows[0]!.id;
  await plantCanaries(ownEnrolment);
  cookies.nobody = '';
  cookies.owner = await coachCookie(demo, 0);
  cookies.second = await addCoach('coach');
  cookies.reader = await addCoach('reader');
  cookies.elsewhere = await coachCookie(demo, 1);
  foreign = (
    await db.query<{ word: string }>(
      `select title as word from programme where id = $1
       union select p.name from person p join programme g on g.workspace_id = p.workspace_id where g.id = $1
         and p.name not in (select x.name from person x where x.workspace_id <> g.workspace_id)
       union select email from coach c join programme g on g.workspace_id = c.workspace_id where g.id = $1 and email is not null`,
      [demo.workspaces[0]!.programmeId],
    )
  ).rows.map((r) => r.word);
  expect(foreign.length).toBeGreaterThan(20);
}, 180_000);
afterAll(async () => {
  await db?.end();
  await demo?.stop();
});

interface Params {
  readonly programmeId?: string;
  readonly enrolmentId?: string;
  readonly token?: string;
}

const address = (route: string, { programmeId = '1', enrolmentId = ownEnrolment, token = 'unknown' }: Params): string =>
  route
    .replace('/*', '/nothing/here')
    .replace(':programmeId', programmeId)
    .replace(':enrolmentId', enrolmentId)
    .replace(':token', token)
    .replace(':day', route.startsWith('/p/') ? 'w5d1' : 'w5d3')
    .replace('/:page?', '/days')
    .replace(/:(code|key)/, 'unknown');

const get = (path: string, cookie = ''): Promise<Response> =>
  fetch(demo.base + path, { headers: { cookie, accept: 'text/html' }, redirect: 'manual' });
/** Of a stream its first line is enough. */
async function bodyOf(response: Response): Promise<string> {
  if (!(response.headers.get('content-type') ?? '').includes('event-stream')) return response.text();
  const reader = response.body!.getReader();
  const { value } = await reader.read();
  await reader.cancel();
  return new TextDecoder().decode(value);
}

const own = (route: string) => ({
  programmeId: String(demo.workspaces[0]!.programmeId),
  enrolmentId: ownEnrolment,
  token: route.startsWith('/p/') ? tokens.own! : 'unknown',
});
/** Routes that answer nothing to who only looks. */
const isForms = (access: Access): boolean => access.own.includes(405);
const rows = (by: Access['by']): (readonly [string, Access])[] =>
  Object.entries(MATRIX).filter(([, access]) => access.by === by);

test('every route of the table has its row, and no row is of a route that is gone', () => {
  expect(Object.keys(MATRIX).sort()).toEqual([...new Set(tableOf())].sort());
});

describe('what coaches open', () => {
  test.each(rows('coach'))('%s', async (route, access) => {
    const at = address(route, own(route));
    const seen: Record<string, number> = {};
    for (const [who, cookie] of Object.entries(cookies)) {
      const response = await get(at, cookie);
      seen[who] = response.status;
      const text = await bodyOf(response);
      if (who === 'reader') expect(text).not.toContain(CANARY);
      if (who === 'nobody' || (who === 'elsewhere' && route.includes(':programmeId')))
        for (const word of foreign) expect(text).not.toContain(word);
    }
    expect(access.own).toContain(seen.owner);
    expect(access.second ?? access.own).toContain(seen.second);
    expect(access.reader ?? access.own).toContain(seen.reader);
    expect(isForms(access) ? access.own : [302]).toContain(seen.nobody);
    // What isn't of their workspace isn't there; their own pages are.
    // What only leads on does so, to what isn’t there.
    if (route === '/programmes/:programmeId') expect(seen.elsewhere).toBe(302);
    else if (route.includes(':programmeId')) expect([404, 405, 400]).toContain(seen.elsewhere);
    else expect(access.own).toContain(seen.elsewhere);
    if (route.includes(':enrolmentId')) {
      const mixed = await get(address(route, { ...own(route), enrolmentId: foreignEnrolment }), cookies.owner);
      expect([route, mixed.status]).toEqual([route, 404]);
    }
  });

  test('a link of a participant is no sign-in', async () => {
    for (const [route, access] of rows('coach')) {
      const response = await get(address(route, own(route)), `ysodos_coach=${tokens.own}`);
      expect([route, response.status === 302 || isForms(access)]).toEqual([route, true]);
    }
  });

  test.each(rows('coach'))('a form to %s', async (route, { form }) => {
    const at = address(route, own(route));
    const send = async (cookie: string, headers: Record<string, string> = {}) => {
      const response = await post(demo, at, { intent: 'nothing' }, { cookie, ...headers });
      await response.body?.cancel();
      return response;
    };
    const refusal = form === 'none' ? [400, 405] : undefined;
    const nobody = await send(cookies.nobody!);
    expect(refusal ?? [302]).toContain(nobody.status);
    if (nobody.status === 302) expect(nobody.headers.get('location')).toMatch(/^\/sign-in/);
    expect(refusal ?? (form === 'open' ? [200, 302, 400, 404] : [403])).toContain((await send(cookies.reader!)).status);
    expect(refusal ?? (form === 'owner' ? [403] : [200, 302, 400, 404, 409])).toContain(
      (await send(cookies.second!)).status,
    );
    expect(refusal ?? [200, 302, 400, 404, 409]).toContain((await send(cookies.owner!)).status);
    if (route.includes(':programmeId'))
      expect(refusal ?? [400, 404]).toContain((await send(cookies.elsewhere!)).status);
    for (const origin of ['https://evil.example', 'null', ''])
      expect([400, 403]).toContain((await send(cookies.owner!, { origin })).status);
  });
});

describe('what participants open', () => {
  test.each(rows('person'))('%s', async (route, { own: wanted }) => {
    const mine = await get(address(route, { token: tokens.own! }));
    expect(wanted).toContain(mine.status);
    const other = await get(address(route, { token: tokens.other! }));
    const text = await other.text();
    for (const word of foreign) expect(text).not.toContain(word);
    for (const token of [tokens.revoked!, 'A'.repeat(27), 'x']) {
      const gone = await get(address(route, { token }));
      expect([route, wanted.includes(405) ? [400, 404, 405] : [404]]).toEqual([
        route,
        expect.arrayContaining([gone.status]),
      ]);
      const words = await gone.text();
      for (const word of foreign) expect(words).not.toContain(word);
    }
  });

  test.each(rows('person'))('a form to %s', async (route, { form }) => {
    const send = async (token: string, headers: Record<string, string> = {}) => {
      const response = await post(demo, address(route, { token }), { intent: 'nothing' }, headers);
      await response.body?.cancel();
      return response.status;
    };
    expect(form === 'none' ? [400, 405] : [200, 302, 400, 404]).toContain(await send(tokens.own!));
    for (const token of [tokens.revoked!, 'A'.repeat(27)]) expect([400, 404, 405]).toContain(await send(token));
    for (const origin of ['https://evil.example', 'null', ''])
      expect([400, 403]).toContain(await send(tokens.own!, { origin }));
  });
});

test.each([...rows('open'), ...rows('key')])('for anybody: %s', async (route, { own: wanted, form }) => {
  const response = await get(address(route, {}));
  expect(wanted).toContain(response.status);
  const text = await response.text();
  for (const word of foreign) expect(text).not.toContain(word);
  const posted = await post(demo, address(route, {}), { intent: 'nothing' });
  expect(form === 'none' ? [404, 405] : [200, 302, 400, 404]).toContain(posted.status);
  if (route !== '/stop/:key')
    expect([400, 403]).toContain((await post(demo, address(route, {}), {}, { origin: 'https://evil.example' })).status);
});

test('what was planted stands on a coach’s pages, and nothing broke', async () => {
  const base = `/programmes/${demo.workspaces[0]!.programmeId}`;
  const pages = await Promise.all(
    [`${base}/follow-up`, `${base}/follow-up/person/${ownEnrolment}`].map(async (path) =>
      (await get(path, cookies.second)).text(),
    ),
  );
  const all = pages.join('\n');
  for (const what of ['remark', 'note', 'movement']) expect(all).toContain(`${CANARY} ${what}`);
  expect(await faultsOf(demo.base)).toBe(0);
});
