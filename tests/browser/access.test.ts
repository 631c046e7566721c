import type { Browser, Page } from 'playwright-core';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import {
  demo,
  openBrowser,
  openPage,
  PHONE,
  signIn,
  SOON,
  writeText,
  writeTime,
  markReady,
  decideSend,
} from './helpers.ts';

let browser: Browser;
beforeAll(async () => {
  browser = await openBrowser();
});
afterAll(async () => {
  await browser.close();
});

/** Which windows of some sizes a page is wider than. */
async function tooWide(page: Page, sizes: readonly (readonly [width: number, height: number])[]): Promise<string[]> {
  const wide: string[] = [];
  for (const [width, height] of sizes) {
    await page.setViewportSize({ width, height });
    const over = await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);
    if (over > 0) wide.push(`${width} x ${height}: ${over} px`);
  }
  return wide;
}

test('no page is wider than its window, from 360 px to 1600', async () => {
  const page = await openPage(browser);
  const { linkPath } = demo().workspaces[0]!;
  const sizes = [360, 640, 768, 1024, 1600].map((width) => [width, 800] as const);
  for (const path of [linkPath, `${linkPath}/me`, `${linkPath}/w5d1/log`, `${linkPath}/w5d1/clock`]) {
    await page.goto(path);
    expect([path, await tooWide(page, sizes)]).toEqual([path, []]);
  }
  await signIn(page);
  const base = `/programmes/${demo().workspaces[0]!.programmeId}`;
  for (const path of [`${base}/plan`, `${base}/write/w5d1`, `${base}/follow-up`, `${base}/people`]) {
    await page.goto(path);
    expect([path, await tooWide(page, sizes.slice(1))]).toEqual([path, []]);
  }
  await page.close();
});

/** A session with everything that is awkward to show: long names, sides, a list, a rest. */
const AWKWARD = `Title: Donaudampfschifffahrtsgesellschaftskapitänswitwenrente
Effort: 5

Main (Einunddreißigsilbenwörterzählübungsblock): work 0:40 rest 0:20, 2 rounds
${'wonderfully'.repeat(3)}long raise
8/side split squat
`;

describe('a phone, upright and sideways', () => {
  let link: string;
  beforeAll(async () => {
    const coach = await openPage(browser);
    await signIn(coach);
    await coach.getByRole('button', { name: 'New programme' }).click();
    await writeTime(coach.getByLabel('Begins'), '2026-05-13');
    await coach.getByRole('button', { name: 'Make the programme' }).click();
    await coach.waitForURL('**/plan');
    const base = coach.url().replace(/\/plan.*$/, '');
    await coach.goto(`${base}/people`);
    await coach.getByLabel('Names, one a line').fill('نور الهدى');
    await coach.getByRole('button', { name: 'Add 1 person' }).click();
    await coach.getByRole('button', { name: 'Hand out their link' }).click();
    link = await coach.getByLabel(/^Personal link of/).inputValue();
    await coach.goto(`${base}/write/w1d1`);
    await coach.locator('.cm-content').waitFor();
    await writeText(coach, AWKWARD);
    await coach.getByText('saved', { exact: true }).waitFor();
    await markReady(coach);
    await coach.waitForURL('**/send/w1d1');
    await coach.getByRole('button', { name: 'Send to 1 person' }).click();
    await coach.getByRole('dialog').getByRole('button', { name: 'Send to 1 person' }).click();
    await coach.getByText('Version 1 is out').waitFor();
    await coach.close();
  });

  test('no page is wider than the screen of a phone, whatever the words', async () => {
    const page = await openPage(browser, PHONE);
    for (const path of ['', '/w1d1/log', '/w1d1/clock', '/me']) {
      await page.goto(`${link}${path}`);
      const wide = await tooWide(page, [
        [320, 480],
        [390, 844],
        [844, 390],
        [640, 400],
      ]);
      expect([path, wide]).toEqual([path, []]);
    }
    await page.close();
  });

  test.each([
    [320, 480, 100],
    [844, 390, 100],
    [390, 844, 100],
    [320, 640, 150],
    [390, 844, 200],
    [430, 932, 200],
    [844, 390, 200],
  ])(
    'at %i x %i, text at %i per cent, the clock has time, movement, number, next and every button on one screen',
    async (width, height, percent) => {
      const page = await openPage(browser, { ...PHONE, viewport: { width, height } });
      await page.addInitScript((size) => {
        addEventListener('DOMContentLoaded', () => (document.documentElement.style.fontSize = size));
      }, `${percent}%`);
      await page.goto(`${link}/w1d1/clock`);
      await page.clock.install();
      await page.getByRole('button', { name: 'Start', exact: true }).click();
      // The button that started it is gone; what it says now has the focus.
      await expect.poll(() => page.evaluate(() => document.activeElement?.tagName), SOON).toBe('H1');
      const isWhole = () =>
        page.evaluate(() => {
          const parts = [
            ...document.querySelectorAll('.clock h1, .clock-digits, .clock-next, .clock-now, .clock button, .clock a'),
          ];
          return parts
            .filter((e) => {
              const box = e.getBoundingClientRect();
              // What stands above the buttons is cut where they begin.
              const end = e.closest('.clock-body')?.getBoundingClientRect().bottom ?? innerHeight;
              return (
                box.width > 0 &&
                (box.top < -0.5 || box.left < -0.5 || box.bottom > end + 0.5 || box.right > innerWidth + 0.5)
              );
            })
            .map(
              (e) =>
                `${e.className || e.tagName} ${(e.textContent ?? '').slice(0, 20)} ${Math.round(e.getBoundingClientRect().bottom)} of ${Math.round(e.closest('.clock-body')?.getBoundingClientRect().bottom ?? 0)}`,
            );
        });
      for (const step of [5200, 1000, 40_000, 20_000, 20_500]) {
        await page.clock.runFor(step);
        expect(await isWhole()).toEqual([]);
        const [count, time] = await page.evaluate(() =>
          ['.clock-now b', '.clock-digits'].map((of) => {
            const shown = document.querySelector(of);
            return shown ? parseFloat(getComputedStyle(shown).fontSize) : 0;
          }),
        );
        expect(Math.abs(count! - time!)).toBeGreaterThan(8);
        const sizes = await page.evaluate(() =>
          [...document.querySelectorAll('.clock-foot button')].map((b) => Math.round(b.getBoundingClientRect().height)),
        );
        expect(Math.min(...sizes)).toBeGreaterThanOrEqual(width === 320 ? 44 : 48);
      }
      await page.getByRole('button', { name: 'pause' }).click();
      expect(await isWhole()).toEqual([]);
      await page.close();
    },
  );

  test('sides are said with their count, and which it is now; without a voice a screen reader hears what comes', async () => {
    const page = await openPage(browser, PHONE);
    await page.goto(`${link}/w1d1/clock`);
    await page.clock.install();
    await page.getByText('nothing', { exact: true }).click();
    // It is remembered, and the page that says so is the one that the server sent.
    await page.reload();
    await expect.poll(() => page.getByRole('radio', { name: 'nothing' }).isChecked(), SOON).toBe(true);
    await page.getByRole('button', { name: 'Start', exact: true }).click();
    await page.clock.runFor(5200 + 60_000);
    await page.getByRole('heading', { name: 'split squat' }).waitFor();
    await page.getByText('each side').first().waitFor();
    await page.locator('.clock-dose').getByText('now left').waitFor();
    await expect.poll(() => page.locator('[aria-live=assertive]').textContent(), SOON).toBe('8 each side split squat');
    await page.clock.runFor(20_500);
    await page.locator('.clock-dose').getByText('now right').waitFor();
    await page.close();
  });

  test('without script the clock says that it needs it, and the rest works', async () => {
    const page = await openPage(browser, { ...PHONE, javaScriptEnabled: false });
    await page.goto(`${link}/w1d1/clock`);
    expect(await page.locator('.clock-note').innerText()).toMatch(/^The clock needs JavaScript/);
    await page.goto(`${link}/w1d1/log`);
    await page.getByText('done', { exact: true }).first().click();
    await page.getByRole('button', { name: 'Send to coach' }).click();
    await page.getByText('You logged this: done').waitFor();
    await page.close();
  });
});

test('names that run from right to left stand in their own direction', async () => {
  const page = await openPage(browser);
  await signIn(page);
  const id = demo().workspaces[0]!.programmeId;
  await page.goto(`/programmes/${id}/people`);
  await page.getByRole('button', { name: 'Add people' }).click();
  await page.getByLabel('Names, one a line').fill('שרה לוי');
  await page.getByRole('button', { name: 'Add 1 person' }).click();
  await decideSend(page, 'From their next session on');
  await page.getByRole('button', { name: 'Later' }).click();
  await page.goto(`/programmes/${id}/follow-up`);
  const direction = await page
    .locator('.follow-name b', { hasText: 'שרה לוי' })
    .evaluate((e) => getComputedStyle(e).direction);
  expect(direction).toBe('rtl');
  await page.close();
});

test.each(['plan', 'write/w6d3', 'follow-up'])('%s on paper is the thing itself, without its tools', async (path) => {
  const page = await openPage(browser);
  await signIn(page);
  await page.goto(`/programmes/${demo().workspaces[0]!.programmeId}/${path}`, { waitUntil: 'networkidle' });
  await page.emulateMedia({ media: 'print' });
  const says = { plan: /planned load[\s\S]*614/i, 'write/w6d3': /Quiet/, 'follow-up': /Amara Lindqvist/ }[path]!;
  await expect.poll(() => page.locator('main').innerText(), SOON).toMatch(says);
  const seen = await page.evaluate(() => {
    const isSeen = (e: Element) => e.checkVisibility() && e.getBoundingClientRect().height > 1;
    return {
      buttons: [...document.querySelectorAll('main button, main select, nav a')]
        .filter(isSeen)
        .map((e) => e.textContent),
    };
  });
  expect(seen.buttons).toEqual([]);
  await page.close();
});

test('in forced colours what is chosen, today and the current week are still told', async () => {
  const page = await openPage(browser, { forcedColors: 'active' });
  await signIn(page);
  await page.goto(`/programmes/${demo().workspaces[0]!.programmeId}/plan?at=w6d1`, { waitUntil: 'networkidle' });
  const told = await page.evaluate(() => {
    const style = (selector: string) => getComputedStyle(document.querySelector(selector)!);
    return {
      chosen: style('.plan-cell.is-selected').borderTopStyle,
      today: style('.plan-cell.is-today').borderTopWidth,
      now: document.querySelector('.plan-row.is-now .plan-week')!.textContent,
      load: style('.plan-sum i').borderTopStyle,
      bars: getComputedStyle(document.querySelector('.area-columns rect')!).fill,
    };
  });
  expect(told.chosen).toBe('solid');
  expect(Number.parseFloat(told.today)).toBeGreaterThanOrEqual(2);
  expect(told.now).toContain('now');
  expect(told.load).toBe('solid');
  await page.close();
});

test('menus close with Escape and give the focus back; a dialog moves nothing; keys work while a list has the focus', async () => {
  const page = await openPage(browser);
  await signIn(page);
  const base = `/programmes/${demo().workspaces[0]!.programmeId}`;
  const focused = () => page.evaluate(() => document.activeElement?.textContent?.trim().slice(0, 30) ?? '');
  await page.goto(`${base}/write/w6d3`);
  await page.getByRole('button', { name: 'Routines' }).click();
  await page.locator('.routines').waitFor();
  await expect.poll(focused, SOON).toBe('write it out');
  await page.keyboard.press('Escape');
  await page.locator('.routines').waitFor({ state: 'hidden' });
  await expect.poll(focused, SOON).toBe('Routines');
  await page.locator('.head-self summary').click();
  await page.keyboard.press('Escape');
  await expect.poll(() => page.locator('.head-self').getAttribute('open'), SOON).toBeNull();
  await page.goto(`${base}/plan?at=w6d1`, { waitUntil: 'networkidle' });
  const where = () => page.locator('h1').evaluate((e) => e.getBoundingClientRect().left);
  const before = await where();
  await page.getByRole('button', { name: 'Blocked days', exact: true }).click();
  await page.getByRole('dialog').waitFor();
  expect(await where()).toBe(before);
  await page.keyboard.press('Escape');
  await page.getByLabel('Track', { exact: true }).last().focus();
  await page.keyboard.press('?');
  await page.getByRole('dialog', { name: 'Keys' }).waitFor();
  await page.close();
});

test('on a phone no page of a coach is wider than the phone, and a dialog stands within it', async () => {
  const page = await openPage(browser, PHONE);
  await signIn(page);
  const base = `/programmes/${demo().workspaces[0]!.programmeId}`;
  const wide = () =>
    page.evaluate(() => Math.max(0, document.documentElement.scrollWidth - document.documentElement.clientWidth));
  const pages = [
    'plan',
    'write/w5d3',
    'send/w5d3',
    'run',
    'people',
    'movements',
    'outbox',
    'follow-up',
    'follow-up/working',
  ];
  for (const path of ['/programmes', '/account', ...pages.map((p) => `${base}/${p}`)]) {
    await page.goto(path);
    expect([path, await wide()]).toEqual([path, 0]);
  }
  await page.goto(`${base}/plan`, { waitUntil: 'networkidle' });
  await page.getByRole('button', { name: 'Export and import' }).click();
  const box = (await page.getByRole('dialog').locator('.ant-modal-container').boundingBox())!;
  expect([box.x >= 0, box.x + box.width <= 390, box.y >= 0]).toEqual([true, true, true]);
  await page.close();
});
