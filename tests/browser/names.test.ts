import type { Browser, Page } from 'playwright-core';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { findFaults } from './axe.ts';
import { demo, openBrowser, openPage, PHONE, signIn, SOON, writeText } from './helpers.ts';

let browser: Browser;
let coach: Page;
let base: string;

beforeAll(async () => {
  browser = await openBrowser();
  coach = await openPage(browser);
  await signIn(coach);
  base = `/programmes/${demo().workspaces[0]!.programmeId}`;
  await coach.goto(`${base}/write/w8d2`);
  await coach.getByRole('button', { name: 'Put a session here' }).click();
  await coach.locator('.cm-content').waitFor();
}, 120_000);
afterAll(async () => {
  await coach.close();
  await browser.close();
});

const TEXT = `Title: Everyday names

Main: 3 rounds
10/side DB reverse lunge + curl
8/side zigzag reverse lunge
0:30 crane dance
6 heron walk`;

async function open(text: string): Promise<void> {
  await coach.goto(`${base}/write/w8d2`);
  await coach.locator('.cm-content').waitFor();
  await writeText(coach, text);
  await coach.getByText('saved', { exact: true }).waitFor();
}

/** The line of the text that has these words; the hand rests on its movement. */
async function hover(words: string): Promise<void> {
  await coach.mouse.move(5, 5);
  const line = coach.locator('.cm-line', { hasText: words });
  const box = (await line.boundingBox())!;
  await coach.mouse.move(box.x + 30, box.y + box.height / 2);
  await coach.mouse.move(box.x + 34, box.y + box.height / 2);
}

describe('a name from elsewhere', () => {
  test('is offered from its words while it is written', async () => {
    await open('Main: 3 rounds\n');
    await coach.keyboard.press('Control+End');
    await coach.keyboard.type('10 dumbbell ', { delay: 15 });
    // A hand that rests here is offered twelve names of many; with the next letters it is asked again.
    await coach.locator('.cm-tooltip-autocomplete li').first().waitFor(SOON);
    await coach.keyboard.type('rev', { delay: 15 });
    const option = coach.locator('.cm-tooltip-autocomplete li', { hasText: 'dumbbell reverse lunge' }).first();
    await option.waitFor(SOON);
    await option.click();
    expect(await coach.locator('.cm-line').last().textContent()).toBe('10 dumbbell reverse lunge');
    await coach.getByText('saved', { exact: true }).waitFor();
  });

  test('says what it was read as, and is no news', async () => {
    await open(TEXT);
    await coach.getByText('3 movements are new here').waitFor(SOON);
    await hover('DB reverse lunge');
    await coach
      .getByText(
        'read from the name: step-back lunge, then curl; with dumbbells (on the safe side: shoulder, noise, effort)',
      )
      .waitFor(SOON);
    await coach.getByText('2 dumbbells', { exact: false }).first().waitFor();
  });

  test('is corrected in one step, and is the workspace’s own from then on', async () => {
    await coach.getByRole('button', { name: 'Not so? Correct it' }).click();
    const dialog = coach.getByRole('dialog', { name: 'Make it known' });
    await dialog.getByRole('radio', { name: '2 of 5' }).check({ force: true });
    await dialog.getByLabel('knees').uncheck();
    await dialog.getByRole('button', { name: 'Save it for us' }).click();
    await dialog.waitFor({ state: 'hidden' });
    await hover('DB reverse lunge');
    await coach.getByText(/of it in the session/).waitFor(SOON);
    expect(await coach.getByText('read from the name').count()).toBe(0);
    await coach.goto(`${base}/movements?q=DB+reverse+lunge+%2B+curl`);
    await coach.locator('.movement-list a').first().click();
    await coach.getByText('effort class 2').waitFor(SOON);
    await coach.getByRole('button', { name: 'delete' }).click();
    await coach.getByRole('button', { name: 'Delete' }).last().click();
    await coach.getByText('read from the name', { exact: false }).first().waitFor(SOON);
  });
});

describe('new names', () => {
  test('offer what of them can be read before anything else', async () => {
    await open(TEXT);
    await coach.getByText('3 movements are new here').click();
    const zigzag = coach.locator('.findings li', { hasText: '“zigzag reverse lunge” is new here' }).last();
    expect(await zigzag.getByRole('button').nth(1).textContent()).toBe('step-back lunge');
    expect(await zigzag.getByRole('button').last().textContent()).toBe('make it known');
  });

  test('are made known together, with what each is refused for at its place', async () => {
    await coach.getByRole('button', { name: 'make all 3 known' }).click();
    const dialog = coach.getByRole('dialog', { name: 'Make 3 movements known' });
    const crane = dialog.getByRole('group', { name: 'crane dance' });
    await crane.getByText('held', { exact: true }).click();
    await crane.getByRole('textbox').first().fill('0');
    await dialog.getByRole('button', { name: 'Save them for us' }).click();
    await crane.getByRole('alert').getByText('more than 0').waitFor(SOON);
    await dialog.locator('.ant-btn-loading').waitFor({ state: 'detached' });
    await crane.getByRole('textbox').first().fill('25');
    await crane.getByLabel('with').fill('chair');
    expect(await findFaults(coach)).toEqual([]);
    await dialog.getByRole('button', { name: 'Save them for us' }).click();
    await dialog.waitFor({ state: 'hidden' });
    await coach.locator('.plan-kit', { hasText: 'chair' }).waitFor(SOON);
    expect(await coach.getByText('new here').count()).toBe(0);
  });

  test('can be made known by keyboard alone', async () => {
    await open('Main: flow\n10 pebble toss');
    const button = coach.getByRole('button', { name: 'make it known' });
    await button.waitFor(SOON);
    await button.focus();
    await coach.keyboard.press('Enter');
    const dialog = coach.getByRole('dialog', { name: 'Make it known' });
    await dialog.waitFor();
    await coach.keyboard.press('Escape');
    await dialog.waitFor({ state: 'hidden' });
    await button.focus();
    await coach.keyboard.press('Enter');
    await dialog.getByRole('button', { name: 'Save it for us' }).focus();
    await coach.keyboard.press('Enter');
    await dialog.waitFor({ state: 'hidden' });
    await coach.locator('.findings', { hasText: 'pebble toss' }).waitFor({ state: 'hidden' });
  });
});

describe('Movements', () => {
  test('find what is read from words, with a ladder of its own, and bring it onto one of ours', async () => {
    await coach.goto(`${base}/movements`);
    await coach.getByRole('searchbox').fill('dumbbell jump squat');
    const first = coach.locator('.movement-list li').first();
    await first.getByText('read from the name', { exact: false }).waitFor(SOON);
    await first.getByRole('link').click();
    const ladder = coach.getByRole('list', { name: 'Easier and harder, easiest first' });
    await expect
      .poll(() => ladder.getByRole('link').allTextContents(), SOON)
      .toEqual(expect.arrayContaining(['sit-to-stand', 'squat', 'squat jump', 'dumbbell squat jump']));
    await coach.getByRole('link', { name: 'change this ladder' }).click();
    await coach.getByRole('textbox', { name: 'Ladder' }).fill('Our jumps');
    await coach.getByRole('button', { name: 'Save' }).click();
    await coach.getByRole('heading', { name: 'Our jumps' }).waitFor(SOON);
  });
  test('stand in use where a session has them', async () => {
    await coach.goto(`${base}/movements?m=dumbbell-squat-jump`);
    await coach.getByRole('heading', { name: 'dumbbell squat jump', level: 2 }).waitFor();
    await coach.getByText('Read from the name: squat jump; with dumbbells').waitFor();
  });
});

test('on a phone the list of new names can be read and kept', async () => {
  const phone = await openPage(browser, PHONE);
  await signIn(phone);
  await phone.goto(`${base}/write/w8d2`);
  await phone.locator('.cm-content').waitFor();
  await writeText(phone, 'Main: flow\n10 lantern step\n10 gull dive');
  await phone.getByText('2 movements are new here').click(SOON);
  await phone.getByRole('button', { name: 'make all 2 known' }).click();
  const dialog = phone.getByRole('dialog', { name: 'Make 2 movements known' });
  await dialog.waitFor();
  expect(await phone.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth)).toBe(true);
  await dialog.getByRole('button', { name: 'Save them for us' }).click();
  await dialog.waitFor({ state: 'hidden' });
  await phone.close();
});
