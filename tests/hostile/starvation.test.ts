import { connect } from 'node:net';
import type { Socket } from 'node:net';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import type { RunningDemo } from '../../bin/parts/running-demo.ts';
import { startDemo } from '../../bin/parts/running-demo.ts';
import { NASTY_PIECES, nastyText } from '../../core/notation/nasty-text.ts';
import { PATIENCE_MS } from '../../server/http/limits/limits.ts';
import { coachCookie, faultsOf, openAsAdmin, post } from './hostile-demo.ts';

const DATA = '.local/starvation-test';
let demo: RunningDemo;
let cookie: string;
beforeAll(async () => {
  demo = await startDemo(DATA);
  cookie = await coachCookie(demo, 0);
});
afterAll(async () => {
  await demo?.stop();
});

const pause = (ms: number) => new Promise((done) => setTimeout(done, ms));
const programme = () => `/programmes/${demo.workspaces[0]!.programmeId}`;

/** Asks `/healthz` again and again while `work` goes on; gives the longest wait in ms, and what it takes when nothing goes on. */
async function longestHealthMs(work: () => Promise<unknown>): Promise<{ quietMs: number; longestMs: number }> {
  const ask = async () => {
    const startedMs = performance.now();
    expect((await fetch(`${demo.base}/healthz`)).status).toBe(200);
    return performance.now() - startedMs;
  };
  const quiet = [];
  for (let i = 0; i < 20; i++) quiet.push(await ask());
  const working = { on: true };
  const waits: number[] = [];
  const asking = (async () => {
    while (working.on) {
      waits.push(await ask());
      await pause(3);
    }
  })();
  await work();
  working.on = false;
  await asking;
  return { quietMs: Math.max(...quiet), longestMs: Math.max(...waits) };
}

test('the worst texts and imports keep nobody waiting', async () => {
  const texts = NASTY_PIECES.map((nasty) => nastyText(nasty, 199_000)).filter((text) => text.isWellFormed());
  const headers = { cookie, origin: demo.base, 'content-type': 'application/json' };
  // Once before, so that what is measured is the work and not the compiling.
  for (const path of ['write/w8d1', 'days', 'people'])
    await fetch(`${demo.base}${programme()}/${path}`, { headers: { cookie } });
  const { quietMs, longestMs } = await longestHealthMs(async () => {
    for (const text of texts) {
      const at = `${demo.base}${programme()}/write/w8d1`;
      const page = await fetch(`${at}/draft`, {
        method: 'POST',
        headers,
        body: JSON.stringify({ text: '', revision: 1 }),
      });
      const { stale } = (await page.json()) as { stale?: { revision: number } };
      await fetch(`${at}/draft`, {
        method: 'POST',
        headers,
        body: JSON.stringify({ text, revision: stale?.revision ?? 2 }),
      });
      await post(demo, `${programme()}/write/w8d1`, { intent: 'ready', revision: '2' }, { cookie });
      await fetch(`${demo.base}${programme()}/days`, { headers: { cookie } });
      await post(demo, '/routines', { name: 'Nasty', text: text.slice(0, 19_000) }, { cookie });
    }
    await post(demo, `${programme()}/new-people`, { text: `name\n${'"a,'.repeat(100_000)}` }, { cookie });
    await post(demo, `${programme()}/new-people`, { text: 'name,'.repeat(90_000) }, { cookie });
    const days = Array.from({ length: 364 }, (_, i) => ({
      week: 1 + Math.floor(i / 7),
      weekday: 1 + (i % 7),
      text: 'Main: flow\n5 squat\n',
    }));
    const file = { format: 'ysodos-programme', version: 1, title: 'x', weeks: 52, days };
    await post(
      demo,
      '/programmes',
      { title: 'Year', from: 'file', startsOn: '2026-05-18', document: JSON.stringify(file) },
      { cookie },
    );
    await post(
      demo,
      '/programmes',
      { title: 'x', from: 'file', startsOn: '2026-05-18', document: '['.repeat(700_000) },
      { cookie },
    );
    await post(demo, '/sign-in', { email: `${'a@'.repeat(20_000)}b`, password: 'x' });
  });
  // 100 ms is meant, on a machine that does nothing else; this one runs other tests beside, and is let off with more.
  expect(longestMs).toBeLessThan(250 + 4 * quietMs);
  expect(await faultsOf(demo.base)).toBe(0);
}, 120_000);

test('200 requests against a database that answers nobody are 503 with a time to come back, and none is a 500', async () => {
  const db = await openAsAdmin(DATA);
  await db.query('begin; lock table programme in access exclusive mode');
  try {
    const codes = await Promise.all(
      Array.from({ length: 200 }, async (_, i) => {
        const path = i % 2 === 0 ? demo.workspaces[1]!.linkPath : `${programme()}/plan`;
        const response = await fetch(demo.base + path, { headers: { cookie, accept: 'text/html' } });
        const text = await response.text();
        return [response.status, response.headers.get('retry-after'), text.includes('One moment, please')].join(' ');
      }),
    );
    expect([...new Set(codes)]).toEqual(['503 2 true']);
    expect((await fetch(`${demo.base}/healthz`)).status).toBe(200);
  } finally {
    await db.query('rollback');
    await db.end();
  }
  expect((await fetch(demo.base + demo.workspaces[1]!.linkPath)).status).toBe(200);
  expect(await faultsOf(demo.base)).toBe(0);
});

test('the database dying under open transactions is a 503 that says so; the process recovers by itself', async () => {
  const db = await openAsAdmin(DATA);
  await db.query('begin; lock table programme in access exclusive mode');
  const waiting = Array.from({ length: 8 }, () =>
    fetch(demo.base + demo.workspaces[1]!.linkPath, { headers: { accept: 'text/html' } }),
  );
  await pause(500);
  const other = await openAsAdmin(DATA);
  await other.query(`select pg_terminate_backend(pid) from pg_stat_activity where usename = 'ysodos_app'`);
  for (const response of await Promise.all(waiting)) {
    expect(response.status).toBe(503);
    expect(await response.text()).toContain('One moment, please');
  }
  await db.query('rollback');
  await db.end();
  await other.end();
  expect((await fetch(demo.base + demo.workspaces[1]!.linkPath)).status).toBe(200);
  expect((await fetch(`${demo.base}/readyz`)).status).toBe(200);
  expect(await faultsOf(demo.base)).toBe(0);
});

describe('slow clients', () => {
  const open = (sent: string) =>
    new Promise<{ socket: Socket; closed: Promise<void> }>((done) => {
      const { port, hostname } = new URL(demo.base);
      const socket = connect(Number(port), hostname, () => {
        socket.write(sent);
        done({ socket, closed: new Promise((end) => socket.on('close', () => end())) });
      });
      socket.on('error', () => undefined);
      socket.resume();
    });

  test('600 half-open requests are closed in time, and meanwhile others are served', async () => {
    const half = await Promise.all(
      Array.from({ length: 600 }, (_, i) => open(i % 2 === 0 ? 'GET / HTTP/1.1\r\nHost: h\r\nX: ' : '')),
    );
    expect((await fetch(`${demo.base}/healthz`)).status).toBe(200);
    const started = performance.now();
    await Promise.race([Promise.all(half.map((h) => h.closed)), pause(PATIENCE_MS.headers + 25_000)]);
    expect(half.filter((h) => !h.socket.destroyed)).toHaveLength(0);
    expect(performance.now() - started).toBeLessThan(PATIENCE_MS.headers + 25_000);
  });

  test('1,000 half-sent posts leave everybody else their pages', async () => {
    const half = await Promise.all(
      Array.from({ length: 1000 }, (_, i) =>
        open(
          `POST ${i % 2 === 0 ? '/sign-in' : demo.workspaces[1]!.linkPath} HTTP/1.1\r\nHost: ${new URL(demo.base).host}\r\nOrigin: ${demo.base}\r\nContent-Type: application/x-www-form-urlencoded\r\nContent-Length: 1000\r\n\r\nemail=`,
        ),
      ),
    );
    await pause(300);
    for (const path of ['/healthz', demo.workspaces[1]!.linkPath])
      expect((await fetch(demo.base + path)).status).toBe(200);
    for (const { socket } of half) socket.destroy();
    // A thousand ends are noticed one after the other.
    const signIn = async () => (await post(demo, '/sign-in', { email: 'x@example.org', password: 'y' })).status;
    await expect.poll(signIn, { timeout: 10_000, interval: 200 }).toBe(400);
    expect(await faultsOf(demo.base)).toBe(0);
  });

  test('a body that comes more slowly than it may is cut off long before its deadline', async () => {
    const { socket, closed } = await open(
      `POST /sign-in HTTP/1.1\r\nHost: ${new URL(demo.base).host}\r\nOrigin: ${demo.base}\r\nContent-Type: application/x-www-form-urlencoded\r\nContent-Length: 60000\r\n\r\nemail=`,
    );
    const dripping = setInterval(() => socket.write('x'), 500);
    const started = performance.now();
    await Promise.race([closed, pause(30_000)]);
    clearInterval(dripping);
    expect(socket.destroyed).toBe(true);
    // Cut off within the half minute, where the deadline would let it drip on; a busy machine looks a little late.
    expect(performance.now() - started).toBeLessThan(29_000);
    expect(await faultsOf(demo.base)).toBe(0);
  }, 60_000);

  test('a body that stops in the middle holds no connection to the database', async () => {
    const stalled = await Promise.all(
      Array.from({ length: 30 }, () =>
        open(
          `POST ${programme()}/people HTTP/1.1\r\nHost: ${new URL(demo.base).host}\r\nOrigin: ${demo.base}\r\nCookie: ${cookie}\r\nContent-Type: application/x-www-form-urlencoded\r\nContent-Length: 1000\r\n\r\nintent=add`,
        ),
      ),
    );
    await pause(300);
    expect((await fetch(demo.base + demo.workspaces[1]!.linkPath)).status).toBe(200);
    for (const { socket } of stalled) socket.destroy();
    await pause(200);
    expect(await faultsOf(demo.base)).toBe(0);
  });
});

describe('one who asks for much keeps nobody else waiting', () => {
  /** The middle time of a page, asked for one after the other while `on`. */
  async function pageMs(path: string, while_: () => boolean): Promise<number[]> {
    const took: number[] = [];
    while (while_()) {
      const startedMs = performance.now();
      const response = await fetch(demo.base + path);
      await response.text();
      expect(response.status).toBe(200);
      took.push(performance.now() - startedMs);
      await pause(5);
    }
    return took.sort((a, b) => a - b);
  }
  const middle = (of: readonly number[]) => of[Math.floor(of.length / 2)] ?? 0;

  test('40 papers at once by one link: some in turn, the rest are told to come back, and another’s Today stays itself', async () => {
    const { linkPath } = demo.workspaces[0]!;
    const other = demo.workspaces[1]!.linkPath;
    // Once before, so that what is measured is the work and not the compiling.
    for (const path of [`${linkPath}/w5d1/sheet.pdf`, other]) await (await fetch(demo.base + path)).arrayBuffer();
    let until = performance.now() + 800;
    const quiet = await pageMs(other, () => performance.now() < until);
    let left = 40;
    const papers = Promise.all(
      Array.from({ length: 40 }, async (_, i) => {
        const day = ['w5d1', 'w4d1', 'w4d3', 'w3d1'][i % 4]!;
        const response = await fetch(`${demo.base}${linkPath}/${day}/${i % 2 === 0 ? 'sheet' : 'week'}.pdf`);
        await response.arrayBuffer();
        left--;
        return response.status;
      }),
    );
    const busy = await pageMs(other, () => left > 0);
    const codes = await papers;
    expect([...new Set(codes)].sort()).toEqual([200, 429]);
    expect(codes.filter((c) => c === 200).length).toBeGreaterThanOrEqual(13);
    // Twice is meant, on a machine that does nothing else.
    until = 0;
    expect(middle(busy)).toBeLessThan(4 * middle(quiet) + 60);
    // The same paper again is the one that was made before.
    const [one, two] = await Promise.all(
      [1, 2].map(async () => Buffer.from(await (await fetch(`${demo.base}${linkPath}/w5d1/sheet.pdf`)).arrayBuffer())),
    );
    expect(one!.equals(two!)).toBe(true);
    expect(one!.subarray(0, 5).toString()).toBe('%PDF-');
    expect(await faultsOf(demo.base)).toBe(0);
  }, 60_000);

  test('2,000 live lines are six for one coach, and another workspace has its own', async () => {
    const elsewhere = await coachCookie(demo, 1);
    const line = `${programme()}/today-line`;
    const controller = new AbortController();
    const codes = new Map<number, number>();
    // Held, so that none is closed because nobody looks at it any more.
    const open: Response[] = [];
    for (let i = 0; i < 20; i++)
      await Promise.all(
        Array.from({ length: 100 }, async () => {
          const response = await fetch(demo.base + line, { headers: { cookie }, signal: controller.signal });
          codes.set(response.status, (codes.get(response.status) ?? 0) + 1);
          if (response.status === 200) open.push(response);
          else await response.text();
        }),
      );
    expect([codes.get(200), open.length]).toEqual([6, 6]);
    expect([...codes.keys()].every((c) => [200, 429, 503].includes(c))).toBe(true);
    const own = await fetch(`${demo.base}/programmes/${demo.workspaces[1]!.programmeId}/today-line`, {
      headers: { cookie: elsewhere },
      signal: controller.signal,
    });
    expect(own.status).toBe(200);
    expect((await fetch(demo.base + demo.workspaces[1]!.linkPath)).status).toBe(200);
    controller.abort();
    // Closed lines make room again.
    await expect
      .poll(
        async () => {
          const again = new AbortController();
          const { status } = await fetch(demo.base + line, { headers: { cookie }, signal: again.signal });
          again.abort();
          return status;
        },
        { timeout: 10_000 },
      )
      .toBe(200);
    expect(await faultsOf(demo.base)).toBe(0);
  }, 60_000);

  test('a flood of sign-ins of strangers leaves a browser that is known its two seconds', async () => {
    const { coachEmail } = demo.workspaces[1]!;
    const known = await post(demo, '/sign-in', { email: coachEmail, password: demo.password });
    const cookies = known.headers.getSetCookie().map((c) => c.split(';')[0]!);
    expect(cookies.some((c) => c.startsWith('ysodos_device='))).toBe(true);
    const signInMs = async () => {
      const startedMs = performance.now();
      const answer = await post(
        demo,
        '/sign-in',
        { email: coachEmail, password: demo.password },
        { cookie: cookies.join('; ') },
      );
      expect(answer.status).toBe(302);
      return performance.now() - startedMs;
    };
    const quietMs = Math.max(await signInMs(), await signInMs());
    let isOver = false;
    const statuses = new Set<number>();
    const strangers: number[] = [];
    const flood = Array.from({ length: 30 }, async (_, i) => {
      for (let n = 0; !isOver; n++) {
        const startedMs = performance.now();
        const answer = await post(demo, '/sign-in', { email: `nobody-${i}-${n}@flood.example`, password: 'a guess' });
        statuses.add(answer.status);
        if (answer.status === 400) strangers.push(performance.now() - startedMs);
        await answer.text();
        await pause(20);
      }
    });
    await pause(1_500);
    const took: number[] = [];
    for (let i = 0; i < 5; i++) took.push(await signInMs());
    isOver = true;
    await Promise.all(flood);
    // Two seconds are meant, on a machine that does nothing else; on a busy one, far less than strangers wait.
    const [knownMs, strangersMs] = [took, strangers].map((ms) => middle(ms.sort((a, b) => a - b)));
    expect(knownMs).toBeLessThan(Math.max(2_000 + 4 * quietMs, strangersMs! / 2));
    expect([...statuses].every((s) => [400, 429, 503].includes(s))).toBe(true);
    expect(await faultsOf(demo.base)).toBe(0);
  }, 90_000);
});
