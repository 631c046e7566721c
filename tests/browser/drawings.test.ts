import type { Browser, Page } from 'playwright-core';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { demo, openBrowser, openPage, PHONE, signIn, SOON } from './helpers.ts';

let browser: Browser;
let coach: Page;
let link: string;
let base: string;
beforeAll(async () => {
  browser = await openBrowser();
  coach = await openPage(browser);
  await signIn(coach, 0);
  const { programmeId, linkPath } = demo().workspaces[0]!;
  base = `/programmes/${programmeId}`;
  link = linkPath;
});
afterAll(async () => {
  await coach.close();
  await browser.close();
});

/** Where the arms of the first drawing within a place are. */
const arms = (page: Page, place: string) => page.locator(`${place} svg.fig .fig-arm`).last().getAttribute('d');

test('a participant sees each movement beside its line, and alive in “how”', async () => {
  const page = await openPage(browser, PHONE);
  await page.goto(link);
  expect(await page.locator('.session-list li > svg.fig').count()).toBeGreaterThan(3);
  expect(await page.locator('.session-list li > svg.fig').first().getAttribute('aria-label')).toMatch(/^(From|Held)/);
  const how = page.locator('li.is-drawn .how-to').first();
  await how.locator('summary').click();
  await expect.poll(() => how.locator('.fig-start').count(), SOON).toBe(0);
  const before = await arms(page, 'li.is-drawn .how-to[open]');
  await expect.poll(() => arms(page, 'li.is-drawn .how-to[open]'), SOON).not.toBe(before);
  await how.locator('summary').click();
  await expect.poll(() => how.locator('.fig-start').count(), SOON).toBe(1);
  await page.close();
});

test('who wants less motion sees the poses side by side', async () => {
  const page = await openPage(browser, { ...PHONE, reducedMotion: 'reduce' });
  await page.goto(link);
  const how = page.locator('li.is-drawn .how-to').first();
  await how.locator('summary').click();
  await expect.poll(() => how.locator('svg.fig > g[transform]').count(), SOON).toBeGreaterThan(1);
  await page.close();
});

test('the clock shows the movement, never instead of number and time', async () => {
  const page = await openPage(browser, PHONE);
  await page.goto(`${link}/w5d3/clock`);
  await page.getByRole('button', { name: 'Start', exact: true }).click();
  await page.locator('.clock-figure svg.fig').waitFor();
  await page.getByRole('heading', { name: 'Cat and cow' }).waitFor(SOON);
  expect(await page.locator('.clock-now').isVisible()).toBe(true);
  const [number, drawing] = await Promise.all([
    page.locator('.clock-now b').boundingBox(),
    page.locator('.clock-figure').boundingBox(),
  ]);
  expect(number!.y).toBeGreaterThanOrEqual(drawing!.y + drawing!.height - 1);
  await page.close();
});

test('the library is a wall of drawings, and the open movement is seen from any side', async () => {
  await coach.goto(`${base}/movements`);
  await coach.getByLabel('Words').fill('lunge');
  await coach.getByText('as drawings').click();
  const wall = coach.locator('.movement-wall');
  await wall.locator('svg.fig').first().waitFor(SOON);
  expect(await wall.locator('svg.fig').count()).toBeGreaterThan(5);
  await wall.getByRole('link', { name: 'side lunge', exact: true }).click();
  const panel = coach.getByRole('complementary', { name: 'side lunge' });
  const picture = panel.locator('.movement-figure svg.fig');
  const front = await picture.getAttribute('viewBox');
  await panel.getByText('side', { exact: true }).click();
  await expect.poll(() => picture.getAttribute('viewBox'), SOON).not.toBe(front);
  await panel.getByRole('button', { name: 'Show the left side' }).click();
  await panel.locator('svg.fig.is-other').waitFor();
  await panel.getByRole('button', { name: 'Stop it' }).click();
  await expect.poll(() => picture.locator('.fig-start').count(), SOON).toBe(1);
});

test('what has no drawing says so', async () => {
  await coach.goto(`${base}/movements?m=neck-turn`);
  await coach.getByText('There is no drawing of it').waitFor(SOON);
});

test('cards, the preview and the week on paper have them too', async () => {
  await coach.goto(`${base}/send/w5d3`);
  await coach.locator('.today .session-list svg.fig').first().waitFor(SOON);
  await coach.goto(`${base}/write/w6d3`);
  await coach.getByText('Cards', { exact: true }).click();
  await coach.locator('.item-card svg.fig').first().waitFor(SOON);
  const page = await openPage(browser, PHONE);
  await page.goto(`${link}/w5d3/week`);
  await page.locator('.paper svg.fig').first().waitFor(SOON);
  await page.close();
});

test('Write shows what is offered, and what a name is, beside the words', async () => {
  await coach.goto(`${base}/write/w6d3`);
  await coach.getByText('Text', { exact: true }).click();
  const line = coach.locator('.cm-line', { hasText: 'band row' }).first();
  await line.hover({ position: { x: 30, y: 8 } });
  await coach.locator('.sum-tip svg.fig').waitFor(SOON);
  await line.click();
  await coach.keyboard.press('End');
  await coach.keyboard.press('Enter');
  await coach.keyboard.type('8 push-u');
  await coach.locator('.cm-completionInfo svg.fig').waitFor(SOON);
});

test('a coach draws a movement: a joint is dragged and turned by keys, undone, kept, and drawn by its name again', async () => {
  await coach.goto(`${base}/movements?m=goblet-squat&edit=yes`);
  const drawing = coach.locator('input[name=drawing]');
  const joint = coach.getByRole('slider', { name: 'right upper arm' });
  await joint.waitFor(SOON);
  expect(await drawing.inputValue()).toBe('');
  await coach.getByRole('button', { name: 'pose 2' }).click();
  const from = (await joint.boundingBox())!;
  await coach.mouse.move(from.x + from.width / 2, from.y + from.height / 2);
  await coach.mouse.down();
  await coach.mouse.move(from.x + 40, from.y - 60, { steps: 5 });
  await coach.mouse.up();
  const dragged = await joint.getAttribute('aria-valuenow');
  expect(Number(dragged)).toBeGreaterThan(60);
  await joint.focus();
  await coach.keyboard.press('ArrowUp');
  expect(Number(await joint.getAttribute('aria-valuenow'))).toBe(Number(dragged) + 5);
  await coach.getByRole('button', { name: 'Undo' }).click();
  expect(await joint.getAttribute('aria-valuenow')).toBe(dragged);
  const kept = await drawing.inputValue();
  await coach.getByRole('button', { name: 'Save' }).click();
  await coach.waitForURL('**/movements?m=goblet-squat');
  await coach.goto(`${base}/movements?m=goblet-squat&edit=yes`);
  await coach.getByRole('button', { name: 'Draw it by its name again' }).waitFor(SOON);
  expect(await drawing.inputValue()).toBe(kept);
  await coach.getByRole('button', { name: 'Draw it by its name again' }).click();
  await coach.getByRole('button', { name: 'Save' }).click();
  await coach.waitForURL('**/movements?m=goblet-squat');
  await coach.goto(`${base}/movements?m=goblet-squat&edit=yes`);
  await coach.getByText('As its name gives it').waitFor(SOON);
});

test('a drawing that no body can do is said at once, and isn’t kept', async () => {
  await coach.goto(`${base}/movements?m=goblet-squat&edit=yes`);
  await coach.getByRole('slider', { name: 'right thigh' }).waitFor(SOON);
  await coach.locator('input[name=drawing]').evaluate((input: HTMLInputElement) => {
    input.value = 'side | stand > air up 0.5 legR 0 -178';
  });
  await coach.getByRole('button', { name: 'Save' }).click();
  await coach.getByRole('alert').getByText('The right knee bends 174°').waitFor(SOON);
});
