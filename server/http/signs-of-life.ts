import { beat } from '../../db/queries/pulse.ts';
import { nowMs } from '../config.ts';
import { onDatabase } from '../database.ts';

/** Often enough that two that fail make no silence yet. */
const EVERY_MS = 30_000;

/** Says from now on that pages can be opened; gives what ends it. A database that is away hears nothing, which is a silence too. */
export function startSignsOfLife(): () => void {
  const say = async () => {
    try {
      await onDatabase((db) => beat(db, 'serve', new Date(nowMs())));
    } catch {
      // No database, no sign: that is told by what it is then silent about.
    }
  };
  void say();
  const timer = setInterval(() => void say(), EVERY_MS);
  timer.unref();
  return () => clearInterval(timer);
}
