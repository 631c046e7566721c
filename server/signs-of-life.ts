import { beat } from '../db/queries/pulse.ts';
import { nowMs } from './config.ts';
import { onDatabase } from './database.ts';

/** Often enough that two that fail make no silence yet. */
const EVERY_MS = 30_000;

/** Says from now on that pages can be opened; gives what ends it. A database that is away hears nothing, which is a silence too. */
export function startSignsOfLife(): () => void {
  const say = () => void onDatabase((db) => beat(db, 'serve', new Date(nowMs()))).catch(() => undefined);
  say();
  const timer = setInterval(say, EVERY_MS);
  timer.unref();
  return () => clearInterval(timer);
}
