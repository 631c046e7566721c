import { resolve } from 'node:path';
import type { Browser, BrowserContext, Page } from 'playwright-core';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { weighScripts } from '../../bin/tools/bench-phone.ts';
import type { RunningDemo } from '../../bin/parts/running-demo.ts';
import { FIXED_NOW, startDemo } from '../../bin/parts/running-demo.ts';
import { writeClock } from '../../bin/parts/move-clock.ts';
import {
  decideSend,
  isHydrated,
  openBrowser,
  openPage,
  PHONE,
  postForm,
  setDemo,
  signIn,
  SOON,
  writeTime,
} from './helpers.ts';

/** A demo whose hour this file moves: three days pass without network. */
const CLOCK = resolve('.local/offline-clock');
const moveClock = (iso: string) => writeClock(CLOCK, iso);
const DAY_MS = 24 * 3600 * 1000;

let own: RunningDemo;
let browser: Browser;
let coach: Page;
let phone: BrowserContext;
let base: string;
let link: string;

const post = (path: string, form: Record<string, string>) => postForm(coach, `${own.base}${path}`, form);
const write = async (day: string, text: string) => {
  const draft = await coach.request.post(`${own.base}${base}/write/${day}/draft`, {
    data: { text, revision: 1 },
    headers: { origin: own.base },
  });
  expect(draft.status()).toBe(200);
  await post(`${base}/write/${day}`, { intent: 'ready', revision: '2' });
  await post(`${base}/send/${day}`, { intent: 'send', revision: '2' });
};

beforeAll(async () => {
  moveClock(FIXED_NOW);
  own = await startDemo('.local/offline-test', ['--without-messages'], { YSODOS_CLOCK_FILE: CLOCK });
  setDemo(own);
  browser = await openBrowser();
  coach = await openPage(browser);
  await signIn(coach, 'new');
  const made = await post('/programmes', {
    title: 'Offline',
    weeks: '1',
    startsOn: '2026-05-12',
    weekdays: '2',
    lighterEvery: '0',
    from: 'empty',
  });
  base = /\/programmes\/\d+/.exec(made.headers().location!)![0];
  for (const day of ['w1d2', 'w1d3', 'w1d4']) await post(`${base}/write/${day}`, { intent: 'add' });
  for (const day of ['w1d1', 'w1d2', 'w1d3', 'w1d4'])
    await write(day, `Title: Session ${day}\n\nMain: amrap 1:00\n5 squat\n5 push-up\n`);
  await coach.goto(`${base}/people`);
  await coach.getByLabel('Names, one a line').fill('Odile Fernwerth');
  await writeTime(coach.getByLabel('Joined'), '2026-05-12');
  await coach.getByRole('button', { name: 'Add 1 person' }).click();
  await decideSend(coach);
  await coach.getByRole('button', { name: 'Hand out their link' }).click();
  link = new URL(await coach.getByLabel('Personal link of Odile Fernwerth').inputValue()).pathname;
  phone = await browser.newContext({ ...PHONE, baseURL: own.base, timezoneId: 'Europe/Berlin' });
  phone.setDefaultTimeout(15_000);
}, 180_000);
afterAll(async () => {
  await browser?.close();
  await own?.stop();
});

/** What the phone has kept of the pages. */
const kept = (page: Page) =>
  page.evaluate(
    async (name) => {
      const cache = await caches.open(name);
      return (await cache.keys()).map(
        (r) => new URL(r.url).pathname.replace(/^\/p\/[^/]+/, '') + new URL(r.url).search,
      );
    },
    `ysodos-kept-${link.slice(3)}`,
  );

/** Lets days pass on the phone: what it was told lies so much further back. */
const passDays = (page: Page, days: number) =>
  page.evaluate(
    async ([name, path, ms]) => {
      const cache = await caches.open(name);
      const found = (await cache.match(path))!;
      const headers = new Headers(found.headers);
      headers.set('x-kept-at', String(Number(headers.get('x-kept-at')) - ms));
      await cache.put(path, new Response(await found.text(), { headers }));
    },
    [`ysodos-kept-${link.slice(3)}`, `${link}/keep.json`, days * DAY_MS] as const,
  );

/** Sends the form that stands there, having said a number. */
async function log(page: Page, rounds: string): Promise<void> {
  await isHydrated(page);
  await page.getByRole('textbox', { name: /whole rounds/ }).fill(rounds);
  await page.getByRole('button', { name: 'Send to coach' }).click();
}

describe('three days without network', () => {
  let page: Page;

  test('the application and the days that were sent are kept, without being opened', async () => {
    page = await phone.newPage();
    await page.goto(link);
    await page.getByRole('heading', { name: 'Session w1d2' }).waitFor();
    await expect
      .poll(async () => (await kept(page)).filter((p) => /^\/w1d[1-4]\/(clock|log)$/.test(p)).length, {
        timeout: 30_000,
      })
      .toBe(8);
    await expect.poll(async () => (await kept(page)).includes('/keep.json'), SOON).toBe(true);
    const assets = await page.evaluate(async () =>
      (await (await caches.open('ysodos-assets')).keys()).map((r) => new URL(r.url).pathname),
    );
    const { runs } = (await (await phone.request.get(`${own.base}${link}/copy.json`)).json()) as {
      runs: { releases: { opened_at: string | null; begun_at: string | null }[] }[];
    };
    // Today was opened; nothing else was, and nothing was begun.
    expect(runs[0]!.releases.map((r) => [r.opened_at !== null, r.begun_at !== null])).toEqual([[true, false]]);
    expect(assets.filter((a) => /plan|write|antd|send|movements/.test(a))).toEqual([]);
  });

  test('files of a version that the server no longer has come from the phone: an open page goes on', async () => {
    const other = await phone.newPage();
    let asked = 0;
    await phone.route('**/assets/**', (route) => {
      asked++;
      return route.fulfill({ status: 404, body: '' });
    });
    await other.goto(`${link}/w1d1`);
    await other.getByRole('link', { name: 'Start with the clock' }).click();
    await other.getByRole('button', { name: 'Start', exact: true }).click();
    await other.getByRole('heading', { name: 'Get ready' }).waitFor();
    await other.getByRole('button', { name: 'pause' }).click();
    expect(asked).toBe(0);
    await phone.unroute('**/assets/**');
    await other.close();
  });

  test('to the end of the clock, and the log, offline: no error page, nothing lost', { timeout: 120_000 }, async () => {
    await phone.setOffline(true);
    await page.getByRole('link', { name: 'Start with the clock' }).click();
    await page.getByRole('button', { name: 'Start', exact: true }).click();
    await page.getByRole('heading', { name: 'As many rounds as you can' }).waitFor();
    await page.getByRole('button', { name: 'One more round done: 0' }).click();
    // Reloaded in the middle, it waits at the same second.
    const shown = await page.getByRole('timer').textContent();
    await page.reload();
    await page.getByRole('button', { name: 'Go on where you stopped' }).click();
    const again = await page.getByRole('timer').textContent();
    const seconds = (text: string | null) => Number(text!.split(':')[0]) * 60 + Number(text!.split(':')[1]);
    expect(Math.abs(seconds(again) - seconds(shown))).toBeLessThanOrEqual(1);
    await page.getByRole('button', { name: 'skip' }).click();
    await page.getByRole('link', { name: 'Log it' }).click();
    await expect.poll(() => page.getByRole('textbox', { name: /whole rounds/ }).inputValue(), SOON).toBe('1');
    await page.getByText('The clock saw').waitFor();
    await log(page, '6');
    await page.getByRole('heading', { name: 'Kept on this phone' }).waitFor();
    await page.getByText('Only on this phone so far:').waitFor();
    await page.getByRole('link', { name: 'Back to the session' }).click();
    await page.getByRole('heading', { name: 'Session w1d2' }).waitFor();
  });

  test('a missed day is made up, the tab closed before anything was sent', { timeout: 60_000 }, async () => {
    await page.goto(`${link}/w1d1/log`);
    await log(page, '5');
    await page.getByRole('heading', { name: 'Kept on this phone' }).waitFor();
    await page.close();
    page = await phone.newPage();
    await page.goto(link);
    await page.getByRole('heading', { name: 'Session w1d2' }).waitFor();
    await page.getByText('2 logs').waitFor();
  });

  test('a day to come is shut until its hour, then it is today’s', { timeout: 60_000 }, async () => {
    await page.goto(`${link}/w1d3`);
    await page.getByText('opens at its hour').waitFor();
    await passDays(page, 1);
    await page.goto(link);
    await page.getByRole('heading', { name: 'Session w1d3' }).waitFor();
    await page.getByRole('link', { name: 'I’ve done it my way' }).click();
    await log(page, '7');
    await page.getByRole('heading', { name: 'Kept on this phone' }).waitFor();
    await passDays(page, 1);
    await page.goto(`${link}/w1d4/log`);
    await log(page, '8');
    await page.getByRole('heading', { name: 'Kept on this phone' }).waitFor();
    await page.reload();
    await page.getByText('4 logs').waitFor();
    await passDays(page, 1);
    await page.goto(link);
    await page.getByText('Nothing is kept here for today.').waitFor();
  });

  test(
    'back online: four records, none doubled, each on its version; what arrived is told',
    { timeout: 60_000 },
    async () => {
      // Meanwhile one of them was corrected, and another withdrawn.
      const draft = await coach.request.post(`${own.base}${base}/write/w1d3/draft`, {
        data: { text: 'Title: Corrected\n\nMain: amrap 1:00\n6 squat\n', revision: 2 },
        headers: { origin: own.base },
      });
      expect(draft.status()).toBe(200);
      await post(`${base}/write/w1d3`, { intent: 'ready', revision: '3' });
      await post(`${base}/send/w1d3`, { intent: 'send', revision: '3', changeNote: 'one more' });
      await post(`${base}/send/w1d4`, { intent: 'withdraw', note: 'too much' });
      moveClock('2026-05-16T09:00:00Z');
      await phone.setOffline(false);
      await page.goto(link);
      await page.getByText(/Nothing waits on this phone\. Arrived lately/).waitFor();
      const copy = (await (await phone.request.get(`${own.base}${link}/copy.json`)).json()) as {
        runs: { records: { week: number; weekday: number; scores: { rounds: number }[] }[] }[];
      };
      const records = copy.runs[0]!.records.map((r) => [r.weekday, r.scores[0]!.rounds]);
      expect(records.sort()).toEqual([
        [1, 5],
        [2, 6],
        [3, 7],
        [4, 8],
      ]);
      await page.reload();
      const again = (await (await phone.request.get(`${own.base}${link}/copy.json`)).json()) as typeof copy;
      expect(again.runs[0]!.records).toHaveLength(4);
    },
  );

  test(
    'an option brings its own count, sides and load once it is chosen, and the record says which',
    { timeout: 90_000 },
    async () => {
      moveClock('2026-05-15T20:00:00Z');
      await post(`${base}/write/w1d5`, { intent: 'add' });
      const line = '10 alt step-back lunge or 5/side split squat @ 8 kg or chair squat';
      await write(
        'w1d5',
        `Title: Choose\n\nMain: 2 rounds\n${line}\n8 push-up, easier wall push-up\n12 march, a surprise\n\nFinisher: amrap 2:00\n8 squat or 4 squat jump\n`,
      );
      moveClock('2026-05-16T09:30:00Z');
      const chooser = await openPage(browser, { ...PHONE, timezoneId: 'Europe/Berlin' });
      await chooser.goto(`${link}/w1d5`);
      await chooser.getByText('split squat (each side, with 8 kg)').waitFor();
      await chooser.getByText('easier: wall push-up').waitFor();
      expect(await chooser.locator('.session-list').textContent()).toContain('something more');
      expect(await chooser.locator('.session-list').textContent()).not.toContain('march');
      await chooser.goto(`${link}/w1d5/clock`);
      await chooser.getByRole('button', { name: 'Start', exact: true }).click();
      await chooser.getByRole('button', { name: 'skip' }).click();
      const title = () => chooser.locator('.clock h1').textContent();
      await expect.poll(title, SOON).toBe('Your choice');
      await chooser.getByRole('button', { name: '5 split squat, each side · with 8 kg' }).click();
      await expect.poll(title, SOON).toBe('split squat');
      await chooser.getByText('each side · with 8 kg').waitFor();
      expect(await chooser.locator('.clock-now').textContent()).toContain('5');
      await chooser.getByRole('button', { name: 'Done, on to the next' }).click();
      await expect.poll(title, SOON).toBe('push-up');
      expect(await chooser.locator('.clock-next').textContent()).toContain('something more');
      await chooser.getByRole('button', { name: 'pause' }).click();
      await chooser.getByRole('link', { name: 'Stop here and log' }).click();
      const seen = await chooser.locator('input[name=seen]').inputValue();
      expect(JSON.parse(seen)).toMatchObject({
        chosen: [{ block: 0, item: 0, from: 'step-back lunge', to: 'split squat' }],
      });
      // The log shows what the clock saw, and asks for what it didn't reach.
      expect(await chooser.getByLabel('5 split squat, each side, with 8 kg').isChecked()).toBe(true);
      await chooser.getByLabel('10 chair squat').check();
      await chooser.getByLabel('4 squat jump', { exact: true }).check();
      await chooser.getByText('part of it').click();
      await chooser.locator('input[name^=score-]').first().fill('6');
      await chooser.getByRole('button', { name: 'Send to coach' }).click();
      await chooser.waitForURL(/w1d5$/);
      await chooser.goto(`${link}/w1d5/log`);
      expect(await chooser.getByLabel('10 chair squat').isChecked()).toBe(true);
      expect(await chooser.getByLabel('4 squat jump', { exact: true }).isChecked()).toBe(true);
      await chooser.close();
    },
  );

  test('a link that has ended takes what was kept off the phone', { timeout: 60_000 }, async () => {
    await coach.goto(`${base}/people`);
    const before = await kept(page);
    expect(before.length).toBeGreaterThan(5);
    await page.goto(`${link}/weeks`);
    await page.getByText('Delete me …').click();
    await page.getByRole('button', { name: 'Delete me' }).click();
    await page.getByText('Tick the box first').waitFor();
    await page.getByRole('checkbox', { name: /Yes, delete all of it/ }).check();
    await page.getByRole('button', { name: 'Delete me' }).click();
    await page.getByRole('heading', { name: 'You are gone from here' }).waitFor();
    await expect.poll(() => page.evaluate((n) => caches.has(n), `ysodos-kept-${link.slice(3)}`), SOON).toBe(false);
    expect((await phone.request.get(`${own.base}${link}`)).status()).toBe(404);
    await coach.reload();
    await expect.poll(() => coach.getByText('Odile Fernwerth').count(), SOON).toBe(0);
  });
});

test('a participant’s pages weigh little, and nothing of the coach’s comes along', { timeout: 60_000 }, async () => {
  const someone = `${own.base}${own.workspaces[0]!.linkPath}`;
  const today = await weighScripts(browser, someone);
  // Half a kilobyte of it fetches what plays drawings, on first use; that itself must not come along.
  expect(today.kb).toBeLessThanOrEqual(127);
  expect(today.names.filter((n) => /still|play-figures|sheet-figures/.test(n))).toEqual([]);
  expect(today.files).toBeLessThanOrEqual(12);
  const clock = await weighScripts(browser, `${someone}/w4d6/clock`);
  expect(clock.kb).toBeLessThanOrEqual(150);
  expect([...today.names, ...clock.names].filter((n) => /plan|write|send|movements|antd|people/.test(n))).toEqual([]);
});

describe('on the way', () => {
  test(
    'a step easier changes what comes; what hurts is stopped, stood in for, and told to the coach',
    { timeout: 90_000 },
    async () => {
      moveClock(FIXED_NOW);
      const page = await openPage(browser, { ...PHONE, timezoneId: 'Europe/Lisbon' });
      const someone = own.workspaces[0]!;
      await page.goto(`${someone.linkPath}/w5d3/clock`);
      await page.getByRole('button', { name: 'Start', exact: true }).click();
      const title = () => page.locator('.clock h1').textContent();
      const easier = page.getByRole('button', { name: /^Easier: / });
      // The first thing of the main work for which there is an easier shape.
      for (let i = 0; i < 20; i++) {
        if (i > 3 && !/ready|rest/i.test((await title()) ?? '')) {
          await page.getByRole('button', { name: 'easier / harder' }).click();
          if ((await easier.count()) > 0) break;
          await page.getByRole('button', { name: 'Back to the clock' }).click();
        }
        await page.getByRole('button', { name: 'skip' }).click();
        await page.waitForTimeout(100);
      }
      const first = (await title())!;
      const name = (await easier.textContent())!.replace('Easier: ', '');
      await easier.click();
      await expect.poll(title, SOON).toBe(name);
      expect(name).not.toBe(first);

      await page.getByRole('button', { name: 'this hurts' }).click();
      await expect.poll(() => page.locator('.clock-flash').textContent(), SOON).toBe('Paused');
      await page.getByRole('button', { name: 'knee' }).click();
      await page.getByText('Stop and get help').waitFor();
      await page
        .getByRole('button', { name: /^(Go on with|Leave it out)/ })
        .first()
        .click();
      await expect.poll(title, SOON).not.toBe(name);
      await page.getByRole('button', { name: 'pause' }).click();
      await page.getByRole('link', { name: 'Stop here and log' }).click();
      await expect.poll(() => page.getByLabel('something hurts').isChecked(), SOON).toBe(true);
      // Some seconds ran, how many is a matter of the machine: by the clock next to nothing was done, and never all of it.
      const proposed = page.locator('input[name=outcome]:checked');
      await expect.poll(() => proposed.inputValue(), SOON).toMatch(/^(part|not-done)$/);
      const share = /"sharePct":(\d+)/.exec(await page.locator('input[name=seen]').inputValue());
      const isNothing = (await proposed.inputValue()) === 'not-done';
      // Where it proposes "not done" it names no share.
      expect(isNothing ? share : Number(share?.[1]) < 5).toBe(isNothing ? null : true);
      await page.getByLabel('part of it').check({ force: true });
      await page.getByRole('button', { name: 'Send to coach' }).click();
      await page.getByText('You logged this').waitFor();
      await page.getByRole('heading', { name: 'What it was worth' }).waitFor();
      await page.close();

      await coach.context().clearCookies();
      await signIn(coach, 0);
      await coach.goto(`/programmes/${someone.programmeId}/follow-up`);
      const told = coach.getByRole('list', { name: 'Something hurt' });
      await told.getByText(new RegExp(`it hurt: knee, at ${name}`)).waitFor();
      await told.getByRole('link').first().click();
      await coach.getByText('the body: something hurts').waitFor();
    },
  );
});

test('a link that has ended takes what was kept with it: at the first contact, and nothing is there without network afterwards', async () => {
  const reader = await openBrowser();
  const context = await reader.newContext({ ...PHONE, baseURL: own.base });
  context.setDefaultTimeout(15_000);
  const page = await context.newPage();
  const other = own.workspaces[0]!;
  await page.goto(other.linkPath);
  const name = `ysodos-kept-${other.linkPath.slice(3)}`;
  const isKept = () => page.evaluate((cache) => caches.has(cache), name);
  await expect.poll(isKept, { timeout: 30_000 }).toBe(true);
  const index = `${other.linkPath}/keep.json`;
  const hasIndex = () =>
    page.evaluate(async ([cache, path]) => !!(await (await caches.open(cache!)).match(path!)), [name, index]);
  await expect.poll(hasIndex, { timeout: 30_000 }).toBe(true);
  await context.setOffline(true);
  await page.reload();
  await page.locator('main.person h1').first().waitFor();
  // Meanwhile the coach revokes the link.
  const host = await openPage(reader);
  await signIn(host, 0);
  await host.goto(`/programmes/${other.programmeId}/people`);
  await host.getByRole('button', { name: `revoke the link of ${other.linkName}` }).click();
  await host.getByRole('dialog').getByRole('button', { name: 'Revoke it' }).click();
  await host.getByRole('button', { name: `make one for ${other.linkName}` }).waitFor();
  await context.setOffline(false);
  // The page may be on its way to the network by itself already.
  await page.evaluate(() => window.dispatchEvent(new Event('online'))).catch(() => undefined);
  await page.getByRole('heading', { name: 'This link doesn’t open anything' }).waitFor();
  await expect.poll(isKept, SOON).toBe(false);
  await context.setOffline(true);
  await page.goto(other.linkPath).catch(() => undefined);
  expect(await page.getByRole('heading').allTextContents()).not.toContain('Your weeks');
  await reader.close();
});
