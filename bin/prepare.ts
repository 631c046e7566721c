/** Installs and builds all that running needs, so that what runs need write nothing of its own: `./ysodos prepare`. */
import { ensureBuild } from './parts/build.ts';
import { runCommand, say } from './parts/say.ts';

runCommand(async () => {
  ensureBuild();
  say('everything is in place');
  return 0;
});
