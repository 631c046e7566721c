import { randomBytes } from 'node:crypto';
import pg from 'pg';
import type { Cluster } from '../bin/parts/cluster.ts';
import { startCluster } from '../bin/parts/cluster.ts';
import { migrate } from '../db/migrate.ts';
import { createPool } from '../db/pool.ts';

export interface ThrowawayDatabase {
  readonly ownerUrl: string;
  readonly appUrl: string;
  /** With the application's rights. */
  readonly pool: pg.Pool;
  /** With the owner's rights, past row-level security. */
  readonly owner: pg.Client;
  readonly drop: () => Promise<void>;
}

/** A database with all migrations from zero, on a private server, gone after the test. */
export async function makeThrowawayDatabase(): Promise<ThrowawayDatabase> {
  const cluster: Cluster = await startCluster('.local/test', { what: 'the data tests', isThrowaway: true });
  const name = `test_${randomBytes(6).toString('hex')}`;
  await cluster.createDatabase(name);
  await migrate(cluster.ownerUrl(name));
  const owner = new pg.Client({ connectionString: cluster.ownerUrl(name) });
  await owner.connect();
  const pool = createPool(cluster.appUrl(name), 4);
  return {
    ownerUrl: cluster.ownerUrl(name),
    appUrl: cluster.appUrl(name),
    pool,
    owner,
    drop: async () => {
      await pool.end();
      await owner.end();
      await cluster.dropDatabase(name);
      cluster.stop();
    },
  };
}

/** A workspace with a coach and a programme of one week, Monday and Wednesday, from Monday 11 May 2026. */
export async function makeWorkspace(owner: pg.Client, name: string): Promise<{ workspaceId: number; coachId: number }> {
  const {
    rows: [workspace],
  } = await owner.query<{ id: number }>('insert into workspace (name) values ($1) returning id', [name]);
  const {
    rows: [coach],
  } = await owner.query<{ id: number }>(
    `insert into coach (workspace_id, email, name, password_hash, role) values ($1, $2, $3, $4, 'owner') returning id`,
    [workspace!.id, `coach@${name}.example.org`, 'Coach', 'x'],
  );
  return { workspaceId: workspace!.id, coachId: coach!.id };
}
