import { gzipSync } from 'node:zlib';
import type { Browser } from 'playwright-core';
import { CALL_EVENT } from '../../app/participant/clock/use-running-clock.ts';
import type { Call } from '../../core/clock/voice/calls.ts';
import { openChromium } from '../parts/chromium.ts';
import { startDemo } from '../parts/running-demo.ts';

/** A phone of the lower middle on slow 4G, as the profiles of the trade have it (common practice): 1.6 Mbit/s, 150 ms, a quarter of this processor. */
const SLOW_4G = { offline: false, downloadThroughput: 200_000, uploadThroughput: 93_750, latency: 150 };
const CPU_RATE = 4;
const RUNS = 5;
/** How long the clock is listened to. */
const CLOCK_SEC = 120;

const median = (list: readonly number[]): number => list.toSorted((a, b) => a - b)[Math.floor(list.length / 2)]!;

export interface PhoneFigures {
  readonly firstPaintMs: number;
  readonly scriptKb: number;
  readonly scripts: number;
  readonly clockScriptKb: number;
  readonly calls: {
    readonly count: number;
    readonly medianMs: number;
    readonly latestMs: number;
    readonly early: number;
  };
}

/** First paint of Today on a throttled phone, what its pages weigh, and how late the clock's calls are in a real browser. */
export async function measurePhone(): Promise<PhoneFigures> {
  const demo = await startDemo('.local/bench-phone');
  const browser = await openChromium();
  const link = `${demo.base}${demo.workspaces[0]!.linkPath}`;
  try {
    const paints: number[] = [];
    for (let run = 0; run < RUNS; run++) {
      const context = await browser.newContext({ viewport: { width: 390, height: 844 }, serviceWorkers: 'block' });
      const page = await context.newPage();
      const session = await context.newCDPSession(page);
      await session.send('Network.enable');
      await session.send('Network.emulateNetworkConditions', SLOW_4G);
      await session.send('Emulation.setCPUThrottlingRate', { rate: CPU_RATE });
      await page.goto(link, { waitUntil: 'load' });
      paints.push(
        await page.evaluate(() => performance.getEntriesByName('first-contentful-paint')[0]?.startTime ?? Number.NaN),
      );
      await context.close();
    }
    const today = await weighScripts(browser, link);
    const clock = await weighScripts(browser, `${link}/w4d6/clock`);
    const late = await listenToClock(browser, `${link}/w4d6/clock`);
    return {
      firstPaintMs: median(paints),
      scriptKb: today.kb,
      scripts: today.files,
      clockScriptKb: clock.kb,
      calls: {
        count: late.length,
        medianMs: median(late),
        latestMs: Math.max(...late),
        early: late.filter((ms) => ms < 0).length,
      },
    };
  } finally {
    await browser.close();
    await demo.stop();
  }
}

/** The scripts that a page fetches, as they weigh when packed. */
export async function weighScripts(
  browser: Browser,
  url: string,
): Promise<{ kb: number; files: number; names: string[] }> {
  const context = await browser.newContext({ serviceWorkers: 'block' });
  const page = await context.newPage();
  const bodies: Promise<Buffer>[] = [];
  const names: string[] = [];
  page.on('response', (response) => {
    if (!new URL(response.url()).pathname.endsWith('.js')) return;
    names.push(new URL(response.url()).pathname);
    bodies.push(response.body());
  });
  await page.goto(url, { waitUntil: 'networkidle' });
  const bytes = (await Promise.all(bodies)).reduce((sum, body) => sum + gzipSync(body).length, 0);
  await context.close();
  return { kb: bytes / 1000, files: bodies.length, names };
}

/** How late each call of a running clock was, in milliseconds. */
async function listenToClock(browser: Browser, url: string): Promise<number[]> {
  const page = await browser.newPage();
  await page.goto(url);
  await page.evaluate((event) => {
    const late: number[] = [];
    Object.assign(window, { late });
    window.addEventListener(event, (e) => late.push((e as CustomEvent<Call>).detail.lateMs));
  }, CALL_EVENT);
  await page.getByRole('button', { name: 'Start', exact: true }).click();
  const until = Date.now() + CLOCK_SEC * 1000;
  while (Date.now() < until) {
    await page.waitForTimeout(1000);
    // At one's own pace it waits for a tap.
    const done = page.getByRole('button', { name: /^(Done, on to the next|Ready)$/ });
    if ((await done.count()) > 0) await done.first().click();
  }
  const late = await page.evaluate(() => (window as unknown as { late: number[] }).late);
  await page.close();
  return late;
}
