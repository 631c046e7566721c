import { createHash } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import pg from 'pg';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import type { Cluster } from '../../bin/parts/cluster.ts';
import { startCluster } from '../../bin/parts/cluster.ts';
import { lastMigration, migrate } from '../../db/migrate.ts';
import { createPool } from '../../db/pool.ts';
import { listCoaches } from '../../db/queries/doors/coach.ts';
import { findPersonalLink } from '../../db/queries/doors/link.ts';
import { listParticipants } from '../../db/queries/person.ts';
import { getPlan } from '../../db/queries/plan.ts';
import { getProgramme, listDays } from '../../db/queries/programme.ts';
import { findRecord } from '../../db/queries/record.ts';
import { withWorkspace } from '../../db/workspace-scope.ts';

const FOLDER = new URL('../../db/migrations/', import.meta.url);
const FILES = readdirSync(FOLDER).sort();

/** What somebody had stored with each version, as its tables were then. Later work adds its rows here. */
const STORED_AT: Readonly<Record<number, string>> = {
  1: `
    insert into workspace (name) values ('Before');
    insert into coach (workspace_id, email, name, password_hash) values (1, 'coach@example.org', 'Coach', 'x'), (1, 'second@example.org', 'Second', 'x');
    insert into coach_session (token_hash, workspace_id, coach_id, expires_at) values ('session', 1, 1, now() + interval '1 day');
    insert into programme (workspace_id, title, weeks, created_at) values (1, 'Mornings', 2, now());
    insert into run (workspace_id, programme_id, starts_on, release_time) values (1, 1, '2026-05-11', '06:30');
    insert into day (workspace_id, programme_id, week, weekday, text, changed_at) values (1, 1, 1, 1, 'Main: flow', now()), (1, 1, 1, 3, '', now());
    insert into version (workspace_id, run_id, day_id, number, text, document, sent_at, sent_by) values (1, 1, 1, 1, 'Main: flow', '{"blocks":[]}', now(), 1);
    insert into person (workspace_id, name, time_zone) values (1, 'Ana', 'UTC'), (1, 'Luis', 'UTC'), (1, 'Mae', 'UTC');
    insert into enrolment (workspace_id, run_id, person_id, joined_on) values (1, 1, 1, '2026-05-11'), (1, 1, 2, '2026-05-11'), (1, 1, 3, '2026-05-11');
    insert into personal_link (token_hash, workspace_id, enrolment_id, created_at, revoked_at) values ('works', 1, 1, now(), null), ('ended', 1, 2, now(), now());
    insert into record (workspace_id, enrolment_id, version_id, client_id, outcome, share_ratio, remark, logged_at)
      values (1, 1, 1, '00000000-0000-4000-8000-000000000001', 'done', 1, 'kept', now());`,
  2: `insert into routine (workspace_id, name, text, changed_at) values (1, 'Usual', 'Warm-up: flow', now())`,
  3: `
    insert into movement_override (workspace_id, movement_id, fields, changed_at) values (1, 'push-up', '{"paceSec": 3}', now());
    update person set channel = case name when 'Ana' then 'ana@example.org' when 'Luis' then '+351 910 000 111' else 'by the door' end, spares = '{knee}'`,
  4: `
    insert into programme_change (workspace_id, programme_id, words, before, after, made_at, made_by) values (1, 1, 'A change', '{}', '{}', now(), 1);
    insert into template (workspace_id, title, document, changed_at) values (1, 'A template', '{}', now())`,
  5: `
    insert into coach_device (token_hash, workspace_id, coach_id, seen_at) values ('device', 1, 1, now());
    insert into hour_use (workspace_id, subject, hour_at, writes, bytes) values (1, 'workspace', now(), 1, 1)`,
  6: '',
  7: `update run set starts_on = '2026-05-13'`,
  8: `
    insert into absence (workspace_id, enrolment_id, kind, from_on, said_by, made_at) values (1, 3, 'pause', '2026-05-20', 'coach', now());
    insert into release (workspace_id, enrolment_id, day_id, version_id, released_at) values (1, 1, 1, 1, now());
    insert into message (workspace_id, person_id, enrolment_id, run_id, day_id, kind, channel, address, next_try_at, expires_at, created_at)
      values (1, 1, 1, 1, 1, 'session', 'email', 'ana@example.org', now(), now(), now()),
        (1, 1, 1, 1, 0, 'rest', 'email', 'ana@example.org', now(), now(), now());
    insert into message (workspace_id, coach_id, kind, channel, address, next_try_at, expires_at, created_at)
      values (1, 1, 'invite', 'email', 'new@example.org', now(), now(), now());
    insert into coach_door (token_hash, workspace_id, kind, email, salt, expires_at) values ('door', 1, 'invite', 'new@example.org', gen_random_uuid(), now() + interval '1 day');
    insert into worker_pulse (seen_at) values (now())`,
  9: `
    insert into pain (workspace_id, enrolment_id, version_id, client_id, movement, area, did, told_at)
      values (1, 1, 1, gen_random_uuid(), 'push-up', 'wrist', 'left-out', now())`,
  10: `
    insert into coach_act (workspace_id, enrolment_id, coach_id, kind, words, made_at) values (1, 1, 1, 'note', 'A note', now());
    insert into proposal_answer (workspace_id, run_id, enrolment_id, key, answer, words, coach_id, answered_at) values (1, 1, 1, 'k', 'declined', 'w', 1, now());
    insert into message (workspace_id, person_id, enrolment_id, run_id, kind, channel, address, next_try_at, expires_at, created_at)
      values (1, 1, 1, 1, 'note', 'email', 'ana@example.org', now(), now(), now()),
      (1, 1, 1, 1, 'note', 'email', 'ana@example.org', now(), now(), now())`,
  11: '',
  12: `
    insert into release_stop (workspace_id, enrolment_id, day_id, kind, made_at) values (1, 3, 1, 'left-out', now());
    insert into outage (kind, from_at, to_at) values ('work', now() - interval '1 hour', now());
    insert into run_shift (workspace_id, run_id, week, weekday, weeks, made_at) values (1, 1, 2, 1, 1, now())`,
  13: `
    insert into address_key (token_hash, workspace_id, person_id, address, expires_at) values ('key', 1, 1, 'ana@example.org', now() + interval '1 day')`,
  14: '',
  15: '',
  16: `update run set voice = 'changes', warm_up = 'March, then circle every joint.'`,
  17: `
    insert into scale_override (workspace_id, scale_id, scale) values (1, 'bands', '{"id":"bands","name":"Bands","steps":["thin band","thick band"]}')`,
  18: `update enrolment set held_week = 2`,
  19: `update enrolment set pace = '{"factor": 1.2, "low": 1.1, "high": 1.3, "records": 9, "peers": 0}'`,
  20: `
    update run set reply_to = 'answers@example.org';
    update programme set frame = jsonb_set(frame, '{guards}', '{"off": [], "thresholds": {"levers-at-once": 2, "monotony": 3}}')`,
  21: '',
  22: `insert into calendar_entry (workspace_id, uid, enrolment_id, event, sequence, changed_at) values (1, 'one', 1, '{}', 0, now())`,
  23: '',
};

let cluster: Cluster;
beforeAll(async () => {
  cluster = await startCluster('.local/test', { what: 'the data tests' });
}, 60_000);
afterAll(() => {
  cluster?.stop();
});

/** A database as a version left it, with what was stored by it and by each before it. */
async function databaseAt(number: number, name: string): Promise<pg.Client> {
  await cluster.dropDatabase(name);
  await cluster.createDatabase(name);
  const owner = new pg.Client({ connectionString: cluster.ownerUrl(name) });
  await owner.connect();
  await owner.query(
    'create table schema_migration (number integer primary key, name text not null, sha256 text not null, applied_at timestamptz not null default now())',
  );
  for (const file of FILES.filter((f) => Number(f.slice(0, 6)) <= number)) {
    const sql = readFileSync(new URL(file, FOLDER), 'utf8');
    await owner.query(sql);
    await owner.query('insert into schema_migration (number, name, sha256) values ($1, $2, $3)', [
      Number(file.slice(0, 6)),
      file,
      createHash('sha256').update(sql).digest('hex'),
    ]);
    const stored = STORED_AT[Number(file.slice(0, 6))]!;
    if (stored !== '') await owner.query(stored);
  }
  return owner;
}

test('there is something stored for each version', () => {
  expect(Object.keys(STORED_AT).map(Number)).toEqual(FILES.map((f) => Number(f.slice(0, 6))));
});

describe('a database of an earlier version comes up to date with what is in it', () => {
  test.each(FILES.map((file) => [Number(file.slice(0, 6)), file] as const))(
    '%i: %s',
    async (number) => {
      const name = `migrated_from_${number}`;
      const owner = await databaseAt(number, name);
      const count = async (table: string) =>
        (await owner.query<{ count: string }>(`select count(*) from ${table}`)).rows[0]!.count;
      const tables = (
        await owner.query<{ table_name: string }>(
          `select table_name from information_schema.tables where table_schema = 'public' and table_type = 'BASE TABLE'`,
        )
      ).rows.map((r) => r.table_name);
      // Sessions end, signs of life begin anew, and what ships is put in each time; everything else stays.
      const kept = tables.filter(
        (t) => !['coach_session', 'worker_pulse', 'base_movement', 'schema_migration'].includes(t),
      );
      const before = await Promise.all(kept.map(count));
      const applied = await migrate(cluster.ownerUrl(name));
      expect(applied).toEqual(FILES.filter((f) => Number(f.slice(0, 6)) > number));
      expect(await Promise.all(kept.map(count))).toEqual(before);
      expect(await migrate(cluster.ownerUrl(name))).toEqual([]);
      const pool = createPool(cluster.appUrl(name), 2);
      try {
        await withWorkspace(pool, 1, async (db) => {
          const programme = await getProgramme(db, 1, { now: new Date('2026-05-14T00:00:00Z') });
          expect(programme.run.rules).toMatchObject({
            startsOn: number < 7 ? '2026-05-11' : '2026-05-13',
            releaseTime: '06:30',
            releaseZone: null,
            calendar: 'host',
          });
          const people = await listParticipants(db, programme.runId);
          const ana = number < 3 ? ['Ana', '', 'none', true] : ['Ana', 'ana@example.org', 'email', true];
          const luis = number < 3 ? ['Luis', '', 'none', false] : ['Luis', '+351 910 000 111', 'text', false];
          const mae = number < 3 ? ['Mae', '', 'none', false] : ['Mae', 'by the door', 'none', false];
          // Addresses became ways with the eighth; what was written later is as it was written.
          if (number < 8)
            expect(people.map((p) => [p.name, p.profile.address, p.profile.contact.channel, p.hasLink])).toEqual([
              ana,
              luis,
              mae,
            ]);
          expect((await getPlan(db, { id: 1, runId: 1 })).programme.title).toBe('Mornings');
          if (number === 20)
            expect((await getPlan(db, { id: 1, runId: 1 })).programme.guards.thresholds).toEqual({
              'levers-at-once': 3,
              monotony: 3,
            });
          const [day] = await listDays(db, programme);
          expect((await findRecord(db, people[0]!.enrolmentId, day!.id))?.remark).toBe('kept');
          expect((await listCoaches(db)).map((c) => c.role)).toEqual(['owner', 'coach']);
        });
        expect(await findPersonalLink(pool, Buffer.from('works'))).toEqual({ workspaceId: 1, personId: 1 });
        expect(await findPersonalLink(pool, Buffer.from('ended'))).toBeUndefined();
        expect((await owner.query('select record_id from standing')).rows).toHaveLength(1);
      } finally {
        await pool.end();
        await owner.end();
        await cluster.dropDatabase(name);
      }
    },
    60_000,
  );
});

test('sending went on by hand, and nothing was sent that wasn’t before, where there were no runs yet', async () => {
  const owner = await databaseAt(7, 'before_runs');
  await migrate(cluster.ownerUrl('before_runs'));
  expect((await owner.query('select is_by_hand, make_up_days from run')).rows).toEqual([
    { is_by_hand: true, make_up_days: null },
  ]);
  expect((await owner.query('select 1 from message')).rows).toHaveLength(0);
  await owner.end();
  await cluster.dropDatabase('before_runs');
  expect(lastMigration()).toBe(FILES.length);
}, 60_000);
