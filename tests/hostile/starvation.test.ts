import { connect } from 'node:net';
import type { Socket } from 'node:net';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import type { RunningDemo } from '../../bin/parts/running-demo.ts';
import { startDemo } from '../../bin/parts/running-demo.ts';
import { PATIENCE_MS } from '../../server/http/limits/limits.ts';
import { coachCookie, faultsOf, openAsAdmin, post } from './hostile-demo.ts';
import { sendWorst } from './send-worst.ts';

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

/** How long anything asked of the server may take while somebody keeps it busy: no measure of speed, only of being answered at all. */
const DEADLINE_MS = 8_000;

/** Asks `/healthz` again and again while `work` goes on; fails where an answer is not 200 or comes after the deadline. */
async function healthyDuring(work: () => Promise<unknown>): Promise<void> {
  const working = { on: true };
  const asking = (async () => {
    let answers = 0;
    while (working.on) {
      const response = await fetch(`${demo.base}/healthz`, { signal: AbortSignal.timeout(DEADLINE_MS) });
      expect(response.status).toBe(200);
      answers++;
      await pause(3);
    }
    return answers;
  })();
  await Promise.all([work().finally(() => (working.on = false)), asking]);
  expect(await asking).toBeGreaterThan(20);
}

test('the worst texts and imports keep nobody waiting', async () => {
  await healthyDuring(() => sendWorst(demo, cookie));
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
  test('40 papers at once by one link: some in turn, the rest are told to come back, and another’s Today stays itself', async () => {
    const { linkPath } = demo.workspaces[0]!;
    const other = demo.workspaces[1]!.linkPath;
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
    let pages = 0;
    while (left > 0) {
      const response = await fetch(demo.base + other, { signal: AbortSignal.timeout(DEADLINE_MS) });
      expect(response.status).toBe(200);
      await response.text();
      pages++;
    }
    const codes = await papers;
    expect([...new Set(codes)].sort()).toEqual([200, 429]);
    const made = codes.filter((c) => c === 200).length;
    expect(made).toBeGreaterThanOrEqual(13);
    // A page that waited for papers would come once a paper.
    expect(pages).toBeGreaterThan(2 * made);
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

  test('a flood of sign-ins of strangers refuses strangers, and lets a browser that is known in', async () => {
    const { coachEmail } = demo.workspaces[1]!;
    const signIn = (headers: Record<string, string>) =>
      post(demo, '/sign-in', { email: coachEmail, password: demo.password }, headers);
    const known = await signIn({});
    const cookies = known.headers.getSetCookie().map((c) => c.split(';')[0]!);
    expect(cookies.some((c) => c.startsWith('ysodos_device='))).toBe(true);
    let isOver = false;
    const statuses = new Set<number>();
    const flood = Array.from({ length: 30 }, async (_, i) => {
      for (let n = 0; !isOver; n++) {
        const answer = await post(demo, '/sign-in', { email: `nobody-${i}-${n}@flood.example`, password: 'a guess' });
        statuses.add(answer.status);
        await answer.text();
        await pause(20);
      }
    });
    // Strangers of one network are as many at once as may be, once some of them are refused.
    await expect.poll(() => statuses.has(429), { timeout: 20_000 }).toBe(true);
    for (let i = 0; i < 5; i++) expect((await signIn({ cookie: cookies.join('; ') })).status).toBe(302);
    isOver = true;
    await Promise.all(flood);
    expect([...statuses].every((s) => [400, 429, 503].includes(s))).toBe(true);
    expect(await faultsOf(demo.base)).toBe(0);
  }, 90_000);
});
