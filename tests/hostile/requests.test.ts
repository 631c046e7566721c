import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import type { RunningDemo } from '../../bin/parts/running-demo.ts';
import { startDemo } from '../../bin/parts/running-demo.ts';
import { coachCookie, faultsOf, openAsAdmin, post, sendRaw, statusOf } from './hostile-demo.ts';
import { HOSTILE_REQUESTS } from './requests.ts';
import { BAD_VALUES } from './values.ts';

const DATA = '.local/hostile-test';
let demo: RunningDemo;
let cookie: string;
let link: string;
let programmeId: number;
let faults = 0;
/** Nothing has broken since this was last asked. */
async function expectNoFault(): Promise<void> {
  const before = faults;
  faults = await faultsOf(demo.base);
  expect(faults - before).toBe(0);
}

beforeAll(async () => {
  demo = await startDemo(DATA);
  cookie = await coachCookie(demo, 0);
  link = demo.workspaces[0]!.linkPath;
  programmeId = demo.workspaces[0]!.programmeId;
});
afterAll(async () => {
  await demo?.stop();
});

test.each(HOSTILE_REQUESTS)('$name', async ({ raw, status }) => {
  const answer = await sendRaw(demo.base, raw.replaceAll('TOKEN', link.slice('/p/'.length)));
  expect(status).toContain(statusOf(answer));
  await expectNoFault();
});

describe('every kind of answer', () => {
  const paths = () => [
    '/',
    '/nothing',
    '/sign-in',
    '/healthz',
    '/readyz',
    link,
    `${link}.data`,
    `/programmes/${programmeId}/days`,
    `/programmes/${programmeId}/follow-up`,
    `/programmes/${programmeId}/follow-up.data`,
    `/programmes/${programmeId}/follow-up/working`,
    `/programmes/${programmeId}/records.csv`,
    `/programmes/${programmeId}/insights.json`,
    `/programmes/${programmeId}/out?as=json`,
    '/p/unknown',
    '/theme',
    '/%',
    '/icon.svg',
  ];
  test('has its caching, kind and referrer policy said', async () => {
    for (const path of paths()) {
      const response = await fetch(demo.base + path, { headers: { cookie }, redirect: 'manual' });
      const said = [response.headers.get('x-content-type-options'), response.headers.get('referrer-policy')];
      expect([path, ...said]).toEqual([path, 'nosniff', 'same-origin']);
      expect([path, response.headers.get('cache-control')]).toEqual([
        path,
        expect.stringMatching(path === '/icon.svg' ? /max-age/ : /no-store/),
      ]);
    }
  });
  test('is a page in words where a person went to an address', async () => {
    for (const path of [
      '/nothing',
      '/p/unknown',
      '/%',
      `/programmes/${programmeId}/nothing`,
      `/programmes/${programmeId}/write/w9d9`,
      '/programmes/999999/days',
      `/programmes/${programmeId}/routines`,
    ]) {
      const response = await fetch(demo.base + path, { headers: { cookie, accept: 'text/html' } });
      const text = await response.text();
      expect([path, response.status >= 400, /<h1>[^<]+<\/h1>/.test(text)]).toEqual([path, true, true]);
    }
    const put = await fetch(`${demo.base}/healthz`, {
      method: 'POST',
      headers: { origin: demo.base, accept: 'text/html' },
    });
    expect([put.status, (await put.text()).includes('That can’t be done here')]).toEqual([405, true]);
  });
});

describe('bad values are a 400 that names the field, and nothing breaks', () => {
  test.each(BAD_VALUES)('$name', async ({ path, form, json, field, status = [400] }) => {
    const at = path.replace('PROGRAMME', String(programmeId)).replace('LINK', link);
    const headers = { cookie, origin: demo.base };
    const response =
      json === undefined
        ? await post(demo, at, form ?? {}, { cookie })
        : await fetch(demo.base + at, {
            method: 'POST',
            body: json,
            headers: { ...headers, 'content-type': 'application/json' },
            redirect: 'manual',
          });
    expect(status).toContain(response.status);
    if (field) expect(await response.text()).toContain(field);
    await expectNoFault();
  });
});

test('the same thing six times at once is done once, or said', async () => {
  const times = (path: string, fields: Record<string, string>) =>
    Promise.all(Array.from({ length: 6 }, () => post(demo, path, fields, { cookie, accept: '*/*' })));
  const codes = async (path: string, fields: Record<string, string>) =>
    (await times(path, fields)).map((r) => r.status).sort((a, b) => a - b);
  const copy = { text: 'Main: flow\n5 squat', toProgramme: String(programmeId), toDay: 'w8d7' };
  expect(await codes(`/programmes/${programmeId}/copy`, copy)).toEqual([200, 409, 409, 409, 409, 409]);
  expect(await codes('/routines', { name: 'Six', text: 'Warm-up: flow\n5 squat', replace: 'yes' })).toEqual(
    Array(6).fill(200),
  );
  const log = { outcome: 'done', 'client-id': crypto.randomUUID() };
  expect(await codes(`${link}/w4d1/log`, log)).toEqual(Array(6).fill(302));
  const db = await openAsAdmin(DATA);
  try {
    const enrolmentId = (
      await db.query<{ id: string }>(
        `select e.id from personal_link l join enrolment e on e.person_id = l.person_id order by created_at limit 1`,
      )
    ).rows[0]!.id;
    await Promise.all(
      Array.from({ length: 8 }, () =>
        post(demo, `/programmes/${programmeId}/people`, { intent: 'link', enrolmentId }, { cookie }),
      ),
    );
    const working = await db.query(
      `select 1 from personal_link l join enrolment e on e.person_id = l.person_id where e.id = $1 and l.kind = 'personal' and l.revoked_at is null`,
      [enrolmentId],
    );
    expect(working.rows).toHaveLength(1);
    expect((await db.query('select 1 from record where client_id = $1', [log['client-id']])).rows).toHaveLength(1);
    await expect(db.query('delete from version')).rejects.toMatchObject({ code: '23001' });
    await expect(db.query('delete from run')).rejects.toMatchObject({ code: '23001' });
    await expect(db.query('delete from day')).rejects.toMatchObject({ code: '23001' });
    await expect(db.query('truncate version cascade')).rejects.toMatchObject({ code: '23001' });
  } finally {
    await db.end();
  }
  await expectNoFault();
});

test('what would change for nobody, or by no number, is nothing', async () => {
  const ids = ['0', '-1', '1.5', '1e309', '9223372036854775808', 'x', '%00', '2'];
  const numbers = ['0', 'NaN', '1e309', '∞', '51', '-51', '0x1', '9'.repeat(3000), '+1&by=2', '%00', '1'];
  for (const [id, by] of ids.flatMap((i) => numbers.map((n) => [i, n] as const))) {
    const path = `/programmes/${programmeId}/follow-up/next/${id}?by=${encodeURI(by)}`;
    const { status } = await fetch(demo.base + path, { headers: { cookie } });
    expect([path.slice(0, 120), [200, 400, 404].includes(status)]).toEqual([path.slice(0, 120), true]);
  }
  await expectNoFault();
});

test('what is typed too long comes back shortened, and what one link may store in an hour ends', async () => {
  const long = `${'x'.repeat(5000)}@example.org`;
  const text = await (await post(demo, '/sign-in', { email: long, password: 'x' })).text();
  expect(text).toContain('x'.repeat(200));
  expect(text).not.toContain('x'.repeat(201));
  const path = demo.workspaces[1]!.linkPath;
  const codes = [];
  for (let i = 0; i < 125; i++) codes.push((await post(demo, `${path}/me`, { part: 'spares' })).status);
  expect(codes.filter((c) => c === 302)).toHaveLength(120);
  expect(codes.filter((c) => c === 429)).toHaveLength(5);
});

test('links to copy are made from the configured address, whatever host was asked for', async () => {
  const answer = await sendRaw(
    demo.base,
    `GET /programmes/${programmeId}/people HTTP/1.1\r\nHost: evil.example\r\nCookie: ${cookie}\r\nX-Forwarded-Host: evil.example\r\nAccept: text/html\r\nConnection: close\r\n\r\n`,
  );
  expect(statusOf(answer)).toBe(200);
  expect(answer).not.toContain('evil.example');
  expect(answer).toContain(demo.base);
});

test('signing in ends the session before it', async () => {
  const before = await coachCookie(demo, 1);
  const { coachEmail } = demo.workspaces[1]!;
  const again = await post(demo, '/sign-in', { email: coachEmail, password: demo.password }, { cookie: before });
  const after = again.headers.getSetCookie()[0]!.split(';')[0]!;
  const see = async (as: string) =>
    (await fetch(`${demo.base}/programmes`, { headers: { cookie: as }, redirect: 'manual' })).status;
  expect([await see(before), await see(after)]).toEqual([302, 200]);
});

describe('a stored thing that can’t be used', () => {
  test('is told on the page, and no page of the workspace breaks', async () => {
    const db = await openAsAdmin(DATA);
    try {
      const { rows } = await db.query<{ id: string }>('select workspace_id as id from programme where id = $1', [
        programmeId,
      ]);
      const workspace = rows[0]!.id;
      await db.query(
        `insert into movement_override (workspace_id, movement_id, fields, changed_at) values ($1, 'push-up', '{"otherNames": ["press", "press"]}', now()), ($1, 'plank', '{"otherNames": 7, "demand": null}', now())`,
        [workspace],
      );
      await db.query(
        `insert into ladder_override (workspace_id, ladder_id, ladder, changed_at) values ($1, 'x', '{"id": "x", "name": "X", "steps": null}', now())`,
        [workspace],
      );
      await db.query(
        `insert into routine (workspace_id, name, text, changed_at) values ($1, 'Broken', 'no block', now())`,
        [workspace],
      );
      await db.query(
        `update programme set frame = frame || '{"tracks": [{"id": 7}], "lighter": "often", "themes": [1]}' where id = $1`,
        [programmeId],
      );
      await db.query(
        `update person set levels = '[1]', swaps = '{"a": 1}', spares = '{nonsense}' where workspace_id = $1`,
        [workspace],
      );
    } finally {
      await db.end();
    }
    for (const path of [
      'plan',
      'write/w5d1',
      'write/w8d3',
      'send/w5d1',
      'follow-up',
      'follow-up/next',
      'follow-up/working',
      'follow-up/teams',
      'people',
      'movements',
      'days',
      'crowd',
      'out?as=json',
    ]) {
      const response = await fetch(`${demo.base}/programmes/${programmeId}/${path}`, { headers: { cookie } });
      expect([path, response.status]).toEqual([path, 200]);
      if (path === 'plan' || path === 'movements') expect(await response.text()).toMatch(/can’t be used/);
      if (path === 'people') expect(await response.text()).toMatch(/A part of what is stored of/);
    }
    for (const path of ['', '/me', '/w5d1', '/w5d1/log', '/w5d1/clock'])
      expect([path, (await fetch(demo.base + link + path)).status]).toEqual([path, 200]);
    const reset = await post(
      demo,
      `/programmes/${programmeId}/movements`,
      { intent: 'reset', id: 'push-up' },
      { cookie },
    );
    expect(reset.status).toBe(302);
    await expectNoFault();
  });
});
