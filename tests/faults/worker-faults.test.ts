import type { ChildProcess } from 'node:child_process';
import { fork } from 'node:child_process';
import { resolve } from 'node:path';
import pg from 'pg';
import { afterAll, beforeAll, expect, test } from 'vitest';
import type { Cluster } from '../../bin/parts/cluster.ts';
import { freePort, removeData, startCluster } from '../../bin/parts/cluster.ts';
import type { DayDate } from '../../core/calendar/day.ts';
import { emptyProgramme } from '../../core/progress/programme-document.ts';
import { migrate } from '../../db/migrate.ts';
import { createPool } from '../../db/pool.ts';
import { insertParticipants } from '../../db/queries/person.ts';
import { insertProgramme } from '../../db/queries/plan.ts';
import { getProgramme, listDays, updateDayReady, updateDayText } from '../../db/queries/programme.ts';
import { withWorkspace } from '../../db/workspace-scope.ts';
import type { StandIn } from '../../stand-in/server.ts';
import { startStandIn } from '../../stand-in/server.ts';
import { makeWorkspace } from '../throwaway-database.ts';
import { writeClock } from '../../bin/parts/move-clock.ts';

/** With FAULT_PEOPLE=5000 as large as it was asked for; in the everyday suite a small batch. */
const PEOPLE = Number(process.env.FAULT_PEOPLE ?? 240);
const DATA = '.local/worker-faults';
const CLOCK = resolve('.local/worker-faults-clock');
const MORNING = '2026-05-11T05:00:00Z';
const moveClock = (iso: string) => writeClock(CLOCK, iso);

let cluster: Cluster;
let standIn: StandIn;
let smtpPort: number;
let owner: pg.Client;
let worker: ChildProcess | undefined;

beforeAll(async () => {
  moveClock('2026-05-10T12:00:00Z');
  cluster = await startCluster(DATA, { what: 'the worker’s faults', fresh: removeData });
  await seed();
  smtpPort = await freePort();
  standIn = await startStandIn({ textSecret: 'x', smtpPort });
}, 180_000);
afterAll(async () => {
  worker?.kill('SIGKILL');
  await standIn?.close();
  await owner?.end().catch(() => undefined);
  cluster?.stop();
}, 60_000);

async function seed(): Promise<void> {
  await cluster.createDatabase('faults');
  await migrate(cluster.ownerUrl('faults'));
  await connect();
  const { workspaceId } = await makeWorkspace(owner, 'faults');
  const pool = createPool(cluster.appUrl('faults'), 2);
  await withWorkspace(pool, workspaceId, async (c) => {
    const now = new Date('2026-05-01T00:00:00Z');
    const programmeId = await insertProgramme(c, {
      workspaceId,
      programme: emptyProgramme({ title: 'Mornings', weeks: 1, weekdays: [1] }),
      startsOn: '2026-05-11' as DayDate,
      now,
    });
    const programme = await getProgramme(c, programmeId, { now });
    const day = (await listDays(c, programme))[0]!;
    const revision = await updateDayText(c, {
      dayId: day.id,
      revision: 1,
      text: 'Title: Legs\nMain: 3 rounds\n10 squat',
      now,
    });
    await updateDayReady(c, { dayId: day.id, revision, isReady: true });
    await insertParticipants(c, {
      workspaceId,
      runId: programme.runId,
      people: Array.from({ length: PEOPLE }, (_, i) => ({
        name: `P${i}`,
        detail: '',
        timeZone: 'UTC',
        joinedOn: '2026-05-01' as DayDate,
        profile: { address: `p${i}@example.org` },
      })),
    });
  });
  await pool.end();
}

async function connect(): Promise<void> {
  owner = new pg.Client({ connectionString: cluster.ownerUrl('faults') });
  owner.on('error', () => undefined);
  await owner.connect();
}

function startWorker(): void {
  worker = fork('bin/work.ts', [], {
    execArgv: ['--import', 'tsx'],
    stdio: ['ignore', 'ignore', 'ignore', 'ipc'],
    env: {
      ...process.env,
      DATABASE_URL: cluster.appUrl('faults'),
      PUBLIC_URL: 'http://127.0.0.1:4310',
      SECRET: 'a secret of the tests, long enough to be one',
      SMTP_URL: `smtp://127.0.0.1:${smtpPort}`,
      MAIL_FROM: 'sessions@ysodos.example.org',
      YSODOS_CLOCK_FILE: CLOCK,
      LOG_LEVEL: 'warn',
    },
  });
}

const ended = (child: ChildProcess) => new Promise<void>((done) => child.once('close', () => done()));
const counts = async () => {
  const { rows } = await owner.query<{ releases: number; messages: number; accepted: number }>(
    `select (select count(*)::int from release) as releases, (select count(*)::int from message where kind = 'session') as messages,
       (select count(*)::int from message where kind = 'session' and state = 'accepted') as accepted`,
  );
  return rows[0]!;
};
const acceptedAtLeast = (n: number) =>
  expect.poll(async () => (await counts()).accepted, { timeout: 60_000, interval: 100 }).toBeGreaterThanOrEqual(n);

test(
  'the worker, the mail server and the database die in the middle of a batch: each person has one release and one accepted message',
  { timeout: 240_000 },
  async () => {
    standIn.dials.delayMs = 120;
    startWorker();
    moveClock(MORNING);
    await acceptedAtLeast(PEOPLE / 8);
    // The worker, killed with a batch in its hands.
    const killed = ended(worker!);
    worker!.kill('SIGKILL');
    await killed;
    const atKill = (await counts()).accepted;
    expect(atKill).toBeLessThan(PEOPLE);
    startWorker();
    // What it had is free again once its lease has ended.
    moveClock('2026-05-11T05:03:00Z');
    await acceptedAtLeast(atKill + PEOPLE / 8);

    // The mail server goes, and comes back on its port.
    await standIn.close();
    const kept = [...standIn.messages];
    await new Promise((done) => setTimeout(done, 1_500));
    standIn = await startStandIn({ textSecret: 'x', smtpPort });
    standIn.dials.delayMs = 120;
    moveClock('2026-05-11T05:10:00Z');
    await acceptedAtLeast(Math.min(PEOPLE, kept.length + PEOPLE / 8));

    // The database goes down under it, and comes back elsewhere: another worker takes over.
    await owner.end().catch(() => undefined);
    cluster.stop();
    const gone = ended(worker!);
    worker!.kill('SIGKILL');
    await gone;
    cluster = await startCluster(DATA, { what: 'the worker’s faults' });
    await connect();
    standIn.dials.delayMs = 0;
    startWorker();
    moveClock('2026-05-11T05:30:00Z');
    await acceptedAtLeast(PEOPLE);
    expect(await counts()).toEqual({ releases: PEOPLE, messages: PEOPLE, accepted: PEOPLE });
    // Towards the mail server it is at least once, and a second copy has the id of the first.
    const ids = new Set([...kept, ...standIn.messages].map((m) => m.id));
    expect(ids.size).toBe(PEOPLE);
    const stopped = ended(worker!);
    worker!.kill('SIGTERM');
    await stopped;
  },
);
