import type { Browser, Page } from 'playwright-core';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { demo, openBrowser, openPage, PHONE, signIn, SOON } from './helpers.ts';

let browser: Browser;
beforeAll(async () => {
  browser = await openBrowser();
});
afterAll(async () => {
  await browser.close();
});

const base = (workspace: 0 | 1) => `/programmes/${demo().workspaces[workspace]!.programmeId}`;

/** A personal link made for someone, by the coach who is signed in. */
async function linkOf(coach: Page, workspace: 0 | 1, name: string): Promise<string> {
  await coach.goto(`${base(workspace)}/people`);
  await coach.getByLabel('Find a person').fill(name);
  await coach
    .getByRole('row', { name: new RegExp(name) })
    .getByRole('button', { name: /^(replace the link of|make one for)/ })
    .click();
  const make = coach.getByRole('button', { name: 'Make a new one' });
  await make.click();
  return coach.getByLabel(`Personal link of ${name}`).inputValue();
}

test('a proposal accepted changes what someone does next, they see it and why, and taken back it is as before', async () => {
  const coach = await openPage(browser);
  await signIn(coach, 0);
  await coach.goto(`${base(0)}/follow-up/next`);
  const ease = coach.locator('.next-kind', { has: coach.getByRole('heading', { name: /^Ease/ }) });
  const name = (await ease.locator('.next-person b').first().textContent())!;
  const link = await linkOf(coach, 0, name);
  const reader = await openPage(browser, PHONE);
  /** Lines that they do in another shape, as they are told on their page. */
  const shapes = async () => {
    await reader.goto(link);
    return ((await reader.content()).match(/[\w’ -]+ instead of [\w’ -]+/g) ?? []).length;
  };
  const before = await shapes();

  await coach.goto(`${base(0)}/follow-up/next`);
  await coach.getByRole('button', { name: `Accept, ${name}` }).click();
  await coach.getByText('It is accepted.').waitFor();
  const back = coach.getByRole('button', { name: new RegExp(`take it back, ${name}`) });
  await back.waitFor();
  await expect.poll(() => coach.getByRole('button', { name: `Accept, ${name}` }).count(), SOON).toBe(0);
  expect(await shapes()).toBeGreaterThan(before);

  await back.click();
  await coach.getByText('Taken back.').waitFor();
  await coach.getByRole('button', { name: `Accept, ${name}` }).waitFor();
  expect(await shapes()).toBe(before);
  for (const page of [coach, reader]) await page.close();
}, 120_000);

test('for all: what isn’t sent yet is drawn as it would be, and is so once it is accepted', async () => {
  const coach = await openPage(browser);
  await signIn(coach, 0);
  await coach.goto(`${base(0)}/follow-up/next`);
  const card = coach.locator('.next-card').first();
  const line = (await card.locator('ins').first().textContent())!.trim();
  const week = /week (\d+)/.exec((await card.locator('li .soft').first().textContent())!)![1]!;
  await card.getByRole('button', { name: /^Accept/ }).click();
  await coach.getByText('It is accepted.').waitFor();
  await coach.goto(`${base(0)}/write/w${week}d1`);
  await coach.locator('.cm-line', { hasText: line }).first().waitFor();
  await coach.close();
}, 60_000);

test('a word to someone goes out and takes them off the list; taken off by hand they come back', async () => {
  const coach = await openPage(browser);
  await signIn(coach, 0);
  await coach.goto(`${base(0)}/follow-up`);
  const first = coach.locator('.needs li', { hasText: 'Missed in a row' }).first();
  const name = (await first.locator('b').first().textContent())!;
  await first.locator('a').first().click();
  const words = coach.getByLabel('Your words');
  expect(await words.inputValue()).toContain('No need to catch up');
  await words.fill(`${name.split(' ')[0]!},\n\nshall I pause you for a week?`);
  await coach.getByRole('button', { name: /^Send to .*by e-mail$/ }).click();
  await coach.getByText(`${name}: asked how it is, by e-mail.`).waitFor();
  await expect.poll(() => coach.locator('.needs li', { hasText: name }).count(), SOON).toBe(0);
  await coach.goto(`${base(0)}/outbox?kind=note`);
  await coach.getByText(name).first().waitFor();
  // What was done stands on their page, and can be taken back there.
  await coach.goto(`${base(0)}/follow-up`);
  await coach.locator('.follow-name', { hasText: name }).click();
  await coach.getByRole('link', { name: 'all about them' }).click();
  await coach.getByText('because of: missed in a row').waitFor();
  await coach.getByRole('button', { name: 'take back' }).click();
  await expect.poll(() => coach.getByText('because of: missed in a row').count(), SOON).toBe(0);
  await coach.close();
}, 60_000);

test('today’s line moves while it happens, without a reload', async () => {
  const coach = await openPage(browser);
  await signIn(coach, 1);
  await coach.goto(`${base(1)}/follow-up`);
  await coach.locator('.today-live').waitFor();
  const logged = async () => Number(await coach.locator('.today-line li').last().locator('b').textContent());
  const before = await logged();
  const reader = await openPage(browser, PHONE);
  await reader.goto(`${demo().workspaces[1]!.linkPath}/w3d3/log`);
  await reader.getByRole('button', { name: 'Send to coach' }).click();
  await reader.getByText(/You logged this/).waitFor();
  await expect.poll(logged, SOON).toBe(before + 1);
  for (const page of [coach, reader]) await page.close();
}, 60_000);

test('the strands by keyboard: arrows move over people and days and say where they are, Enter opens a day beside', async () => {
  const coach = await openPage(browser);
  await signIn(coach, 0);
  await coach.goto(`${base(0)}/follow-up?sort=name`);
  const grid = coach.getByRole('group', { name: /^Strands/ });
  await grid.focus();
  await coach.keyboard.press('ArrowDown');
  await coach.keyboard.press('ArrowLeft');
  const status = coach.locator('.follow-grid [role=status]');
  await expect.poll(() => status.textContent(), SOON).toBe('Amara Lindqvist, Monday, week 5: missed');
  await coach.keyboard.press('ArrowDown');
  await coach.keyboard.press('Enter');
  await coach.getByRole('heading', { name: 'Benedek Soto' }).waitFor();
  await coach.getByRole('heading', { name: 'Monday, week 5' }).waitFor();
  // The grid stays in sight beside it.
  const [panel, rows] = [await coach.locator('.follow-panel').boundingBox(), await grid.boundingBox()];
  expect(panel!.x).toBeGreaterThanOrEqual(rows!.x + rows!.width);
  await coach.getByRole('link', { name: 'as a table' }).click();
  await coach.getByRole('rowheader', { name: 'Amara Lindqvist' }).waitFor();
  await coach.close();
}, 60_000);

test('a reader chooses how they stand on the board, and the coach sees the same', async () => {
  const reader = await openPage(browser, PHONE);
  const { linkPath, linkName } = demo().workspaces[1]!;
  await reader.goto(`${linkPath}/team`);
  await reader.getByLabel('under another name:').check();
  await reader.getByRole('textbox', { name: 'Another name' }).fill('Night owl');
  await reader.getByRole('button', { name: 'Keep' }).click();
  await reader.getByText('Night owl (you)').waitFor();
  await reader.getByLabel(/not at all/).check();
  await reader.getByRole('button', { name: 'Keep' }).click();
  await expect.poll(() => reader.getByText('(you)').count(), SOON).toBe(0);
  const coach = await openPage(browser);
  await signIn(coach, 1);
  await coach.goto(`${base(1)}/follow-up/teams`);
  await coach.getByText('1 person on no board').waitFor();
  expect(await coach.locator('.teams-board.is-people').textContent()).not.toContain(linkName);
  for (const page of [coach, reader]) await page.close();
}, 60_000);

test('home tells what goes out and who needs a word, as Send and Follow up do, each one press away', async () => {
  const coach = await openPage(browser);
  await signIn(coach, 0);
  await coach.goto(`${base(0)}/follow-up`);
  const needed = await coach.locator('.needs-name b').first().textContent();
  const people = Number(await coach.locator('.needs h2 .soft').textContent());
  await coach.goto('/programmes');
  const column = (title: string) =>
    coach.locator('.today-columns > div', { has: coach.getByRole('heading', { name: title }) });
  const words = column('Needs a word').getByRole('listitem');
  await words.first().waitFor();
  expect(await words.first().textContent()).toContain(needed);
  expect(await words.last().textContent()).toBe(`and ${people - 3} more people`);
  await words.first().getByRole('link').click();
  await coach.waitForURL('**/follow-up?person=*');
  await coach.getByRole('heading', { name: needed! }).waitFor();
  await coach.goto('/programmes');
  const next = column('Goes out').getByRole('listitem').last();
  const title = await next.getByRole('link').textContent();
  await next.getByRole('link').click();
  await coach.waitForURL('**/send/w*');
  await coach.locator('.send-next', { hasText: title! }).waitFor();
  await coach.close();
}, 60_000);
