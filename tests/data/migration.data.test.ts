import { createHash } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import pg from 'pg';
import { afterAll, beforeAll, expect, test } from 'vitest';
import type { Cluster } from '../../bin/cluster.ts';
import { startCluster } from '../../bin/cluster.ts';
import { migrate } from '../../db/migrate.ts';
import { createPool } from '../../db/pool.ts';
import { listParticipants } from '../../db/queries/person.ts';
import { findPersonalLink } from '../../db/queries/link.ts';
import { getProgramme } from '../../db/queries/programme.ts';
import { withWorkspace } from '../../db/workspace-scope.ts';

const FOLDER = new URL('../../db/migrations/', import.meta.url);
const NAME = 'before_runs';

let cluster: Cluster;
let owner: pg.Client;

/** A database as it was before there were runs beside each other, with a programme that was sent by hand. */
beforeAll(async () => {
  cluster = await startCluster('.local/test', { what: 'the data tests' });
  await cluster.dropDatabase(NAME);
  await cluster.createDatabase(NAME);
  owner = new pg.Client({ connectionString: cluster.ownerUrl(NAME) });
  await owner.connect();
  await owner.query(
    'create table schema_migration (number integer primary key, name text not null, sha256 text not null, applied_at timestamptz not null default now())',
  );
  for (const name of readdirSync(FOLDER).sort().slice(0, 7)) {
    const sql = readFileSync(new URL(name, FOLDER), 'utf8');
    await owner.query(sql);
    await owner.query('insert into schema_migration (number, name, sha256) values ($1, $2, $3)', [
      Number(name.slice(0, 6)),
      name,
      createHash('sha256').update(sql).digest('hex'),
    ]);
  }
  await owner.query(`
    insert into workspace (name) values ('Before');
    insert into coach (workspace_id, email, name, password_hash) values (1, 'coach@example.org', 'Coach', 'x');
    insert into programme (workspace_id, title, weeks, created_at) values (1, 'Mornings', 2, now());
    insert into run (workspace_id, programme_id, starts_on, release_time) values (1, 1, '2026-05-13', '06:30');
    insert into day (workspace_id, programme_id, week, weekday, text, changed_at) values (1, 1, 1, 1, 'Main: flow', now());
    insert into version (workspace_id, run_id, day_id, number, text, document, sent_at, sent_by) values (1, 1, 1, 1, 'Main: flow', '{"blocks":[]}', now(), 1);
    insert into person (workspace_id, name, time_zone, channel) values (1, 'Ana', 'UTC', 'ana@example.org'), (1, 'Luis', 'UTC', '+351 910 000 111'), (1, 'Mae', 'UTC', 'by the door');
    insert into enrolment (workspace_id, run_id, person_id, joined_on) values (1, 1, 1, '2026-05-13'), (1, 1, 2, '2026-05-13'), (1, 1, 3, '2026-05-13');
    insert into personal_link (token_hash, workspace_id, enrolment_id, created_at, revoked_at) values ('works', 1, 1, now(), null), ('ended', 1, 2, now(), now());
    insert into record (workspace_id, enrolment_id, version_id, client_id, outcome, share_ratio, logged_at, made_at)
      values (1, 1, 1, '00000000-0000-4000-8000-000000000001', 'done', 1, now(), now());`);
}, 120_000);
afterAll(async () => {
  await owner?.end();
  await cluster?.dropDatabase(NAME);
  cluster?.stop();
});

test('what there was before runs is kept: hours, links, addresses, records; nothing is sent that wasn’t before', async () => {
  expect((await migrate(cluster.ownerUrl(NAME)))[0]).toBe('000008_runs_and_messages.sql');
  const pool = createPool(cluster.appUrl(NAME), 2);
  try {
    await withWorkspace(pool, 1, async (db) => {
      const { run, key } = await getProgramme(db, 1, { now: new Date('2026-05-14T00:00:00Z') });
      expect(key).toBe('1');
      expect(run).toMatchObject({
        isByHand: true,
        rules: { startsOn: '2026-05-13', releaseTime: '06:30', releaseZone: null, calendar: 'host', makeUpDays: null },
      });
      const people = await listParticipants(db, run.id);
      expect(people.map((p) => [p.name, p.profile.address, p.profile.contact.channel, p.hasLink])).toEqual([
        ['Ana', 'ana@example.org', 'email', true],
        ['Luis', '+351 910 000 111', 'text', false],
        ['Mae', 'by the door', 'none', false],
      ]);
    });
    expect(await findPersonalLink(pool, Buffer.from('works'))).toEqual({ workspaceId: 1, personId: 1 });
    expect(await findPersonalLink(pool, Buffer.from('ended'))).toBeUndefined();
    expect((await owner.query('select 1 from record')).rows).toHaveLength(1);
    expect((await owner.query('select 1 from message')).rows).toHaveLength(0);
  } finally {
    await pool.end();
  }
});
