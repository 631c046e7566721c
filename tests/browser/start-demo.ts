import { afterAll } from 'vitest';
import { startDemo } from '../../bin/parts/running-demo.ts';
import { setDemo } from './helpers.ts';

/**
 * Each file has a demo of its own, with a stopped clock (Wednesday 13 May 2026, 09:00 UTC), so that files can run side by side.
 * Workers keep their folder from one file to the next: the database server is made once.
 */
const { stop, ...demo } = await startDemo(`.local/browser-test/${process.env.VITEST_POOL_ID ?? '1'}`);
setDemo(demo);
afterAll(stop, 30_000);
