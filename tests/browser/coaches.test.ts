import * as OTPAuth from 'otpauth';
import type { Browser, Page } from 'playwright-core';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { FIXED_NOW } from '../../bin/parts/running-demo.ts';
import { openAsAdmin } from '../hostile/hostile-demo.ts';
import { findFaults } from './axe.ts';
import { demo, openBrowser, openPage, PHONE, signIn } from './helpers.ts';

let browser: Browser;
beforeAll(async () => {
  browser = await openBrowser();
});
afterAll(async () => {
  await browser.close();
});

const READER = 'tam@orchestra.example.org';

/** A reader beside the demo's coach, with the same password. */
async function addReader(): Promise<void> {
  const admin = await openAsAdmin(demo().data);
  await admin.query(
    `insert into coach (workspace_id, email, name, password_hash, role)
     select workspace_id, $2, 'Tam', password_hash, 'reader' from coach where email = $1`,
    [demo().workspaces[0]!.coachEmail, READER],
  );
  await admin.end();
}

const enter = async (page: Page, email: string) => {
  await page.goto('/sign-in');
  await page.getByLabel('E-mail').fill(email);
  await page.getByLabel('Password').fill(demo().password);
  await page.getByRole('button', { name: 'Sign in' }).click();
};

test(
  'a second step is turned on, asked for at sign-in, and got round by no address',
  { timeout: 120_000 },
  async () => {
    const page = await openPage(browser);
    await signIn(page, 1);
    await page.goto('/account');
    await page.getByRole('button', { name: 'Turn it on' }).click();
    await page.waitForURL('**/account?second=on');
    const key = (await page.locator('.account-second code').textContent())!.replaceAll(' ', '');
    // The clock of the demo stands still; each code works once, so each sign-in takes a later one.
    const code = (steps: number) =>
      new OTPAuth.TOTP({ secret: OTPAuth.Secret.fromBase32(key) }).generate({
        timestamp: Date.parse(FIXED_NOW) + steps * 30_000,
      });
    await page.getByLabel('The code that it shows now').fill('000000');
    await page.getByRole('button', { name: 'Turn it on' }).click();
    await page.getByText('That is not the code').waitFor();
    expect((await page.locator('.account-second code').textContent())!.replaceAll(' ', '')).toBe(key);
    await page.getByLabel('The code that it shows now').fill(code(-1));
    await page.getByRole('button', { name: 'Turn it on' }).click();
    await page.getByRole('heading', { name: 'Your recovery codes' }).waitFor();
    expect(await page.locator('.account-codes li').count()).toBe(10);
    expect(await findFaults(page)).toEqual([]);

    const phone = await openPage(browser, PHONE);
    await phone.goto('/programmes/2/follow-up?person=40');
    await phone.waitForURL('**/sign-in?to=**');
    await phone.getByLabel('E-mail').fill(demo().workspaces[1]!.coachEmail);
    await phone.getByLabel('Password').fill(demo().password);
    await phone.getByRole('button', { name: 'Sign in' }).click();
    await phone.waitForURL('**/sign-in/code?to=**');
    expect(await findFaults(phone)).toEqual([]);
    await phone.goto('/programmes');
    await phone.waitForURL('**/sign-in/code**');
    await phone.getByLabel('Code').fill('123 456');
    await phone.getByRole('button', { name: 'Sign in' }).click();
    await phone.getByText('That code is not right').waitFor();
    await phone.goto('/sign-in/code?to=%2Fprogrammes%2F2%2Ffollow-up');
    await phone.getByLabel('Code').fill(code(0));
    await phone.keyboard.press('Enter');
    await phone.waitForURL('**/programmes/2/follow-up');
    await phone.close();

    // The other browser is listed, and ended from here.
    await page.goto('/account');
    await page.getByRole('button', { name: 'Sign this one out' }).click();
    await page.getByText('It is signed out.').waitFor();
    await page.goto('/account/done');
    await page.getByText('turned the second step on').waitFor();
    await page.close();
  },
);

test('a reader sees plans and figures, nothing of health, and can press nothing', { timeout: 120_000 }, async () => {
  await addReader();
  const page = await openPage(browser);
  await enter(page, READER);
  await page.waitForURL('**/programmes');
  const base = `/programmes/${demo().workspaces[0]!.programmeId}`;
  await page.goto(`${base}/write/w5d3`);
  await page.getByText('You read here').waitFor();
  await page.locator('.cm-content').waitFor();
  const text = await page.locator('.cm-content').textContent();
  await page.locator('.cm-content').click();
  await page.keyboard.type('nothing of this');
  expect(await page.locator('.cm-content').textContent()).toBe(text);
  expect(await page.locator('main button:enabled, main input:enabled:not([type=hidden])').count()).toBe(0);
  for (const path of ['send', 'plan', 'people']) {
    await page.goto(`${base}/${path}`);
    await page.getByText('You read here').waitFor();
    // axe takes whatever stands in a fieldset that is off for something that can't have the focus, and the phone on Send scrolls.
    if (path !== 'send') expect(await findFaults(page)).toEqual([]);
  }
  await page.goto(`${base}/follow-up`);
  await page.getByText('is for coaches to see').waitFor();
  expect(await page.getByRole('link', { name: 'What next' }).count()).toBe(0);
  expect((await page.goto(`${base}/follow-up/next`))!.status()).toBe(403);
  await page.getByRole('heading', { name: 'You read here' }).waitFor();
  await page.close();
});

test(
  'removing who has logged takes the password, where it wasn’t shown a moment ago',
  { timeout: 120_000 },
  async () => {
    const page = await openPage(browser);
    await signIn(page);
    const admin = await openAsAdmin(demo().data);
    await admin.query(`update coach_session set proved_at = proved_at - interval '11 minutes'`);
    await admin.end();
    await page.goto(`/programmes/${demo().workspaces[0]!.programmeId}/people?person=3`);
    const name = (await page.locator('.people-columns h2').first().textContent())!;
    await page.getByRole('button', { name: 'remove from this programme' }).click();
    const dialog = page.getByRole('dialog');
    await dialog.getByText('It goes for good').waitFor();
    await dialog.getByRole('button', { name: 'Remove' }).click();
    await dialog.getByText('so that it is surely you').waitFor();
    await dialog.getByLabel('Your password').fill('not this one');
    await dialog.getByRole('button', { name: 'Remove' }).click();
    await dialog.getByText('That is not your password.').waitFor();
    await dialog.getByLabel('Your password').fill(demo().password);
    await dialog.getByRole('button', { name: 'Remove' }).click();
    await dialog.waitFor({ state: 'hidden' });
    await page.getByText('25 in this programme').waitFor();
    expect(await page.getByText(name, { exact: true }).count()).toBe(0);
    // A file with what people did is asked for in the same way, and comes after it.
    await page.goto('/account/done');
    await page.getByText('deleted, with all that they logged, someone who was removed since').waitFor();
    await page.close();
  },
);
