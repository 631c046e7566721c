import type { Browser } from 'playwright-core';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { findFaults } from './axe.ts';
import { demo, openBrowser, openPage, signIn } from './helpers.ts';

let browser: Browser;
beforeAll(async () => {
  browser = await openBrowser();
});
afterAll(async () => {
  await browser.close();
});

test('axe finds nothing to mend on the coach’s screens, in light and in dark', async () => {
  const page = await openPage(browser, { colorScheme: 'light' });
  await signIn(page);
  const { programmeId } = demo().workspaces[0]!;
  const base = `/programmes/${programmeId}`;
  for (const path of [
    '/programmes',
    `${base}/plan`,
    `${base}/plan?at=w6d1`,
    `${base}/plan?at=week-6`,
    `${base}/write/w5d1`,
    `${base}/write/w5d1?as=cards`,
    `${base}/write/w6d3`,
    `${base}/write/w1d2`,
    `${base}/send/w5d6`,
    `${base}/follow-up?person=2&day=w5d1`,
    `${base}/follow-up/person/2`,
    `${base}/follow-up/next`,
    `${base}/follow-up/working`,
    `${base}/follow-up/teams`,
    `${base}/people`,
    `${base}/people?person=2`,
    `${base}/movements?m=push-up`,
    `${base}/movements?m=squat&edit=yes`,
  ]) {
    await page.goto(path, { waitUntil: 'networkidle' });
    expect([path, await findFaults(page)]).toEqual([path, []]);
  }
  await page.close();
}, 150_000);
