/** Writes what all migrations together make into db/schema.sql: `npm run schema`, after a new migration. */
import { writeFileSync } from 'node:fs';
import { migrate } from '../../db/migrate.ts';
import { startCluster } from '../parts/cluster.ts';
import { dumpSchema, SCHEMA_FILE } from '../parts/dump-schema.ts';
import { runCommand, say } from '../parts/say.ts';

const NAME = 'schema_to_read';

runCommand(async () => {
  const cluster = await startCluster('.local/schema', { what: 'the writing of db/schema.sql' });
  try {
    await cluster.dropDatabase(NAME);
    await cluster.createDatabase(NAME);
    await migrate(cluster.ownerUrl(NAME));
    writeFileSync(SCHEMA_FILE, await dumpSchema(cluster.ownerUrl(NAME)));
    say(`${SCHEMA_FILE} is written`);
  } finally {
    cluster.stop();
  }
  return 0;
});
