import type { APIResponse, Browser, BrowserContext, BrowserContextOptions, Locator, Page } from 'playwright-core';
import { expect } from 'vitest';
import { openChromium } from '../../bin/parts/chromium.ts';
import type { RunningDemo } from '../../bin/parts/running-demo.ts';

let running: Omit<RunningDemo, 'stop'> | undefined;
export const setDemo = (started: Omit<RunningDemo, 'stop'>): void => {
  running = started;
};

/** The demo of this file. */
export const demo = (): Omit<RunningDemo, 'stop'> => {
  if (!running) throw new Error('start-demo.ts is a setup file of these tests');
  return running;
};
export const openBrowser = (): Promise<Browser> => openChromium();

/** A page that fails the test on any script error or refused resource. */
export async function openPage(browser: Browser, options: BrowserContextOptions = {}): Promise<Page> {
  const context: BrowserContext = await browser.newContext({
    viewport: { width: 1280, height: 800 },
    baseURL: demo().base,
    ...options,
  });
  context.setDefaultTimeout(15_000);
  const page = await context.newPage();
  const faults: string[] = [];
  page.on('pageerror', (error) => {
    // Whoever moves on while an answer still arrives ends it: the router leaves the stream's own rejection unhandled.
    if (error.name !== 'AbortError' && error.message !== 'signal is aborted without reason')
      faults.push(`${page.url()}: ${error.message}`);
  });
  page.on('console', (message) => {
    if (message.type() === 'error' && !/status of 4\d\d|ERR_INTERNET_DISCONNECTED/.test(message.text()))
      faults.push(`${page.url()}: ${message.text()}`);
  });
  page.on('close', () => {
    expect(faults.join('\n')).toBe('');
  });
  return page;
}

/** Waits until React has taken over the page that the server sent. */
export const isHydrated = (page: Page): Promise<unknown> =>
  page.waitForFunction(() =>
    Object.keys(document.querySelector('main') ?? document.body).some((key) => key.startsWith('__react')),
  );

/** How long a page may take to show what was just asked of it: `expect.poll(what, SOON)`. */
export const SOON = { timeout: 10_000 };

export const PHONE: BrowserContextOptions = { viewport: { width: 390, height: 844 }, hasTouch: true };

/** Signs in without the page for it, which first-hour.test.ts fills in. `new`: as the coach who has nothing yet. */
export async function signIn(page: Page, workspace: 0 | 1 | 'new' = 0): Promise<void> {
  const email = workspace === 'new' ? demo().newcomerEmail : demo().workspaces[workspace]!.coachEmail;
  await postForm(page, `${demo().base}/sign-in`, { email, password: demo().password });
  await page.goto('/programmes');
}

/** The choices of an open list. */
const openChoices = (page: Page): Locator =>
  page.locator('.ant-select-dropdown:not(.ant-select-dropdown-hidden) .ant-select-item-option-content');

/** Takes one of a list's choices by its words, by keyboard as far as it goes. */
export async function choose(field: Locator, words: string): Promise<void> {
  await field.focus();
  await field.press('ArrowDown');
  if (await field.isEditable()) await field.fill(words);
  await openChoices(field.page()).getByText(words, { exact: true }).click();
  await openChoices(field.page()).first().waitFor({ state: 'hidden' });
}

/** The words of a list's choices. */
export async function choicesOf(field: Locator): Promise<string[]> {
  await field.focus();
  await field.press('ArrowDown');
  await openChoices(field.page()).first().waitFor();
  const words = await openChoices(field.page()).allTextContents();
  await field.press('Escape');
  return words;
}

/** Writes a day or an hour into its field, and leaves it. */
export async function writeTime(field: Locator, text: string): Promise<void> {
  await field.fill(text);
  await field.press('Tab');
}

/** Replaces all text of the writer. */
export async function writeText(page: Page, text: string): Promise<void> {
  await page.locator('.cm-content').click();
  await page.keyboard.press('Control+a');
  await page.keyboard.insertText(text);
}

/** Replaces all text of the writer as a paste does: for texts too long to be typed. */
export async function pasteText(page: Page, text: string): Promise<void> {
  await page.locator('.cm-content').click();
  await page.keyboard.press('Control+a');
  await page.locator('.cm-content').evaluate((element, pasted) => {
    const clipboardData = new DataTransfer();
    clipboardData.setData('text/plain', pasted);
    element.dispatchEvent(new ClipboardEvent('paste', { clipboardData, bubbles: true, cancelable: true }));
  }, text);
}

/** Says what becomes of sessions that would leave at once by what was just done. */
export const decideSend = (
  page: Page,
  choice: 'Send now' | 'From their next session on' | 'Hold it' = 'Send now',
): Promise<void> =>
  page
    .getByRole('dialog', { name: /at once$/ })
    .getByRole('button', { name: choice })
    .click();

/** Marks the day in the writer ready; where it would leave at once, it does. */
export async function markReady(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Mark ready' }).click();
  const asked = page.getByRole('dialog', { name: /at once$/ });
  const isGone = page.waitForURL('**/send/*').then(() => false);
  isGone.catch(() => undefined);
  if (await Promise.race([asked.waitFor().then(() => true), isGone])) await decideSend(page);
  await page.waitForURL('**/send/*');
}

/** A form sent as a signed-in coach's browser would, without following where it leads. */
export async function postForm(page: Page, url: string, form: Record<string, string>): Promise<APIResponse> {
  const response = await page.request.post(url, { form, headers: { origin: new URL(url).origin }, maxRedirects: 0 });
  expect(response.status(), await response.text()).toBeLessThan(400);
  return response;
}
