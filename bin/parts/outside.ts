import type { ChildProcess } from 'node:child_process';
import { fork } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { join } from 'node:path';
import { freePort } from './cluster.ts';

/** What the demo starts beside itself: the stand-in for mail and texts, and a worker. */
export interface Outside {
  /** The page on which the messages can be read. */
  readonly inbox: string;
  readonly stop: () => Promise<void>;
}

/** The demo's secret, made once: links in messages that were sent stay good. */
export function demoSecret(data: string): string {
  const file = join(data, 'secret');
  if (!existsSync(file)) writeFileSync(file, randomBytes(32).toString('hex'), { mode: 0o600 });
  return readFileSync(file, 'utf8').trim();
}

const isFree = (port: number): Promise<boolean> =>
  new Promise((done) => {
    const probe = createServer();
    probe.once('error', () => done(false));
    probe.listen(port, '127.0.0.1', () => probe.close(() => done(true)));
  });

const start = (file: string, env: NodeJS.ProcessEnv): ChildProcess =>
  fork(file, [], { execArgv: ['--import', 'tsx'], env, stdio: ['ignore', 'inherit', 'inherit', 'ipc'] });

/** Asks a child to stop, and waits until it has. */
const end = (child: ChildProcess): Promise<void> =>
  new Promise((done) => {
    if (child.exitCode !== null || child.signalCode !== null) return done();
    child.once('close', () => done());
    child.kill('SIGTERM');
  });

/** Starts both; the environment says where the database and the application are. `inboxPort` is taken for the page if it is free. */
export async function startOutside(data: string, inboxPort: number): Promise<Outside> {
  const bounceAt = `127.0.0.1:${await freePort()}`;
  const shared = {
    ...process.env,
    TEXT_SECRET: demoSecret(data),
    BOUNCE_LISTEN: bounceAt,
  };
  const standIn = start('stand-in/main.ts', {
    ...shared,
    STAND_IN_HTTP_PORT: String((await isFree(inboxPort)) ? inboxPort : 0),
  });
  const { smtpPort, httpPort } = await new Promise<{ smtpPort: number; httpPort: number }>((ready, failed) => {
    standIn.once('message', (message) => ready(message as { smtpPort: number; httpPort: number }));
    standIn.once('close', () => failed(new Error('the stand-in did not start')));
  });
  const worker = start('bin/work.ts', {
    ...shared,
    SECRET: demoSecret(data),
    SMTP_URL: `smtp://127.0.0.1:${smtpPort}`,
    TEXT_URL: `http://127.0.0.1:${httpPort}/text`,
    MAIL_FROM: 'sessions@ysodos.example.org',
  });
  return {
    inbox: `http://127.0.0.1:${httpPort}`,
    stop: async () => {
      await end(worker);
      await end(standIn);
    },
  };
}
