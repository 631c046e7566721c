import { randomBytes } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { NewerDataError } from '../../db/errors.ts';
import { migrate } from '../../db/migrate.ts';
import type { Cluster } from './cluster.ts';
import { removeData, startCluster } from './cluster.ts';
import { CommandError, say } from './say.ts';
import { STOP_SIGNALS } from './serving.ts';

/** What is known of the demo's data beside the database. */
export interface DemoFile {
  readonly seededAtMs: number;
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
}

export interface DemoData {
  readonly cluster: Cluster;
  readonly demo: DemoFile;
}

/** Starts the private database of a data folder, with the demo in it, and says in the environment where it is. */
export async function startDemoData(
  data: string,
  options: { nowMs: number | undefined; fresh: boolean; readers?: number | undefined },
): Promise<DemoData> {
  say('starting the database');
  const cluster = await startCluster(data, { what: 'a demo', fresh: options.fresh ? removeData : undefined });
  // Until something serves, being told to stop means: the database, and nothing else.
  for (const signal of STOP_SIGNALS)
    process.once(signal, () => {
      cluster.stop();
      process.exit(130);
    });
  try {
    const urls = { ownerUrl: cluster.ownerUrl('ysodos'), appUrl: cluster.appUrl('ysodos') };
    process.env.DATABASE_URL = urls.appUrl;
    if (options.nowMs !== undefined) process.env.YSODOS_NOW = new Date(options.nowMs).toISOString();
    const demo = await seedIfNew(cluster, join(data, 'demo.json'), urls, options);
    return { cluster, demo };
  } catch (error) {
    cluster.stop();
    if (error instanceof NewerDataError)
      throw new CommandError(
        'These data were made by a newer version of Ysodos.',
        `Use that version, another folder with --data DIR, or start afresh with --fresh.`,
      );
    throw error;
  }
}

/** The file is written last: a seeding that was cut off is done again from nothing. */
async function seedIfNew(
  cluster: Cluster,
  file: string,
  urls: { ownerUrl: string; appUrl: string },
  { nowMs = Date.now(), readers }: { nowMs?: number | undefined; readers?: number | undefined },
): Promise<DemoFile> {
  const isNew = !existsSync(file);
  if (isNew) {
    await cluster.dropDatabase('ysodos');
    await cluster.createDatabase('ysodos');
  }
  const applied = await migrate(urls.ownerUrl);
  if (applied.length > 0) say(`brought the database up to date: ${applied.join(', ')}`);
  if (isNew) {
    say('making the demo data (a few seconds)');
    const { seedDemo } = await import('../../demo/seed.ts');
    const password = randomBytes(6).toString('base64url').toLowerCase();
    const seeded = await seedDemo(urls, nowMs, password, readers);
    writeFileSync(file, JSON.stringify({ seededAtMs: nowMs, password, ...seeded } satisfies DemoFile, null, 2), {
      mode: 0o600,
    });
  }
  return JSON.parse(readFileSync(file, 'utf8')) as DemoFile;
}
