/** Serves the application against any PostgreSQL, as the environment (or .env) says: docs/operate.md. */
import '../server/http/production.ts';
import { ensureBuild } from './parts/build.ts';
import { checkDatabase } from './parts/check-database.ts';
import { CommandError, runCommand, say } from './parts/say.ts';
import { loadSettings } from './parts/settings-files.ts';
import { openAt, settingError, startServing, stopOnSignal } from './parts/serving.ts';
import { databaseUrl, host, linkSecret, port, publicUrl, trustedProxies } from '../server/config.ts';

runCommand(async () => {
  if (process.argv.length > 2)
    throw new CommandError('serve takes no options.', 'Everything is set by the environment: .env.example names it.');
  loadSettings();
  try {
    // All that is needed is asked for before anything is started.
    publicUrl();
    linkSecret();
    port();
    trustedProxies();
    await checkDatabase(databaseUrl());
  } catch (error) {
    throw settingError(error) ?? error;
  }
  ensureBuild();
  const server = await startServing();
  say(`serving ${openAt()} on ${host()}:${port()}`);
  await stopOnSignal(server);
  say(server.hasFailed() ? 'stopped after an unexpected error' : 'stopped');
  return server.hasFailed() ? 1 : 0;
});
