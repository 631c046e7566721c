import { spawnSync } from 'node:child_process';
import { readdirSync, readFileSync } from 'node:fs';

/** A process and all that it has started, by /proc (proc(5): the fourth field is the parent). */
function familyOf(pid: number): number[] {
  const children = readdirSync('/proc')
    .filter((name) => /^\d+$/.test(name))
    .filter((name) => {
      try {
        const stat = readFileSync(`/proc/${name}/stat`, 'utf8');
        return Number(stat.slice(stat.lastIndexOf(')') + 2).split(' ')[1]) === pid;
      } catch {
        return false;
      }
    })
    .map(Number);
  return [pid, ...children];
}

/**
 * Lets a server's processes write no file beyond a size, as a full disk does: what is written fails. Undefined lets them again. The limit
 * is theirs alone (prlimit(1) of util-linux), so that nothing else on the machine feels it.
 */
export function limitFiles(pid: number, bytes: number | undefined): void {
  for (const own of familyOf(pid))
    spawnSync('prlimit', ['--pid', String(own), `--fsize=${bytes ?? 'unlimited'}:`], { stdio: 'ignore' });
}
