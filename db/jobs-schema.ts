import PgBoss from 'pg-boss';

/** The schema that the queue lives in; made by `migrate` with the owner's rights. */
export const JOBS_SCHEMA = 'jobs';

/** Queues, each with one job waiting by key: a second one is the same. What a worker that died had at work keeps nobody waiting. */
export const QUEUES = { tick: 'tick', release: 'release', deliver: 'deliver' } as const;
const EXPIRES_SEC = 300;

/** Makes the queue's tables, with the owner's rights, and lets the application use them. Made once, or brought up to date. */
export async function migrateJobs(ownerUrl: string, run: (sql: string) => Promise<unknown>): Promise<void> {
  const boss = new PgBoss({
    connectionString: ownerUrl,
    schema: JOBS_SCHEMA,
    schedule: false,
    supervise: false,
    max: 2,
  });
  boss.on('error', () => undefined);
  await boss.start();
  try {
    for (const name of Object.values(QUEUES)) {
      const options = { name, policy: 'short' as const, retryLimit: 0, expireInSeconds: EXPIRES_SEC };
      if ((await boss.getQueue(name)) === null) await boss.createQueue(name, options);
    }
    await boss.schedule(QUEUES.tick, '* * * * *', {}, { tz: 'UTC' });
  } finally {
    await boss.stop({ graceful: false, timeout: 2000 });
  }
  await run(`grant usage on schema ${JOBS_SCHEMA} to ysodos_app`);
  await run(`grant select, insert, update, delete on all tables in schema ${JOBS_SCHEMA} to ysodos_app`);
  await run(`grant execute on all functions in schema ${JOBS_SCHEMA} to ysodos_app`);
}
