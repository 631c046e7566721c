import { DAY_MS } from '../../core/calendar/spans.ts';
import PgBoss from 'pg-boss';
import type pg from 'pg';
import { AUDIT_DAYS } from '../../core/audit.ts';
import { createPool, withConnection } from '../../db/pool.ts';
import { forgetAudit } from '../../db/queries/doors/audit.ts';
import { listWaitingWorkspaces } from '../../db/queries/messages/message.ts';
import { beat } from '../../db/queries/pulse.ts';
import { listLiveRuns } from '../../db/queries/run.ts';
import { withWorkspace } from '../../db/workspace-scope.ts';
import { databaseUrl, linkSecret, nowMs, publicUrl } from '../config.ts';
import type { Channels } from '../messages/channel.ts';
import { deliverWorkspace } from '../messages/deliver.ts';
import { JOBS_SCHEMA, QUEUES } from '../../db/jobs-schema.ts';
import { releaseRun } from './release-run.ts';

export interface WorkerOptions {
  readonly channels: Channels;
  readonly log: (event: Readonly<Record<string, unknown>>) => void;
  /** How often it looks whether something waits, beside the tick of each minute. */
  readonly lookMs?: number;
}

export interface RunningWorker {
  /** Takes no more, lets what is under way end, and stops. */
  readonly stop: () => Promise<void>;
}

const LOOK_MS = 2_000;
const RELEASE_MS = 15_000;
const GRACE_MS = 15_000;
/** How often what is kept for a time is looked through for what is older. */
const FORGET_MS = 3_600_000;

interface RunJob {
  readonly workspaceId: number;
  readonly runId: number;
}
interface WorkspaceJob {
  readonly workspaceId: number;
}

/** What is unexpected in a job, by name and code alone: no text of it goes into a log. */
const describe = (error: unknown) => {
  const { name, code } = (error ?? {}) as { name?: string; code?: string };
  return { error: name ?? 'unknown', ...(code !== undefined && { code }) };
};

/**
 * Works until it is stopped: each minute it looks through all runs for what is due, and every few seconds whether messages wait.
 * Any number of workers may run: jobs are taken by one of them, and carrying one out twice does nothing the second time. A database
 * that is away is waited for.
 */
export async function startWorker({ channels, log, lookMs = LOOK_MS }: WorkerOptions): Promise<RunningWorker> {
  const pool = createPool(databaseUrl(), 12);
  const boss = new PgBoss({ connectionString: databaseUrl(), schema: JOBS_SCHEMA, migrate: false, max: 3 });
  boss.on('error', (error) => log({ event: 'queue', ...describe(error) }));
  await boss.start();
  let stopping = false;
  const secret = linkSecret();
  const { origin } = publicUrl();

  /** A job that fails is told, and comes again with the next look. */
  const guarded =
    <T>(event: string, work: (data: T) => Promise<Readonly<Record<string, unknown>> | undefined>) =>
    async ([job]: PgBoss.Job<T>[]) => {
      const startedMs = performance.now();
      try {
        const told = await work(job!.data);
        if (told) log({ event, ...told, ms: Math.round(performance.now() - startedMs) });
      } catch (error) {
        log({ event, ...describe(error) });
      }
    };

  await boss.work<object>(
    QUEUES.tick,
    { pollingIntervalSeconds: 1 },
    guarded('tick', async () => {
      await sendReleases(pool, boss);
      return undefined;
    }),
  );
  await boss.work<RunJob>(
    QUEUES.release,
    { pollingIntervalSeconds: 0.5 },
    guarded('release', async ({ workspaceId, runId }) => {
      const outcome = await withWorkspace(pool, workspaceId, (db) => releaseRun(db, workspaceId, runId, nowMs()));
      return outcome.released + outcome.flags > 0 ? { run: runId, ...outcome } : undefined;
    }),
  );
  await boss.work<WorkspaceJob>(
    QUEUES.deliver,
    { pollingIntervalSeconds: 0.5 },
    guarded('deliver', async ({ workspaceId }) => {
      const accepted = await deliverWorkspace(
        pool,
        { workspaceId, origin, secret, channels, now: nowMs, random: Math.random },
        () => stopping,
      );
      return accepted > 0 ? { workspace: workspaceId, accepted } : undefined;
    }),
  );

  let looking: Promise<void> | undefined;
  let last = { tick: performance.now(), nowMs: nowMs() };
  let forgotAt = -Infinity;
  const look = async () => {
    try {
      // Between two ticks too, and at once where the clock has jumped: what a coach sends by hand is due now.
      if (performance.now() - last.tick >= RELEASE_MS || nowMs() - last.nowMs >= RELEASE_MS) {
        last = { tick: performance.now(), nowMs: nowMs() };
        await sendReleases(pool, boss);
      }
      if (performance.now() - forgotAt >= FORGET_MS) {
        forgotAt = performance.now();
        await withConnection(pool, (db) => forgetAudit(db, new Date(nowMs() - AUDIT_DAYS * DAY_MS)));
      }
      const waiting = await withConnection(pool, (db) => listWaitingWorkspaces(db, new Date(nowMs())));
      for (const workspaceId of waiting)
        await boss.send(QUEUES.deliver, { workspaceId }, { singletonKey: String(workspaceId) });
    } catch (error) {
      log({ event: 'look', ...describe(error) });
    }
  };
  const timer = setInterval(() => {
    if (!stopping) looking ??= look().finally(() => (looking = undefined));
  }, lookMs);
  // What was due while nobody worked is due now.
  await sendReleases(pool, boss).catch((error: unknown) => log({ event: 'tick', ...describe(error) }));
  return {
    stop: async () => {
      stopping = true;
      clearInterval(timer);
      await looking;
      await boss.stop({ graceful: true, wait: true, timeout: GRACE_MS });
      channels.close();
      await pool.end();
    },
  };
}

/** The sign that somebody works, before anything else, so that a silence is known; then a job for each run that may have something to do. */
async function sendReleases(pool: pg.Pool, boss: PgBoss): Promise<void> {
  const runs = await withConnection(pool, async (db) => {
    await beat(db, 'work', new Date(nowMs()));
    return listLiveRuns(db);
  });
  for (const run of runs) await boss.send(QUEUES.release, run, { singletonKey: String(run.runId) });
}
