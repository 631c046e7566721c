import { randomBytes } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { NewerDataError } from '../db/errors.ts';
import { migrate } from '../db/migrate.ts';
import { ensureBuild } from './build.ts';
import { removeData, startCluster } from './cluster.ts';
import { CommandError, runCommand, say } from './say.ts';

interface DemoFile {
  readonly seededAtMs: number;
  readonly password: string;
  readonly workspaces: readonly {
    title: string;
    coachEmail: string;
    programmeId: number;
    linkPath: string;
    linkName: string;
  }[];
}

function readOptions() {
  let values;
  try {
    values = parseArgs({
      options: {
        port: { type: 'string' },
        data: { type: 'string' },
        now: { type: 'string' },
        fresh: { type: 'boolean' },
      },
    }).values;
  } catch (error) {
    throw new CommandError((error as Error).message, 'Options are --port N, --data DIR, --now ISO and --fresh.');
  }
  const port = values.port === undefined ? 4310 : Number(values.port);
  if (!Number.isInteger(port) || port < 1 || port > 65535)
    throw new CommandError(`${values.port} is no port.`, 'A port is a whole number from 1 to 65535.');
  const nowMs = values.now === undefined ? undefined : Date.parse(values.now);
  if (nowMs !== undefined && Number.isNaN(nowMs))
    throw new CommandError(`${values.now} is no instant.`, 'Write it like 2026-05-13T09:00:00Z.');
  return { port, data: values.data ?? '.local/demo', nowMs, fresh: values.fresh ?? false };
}

const DAY_MS = 24 * 3600 * 1000;

runCommand(async () => {
  const { port, data, nowMs, fresh } = readOptions();
  ensureBuild();
  if (fresh) removeData(data);
  say('starting the database');
  const cluster = await startCluster(data);
  let stopping: Promise<void> | undefined;
  let closeServer: (() => Promise<void>) | undefined;
  const stop = () =>
    (stopping ??= (async () => {
      await closeServer?.();
      cluster.stop();
    })());
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'] as const) {
    process.on(signal, () => void stop().then(() => process.exit(0)));
  }
  try {
    const file = join(data, 'demo.json');
    const isNew = !existsSync(file);
    if (isNew) {
      await cluster.dropDatabase('ysodos');
      await cluster.createDatabase('ysodos');
    }
    const urls = { ownerUrl: cluster.ownerUrl('ysodos'), appUrl: cluster.appUrl('ysodos') };
    const applied = await migrate(urls.ownerUrl);
    if (applied.length > 0) say(`brought the database up to date: ${applied.join(', ')}`);
    process.env.YSODOS_DATABASE_URL = urls.appUrl;
    if (nowMs !== undefined) process.env.YSODOS_NOW = new Date(nowMs).toISOString();
    if (isNew) {
      say('making the demo data (a few seconds)');
      const { seedDemo } = await import('../demo/seed.ts');
      const seededAtMs = nowMs ?? Date.now();
      const password = randomBytes(6).toString('base64url').toLowerCase();
      const workspaces = await seedDemo(urls, seededAtMs, password);
      writeFileSync(file, JSON.stringify({ seededAtMs, password, workspaces } satisfies DemoFile, null, 2), {
        mode: 0o600,
      });
    }
    const demo = JSON.parse(readFileSync(file, 'utf8')) as DemoFile;
    process.env.YSODOS_LOG ??= 'warn';
    const { listen } = await import('../server/listen.ts');
    try {
      closeServer = (await listen(port)).close;
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code === 'EADDRINUSE')
        throw new CommandError(`Port ${port} is taken.`, 'Choose another with --port N.');
      if ((error as NodeJS.ErrnoException).code === 'EACCES')
        throw new CommandError(`There is no right to open port ${port}.`, 'Choose one above 1023 with --port N.');
      throw error;
    }
    const base = `http://127.0.0.1:${port}`;
    const ageDays = Math.floor(((nowMs ?? Date.now()) - demo.seededAtMs) / DAY_MS);
    if (ageDays > 2) say(`the demo data are ${ageDays} days old; --fresh makes new ones around today`);
    process.stdout.write(
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
        '  Ctrl-C stops it.',
        '',
        '',
      ].join('\n'),
    );
    await new Promise(() => undefined);
  } catch (error) {
    await stop();
    if (error instanceof NewerDataError)
      throw new CommandError(
        'These data were made by a newer version of Ysodos.',
        `Use that version, another folder with --data DIR, or start afresh with --fresh.`,
      );
    throw error;
  }
  return 0;
});
