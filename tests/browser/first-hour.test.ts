import type { Browser, Page } from 'playwright-core';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { demo, openBrowser, openPage, PHONE, signIn, SOON } from './helpers.ts';

let browser: Browser;
beforeAll(async () => {
  browser = await openBrowser();
});
afterAll(async () => {
  await browser.close();
});

/** What somebody does, counted: a click or tap, a field filled in, a key that does something. Letters and pages are counted beside. */
class Counted {
  interactions = 0;
  letters = 0;
  pages = 0;
  readonly page: Page;
  constructor(page: Page) {
    this.page = page;
    page.on('framenavigated', (frame) => {
      if (frame === page.mainFrame()) this.pages++;
    });
  }
  async click(role: 'button' | 'link', name: string | RegExp): Promise<void> {
    this.interactions++;
    await this.page.getByRole(role, { name }).first().click();
  }
  async fill(label: string, text: string): Promise<void> {
    this.interactions++;
    this.letters += text.length;
    await this.page.getByLabel(label).fill(text);
  }
  async press(...keys: string[]): Promise<void> {
    for (const key of keys) {
      this.interactions++;
      await this.page.keyboard.press(key);
    }
  }
  async type(text: string): Promise<void> {
    this.interactions++;
    this.letters += text.length;
    await this.page.keyboard.insertText(text);
  }
}

describe('the first hour', () => {
  test('from sign-in to a logged session, with a progression, in at most 40 interactions', async () => {
    const coach = new Counted(await openPage(browser, { timezoneId: 'Europe/Vienna' }));
    const { page } = coach;
    await page.goto('/sign-in');
    await coach.fill('E-mail', demo().newcomerEmail);
    await coach.fill('Password', demo().password);
    await coach.press('Enter');
    await page.getByRole('heading', { name: 'Your first programme' }).waitFor();

    // A programme of three days a week, beginning on the day that it is.
    await coach.fill('Title', 'Stronger by summer');
    await coach.fill('Begins', '2026-05-13');
    await coach.press('Tab');
    await coach.click('button', 'Make the programme');
    await page.getByRole('heading', { name: 'Nothing is written yet' }).waitFor();
    expect(await page.getByRole('columnheader').allTextContents()).toEqual(
      expect.arrayContaining([
        expect.stringMatching(/^Wed/),
        expect.stringMatching(/^Fri/),
        expect.stringMatching(/^Mon/),
      ]),
    );

    // A session of one's own: every minute, with two numbers changed.
    await coach.click('link', 'Write Wednesday, week 1');
    await page.locator('.cm-content').waitFor();
    await coach.click('button', /^every …/);
    await page.locator('.cm-line', { hasText: '10 squat' }).waitFor();
    coach.interactions++;
    await page.locator('.cm-line', { hasText: '10 squat' }).dblclick({ position: { x: 12, y: 8 } });
    await coach.type('12');
    await page.getByText('saved', { exact: true }).waitFor();
    await page.getByRole('heading', { name: 'Wednesday, week 1' }).waitFor();

    // Every week again, with one more round in week 4.
    await coach.click('link', 'Plan');
    await coach.click('button', 'Repeat it every Wednesday');
    await coach.press('Enter');
    await page.getByRole('status').filter({ hasText: 'as a track on 4 Wednesdays' }).waitFor();
    await coach.fill('How rounds progress', '4, 4, 4, then 5 in week 4');
    await coach.press('Enter');
    await coach.click('button', 'Apply');
    await page.getByRole('status').filter({ hasText: 'then 5 in week 4' }).waitFor();
    await expect
      .poll(() => page.locator('[data-cell="w4d1"] > .sr').textContent(), SOON)
      .toMatch(/Squat and push-up, 10 min/);

    // Two people.
    await coach.click('link', 'People');
    await coach.fill('Names, one a line', 'Ada Fennick\nBruno Alder, bruno@example.org');
    await coach.click('button', 'Add 2 people');
    await page.getByText('2 in this programme').waitFor();

    // Ready, sent, and the links in hand.
    await coach.click('link', 'Write');
    await coach.click('button', 'Mark ready');
    await coach.click('button', 'Send now');
    await page.waitForURL('**/send/w1d1');
    await coach.click('button', 'Send to 2 people');
    await page.getByRole('dialog').waitFor();
    coach.interactions++;
    await page.getByRole('dialog').getByRole('button', { name: 'Send to 2 people' }).click();
    await coach.click('button', 'Hand out 2 links');
    const link = await page.getByLabel('Personal link of Ada Fennick').inputValue();
    await coach.click('button', 'copy the link of Ada Fennick');
    await coach.click('button', 'I have them');

    // On the phone: seen, done, said.
    const phone = new Counted(await openPage(browser, { ...PHONE, timezoneId: 'Europe/Vienna' }));
    phone.interactions++;
    await phone.page.goto(link);
    await phone.page.getByRole('heading', { name: 'Squat and push-up' }).waitFor();
    await phone.click('link', 'I’ve done it my way');
    await phone.page.getByLabel(/^6,/).check({ force: true });
    phone.interactions++;
    await phone.click('button', 'Send to coach');
    await phone.page.getByText('You logged this: done').waitFor();

    // And the coach reads it first.
    await coach.click('link', 'Follow up');
    const said = page.getByRole('region', { name: 'Said today' });
    await said.getByRole('link', { name: 'Ada Fennick' }).waitFor();
    await said.getByText('done', { exact: false }).first().waitFor();

    const all = coach.interactions + phone.interactions;
    expect({ all, isFew: all <= 40 }).toEqual({ all, isFew: true });
    expect(coach.letters + phone.letters).toBeLessThan(260);
    // Addresses: also a day chosen in the plan is one.
    expect(coach.pages + phone.pages).toBeLessThanOrEqual(18);
    await coach.page.close();
    await phone.page.close();
  });

  test('nothing there yet says what goes here, and leads on', async () => {
    const page = await openPage(browser);
    await signIn(page, 1);
    await page.getByRole('button', { name: 'New programme' }).click();
    await page.getByLabel('Title').fill('Empty');
    await page.keyboard.press('Enter');
    await page.waitForURL('**/plan');
    const base = page.url().replace(/\/plan.*$/, '');
    await page.getByRole('link', { name: 'Paste a plan' }).click();
    await page
      .getByRole('dialog', { name: 'Paste a plan' })
      .getByLabel('Your text')
      .fill('3 rounds\n10 squats\n8 push ups');
    await page.getByRole('button', { name: 'Read it' }).click();
    await page.getByRole('button', { name: 'Take it', exact: true }).click();
    await page.locator('.cm-line', { hasText: '8 push-up' }).waitFor();
    for (const [path, says, leads] of [
      ['write/w1d2', 'no session on this day', { name: 'Put a session here' }],
      ['send/w1d3', 'still to write', { name: 'Go to Write' }],
      ['follow-up', 'who did which session', { name: 'Add people' }],
      ['people', 'Write who takes part', { name: 'Add' }],
      ['movements?q=zzzz', 'Nothing like that', { name: /movement/ }],
    ] as const) {
      await page.goto(`${base}/${path}`, { waitUntil: 'networkidle' });
      await page.getByText(says, { exact: false }).first().waitFor();
      const door = page
        .getByRole('main')
        .getByRole('link', leads)
        .or(page.getByRole('main').getByRole('button', leads));
      expect([path, (await door.count()) > 0]).toEqual([path, true]);
    }
    await page.goto(`${base}/people`, { waitUntil: 'networkidle' });
    await page.getByLabel('Names, one a line').fill('Ada Fennick\nBruno Alder');
    await page.getByRole('button', { name: 'Add 2 people' }).click();
    await page.getByText('2 people are in.').waitFor();
    await page.getByRole('button', { name: 'Undo' }).click();
    await page.getByText('Nobody is in this programme yet.').waitFor();
    await page.goto(`${base}/write/w1d3`);
    await page.getByRole('button', { name: 'Use this example' }).click();
    await page.locator('.cm-line', { hasText: 'Title: Quiet legs' }).waitFor();
    await page.goto(`${base}/write/w1d5`);
    await page.getByRole('button', { name: /^Warm-up/ }).click();
    await page.locator('.cm-line', { hasText: 'Warm-up: 2 rounds' }).waitFor();
    await page.close();
  });

  test('the guide follows the caret, and what it shows can be taken', async () => {
    const page = await openPage(browser);
    await signIn(page);
    await page.goto(`/programmes/${demo().workspaces[0]!.programmeId}/write/w8d6`);
    await page.getByRole('button', { name: 'Use this example' }).click();
    await page.locator('.cm-line', { hasText: '10 squat' }).click();
    await page.keyboard.press('End');
    await page.keyboard.press('F1');
    const guide = page.getByRole('region', { name: 'How a session is written' });
    await guide.getByRole('heading', { name: 'A line of a block' }).waitFor();
    await guide.getByRole('button', { name: '8/side reverse lunge' }).click();
    await page.locator('.cm-line', { hasText: '8/side reverse lunge' }).waitFor();
    await page.keyboard.type(', ');
    await guide.getByRole('heading', { name: 'After the movement, with commas' }).waitFor();
    await page.locator('.cm-line', { hasText: 'Main: every' }).click();
    await guide.getByRole('heading', { name: 'A block begins' }).waitFor();
    await guide.getByRole('button', { name: 'Main: amrap 10:00' }).click();
    await page.locator('.cm-line', { hasText: 'Main: amrap 10:00' }).waitFor();
    await guide.getByText('Keys', { exact: true }).click();
    await guide.getByText('undo and redo').waitFor();
    await page.keyboard.press('F1');
    await guide.waitFor({ state: 'detached' });
    await page.close();
  });
});

test('by keyboard alone: from sign-in to a sent session, and always with the focus in sight', async () => {
  const page = await openPage(browser);
  const press = async (...keys: string[]) => {
    for (const key of keys) await page.keyboard.press(key);
  };
  /** Goes on with Tab until the focus is on what is called so; what has the focus is seen to have it. */
  const tabTo = async (name: RegExp, most = 80) => {
    for (let i = 0; i < most; i++) {
      await press('Tab');
      const now = await page.evaluate(() => {
        const e = document.activeElement as HTMLElement;
        const style = getComputedStyle(e);
        return {
          name: e.getAttribute('aria-label') ?? (e as HTMLInputElement).labels?.[0]?.textContent ?? e.textContent ?? '',
          isSeen: e === document.body || style.outlineStyle !== 'none' || e.closest('.cm-editor') !== null,
          tag: `${e.tagName} ${e.className}`,
        };
      });
      expect([now.tag, now.isSeen]).toEqual([now.tag, true]);
      if (name.test(now.name.trim())) return;
    }
    throw new Error(`Tab never came to ${name}`);
  };
  await page.goto('/sign-in');
  await tabTo(/^E-mail/);
  await page.keyboard.type(demo().workspaces[0]!.coachEmail);
  await tabTo(/^Password/);
  await page.keyboard.type(demo().password);
  await press('Enter');
  await page.waitForURL('**/programmes');
  await expect.poll(() => page.evaluate(() => document.activeElement?.tagName), SOON).toBe('BODY');
  await tabTo(/^New programme$/);
  await press('Enter');
  // The dialog begins with the first thing to do, and the button that opened it has the focus again after Escape.
  await expect
    .poll(() => page.evaluate(() => (document.activeElement as HTMLInputElement).labels?.[0]?.textContent), SOON)
    .toMatch(/^Title/);
  await press('Escape');
  await expect.poll(() => page.evaluate(() => document.activeElement?.textContent), SOON).toBe('New programme');
  await press('Enter');
  await page.keyboard.type('By key');
  await press('Enter');
  await page.waitForURL('**/plan');
  await expect.poll(() => page.evaluate(() => document.activeElement?.tagName), SOON).toBe('H1');
  await tabTo(/^Write Monday, week 1$/);
  await press('Enter');
  await page.waitForURL('**/write/w1d1');
  await page.locator('.cm-content').waitFor();
  await tabTo(/^Session text$/);
  // All at once: no list of what could follow opens over it, which would take the Tab.
  await page.keyboard.insertText('Main: flow\n5 squat\n');
  await page.getByText('saved', { exact: true }).waitFor();
  await press('Escape');
  await tabTo(/^Mark ready$/);
  await press('Enter');
  await page.waitForURL('**/send/w1d1');
  await expect.poll(() => page.evaluate(() => document.activeElement?.tagName), SOON).toBe('H1');
  await tabTo(/^Send to 0 people$/);
  await press('Enter');
  await expect.poll(() => page.evaluate(() => document.activeElement?.textContent), SOON).toMatch(/^Send to 0 people/);
  await press('Enter');
  await page.getByText('Version 1 is out.').waitFor();
  await expect.poll(() => page.evaluate(() => document.activeElement !== document.body), SOON).toBe(true);
  await page.close();
});
