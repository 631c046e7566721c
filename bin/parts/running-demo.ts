import { spawn } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { freePort } from './cluster.ts';

export interface RunningDemo {
  /** Its folder. */
  readonly data: string;
  readonly base: string;
  readonly password: string;
  readonly workspaces: readonly {
    title: string;
    coachEmail: string;
    programmeId: number;
    linkPath: string;
    linkName: string;
  }[];
  /** A coach with nothing yet. */
  readonly newcomerEmail: string;
  /** Where its messages end; absent where it was started without. */
  readonly inbox: string | undefined;
  readonly stop: () => Promise<void>;
}

/** The instant at which tests and pictures stand still: a Wednesday morning in Europe, evening in Auckland. */
export const FIXED_NOW = '2026-05-13T09:00:00Z';

/** Starts a fresh demo of its own, with a stopped clock, and waits until it serves. */
export async function startDemo(
  data: string,
  options: readonly string[] = ['--without-messages'],
  env: Readonly<Record<string, string>> = {},
  onOutput: (text: string) => void = () => undefined,
): Promise<RunningDemo> {
  const port = await freePort();
  const child = spawn(
    process.execPath,
    [
      '--import',
      'tsx',
      'bin/demo.ts',
      '--port',
      String(port),
      '--data',
      data,
      '--now',
      FIXED_NOW,
      '--fresh',
      // A test's own is thrown away at its end.
      ...(process.env.VITEST === undefined ? [] : ['--throwaway']),
      ...options,
    ],
    // Should this process be killed, the channel closes, and the demo stops by itself.
    { stdio: ['ignore', 'pipe', 'pipe', 'ipc'], env: { ...process.env, ...env } },
  );
  let output = '';
  let errors = '';
  child.stderr!.on('data', (chunk: Buffer) => {
    errors += chunk.toString();
  });
  const ended = new Promise<void>((done) => child.on('close', () => done()));
  await new Promise<void>((ready, failed) => {
    child.stdout!.on('data', (chunk: Buffer) => {
      output += chunk.toString();
      onOutput(chunk.toString());
      if (output.includes('Ctrl-C')) ready();
    });
    child.on('close', () => failed(new Error(`the demo ended:\n${errors}`)));
  });
  const file = JSON.parse(readFileSync(join(data, 'demo.json'), 'utf8')) as Pick<
    RunningDemo,
    'password' | 'workspaces' | 'newcomerEmail'
  >;
  return {
    data,
    base: `http://127.0.0.1:${port}`,
    password: file.password,
    workspaces: file.workspaces,
    newcomerEmail: file.newcomerEmail,
    inbox: /Its messages end at (\S+)/.exec(output)?.[1],
    stop: async () => {
      child.kill('SIGTERM');
      await ended;
    },
  };
}
