import type { Browser } from 'playwright-core';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { demo, openBrowser, openPage, pasteText, PHONE, signIn, SOON, writeText } from './helpers.ts';

let browser: Browser;
beforeAll(async () => {
  browser = await openBrowser();
});
afterAll(async () => {
  await browser.close();
});

const call = (path: string, init: RequestInit = {}) => fetch(demo().base + path, { redirect: 'manual', ...init });
const form = (fields: Record<string, string>, headers: Record<string, string> = {}): RequestInit => ({
  method: 'POST',
  body: new URLSearchParams(fields),
  headers: { origin: demo().base, ...headers },
});

async function coachCookie(workspace: 0 | 1 = 0): Promise<string> {
  const { coachEmail } = demo().workspaces[workspace]!;
  const response = await call('/sign-in', form({ email: coachEmail, password: demo().password }));
  expect(response.status).toBe(302);
  const cookie = response.headers.get('set-cookie')!;
  expect(cookie).toMatch(/HttpOnly; SameSite=Lax/);
  return cookie.split(';')[0]!;
}

describe('what isn’t there, or belongs to someone else', () => {
  test.each(['/p/short', `/p/${'A'.repeat(27)}`, `/p/${'A'.repeat(27)}/w1d1/log`, '/nothing', '/programmes/x/plan/y'])(
    '%s is a 404',
    async (path) => {
      const response = await call(path);
      expect([404, 302]).toContain(response.status);
      if (path.startsWith('/p/')) {
        expect(response.status).toBe(404);
        expect(await response.text()).toContain('This link doesn’t open anything');
      }
    },
  );

  test('someone else’s programme by number is a 404, as is one that doesn’t exist', async () => {
    const headers = { cookie: await coachCookie(0) };
    const others = demo().workspaces[1]!.programmeId;
    for (const path of [
      `/programmes/${others}/plan`,
      `/programmes/${others}/write/w1d1`,
      `/programmes/${others}/people`,
      '/programmes/999999/plan',
      '/programmes/abc/plan',
    ]) {
      expect((await call(path, { headers })).status).toBe(404);
    }
    expect((await call(`/programmes/${others}/people`, form({ intent: 'links' }, headers))).status).toBe(404);
    expect((await call(`/programmes/${others}/new-people`, form({ text: 'x' }, headers))).status).toBe(404);
    const own = demo().workspaces[0]!.programmeId;
    for (const day of ['w9d1', 'w0d1', 'monday'])
      expect((await call(`/programmes/${own}/write/${day}`, { headers })).status).toBe(404);
  });

  test('without sign-in a coach’s page leads to sign-in and back', async () => {
    const response = await call('/programmes/1/plan');
    expect(response.status).toBe(302);
    expect(response.headers.get('location')).toBe('/sign-in?to=%2Fprogrammes%2F1%2Fplan');
    expect(
      (
        await call(
          '/sign-in?to=//elsewhere.example.org',
          form({ email: demo().workspaces[0]!.coachEmail, password: demo().password }),
        )
      ).headers.get('location'),
    ).toBe('/programmes');
  });
});

describe('forms name the field and keep what was typed', () => {
  test('sign-in', async () => {
    const blank = await call('/sign-in', form({ email: '', password: '' }));
    expect(blank.status).toBe(400);
    expect(await blank.text()).toContain('Write your e-mail address.');
    const wrong = await call('/sign-in', form({ email: 'nobody@example.org', password: 'x' }));
    expect(wrong.status).toBe(400);
    const page = await wrong.text();
    expect(page).toContain('don’t go together');
    expect(page).toContain('value="nobody@example.org"');
  });

  test('sign-in attempts slow down, however the address is written and whatever is forged; nobody is locked out', async () => {
    const guess = (email: string, forged: string) =>
      call('/sign-in', form({ email, password: 'x' }, { 'x-ysodos-address': forged, 'x-forwarded-for': forged }));
    const spellings = ['guess@example.org', ' guess@example.org', 'GUESS@example.org ', '\tguess@Example.org'];
    const startedMs = performance.now();
    for (let i = 0; i < 8; i++) expect((await guess(spellings[i % 4]!, `10.0.0.${i}`)).status).toBe(400);
    // Five at once, then half a second, one, two.
    expect(performance.now() - startedMs).toBeGreaterThan(3000);
    const atOnce = await Promise.all(Array.from({ length: 12 }, (_, i) => guess(spellings[i % 4]!, `10.0.1.${i}`)));
    const refused = atOnce.filter((r) => r.status === 429);
    expect(refused.length).toBeGreaterThanOrEqual(10);
    expect(refused[0]!.headers.get('retry-after')).toBe('20');
    expect(await refused[0]!.text()).toContain('then try again');
    expect(
      (await call('/sign-in', form({ email: demo().workspaces[1]!.coachEmail, password: demo().password }))).status,
    ).toBe(302);
  });

  test('a new programme', async () => {
    const response = await call(
      '/programmes',
      form({ title: '', weeks: '60', startsOn: '2026-05-12' }, { cookie: await coachCookie() }),
    );
    expect(response.status).toBe(400);
  });

  test('the log, whose outcome is missing and effort is 11', async () => {
    const response = await call(
      `${demo().workspaces[1]!.linkPath}/w1d2/log`,
      form({ effort: '11', remark: 'all typed', 'client-id': crypto.randomUUID() }),
    );
    expect(response.status).toBe(400);
    const page = await response.text();
    for (const words of ['Choose done, part of it, or not today.', 'Effort is a number from 0 to 10.', 'all typed'])
      expect(page).toContain(words);
  });
});

test('a form from another site, or from nowhere, changes nothing', async () => {
  const path = `${demo().workspaces[1]!.linkPath}/w1d2/log`;
  const fields = { outcome: 'done', 'client-id': crypto.randomUUID() };
  expect([400, 403]).toContain((await call(path, form(fields, { origin: 'https://elsewhere.example.org' }))).status);
  expect((await call(path, { method: 'POST', body: new URLSearchParams(fields) })).status).toBe(403);
  expect((await call('/sign-out', { method: 'POST' })).status).toBe(403);
});

test('a log that is sent three times is stored once', async () => {
  const { linkPath, programmeId } = demo().workspaces[1]!;
  const fields = { outcome: 'part', share: '25', effort: '3', remark: 'thrice', 'client-id': crypto.randomUUID() };
  for (let i = 0; i < 3; i++) expect((await call(`${linkPath}/w2d2/log`, form(fields))).status).toBe(302);
  const page = await (await call(`${linkPath}/w2d2`)).text();
  expect(page).toContain('part of it');
  expect(
    (await call(`/programmes/${programmeId}/follow-up`, { headers: { cookie: await coachCookie(1) } })).status,
  ).toBe(200);
});

test('1 MB of text into the writer is refused with the limit named, and stays on the page', async () => {
  const headers = { cookie: await coachCookie(), origin: demo().base, 'content-type': 'application/json' };
  const { programmeId } = demo().workspaces[0]!;
  const response = await call(`/programmes/${programmeId}/write/w8d1/draft`, {
    method: 'POST',
    headers,
    body: JSON.stringify({ text: 'x'.repeat(1 << 20), revision: 1 }),
  });
  expect(response.status).toBe(413);
  const { message } = (await response.json()) as { message: string };
  expect(message).toContain('200 kB');
  expect(message).toContain('400 items');
  const page = await openPage(browser);
  await signIn(page);
  await page.goto(`/programmes/${programmeId}/write/w8d3`);
  await pasteText(page, `Main: flow\n${'5 squat\n'.repeat(130_000)}`);
  await page
    .getByText(/at most 200 kB of text/)
    .first()
    .waitFor();
  await page.close();
});

test('a second tab on the same day is noticed, and neither text is lost', async () => {
  const one = await openPage(browser);
  await signIn(one);
  const { programmeId } = demo().workspaces[0]!;
  await one.goto(`/programmes/${programmeId}/write/w8d5`);
  await one.locator('.cm-content').waitFor();
  const two = await one.context().newPage();
  await two.goto(`/programmes/${programmeId}/write/w8d5`);
  await two.locator('.cm-content').waitFor();
  await writeText(one, 'Main: flow\n5 squat');
  await one.getByText('saved', { exact: true }).waitFor();
  await writeText(two, 'Main: flow\n6 march');
  await two.getByText('This day was changed elsewhere').waitFor();
  await expect.poll(() => two.locator('.cm-content').innerText(), SOON).toContain('6 march');
  await two.getByRole('button', { name: 'Take theirs' }).click();
  await two.locator('.cm-line', { hasText: '5 squat' }).waitFor();
  await two.keyboard.press('Control+z');
  await two.getByText('saved', { exact: true }).waitFor();
  await two.close();
  await one.close();
});

test('without a network the log is kept on the phone, and sent when there is one', async () => {
  const page = await openPage(browser, PHONE);
  const { linkPath } = demo().workspaces[1]!;
  await page.goto(`${linkPath}/w2d3/log`);
  await page.getByLabel(/^5,/).check({ force: true });
  await page.getByLabel('A word to your coach').fill('From the cellar');
  await page.context().setOffline(true);
  await page.getByRole('button', { name: 'Send to coach' }).click();
  await page.getByRole('heading', { name: 'Kept on this phone' }).waitFor();
  await page.context().setOffline(false);
  await expect
    .poll(
      async () => {
        await page.goto(`${linkPath}/w2d3`);
        return page.getByText('You logged this').count();
      },
      { timeout: 20_000 },
    )
    .toBe(1);
  await page.close();
});

test('a log that the server doesn’t take stays on the phone, says why, can be copied, and is sent again', async () => {
  const page = await openPage(browser, PHONE);
  const { linkPath } = demo().workspaces[1]!;
  await page.goto(`${linkPath}/w2d4/log`);
  await page.getByLabel(/^4,/).check({ force: true });
  await page.getByLabel('A word to your coach').fill('The link was replaced meanwhile');
  await page.route('**/log', (route) =>
    route.request().method() === 'POST' ? route.fulfill({ status: 404, body: '' }) : route.continue(),
  );
  await page.getByRole('button', { name: 'Send to coach' }).click();
  await page.getByText('It couldn’t be delivered').waitFor();
  await page.getByText('the link that it was made with', { exact: false }).first().waitFor();
  await page.unroute('**/log');
  // It is not sent by itself, nor forgotten, wherever one goes.
  await page.goto(linkPath);
  await page.getByText('A log is still on this phone.').waitFor();
  await page.getByText('The link was replaced meanwhile').waitFor();
  await page.getByRole('button', { name: 'Copy it' }).waitFor();
  await page.getByRole('button', { name: 'Throw it away …' }).click();
  await page.getByRole('button', { name: 'Yes, throw it away' }).waitFor();
  await page.getByRole('button', { name: 'Try again' }).click();
  await expect.poll(() => page.getByText('A log is still on this phone.').count(), SOON).toBe(0);
  await page.goto(`${linkPath}/w2d4`);
  await page.getByText('You logged this').waitFor();
  await page.close();
});

test('without script, Today and the log still work', async () => {
  const page = await openPage(browser, { ...PHONE, javaScriptEnabled: false });
  await page.goto(demo().workspaces[1]!.linkPath);
  await page.getByText('Have ready:').waitFor();
  await page.getByRole('link', { name: /done it my way|Correct what you logged/ }).click();
  await page.getByText('part of it', { exact: true }).click();
  await page.getByLabel('About how much?').selectOption('75');
  await page.getByLabel('A word to your coach').fill('No script here');
  await page.getByRole('button', { name: 'Send to coach' }).click();
  await page.getByText('You logged this: part of it').waitFor();
  await page.close();
});
