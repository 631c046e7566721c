/** Installs and builds all that running needs, so that what runs need write nothing of its own: `./ysodos prepare`. */
import { ensureBuild } from './build.ts';
import { runCommand, say } from './say.ts';

runCommand(async () => {
  ensureBuild();
  say('everything is in place');
  return 0;
});
