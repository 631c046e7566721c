/** One day released to many people: against the same rows in one plain statement, and its messages handed to the stand-in by one worker. */
import { fork } from 'node:child_process';
import pg from 'pg';
import type { DayDate } from '../../core/calendar/day.ts';
import { emptyProgramme } from '../../core/progress/programme-document.ts';
import { migrate } from '../../db/migrate.ts';
import { createPool } from '../../db/pool.ts';
import { insertParticipants } from '../../db/queries/person.ts';
import { insertProgramme } from '../../db/queries/plan.ts';
import { getProgramme, listDays, updateDayReady, updateDayText } from '../../db/queries/programme.ts';
import { insertWorkspace } from '../../db/queries/doors/workspace.ts';
import { withWorkspace } from '../../db/workspace-scope.ts';
import { releaseRun } from '../../server/jobs/release-run.ts';
import { deliverWorkspace } from '../../server/messages/deliver.ts';
import { openSmtp } from '../../server/messages/smtp.ts';
import { hashPassword } from '../../server/doors/hash-password.ts';
import { freePort, removeData, startCluster } from '../parts/cluster.ts';

const ZONES = ['Pacific/Auckland', 'Asia/Tokyo', 'Europe/Vienna', 'Europe/Lisbon', 'America/New_York'];
const SPARES = [[], ['wrists'], ['knees'], ['quiet'], ['shoulders', 'quiet']] as const;
const MORNING = Date.parse('2026-05-11T12:00:00Z');
const SECRET = 'a secret of the bench, long enough to be one';
const PASSWORD = 'a password of the bench';
const BATCH = 2_000;

export interface ReleaseRow {
  readonly people: number;
  readonly plainPerSec: number;
  readonly releasedPerSec: number;
  /** Releasing over plain inserting. */
  readonly ratio: number;
  readonly messagesPerSec: number;
  readonly messages: number;
  /** The Send screen, whole, from a server of its own: median. */
  readonly sendMs: number;
}

/** Measures a release to so many people; of its messages at most `most` are handed on. */
export async function measureRelease(people: number, most: number): Promise<ReleaseRow> {
  const cluster = await startCluster('.local/bench-release', { what: 'a bench', fresh: removeData });
  try {
    await cluster.createDatabase('bench');
    await migrate(cluster.ownerUrl('bench'));
    const owner = new pg.Client({ connectionString: cluster.ownerUrl('bench') });
    await owner.connect();
    await insertWorkspace(owner, {
      workspace: 'Bench',
      email: 'coach@example.org',
      name: 'Coach',
      passwordHash: await hashPassword(PASSWORD),
    });
    const workspaceId = (await owner.query<{ id: number }>('select id from workspace')).rows[0]!.id;
    const pool = createPool(cluster.appUrl('bench'), 12);
    const now = new Date('2026-05-01T00:00:00Z');
    const { runId, dayId } = await withWorkspace(pool, workspaceId, async (db) => {
      const programmeId = await insertProgramme(db, {
        workspaceId,
        programme: emptyProgramme({ title: 'Mornings', weeks: 12, weekdays: [1] }),
        startsOn: '2026-05-11' as DayDate,
        now,
      });
      const programme = await getProgramme(db, programmeId, { now });
      const day = (await listDays(db, programme))[0]!;
      const text =
        'Title: Legs\nMain: work 0:40 rest 0:20, 4 rounds\nsquat\npush-up\nburpee\nplank\n\nFinisher: amrap 6:00\n10 squat jump\n10 push-up';
      const revision = await updateDayText(db, { dayId: day.id, revision: 1, text, now });
      await updateDayReady(db, { dayId: day.id, revision, isReady: true });
      return { runId: programme.runId, dayId: day.id };
    });
    for (let from = 0; from < people; from += BATCH)
      await withWorkspace(pool, workspaceId, (db) =>
        insertParticipants(db, {
          workspaceId,
          runId,
          people: Array.from({ length: Math.min(BATCH, people - from) }, (_, i) => ({
            name: `P${from + i}`,
            detail: '',
            timeZone: ZONES[i % ZONES.length]!,
            joinedOn: '2026-05-01' as DayDate,
            profile: { address: `p${from + i}@example.org`, spares: [...SPARES[i % SPARES.length]!] },
          })),
        }),
      );
    await owner.query('analyze');
    const releaseMs = await timed(() =>
      withWorkspace(pool, workspaceId, (db) => releaseRun(db, workspaceId, runId, MORNING)),
    );
    // The same rows, with the owner's rights and nothing asked: emptied and put back in one statement each.
    await owner.query(
      `create table was_release as select * from release; create table was_message as select * from message where kind = 'session'`,
    );
    await owner.query(`delete from release; delete from message where kind = 'session'`);
    await owner.query('vacuum release, message');
    const plainMs = await timed(async () => {
      await owner.query('begin');
      await owner.query('insert into release overriding system value select * from was_release');
      await owner.query('insert into message overriding system value select * from was_message');
      await owner.query('commit');
    });
    await owner.query(
      `delete from message where id not in (select id from message where day_id = ${dayId} order by id limit ${most})`,
    );
    const standIn = fork('stand-in/main.ts', [], {
      execArgv: ['--import', 'tsx'],
      env: { ...process.env, TEXT_SECRET: 'x' },
    });
    const { smtpPort } = await new Promise<{ smtpPort: number }>((ready) =>
      standIn.once('message', (m) => ready(m as { smtpPort: number })),
    );
    const mail = openSmtp(new URL(`smtp://127.0.0.1:${smtpPort}`), 'sessions@ysodos.example.org', SECRET);
    let messages = 0;
    const deliverMs = await timed(async () => {
      messages = await deliverWorkspace(pool, {
        workspaceId,
        origin: 'https://ysodos.example.org',
        secret: SECRET,
        channels: { hand: { email: mail.hand, text: undefined }, close: mail.close },
        now: () => MORNING,
        random: () => 0.5,
      });
    });
    mail.close();
    standIn.kill('SIGTERM');
    const sendMs = await measureSend(cluster.appUrl('bench'));
    await pool.end();
    await owner.end();
    return {
      people,
      plainPerSec: (1000 * people) / plainMs,
      releasedPerSec: (1000 * people) / releaseMs,
      ratio: plainMs / releaseMs,
      messages,
      messagesPerSec: (1000 * messages) / deliverMs,
      sendMs,
    };
  } finally {
    cluster.stop();
  }
}

/** Server time of the Send screen, one request at a time. */
async function measureSend(appUrl: string): Promise<number> {
  const port = await freePort();
  const base = `http://127.0.0.1:${port}`;
  const server = fork('bin/serve.ts', [], {
    execArgv: ['--import', 'tsx'],
    stdio: ['ignore', 'ignore', 'ignore', 'ipc'],
    env: {
      ...process.env,
      DATABASE_URL: appUrl,
      PUBLIC_URL: base,
      PORT: String(port),
      LOG_LEVEL: 'silent',
      YSODOS_NOW: new Date(MORNING).toISOString(),
    },
  });
  try {
    for (let i = 0; ; i++) {
      const isUp = await fetch(`${base}/healthz`).then(
        (r) => r.ok,
        () => false,
      );
      if (isUp) break;
      if (i > 600) throw new Error('the server did not start');
      await new Promise((done) => setTimeout(done, 200));
    }
    const signedIn = await fetch(`${base}/sign-in`, {
      method: 'POST',
      body: new URLSearchParams({ email: 'coach@example.org', password: PASSWORD }),
      headers: { origin: base },
      redirect: 'manual',
    });
    const cookie = signedIn.headers.getSetCookie()[0]!.split(';')[0]!;
    const taken: number[] = [];
    for (let i = 0; i < 20; i++) {
      const startedMs = performance.now();
      const response = await fetch(`${base}/programmes/1/send/w1d1`, {
        headers: { cookie, accept: 'text/html' },
        redirect: 'manual',
      });
      await response.arrayBuffer();
      if (response.status !== 200) throw new Error(`Send answered ${response.status}`);
      if (i >= 5) taken.push(performance.now() - startedMs);
    }
    return taken.toSorted((a, b) => a - b)[Math.floor(taken.length / 2)]!;
  } finally {
    server.kill('SIGTERM');
  }
}

async function timed(work: () => Promise<unknown>): Promise<number> {
  const startedMs = performance.now();
  await work();
  return performance.now() - startedMs;
}
