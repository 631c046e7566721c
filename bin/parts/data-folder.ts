import { mkdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { CommandError } from './say.ts';

/** Who uses a data folder. `startTicks` tells a process from a later one with the same number. */
interface Owner {
  readonly pid: number;
  readonly startTicks: string | undefined;
  readonly what: string;
  readonly since: string;
}

/** When a process started, in the kernel's ticks (proc(5), field 22); undefined where there is none, or no /proc. */
function startTicks(pid: number): string | undefined {
  try {
    const stat = readFileSync(`/proc/${pid}/stat`, 'utf8');
    return stat.slice(stat.lastIndexOf(')') + 2).split(' ')[19];
  } catch {
    return undefined;
  }
}

function lives(owner: Owner): boolean {
  try {
    process.kill(owner.pid, 0);
  } catch (error) {
    return (error as NodeJS.ErrnoException).code === 'EPERM' && owner.startTicks === startTicks(owner.pid);
  }
  return owner.startTicks === startTicks(owner.pid);
}

/** The live owner of a data folder, if there is one. */
export function findOwner(dataFolder: string): Owner | undefined {
  try {
    const owner = JSON.parse(readFileSync(join(resolve(dataFolder), 'owner.json'), 'utf8')) as Owner;
    return lives(owner) ? owner : undefined;
  } catch {
    return undefined;
  }
}

/**
 * Takes a data folder for this process; gives what lets go of it. Refused while another process that lives has it; what a killed
 * one left behind is taken over. Of two at the same moment one gets it: the file is made whole, by a link that fails if it is there.
 */
export function claimFolder(dataFolder: string, what: string): () => void {
  const folder = resolve(dataFolder);
  mkdirSync(folder, { recursive: true });
  const file = join(folder, 'owner.json');
  const own: Owner = { pid: process.pid, startTicks: startTicks(process.pid), what, since: new Date().toISOString() };
  for (let attempt = 0; ; attempt++) {
    try {
      writeFileSync(file, JSON.stringify(own), { flag: 'wx', mode: 0o600 });
      break;
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code !== 'EEXIST' || attempt > 3) throw error;
    }
    const owner = findOwner(folder);
    if (owner?.pid === process.pid) break;
    if (owner) {
      throw new CommandError(
        `${dataFolder} is in use: ${owner.what}, process ${owner.pid}, since ${owner.since}.`,
        'Stop that one first, or choose another folder with --data DIR.',
      );
    }
    // Left behind by one that was killed. Renaming takes it away from one process only.
    const stale = `${file}.${process.pid}`;
    try {
      renameSync(file, stale);
      rmSync(stale, { force: true });
    } catch {
      // Another process was quicker; look again.
    }
  }
  return () => {
    if (findOwner(folder)?.pid === process.pid) rmSync(file, { force: true });
  };
}
