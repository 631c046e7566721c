import { DAY_MS } from '../core/calendar/spans.ts';
import '../server/http/production.ts';
import { parseArgs } from 'node:util';
import { ensureBuild } from './parts/build.ts';
import type { DemoFile } from './parts/demo-data.ts';
import { startDemoData } from './parts/demo-data.ts';
import type { Outside } from './parts/outside.ts';
import { demoSecret, startOutside } from './parts/outside.ts';
import { CommandError, runCommand, say } from './parts/say.ts';
import { checkPort, openAt, startServing, stopOnSignal } from './parts/serving.ts';

const HOST = '127.0.0.1';

function readOptions() {
  let values;
  try {
    values = parseArgs({
      options: {
        port: { type: 'string' },
        data: { type: 'string' },
        now: { type: 'string' },
        fresh: { type: 'boolean' },
        readers: { type: 'string' },
        'without-messages': { type: 'boolean' },
        throwaway: { type: 'boolean' },
      },
    }).values;
  } catch (error) {
    throw new CommandError(
      (error as Error).message,
      'Options are --port N, --data DIR, --now ISO, --readers N, --without-messages and --fresh.',
    );
  }
  const port = values.port === undefined ? 4310 : Number(values.port);
  if (!Number.isInteger(port) || port < 1 || port > 65535)
    throw new CommandError(`${values.port} is no port.`, 'A port is a whole number from 1 to 65535.');
  const nowMs = values.now === undefined ? undefined : Date.parse(values.now);
  if (nowMs !== undefined && Number.isNaN(nowMs))
    throw new CommandError(`${values.now} is no instant.`, 'Write it like 2026-05-13T09:00:00Z.');
  const readers = values.readers === undefined ? undefined : Number(values.readers);
  if (readers !== undefined && !(Number.isInteger(readers) && readers >= 5 && readers <= 2000))
    throw new CommandError(`${values.readers} is no number of readers.`, 'There can be 5 to 2000.');
  return {
    port,
    data: values.data ?? '.local/demo',
    nowMs,
    fresh: values.fresh ?? false,
    readers,
    hasMessages: !values['without-messages'],
    isThrowaway: values.throwaway ?? false,
  };
}

const greeting = (demo: DemoFile, base: string, inbox: string | undefined): string =>
  [
    '',
    `  Ysodos is at ${base}`,
    '',
    ...demo.workspaces.flatMap((w) => [
      `  ${w.title}`,
      `    coach    ${w.coachEmail}   password ${demo.password}`,
      `    ${w.linkName.split(' ')[0]}'s link  ${base}${w.linkPath}`,
      '',
    ]),
    '  Nothing yet, to begin in',
    `    coach    ${demo.newcomerEmail}   password ${demo.password}`,
    '',
    ...(inbox === undefined ? [] : [`  Its messages end at ${inbox}`, '']),
    '  Ctrl-C stops it.',
    '',
    '',
  ].join('\n');

runCommand(async () => {
  const { port, data, nowMs, fresh, readers, hasMessages, isThrowaway } = readOptions();
  // Started by a test: where that ends, this ends.
  process.once('disconnect', () => process.kill(process.pid, 'SIGTERM'));
  await checkPort(port, HOST);
  ensureBuild();
  process.env.HOST = HOST;
  process.env.PORT = String(port);
  process.env.PUBLIC_URL = `http://${HOST}:${port}`;
  process.env.LOG_LEVEL ??= 'warn';
  const { cluster, demo } = await startDemoData(data, { nowMs, fresh, readers, isThrowaway });
  process.env.SECRET = demoSecret(data);
  let server;
  let outside: Outside | undefined;
  try {
    server = await startServing();
    if (hasMessages) outside = await startOutside(data, port + 1);
  } catch (error) {
    await server?.close(0);
    cluster.stop();
    throw error;
  }
  const stopped = stopOnSignal(server, async () => {
    await outside?.stop();
    cluster.stop();
  });
  const ageDays = Math.floor(((nowMs ?? Date.now()) - demo.seededAtMs) / DAY_MS);
  if (ageDays > 2) say(`the demo data are ${ageDays} days old; --fresh makes new ones around today`);
  process.stdout.write(greeting(demo, openAt(), outside?.inbox));
  await stopped;
  if (process.connected) process.disconnect();
  return server.hasFailed() ? 1 : 0;
});
