import { spawn, spawnSync } from 'node:child_process';
import type { ChildProcess } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import type { Cluster } from '../../bin/parts/cluster.ts';
import { freePort, startCluster } from '../../bin/parts/cluster.ts';

const node = (args: readonly string[], env: Record<string, string> = {}): ChildProcess =>
  spawn(process.execPath, ['--import', 'tsx', ...args], {
    stdio: ['ignore', 'pipe', 'pipe'],
    env: { ...process.env, ...env },
  });
/** Runs a command to its end. */
const ended = (args: readonly string[], env: Record<string, string> = {}) =>
  spawnSync(process.execPath, ['--import', 'tsx', ...args], {
    encoding: 'utf8',
    env: { ...process.env, ...env },
    timeout: 60_000,
  });
const says = (child: ChildProcess, words: string): Promise<void> =>
  new Promise((done, failed) => {
    let text = '';
    const listen = (chunk: Buffer) => {
      text += chunk.toString();
      if (text.includes(words)) done();
    };
    child.stdout!.on('data', listen);
    child.stderr!.on('data', listen);
    child.on('close', () => failed(new Error(`it ended and said:\n${text}`)));
  });
/** Its exit code once it has ended, which may have been before anybody asked. */
const gone = (child: ChildProcess): Promise<number | null> =>
  child.exitCode !== null || child.signalCode !== null
    ? Promise.resolve(child.exitCode)
    : new Promise((done) => child.on('close', done));

describe('./ysodos demo', () => {
  const data = '.local/start-test';
  const demo = async (port: number) => {
    const child = node([
      'bin/demo.ts',
      '--port',
      String(port),
      '--data',
      data,
      '--now',
      '2026-05-13T09:00:00Z',
      '--readers',
      '5',
    ]);
    await says(child, 'Ctrl-C');
    return child;
  };

  test('refuses a second one while the first lives, names it, and leaves it alone; a killed one is taken over', async () => {
    const [port, other] = [await freePort(), await freePort()];
    const first = await demo(port);
    const healthy = async (at: number) => (await fetch(`http://127.0.0.1:${at}/readyz`)).status;
    try {
      const same = ended(['bin/demo.ts', '--port', String(other), '--data', data]);
      expect(same.status).toBe(1);
      expect(same.stderr).toContain(`is in use: a demo, process ${first.pid}`);
      expect(await healthy(port)).toBe(200);
      const fresh = ended(['bin/demo.ts', '--port', String(other), '--data', data, '--fresh']);
      expect([fresh.status, await healthy(port)]).toEqual([1, 200]);
      const taken = ended(['bin/demo.ts', '--port', String(port), '--data', '.local/start-test-other']);
      expect(taken.stderr).toContain(`Port ${port} is taken`);
      expect(existsSync('.local/start-test-other/cluster.json')).toBe(false);
    } finally {
      first.kill('SIGKILL');
      await gone(first);
    }
    const second = await demo(other);
    expect(await healthy(other)).toBe(200);
    second.kill('SIGTERM');
    expect(await gone(second)).toBe(0);
    expect(existsSync(join(data, 'owner.json'))).toBe(false);
  }, 120_000);
});

test('what is served is React’s and the router’s production build, whatever the environment says', () => {
  const probe = ended(['tests/hostile/production-probe.ts'], { NODE_ENV: 'development' });
  expect(probe.stderr).not.toContain('Error');
  const loaded = JSON.parse(probe.stdout) as string[];
  expect(loaded.some((path) => path.includes('react.production.js'))).toBe(true);
  expect(loaded.filter((path) => /development/.test(path))).toEqual([]);
  const bundle = readFileSync('build/server/index.js', 'utf8');
  expect(bundle).not.toMatch(/from "react-router"|ENABLE_DEV_WARNINGS = true/);
});

describe('./ysodos serve', () => {
  const data = '.local/serve-test';
  let cluster: Cluster;
  let env: Record<string, string>;
  beforeAll(async () => {
    cluster = await startCluster(data, { what: 'a test of serve' });
    await cluster.dropDatabase('served');
    await cluster.createDatabase('served');
    env = {
      DATABASE_URL: cluster.appUrl('served'),
      DATABASE_OWNER_URL: cluster.ownerUrl('served'),
      PUBLIC_URL: 'https://ysodos.example.org',
      SECRET: 'a secret of the tests, long enough to be one',
      LOG_LEVEL: 'info',
    };
  });
  afterAll(() => {
    cluster?.stop();
  });

  test('says in a word what is missing or wrong', () => {
    const refusals: readonly [Record<string, string>, RegExp][] = [
      [{ DATABASE_URL: '' }, /DATABASE_URL is not set/],
      [{ SECRET: '' }, /SECRET is not set/],
      [{ SECRET: 'short' }, /SECRET is too short/],
      [{ DATABASE_URL: 'mysql://x' }, /DATABASE_URL is no PostgreSQL address/],
      [{ DATABASE_URL: 'postgres://ysodos_app:x@127.0.0.1:1/x' }, /can’t be had/],
      [{ PUBLIC_URL: '' }, /PUBLIC_URL is not set/],
      [{ PUBLIC_URL: 'ysodos.example.org' }, /PUBLIC_URL is no address/],
      [{ PUBLIC_URL: 'https://ysodos.example.org/below' }, /PUBLIC_URL is no address of a site/],
      [{ PUBLIC_URL: 'http://ysodos.example.org' }, /in the clear/],
      [{ PORT: 'x' }, /PORT is no port/],
      [{ TRUST_PROXY: 'nobody' }, /TRUST_PROXY/],
      [{}, /migration 0.*needs \d+/],
      [{ DATABASE_URL: env.DATABASE_OWNER_URL! }, /owner of the tables|migration 0/],
    ];
    for (const [more, words] of refusals) {
      const run = ended(['bin/serve.ts'], { ...env, PORT: '4399', ...more });
      expect([run.status, run.stderr]).toEqual([1, expect.stringMatching(words)]);
    }
  }, 120_000);

  test('two processes behind nginx are one site: sign-in, links, addresses, errors, and a graceful end', async () => {
    expect(ended(['bin/new-workspace.ts', '--email', 'ada@example.org'], env).stderr).toMatch(/no tables yet/);
    expect(ended(['bin/migrate.ts'], env).stderr).toMatch(/applied 000001/);
    expect(ended(['bin/migrate.ts'], env).stderr).toMatch(/nothing to do/);
    expect(ended(['bin/serve.ts'], { ...env, DATABASE_URL: env.DATABASE_OWNER_URL! }).stderr).toMatch(
      /owner of the tables/,
    );
    expect(ended(['bin/new-workspace.ts', '--email', 'nobody'], env).stderr).toMatch(/no e-mail address/);
    const made = ended(['bin/new-workspace.ts', '--email', 'Ada@example.org', '--workspace', 'Harbour'], env);
    expect(ended(['bin/new-workspace.ts', '--email', 'ada@example.org'], env).stderr).toMatch(/coach already/);
    const password = /password {2}(\S+)/.exec(made.stdout)![1]!;

    const [front, one, two] = [await freePort(), await freePort(), await freePort()];
    const site = { ...env, PUBLIC_URL: `http://127.0.0.1:${front}`, TRUST_PROXY: 'loopback' };
    const processes = [one, two].map((port) => node(['bin/serve.ts'], { ...site, PORT: String(port) }));
    await Promise.all(processes.map((child) => says(child, 'serving')));
    let logged = '';
    for (const child of processes) child.stdout!.on('data', (chunk: Buffer) => (logged += chunk.toString()));
    const nginx = await startNginx(front, [one, two]);
    try {
      const base = site.PUBLIC_URL;
      const ask = (path: string, init: RequestInit = {}) => fetch(base + path, { redirect: 'manual', ...init });
      const post = (path: string, fields: Record<string, string>, headers: Record<string, string> = {}) =>
        ask(path, {
          method: 'POST',
          body: new URLSearchParams(fields),
          headers: { origin: base, accept: 'text/html', ...headers },
        });
      expect((await ask('/readyz')).status).toBe(200);
      const wrong = await post(
        '/sign-in',
        { email: 'ada@example.org', password: 'x' },
        { 'x-forwarded-for': '203.0.113.9' },
      );
      expect(wrong.status).toBe(400);
      const signedIn = await post('/sign-in', { email: 'ada@example.org', password });
      expect(signedIn.status).toBe(302);
      const cookie = signedIn.headers.getSetCookie()[0]!.split(';')[0]!;
      // Signed in at one process, known at both.
      for (let i = 0; i < 6; i++) expect((await ask('/programmes', { headers: { cookie } })).status).toBe(200);
      const start = await post(
        '/programmes',
        { title: 'First', from: 'empty', weeks: '1', weekdays: '1', startsOn: '2026-05-18' },
        { cookie },
      );
      const people = start.headers.get('location')!.replace(/plan$/, 'people');
      await post(
        people.replace(/people$/, 'new-people'),
        { text: 'Noor', timeZone: 'UTC', joinedOn: '2026-05-18' },
        { cookie },
      );
      const added = await post(people, { intent: 'links' }, { cookie });
      const link = /\/p\/[A-Za-z0-9_-]{27}/.exec(await added.text())![0];
      for (let i = 0; i < 4; i++) expect((await ask(link)).status).toBe(200);
      expect((await post('/programmes', { title: 'x' }, { cookie, origin: 'http://evil.example' })).status).toBe(403);
      expect((await ask(link.toUpperCase())).status).toBe(404);
      // Logs hold the pattern of a route, never a link, an address that was typed, or a password.
      for (const secret of [link.slice(3), 'ada@example.org', password, 'Noor']) expect(logged).not.toContain(secret);
      expect(logged).toContain('"route":"/p/:token"');

      // A request that is under way when the process is told to stop ends first.
      const slow = ask('/sign-in', {
        method: 'POST',
        body: new URLSearchParams({ email: 'ada@example.org', password }),
        headers: { origin: base },
      });
      await new Promise((done) => setTimeout(done, 15));
      processes[0]!.kill('SIGTERM');
      expect([302, 502]).toContain((await slow).status);
      expect(await gone(processes[0]!)).toBe(0);
      for (let i = 0; i < 4; i++) expect((await ask(link)).status).toBe(200);
    } finally {
      nginx.kill('SIGTERM');
      for (const child of processes) child.kill('SIGTERM');
    }
    expect(await gone(processes[1]!)).toBe(0);
  }, 180_000);

  test('cookies are secure where the site is', async () => {
    const port = await freePort();
    const child = node(['bin/serve.ts'], { ...env, PORT: String(port) });
    await says(child, 'serving');
    try {
      const response = await fetch(`http://127.0.0.1:${port}/theme`, {
        method: 'POST',
        body: new URLSearchParams({ theme: 'dark' }),
        headers: { origin: `https://127.0.0.1:${port}` },
      });
      // A name that a browser takes from this host alone, by https, for all of its pages (RFC 6265bis 4.1.3.2).
      const parts = response.headers.get('set-cookie')!.split('; ');
      expect(parts[0]).toMatch(/^__Host-ysodos_theme=/);
      expect(parts).toEqual(expect.arrayContaining(['Path=/', 'HttpOnly', 'Secure', 'SameSite=Lax']));
      expect(response.headers.get('set-cookie')).not.toContain('Domain');
      expect(response.headers.get('strict-transport-security')).toBe('max-age=31536000; includeSubDomains');
    } finally {
      child.kill('SIGTERM');
      await gone(child);
    }
  }, 60_000);
});

/** nginx from Debian's package, on loopback, with the site of docs/operate.md before so many processes. */
async function startNginx(front: number, ports: readonly number[]): Promise<ChildProcess> {
  const folder = resolve('.local/nginx-test');
  rmSync(folder, { recursive: true, force: true });
  mkdirSync(folder, { recursive: true });
  const site = /```nginx\n([^]*?)```/
    .exec(readFileSync('docs/operate.md', 'utf8'))![1]!
    .replace(
      /upstream ysodos \{[^]*?\n\}/,
      `upstream ysodos {\n${ports.map((p) => `  server 127.0.0.1:${p};`).join('\n')}\n  keepalive 16;\n}`,
    )
    .replace(/listen 443 ssl;[^]*?ssl_certificate_key [^;]*;/, `listen 127.0.0.1:${front};`)
    .replace(/error_log [^;]*;/, '')
    .replace(/server_name [^;]*;/, 'server_name 127.0.0.1;');
  writeFileSync(
    join(folder, 'nginx.conf'),
    `daemon off;\npid ${folder}/pid;\nerror_log ${folder}/error.log;\nevents {}\nhttp {\n${['client_body', 'proxy', 'fastcgi', 'uwsgi', 'scgi'].map((t) => `${t}_temp_path ${folder}/${t};`).join('\n')}\naccess_log off;\n${site}\n}\n`,
  );
  const child = spawn('/usr/sbin/nginx', ['-c', join(folder, 'nginx.conf'), '-p', folder], {
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  for (let i = 0; i < 100; i++) {
    try {
      await fetch(`http://127.0.0.1:${front}/healthz`);
      return child;
    } catch {
      await new Promise((done) => setTimeout(done, 50));
    }
  }
  throw new Error(`nginx did not start:\n${readFileSync(join(folder, 'error.log'), 'utf8')}`);
}
