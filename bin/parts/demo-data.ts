import { randomBytes } from 'node:crypto';
import { existsSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { NewerDataError } from '../../db/errors.ts';
import { migrate } from '../../db/migrate.ts';
import type { Cluster } from './cluster.ts';
import { removeData, startCluster } from './cluster.ts';
import { hashSources } from './build.ts';
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

interface SeedOptions {
  readonly nowMs?: number | undefined;
  readonly readers?: number | undefined;
  /** For tests: what was seeded once is kept, and copied at the next fresh start, and nothing waits for the disk. */
  readonly isThrowaway?: boolean;
}

/** The database that is copied where a demo starts anew. */
const SEED = 'ysodos_seed';

/** Starts the private database of a data folder, with the demo in it, and says in the environment where it is. */
export async function startDemoData(
  data: string,
  options: SeedOptions & { readonly fresh: boolean },
): Promise<DemoData> {
  say('starting the database');
  const { fresh, isThrowaway = false } = options;
  const cluster = await startCluster(data, {
    what: 'a demo',
    fresh: fresh && !isThrowaway ? removeData : undefined,
    isThrowaway,
  });
  if (fresh && isThrowaway) rmSync(join(data, 'demo.json'), { force: true });
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
    const demo = await seedIfNew(cluster, data, urls, options);
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
  data: string,
  urls: { ownerUrl: string; appUrl: string },
  { nowMs = Date.now(), readers, isThrowaway = false }: SeedOptions,
): Promise<DemoFile> {
  const [file, seedFile] = [join(data, 'demo.json'), join(data, 'seed.json')];
  const isNew = !existsSync(file);
  const key = isThrowaway ? `${nowMs} ${readers ?? ''} ${hashSources(['core', 'db', 'demo', 'server'])}` : '';
  if (isNew) {
    await cluster.dropDatabase('ysodos');
    const kept = isThrowaway ? readSeed(seedFile) : undefined;
    if (kept?.key === key) {
      await cluster.createDatabase('ysodos', SEED);
      writeFileSync(file, JSON.stringify(kept.demo, null, 2), { mode: 0o600 });
      return kept.demo;
    }
    await cluster.createDatabase('ysodos');
  }
  const applied = await migrate(urls.ownerUrl);
  if (applied.length > 0) say(`brought the database up to date: ${applied.join(', ')}`);
  if (isNew) {
    say('making the demo data (a few seconds)');
    const { seedDemo } = await import('../../demo/seed.ts');
    const password = randomBytes(6).toString('base64url').toLowerCase();
    const seeded = await seedDemo(urls, nowMs, password, readers);
    const demo: DemoFile = { seededAtMs: nowMs, password, ...seeded };
    if (isThrowaway) {
      rmSync(seedFile, { force: true });
      await cluster.dropDatabase(SEED);
      await cluster.createDatabase(SEED, 'ysodos');
      writeFileSync(seedFile, JSON.stringify({ key, demo } satisfies Seed), { mode: 0o600 });
    }
    writeFileSync(file, JSON.stringify(demo, null, 2), { mode: 0o600 });
  }
  return JSON.parse(readFileSync(file, 'utf8')) as DemoFile;
}

interface Seed {
  /** What it was made of: the moment, the readers, and the sources. */
  readonly key: string;
  readonly demo: DemoFile;
}

const readSeed = (file: string): Seed | undefined =>
  existsSync(file) ? (JSON.parse(readFileSync(file, 'utf8')) as Seed) : undefined;
