import { readFileSync } from 'node:fs';
import type { Browser, Page } from 'playwright-core';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { demo, openBrowser, openPage, PHONE, signIn } from './helpers.ts';

const AXE = readFileSync(new URL('../../node_modules/axe-core/axe.min.js', import.meta.url), 'utf8');
const TAGS = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'];

let browser: Browser;
beforeAll(async () => {
  browser = await openBrowser();
});
afterAll(async () => {
  await browser.close();
});

/** What axe finds, as "rule: where". */
async function findFaults(page: Page): Promise<string[]> {
  await page.evaluate(AXE); // Through the debugger, past the page's content-security policy.
  const result = await page.evaluate(
    (tags) =>
      (
        window as unknown as {
          axe: {
            run: (
              o: unknown,
            ) => Promise<{ violations: { id: string; nodes: { target: string[]; failureSummary: string }[] }[] }>;
          };
        }
      ).axe.run({ runOnly: { type: 'tag', values: tags } }),
    TAGS,
  );
  return result.violations.flatMap((v) =>
    v.nodes.slice(0, 3).map((n) => `${v.id}: ${n.target.join(' ')} ${n.failureSummary.split('\n')[1] ?? ''}`),
  );
}

describe.each(['light', 'dark'] as const)('axe finds nothing to mend in %s', (colorScheme) => {
  test('on the coach’s screens', async () => {
    const page = await openPage(browser, { colorScheme });
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

  test('on what opens over the plan', async () => {
    const page = await openPage(browser, { colorScheme });
    await signIn(page);
    await page.goto(`/programmes/${demo().workspaces[0]!.programmeId}/plan?at=w6d1`, { waitUntil: 'networkidle' });
    for (const [open, shown] of [
      ['Arrange week 6', 'Runner-up'],
      ['Blocked days', 'By hand'],
      ['Out and in', 'Take out'],
      ['shift from here on', 'The progression goes'],
      ['place as a retest', 'About three weeks'],
      ['its session', 'in week 1, before any lever'],
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
    await page.getByLabel('Levers, one a line').fill('speed: +1 a week');
    await page.getByRole('alert').getByText('“speed” is no lever').waitFor();
    expect(await findFaults(page)).toEqual([]);
    await page.close();
  });

  test('on the participant’s', async () => {
    const page = await openPage(browser, { ...PHONE, colorScheme });
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
