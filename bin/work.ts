/** Releases days and sends messages against any PostgreSQL, as the environment (or .env) says: docs/operate.md. Any number may run. */
import '../server/http/production.ts';
import { pino } from 'pino';
import { createPool } from '../db/pool.ts';
import { checkDatabase } from './parts/check-database.ts';
import { CommandError, runCommand, say } from './parts/say.ts';
import { loadSettings } from './parts/settings-files.ts';
import { settingError, STOP_SIGNALS } from './parts/serving.ts';
import { bounceListen, databaseUrl, linkSecret, publicUrl, smtpUrl, textGateway } from '../server/config.ts';
import { startWorker } from '../server/jobs/worker.ts';
import { listenForBounces } from '../server/messages/bounces.ts';
import { openChannels } from '../server/messages/open-channels.ts';

runCommand(async () => {
  if (process.argv.length > 2)
    throw new CommandError('work takes no options.', 'Everything is set by the environment: .env.example names it.');
  loadSettings();
  // Started by the demo: where that ends, this ends.
  process.once('disconnect', () => process.kill(process.pid, 'SIGTERM'));
  const log = pino({ level: process.env.LOG_LEVEL ?? 'info', base: null });
  let channels;
  let bounceAt;
  try {
    publicUrl();
    linkSecret();
    channels = openChannels();
    bounceAt = bounceListen();
    await checkDatabase(databaseUrl());
  } catch (error) {
    throw settingError(error) ?? error;
  }
  const worker = await startWorker({ channels, log: (event) => log.info(event) });
  const pool = createPool(databaseUrl(), 2);
  const bounces = bounceAt && (await listenForBounces(bounceAt, { pool, secret: linkSecret() }));
  say(
    `working: e-mail ${smtpUrl() ? 'by SMTP' : 'not set up'}, texts ${textGateway() ? 'by the text service' : 'not set up'}${bounces ? ', delivery reports are taken' : ''}`,
  );
  await new Promise<void>((done) => {
    for (const signal of STOP_SIGNALS) process.removeAllListeners(signal).once(signal, () => done());
  });
  await bounces?.close();
  await worker.stop();
  await pool.end();
  say('stopped');
  if (process.connected) process.disconnect();
  return 0;
});
