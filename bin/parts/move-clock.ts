import { renameSync, writeFileSync } from 'node:fs';

/** Writes the instant that YSODOS_CLOCK_FILE holds. It is replaced as a whole: a process that reads meanwhile finds no empty file. */
export function writeClock(file: string, iso: string): void {
  writeFileSync(`${file}.next`, iso);
  renameSync(`${file}.next`, file);
}
