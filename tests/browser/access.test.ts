import type { Browser } from 'playwright-core';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { findFaults } from './axe.ts';
import { demo, openBrowser, openPage, PHONE, signIn } from './helpers.ts';

let browser: Browser;
beforeAll(async () => {
  browser = await openBrowser();
});
afterAll(async () => {
  await browser.close();
});

describe('axe finds nothing to mend, in light and in dark', () => {
  test('on what opens over the plan', async () => {
    const page = await openPage(browser, { colorScheme: 'light' });
    await signIn(page);
    await page.goto(`/programmes/${demo().workspaces[0]!.programmeId}/plan?at=w6d1`, { waitUntil: 'networkidle' });
    for (const [open, shown] of [
      ['Arrange week 6', 'Runner-up'],
      ['Blocked days', 'By hand'],
      ['Export and import', 'Take out'],
      ['move all later days', 'The progression goes'],
      ['place as a retest', 'About three weeks'],
      ['its session', 'in week 1, before anything changes'],
    ] as const) {
      await page.getByRole('button', { name: open, exact: true }).click();
      await page.getByRole('dialog').getByText(shown).first().waitFor();
      expect([open, await findFaults(page)]).toEqual([open, []]);
      await page.keyboard.press('Escape');
      await page.getByRole('dialog').waitFor({ state: 'detached' });
    }
    await page.getByRole('rowheader', { name: 'Week 6' }).click();
    await page.getByRole('button', { name: 'Compare', exact: true }).click();
    expect(await findFaults(page)).toEqual([]);
    await page.getByRole('button', { name: 'Good' }).click();
    await page.getByRole('button', { name: 'a pause before it' }).click();
    await page.getByRole('button', { name: 'Day by day' }).click();
    await page.getByRole('button', { name: /What is looked for/ }).click();
    await page.getByRole('button', { name: 'as text' }).click();
    await page.getByText('How a line is written').click();
    await page.getByLabel('What changes, one a line').fill('speed: +1 a week');
    await page.getByRole('alert').getByText('“speed” is nothing that can change').waitFor();
    expect(await findFaults(page)).toEqual([]);
    await page.close();
  });

  test('on the participant’s', async () => {
    const page = await openPage(browser, { ...PHONE, colorScheme: 'light' });
    const { linkPath } = demo().workspaces[1]!;
    for (const path of [
      linkPath,
      `${linkPath}/w2d5`,
      `${linkPath}/w2d5/log`,
      `${linkPath}/w2d5/clock`,
      `${linkPath}/me`,
      '/sign-in',
      '/p/unknown',
    ]) {
      await page.goto(path, { waitUntil: 'networkidle' });
      expect([path, await findFaults(page)]).toEqual([path, []]);
    }
    await page.goto(`${linkPath}/w2d3/clock`);
    await page.getByRole('button', { name: 'Start', exact: true }).click();
    await page.getByRole('timer').waitFor();
    expect(await findFaults(page)).toEqual([]);
    await page.close();
  });
});

test('by keyboard alone: sign in, go to a day, write, mark ready', async () => {
  const page = await openPage(browser);
  await page.goto('/sign-in');
  await page.keyboard.press('Tab');
  await page.keyboard.type(demo().workspaces[0]!.coachEmail);
  await page.keyboard.press('Tab');
  await page.keyboard.type(demo().password);
  await page.keyboard.press('Enter');
  await page.waitForURL('**/programmes');
  await page.getByRole('link', { name: 'Eight weeks to the summer tour' }).last().focus();
  await page.keyboard.press('Enter');
  await page.waitForURL('**/plan');
  await page.getByRole('gridcell', { name: /Saturday 6 June/ }).focus();
  await page.keyboard.press('Enter');
  await page.waitForURL('**/write/w8d6');
  await page.locator('.cm-content').waitFor();
  await page.locator('.cm-content').focus();
  await page.keyboard.type('Main: flow\n5 squat\n');
  await page.getByText('saved', { exact: true }).waitFor();
  await page.getByRole('button', { name: 'Mark ready' }).focus();
  await page.keyboard.press('Enter');
  await page.waitForURL('**/send/w8d6');
  await page.close();
});

test.each([360, 768, 1024, 1600])('no page is wider than a window of %i px', async (width) => {
  const page = await openPage(browser, { viewport: { width, height: 800 } });
  const { linkPath } = demo().workspaces[0]!;
  const wide = async () =>
    page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);
  for (const path of [linkPath, `${linkPath}/me`, `${linkPath}/w5d1/log`, `${linkPath}/w5d1/clock`]) {
    await page.goto(path);
    expect([path, await wide()]).toEqual([path, 0]);
  }
  if (width >= 768) {
    await signIn(page);
    const base = `/programmes/${demo().workspaces[0]!.programmeId}`;
    for (const path of [`${base}/plan`, `${base}/write/w5d1`, `${base}/follow-up`, `${base}/people`]) {
      await page.goto(path);
      expect([path, await wide()]).toEqual([path, 0]);
    }
  }
  await page.close();
});
