import { coachCookie } from '../../tests/hostile/hostile-demo.ts';
import { sendWorst } from '../../tests/hostile/send-worst.ts';
import { startDemo } from '../parts/running-demo.ts';

export interface WaitRow {
  readonly what: string;
  /** The longest wait for `/healthz`, in ms, and the same as a multiple of a quiet server's longest wait. */
  readonly longestMs: number;
  readonly ratio: number;
}

/** How long others wait while one coach sends the worst there is: once while all is compiled, once when it has run before. */
export async function measureWaits(): Promise<WaitRow[]> {
  const demo = await startDemo('.local/bench-waits', ['--without-messages']);
  const askMs = async () => {
    const startedMs = performance.now();
    await (await fetch(`${demo.base}/healthz`)).text();
    return performance.now() - startedMs;
  };
  const longestMs = async (isOver: () => boolean) => {
    let longest = 0;
    while (!isOver()) longest = Math.max(longest, await askMs());
    return longest;
  };
  try {
    const cookie = await coachCookie(demo, 0);
    const until = performance.now() + 2000;
    const quietMs = await longestMs(() => performance.now() > until);
    const rows: WaitRow[] = [];
    for (const what of ['the worst texts, the first time', 'the worst texts, again']) {
      let isOver = false;
      const work = sendWorst(demo, cookie).finally(() => (isOver = true));
      const ms = await longestMs(() => isOver);
      await work;
      rows.push({ what, longestMs: ms, ratio: ms / quietMs });
    }
    return rows;
  } finally {
    await demo.stop();
  }
}
