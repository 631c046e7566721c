import { createServer } from 'node:net';
import { host, port, publicUrl, SettingError } from '../../server/config.ts';
import type { RunningServer } from '../../server/http/listen.ts';
import { CommandError } from './say.ts';

export const STOP_SIGNALS = ['SIGINT', 'SIGTERM', 'SIGHUP'] as const;

/** Open requests have so long to end when the process is told to stop. */
const GRACE_MS = 10_000;

const portError = (code: string | undefined, at: number): CommandError | undefined => {
  if (code === 'EADDRINUSE') return new CommandError(`Port ${at} is taken.`, 'Choose another: PORT, or --port N.');
  if (code === 'EACCES')
    return new CommandError(`There is no right to open port ${at}.`, 'Choose one above 1023: PORT, or --port N.');
  if (code === 'EADDRNOTAVAIL')
    return new CommandError('HOST is no address of this machine.', 'Set HOST to 127.0.0.1, or to one that it has.');
  return undefined;
};

/** Refuses where a port can't be had, before anything else is started or stopped for it. */
export async function checkPort(at: number, on: string): Promise<void> {
  const probe = createServer();
  try {
    await new Promise<void>((done, failed) => {
      probe.once('error', failed);
      probe.listen(at, on, done);
    });
  } catch (error) {
    throw portError((error as NodeJS.ErrnoException).code, at) ?? error;
  }
  await new Promise<void>((done) => probe.close(() => done()));
}

/** Starts the application as the environment says. Settings that are missing or wrong are said in words. */
export async function startServing(): Promise<RunningServer> {
  const listening = await import('../../server/http/listen.ts');
  try {
    return await listening.listen({ port: port(), host: host() });
  } catch (error) {
    throw settingError(error) ?? portError((error as NodeJS.ErrnoException).code, port()) ?? error;
  }
}

export const settingError = (error: unknown): CommandError | undefined =>
  error instanceof SettingError ? new CommandError(error.message, error.remedy) : undefined;

/** The address that people open, with the port that was asked for. */
export const openAt = (): string => publicUrl().origin;

/** Runs until the process is told to stop, or something was thrown that nobody caught, then lets open requests end, and what was started with it. */
export function stopOnSignal(
  server: RunningServer,
  after: () => void | Promise<void> = () => undefined,
): Promise<void> {
  return new Promise((done) => {
    let stopping = false;
    const stop = () => {
      if (stopping) return;
      stopping = true;
      void server.close(GRACE_MS).then(after).then(done);
    };
    for (const signal of STOP_SIGNALS) process.removeAllListeners(signal).on(signal, stop);
    server.onFatal(stop);
  });
}
